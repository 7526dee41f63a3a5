<?php

declare(strict_types=1);

namespace App\Store;

use App\Library\Shelf;
use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\Ask\Column;
use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Reading;
use ChalkTree\Calendar\CalendarItem;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Exchange\CsvTable;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Table\Table;
use ChalkTree\Table\TableColumn;
use ChalkTree\Table\TableDays;
use ChalkTree\Table\TableFile;
use ChalkTree\Table\TableGroup;
use ChalkTree\Table\TableRow;
use ChalkTree\Table\TableRows;

/** Tells what stands in the tables of maps, and takes tables out of them and in. */
final readonly class Tables
{
    public function __construct(private MapStore $store)
    {
    }

    /**
     * @param  string|null  $table  one that is kept in the map; null for one that nobody made yet, of a branch
     * @param  string  $text  to what the map is narrowed, in words
     * @param  list<string>  $topics  those of which the cells are wanted
     * @param  string  $known  the rows that whoever asks has already
     * @param  array{string, string}|null  $days  the first and the last of those that are seen in a calendar
     * @return array<string, mixed> "TableAnswer" in the wire schema
     *
     * @throws InvalidEdit where there is no such table
     */
    public function of(MapRecord $record, Person $person, ?string $table, ?string $branch, string $text, array $topics, string $known, ?array $days = null): array
    {
        $now = new Moment($this->store->load($record), $person->today());
        $its = self::at($now->map, $table, $branch);
        $also = self::narrowed($now, $text);
        $rows = TableRows::of($now, $its, $also);
        $groups = array_map(fn (TableGroup $group): array => ['title' => $group->title, 'rows' => array_map(fn (TableRow $row): array => [$row->topic, $row->depth], $group->rows)], $rows->groups);
        $hash = substr(hash('sha256', json_encode($groups, JSON_THROW_ON_ERROR)), 0, 32);
        $totals = $rows->totals();

        return [
            'words' => $its->condition()?->words($now) ?? '',
            'columns' => array_map(fn (TableColumn $column, string $total): array => self::told($rows->all[$column->key]) + ['width' => $column->width, 'how' => $column->total?->value, 'total' => $total], $rows->columns, $totals),
            'all' => array_values(array_map(fn (Column $column): array => ['key' => $column->key, 'words' => $column->words], $rows->all)),
            'hash' => $hash,
            'groups' => $hash === $known ? null : $groups,
            'cells' => (object) $rows->cells($topics),
            'days' => $days === null ? [] : array_map(fn (CalendarItem $item): array => self::day($now, $item), TableDays::of($now, $its, $also, ...$days)),
        ];
    }

    /** @return array{topic: string, what: string, title: string, from: string, to: string, begins: bool, span: bool, time: string|null, progress: int|null} "DayItem" in the wire schema */
    private static function day(Moment $now, CalendarItem $item): array
    {
        [$from, $to] = TableDays::span($item);

        return ['topic' => $item->topic, 'what' => $item->what, 'title' => mb_substr($item->title, 0, 200), 'from' => $from, 'to' => $to, 'begins' => $item->isTodo() && $item->from !== null, 'span' => TableDays::isSpan($now, $item), 'time' => $item->time, 'progress' => $item->progress];
    }

    /**
     * Nothing but the cells of topics, without a look at which rows there are.
     *
     * @param  list<string>  $topics
     * @return array{cells: object} "CellsAnswer" in the wire schema
     *
     * @throws InvalidEdit where there is no such table
     */
    public function cells(MapRecord $record, Person $person, ?string $table, ?string $branch, string $text, array $topics): array
    {
        $now = new Moment($this->store->load($record), $person->today());

        return ['cells' => (object) TableRows::cellsOf($now, self::at($now->map, $table, $branch), $topics, self::narrowed($now, $text))];
    }

    /** @return array{key: string, words: string, form: string|null, choices: list<string>, numbers: bool} */
    private static function told(Column $column): array
    {
        return ['key' => $column->key, 'words' => $column->words, 'form' => $column->typing?->form, 'choices' => $column->typing->choices ?? [], 'numbers' => $column->isOfNumbers()];
    }

    /**
     * A table as CSV, without what is private.
     *
     * @return array{string, string} what it is called, and the file
     *
     * @throws InvalidEdit where there is no such table
     * @throws NothingLeaves where all of the map is private
     */
    public function file(MapRecord $record, Person $person, ?string $table, ?string $branch): array
    {
        $all = $this->store->load($record);
        self::at($all, $table, $branch);
        $now = new Moment(Outgoing::of($all), $person->today());
        if ($branch !== null && ! $now->map->has($branch)) {
            throw new NothingLeaves;
        }
        $its = self::at($now->map, $table, $branch);

        return [$its->text('name') === '' ? Shelf::title($record->title, $now->map->root()->title) : $its->text('name'), TableFile::write($now, $its)];
    }

    /**
     * What a file holds, and where its columns would go.
     *
     * @return array<string, mixed> "TableFileAnswer" in the wire schema
     *
     * @throws UnreadableFile
     */
    public function look(MapRecord $record, Person $person, string $bytes): array
    {
        $file = CsvTable::read($bytes)->withPoints();
        if ($file->rows === []) {
            throw new UnreadableFile('There are no rows in this file.');
        }

        return [
            'encoding' => $file->encoding, 'separator' => $file->separator, 'comma' => $file->hasDecimalComma, 'head' => $file->hasHead ? $file->head : null, 'rows' => $file->rows,
            'columns' => TableFile::matches(new Moment($this->store->load($record), $person->today()), $file),
        ];
    }

    /** Words that are not understood narrow nothing; who says them is told so beside the field. */
    private static function narrowed(Moment $now, string $text): ?Condition
    {
        try {
            return $text === '' ? null : Reading::of($text, $now)->condition;
        } catch (InvalidEdit) {
            return null;
        }
    }

    /** @throws InvalidEdit */
    private static function at(TopicMap $map, ?string $table, ?string $branch): Table
    {
        if ($table === null) {
            return Table::fromFields(Ids::next(), ['branch' => $branch === null ? null : $map->topic($branch, 'branch')->id]);
        }
        $row = $map->row(Table::type(), $table);

        return $row instanceof Table ? $row : throw new InvalidEdit('This table is not in the map any more.', 'table');
    }
}
