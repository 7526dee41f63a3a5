<?php

declare(strict_types=1);

namespace ChalkTree\Table;

use ChalkTree\Ask\CellTyping;
use ChalkTree\Ask\Columns;
use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Place;
use ChalkTree\Edit\Planting;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Sameness;

/**
 * Rows from elsewhere become topics below a topic. Where one column is the key, a row that has in it what a topic below
 * has there changes that topic, as far as its cells say anything.
 */
final readonly class BringRows implements Edit
{
    /** Cells at a time. */
    private const MOST = 300_000;

    /**
     * @param  list<string|null>  $columns  keys of columns; null for one that stays behind
     * @param  list<list<string>>  $rows
     */
    private function __construct(private string $parent, private array $columns, private array $rows, private ?int $key, private string $today)
    {
    }

    public static function name(): string
    {
        return 'rows.bring';
    }

    /** "parent"; "columns", keys of columns or null, one must be "title" or the key; "rows" of texts; "key", the place of a column, or null; "today". */
    public static function read(Arguments $arguments): self
    {
        $columns = [];
        foreach ($arguments->list('columns', Table::MOST_COLUMNS * 10) as $column) {
            $columns[] = $column === null || (is_string($column) && strlen($column) <= 60) ? $column : throw $arguments->wrong('columns', '“columns” holds something that is no key of a column.');
        }
        $rows = [];
        foreach ($arguments->list('rows', Bounds::MOST_TOPICS) as $row) {
            if (! is_array($row) || count($row) > count($columns) || array_filter($row, is_string(...)) !== $row) {
                throw $arguments->wrong('rows', 'Each of “rows” has to be a list of texts, no more than there are columns.');
            }
            $rows[] = array_map(fn (string $text): string => Wording::clean($text, 'rows'), array_values($row));
        }
        if (count($rows) * count($columns) > self::MOST) {
            throw $arguments->wrong('rows', 'At most '.number_format(self::MOST).' cells are brought at a time.');
        }
        $key = $arguments->has('key') ? $arguments->intOrNull('key', 0, max(0, count($columns) - 1)) : null;
        $said = array_filter($columns, is_string(...));
        if (count(array_unique($said)) !== count($said)) {
            throw $arguments->wrong('columns', 'Two columns of the file go to the same column of the map.');
        }
        if (! in_array('title', $said, true) && ($key === null || $columns[$key] === null)) {
            throw $arguments->wrong('columns', 'Say which column is the title, or by which one topics are known.');
        }

        return new self($arguments->id('parent'), $columns, $rows, $key, Days::given($arguments));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $parent = $map->topic($this->parent, 'parent')->id;
        $all = Columns::of(new Moment($map, $this->today));
        /** @var array<int, CellTyping> $typing */
        $typing = [];
        foreach ($this->columns as $i => $key) {
            if ($key !== null) {
                $typing[$i] = ($all[$key] ?? throw new InvalidEdit('A column is not in the map any more.', 'columns'))->typing ?? throw new InvalidEdit("What stands under “{$all[$key]->words}” follows from other things, so nothing is brought there.", 'columns');
            }
        }
        $known = $this->known($map, $parent, $typing);
        $title = array_search('title', $this->columns, true);
        $cells = [];
        $drafts = [];
        foreach ($this->rows as $n => $row) {
            if (trim(implode('', $row)) === '') {
                continue;
            }
            $same = $this->key === null ? '' : Sameness::key($row[$this->key] ?? '');
            $topic = $known[$same] ?? null;
            if ($topic === null) {
                $topic = Ids::next();
                $drafts[] = new TopicDraft($title === false ? InlineMarkdown::escape(trim($row[(int) $this->key] ?? '')) : InlineMarkdown::escape(trim($row[$title] ?? '')), id: $topic);
                $known += $same === '' ? [] : [$same => $topic];
            } elseif ($title !== false && $this->key !== $title && trim($row[$title] ?? '') !== '') {
                $cells[$n][$topic][] = [$typing[$title], InlineMarkdown::escape(trim($row[$title]))];
            }
            foreach ($typing as $i => $one) {
                if ($i !== $title && trim($row[$i] ?? '') !== '') {
                    $cells[$n][$topic][] = [$one, $row[$i]];
                }
            }
        }
        if ($drafts !== []) {
            Planting::plant($map, $recorder, Place::below($parent), $drafts);
        }
        foreach ($cells as $n => $ofRow) {
            foreach ($ofRow as $topic => $its) {
                try {
                    TypedCells::put($map, $recorder, (string) $topic, $its, $this->today);
                } catch (InvalidEdit $refusal) {
                    throw new InvalidEdit('Row '.($n + 1).": {$refusal->getMessage()} Nothing was brought in.", 'rows');
                }
            }
        }
    }

    /**
     * @param  array<int, CellTyping>  $typing
     * @return array<string, string> the topics below by what they have in the column of the key, the first of several
     */
    private function known(TopicMap $map, string $parent, array $typing): array
    {
        $known = [];
        $typed = $this->key === null ? null : ($typing[$this->key] ?? null);
        if ($typed === null) {
            return [];
        }
        foreach (array_map(strval(...), array_keys($map->branch($parent))) as $id) {
            $same = Sameness::key($typed->typed($id));
            if ($same !== '' && $id !== $parent) {
                $known[$same] ??= $id;
            }
        }

        return $known;
    }

    public function sentence(TopicMap $map): string
    {
        $count = count($this->rows);

        return 'Brought '.number_format($count).($count === 1 ? ' row' : ' rows').' below '.Wording::excerpt($map->find($this->parent)->title ?? '');
    }
}
