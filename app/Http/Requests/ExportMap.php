<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\HandOver\Wish;
use App\HandOver\WishReader;
use App\Library\Exports;
use ChalkTree\Arrange\View;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A map, or a branch of it, as a file. */
final class ExportMap extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'to' => ['required', Rule::in(Exports::names())],
            'board' => ['nullable', Rule::enum(BoardTheme::class)],
            'as' => ['nullable', Rule::in(['shown', 'unfolded'])],
            'topic' => ['nullable', 'string', 'size:26'],
            'preset' => ['nullable', 'string', 'max:240'],
            'chosen' => ['nullable', 'string', 'max:270000'],
            'gaps' => ['nullable', 'string', 'max:270000'],
        ];
    }

    /**
     * @param  TopicMap  $map  the whole
     * @param  View  $view  how the board is folded
     */
    public function wish(TopicMap $map, View $view): Wish
    {
        $given = $this->all() + ($this->input('as') === 'shown' ? ['what' => 'shown'] : []);
        $branch = $this->filled('topic') ? $map->topic((string) $this->string('topic'))->id : null;
        $ids = fn (string $name): array => array_values(array_filter(explode(' ', (string) $this->string($name)), Ids::valid(...)));

        return new Wish((string) $this->string('to'), WishReader::choices($given, $map, $this->filled('preset') ? (string) $this->string('preset') : null), $branch, $ids('chosen'), $view, BoardTheme::tryFrom((string) $this->string('board')) ?? BoardTheme::Day, $ids('gaps'));
    }
}
