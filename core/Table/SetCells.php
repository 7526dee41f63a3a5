<?php

declare(strict_types=1);

namespace ChalkTree\Table;

use ChalkTree\Ask\Columns;
use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/** Puts what was typed into cells of a table: each is an edit of its topic, all are one step. */
final readonly class SetCells implements Edit
{
    private const MOST = 20_000;

    /** Letters of a title in a refusal. */
    private const WIDEST = 40;

    /** @param  non-empty-list<array{string, string, string}>  $cells  topic, key of the column, what was typed */
    private function __construct(private array $cells, private string $today)
    {
    }

    public static function name(): string
    {
        return 'cells.set';
    }

    /** "cells", each with "topic", "column" and "text" (empty for nothing), and "today", where the person is. */
    public static function read(Arguments $arguments): self
    {
        $cells = [];
        foreach ($arguments->nestedList('cells') as $cell) {
            $column = $cell->string('column');
            $text = Wording::clean($cell->string('text'), 'text');
            if (strlen($text) > Bounds::LONGEST_NOTE || strlen($column) > 60) {
                throw $cell->wrong('text', 'A cell holds at most 1 MB of text.');
            }
            $cells[] = [$cell->id('topic'), $column, $text];
            $cell->refuseRest();
        }
        if ($cells === [] || count($cells) > self::MOST) {
            throw $arguments->wrong('cells', '“cells” has to be a list of 1 to '.number_format(self::MOST).' cells.');
        }

        return new self($cells, Days::given($arguments));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $columns = Columns::of(new Moment($map, $this->today));
        $typed = [];
        foreach ($this->cells as [$topic, $key, $text]) {
            $column = $columns[$key] ?? throw new InvalidEdit('This column is not in the map any more.', 'column');
            $typed[$map->topic($topic, 'cells')->id][] = [$column->typing ?? throw new InvalidEdit("What stands under “{$column->words}” follows from other things, so nothing is typed there.", 'column'), $text];
        }
        foreach ($typed as $topic => $cells) {
            $title = $map->topic($topic)->title;
            try {
                TypedCells::put($map, $recorder, $topic, $cells, $this->today);
            } catch (InvalidEdit $refusal) {
                throw count($this->cells) === 1 ? $refusal : new InvalidEdit('At “'.InlineMarkdown::oneLine($title, self::WIDEST)."”: {$refusal->getMessage()} Nothing was changed.", 'text');
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        $topics = array_values(array_unique(array_column($this->cells, 0)));

        return count($this->cells) === 1 ? 'Typed into a cell of '.Wording::excerpt($map->find($topics[0])->title ?? '') : 'Filled '.number_format(count($this->cells)).' cells of '.count($topics).(count($topics) === 1 ? ' topic' : ' topics');
    }
}
