<?php

declare(strict_types=1);

namespace ChalkTree\Table;

use ChalkTree\Ask\AsksOfTopics;
use ChalkTree\Ask\KeepsCondition;
use ChalkTree\Look\NamedLook;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\Ids;
use Closure;

/** Topics of a map as rows under columns, kept under a name: which topics, which columns, in which order. */
final readonly class Table extends FeatureRow implements AsksOfTopics
{
    use KeepsCondition {
        among as private askingAmong;
    }

    public const MOST_COLUMNS = 60;

    /** Forms in which it is seen besides rows. */
    public const FORMS = ['lanes', 'month', 'week', 'spans'];

    private const MOST_KEYS = 4;

    private const KEY = '[a-z]{1,20}(?::[0-9a-z]{26})?';

    public static function type(): string
    {
        return 'table';
    }

    public static function words(): string
    {
        return 'table';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    public static function isDrawnByLooks(): bool
    {
        return false;
    }

    /**
     * "branch": the topic of which the rows are what is below; without one the root. "deep": all levels below it, not the
     * first alone. "when": a condition as JSON; then the rows are the topics below of which it holds. "columns": one a line,
     * see TableColumn. "by": the key of the column under whose heads the rows stand. "order": keys of columns, with "-"
     * before one where the most comes first. "form": rows if it is not said; lanes, one for each head; days in a calendar, or spans along time.
     */
    public static function declared(): array
    {
        $key = self::KEY;

        return [
            'name' => NamedLook::named('name of a table'),
            'branch' => Field::formed(Ids::valid(...), 26, 'be the id of a topic')->called('branch of a table'),
            'deep' => Field::flag()->called('levels of a table'),
            'when' => self::whenField()->called('condition of a table'),
            'columns' => Field::formed(self::fit(...), 80 * self::MOST_COLUMNS, 'be columns, one a line, at most '.self::MOST_COLUMNS)->called('columns of a table'),
            'by' => Field::formed(fn (string $text): bool => preg_match("/^{$key}$/D", $text) === 1, 60, 'be the key of a column')->called('grouping of a table'),
            'order' => Field::formed(fn (string $text): bool => preg_match("/^-?{$key}( -?{$key}){0,".(self::MOST_KEYS - 1).'}$/D', $text) === 1, 60 * self::MOST_KEYS, 'be keys of at most '.self::MOST_KEYS.' columns')->called('order of a table'),
            'form' => Field::choice(self::FORMS)->called('form of a table'),
        ];
    }

    private static function fit(string $text): bool
    {
        $columns = array_map(TableColumn::read(...), explode("\n", $text));
        $keys = array_map(fn (?TableColumn $column): string => $column->key ?? '', $columns);

        return count($columns) <= self::MOST_COLUMNS && ! in_array(null, $columns, true) && count(array_unique($keys)) === count($keys);
    }

    /** @return list<TableColumn> none where nobody said */
    public function columns(): array
    {
        return $this->text('columns') === '' ? [] : array_values(array_filter(array_map(TableColumn::read(...), explode("\n", $this->text('columns')))));
    }

    /** @return array<string, bool> whether the most comes first, by the keys of columns */
    public function order(): array
    {
        $order = [];
        foreach ($this->text('order') === '' ? [] : explode(' ', $this->text('order')) as $key) {
            $order[ltrim($key, '-')] = $key[0] === '-';
        }

        return $order;
    }

    /** A table of a topic that is not there is one of the map. */
    public function among(Closure $isThere): static
    {
        $asking = $this->askingAmong($isThere);

        return $asking->text('branch') === '' || $isThere($asking->text('branch')) ? $asking : $asking->with(['branch' => null]);
    }
}
