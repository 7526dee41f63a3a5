<?php

declare(strict_types=1);

namespace App\HandOver;

use ChalkTree\Arrange\View;
use ChalkTree\HandOver\Choices;
use ChalkTree\Look\BoardTheme;

/** What somebody wants to be handed. */
final readonly class Wish
{
    /**
     * @param  string  $to  one of Exports::names()
     * @param  string|null  $branch  the topic whose branch is wanted, if not all
     * @param  list<string>  $chosen  where only these are wanted, each with what is below it
     * @param  View  $view  how the board is folded
     * @param  list<string>  $gaps  ids of topics whose titles a class fills in
     */
    public function __construct(public string $to, public Choices $choices, public ?string $branch = null, public array $chosen = [], public View $view = new View, public BoardTheme $board = BoardTheme::Day, public array $gaps = [])
    {
    }

    /** As what of a story it is wanted; empty for the map as it is, and where the format knows no such text. */
    public function form(): string
    {
        return DocumentFormat::tryFrom($this->to) !== null || $this->to === 'md' ? $this->choices->text('form') : '';
    }

    /** @return list<scalar|null> all that it hangs on besides the map */
    public function asked(): array
    {
        return [$this->to, $this->branch, $this->board->value, json_encode($this->choices->saying(), JSON_THROW_ON_ERROR), ...$this->chosen, '', ...$this->gaps, '', ...array_map(strval(...), array_keys($this->view->folded))];
    }
}
