<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Exchange\CsvTable;
use ChalkTree\Kind\Kinds;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\TopicMap;
use ChalkTree\Sign\Tag;
use ChalkTree\Sign\TopicTags;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Sameness;
use Closure;

/** Who or what appears in which chapter or scene of a story. */
final class ThreadGrid
{
    public const ROWS = ['people', 'places', 'objects', 'sources', 'threads', 'tags'];

    /** @var list<array{topic: string, title: string, scenes: int}> */
    public array $columns = [];

    /** @var array<string, ThreadRow> */
    private array $rows = [];

    /** @var array<string, string> the keys of rows by what they are called in fields */
    private array $byName = [];

    private function __construct(private readonly TopicMap $map)
    {
    }

    /**
     * @param  Closure(string): array<string, int>  $counts  how often the note of a topic names each of the cast
     * @param  string  $rows  one of ROWS
     */
    public static function of(TopicMap $map, Story $story, Cast $cast, Closure $counts, string $rows, bool $isByChapter): self
    {
        $grid = new self($map);
        $grid->begin($cast, $rows);
        $places = $isByChapter ? array_flip(array_keys($story->chapters)) : [];
        $grid->columns = $isByChapter ? array_map(fn (string|int $topic, string $title): array => ['topic' => (string) $topic, 'title' => $title, 'scenes' => 0], array_keys($story->chapters), $story->chapters) : [];
        $ties = StoryTies::in($map);
        foreach ($story->scenes as $scene) {
            $column = $isByChapter ? $places[$scene->chapter ?? ''] ?? null : count($grid->columns);
            if ($column === null) {
                continue;
            }
            $grid->columns[$column] ??= ['topic' => $scene->topic, 'title' => $scene->title, 'scenes' => 0];
            $grid->columns[$column]['scenes']++;
            $grid->say($scene, $column, $rows);
            foreach ($scene->texts as $text) {
                foreach ($rows === 'tags' ? [] : $counts($text) as $topic => $number) {
                    $grid->cell((string) $topic, $column, $scene, fn (ThreadCell $cell): int => $cell->names += $number);
                }
                foreach (array_keys($rows === 'tags' ? [] : $ties->of($map, $text)) as $topic) {
                    $grid->cell((string) $topic, $column, $scene, fn (ThreadCell $cell): bool => $cell->isTied = true);
                }
            }
        }
        foreach ($grid->rows as $row) {
            ksort($row->cells);
        }

        return $grid;
    }

    /** The rows that there are before a scene is looked at: all that have sheets. */
    private function begin(Cast $cast, string $rows): void
    {
        $kind = ['people' => 'character', 'places' => 'place', 'objects' => 'object', 'sources' => 'source'][$rows] ?? null;
        foreach ($kind === null ? [] : $cast->ofKind($kind) as $member) {
            $this->rows[$member->topic] = new ThreadRow($member->title, $member->topic, $member->names);
        }
        foreach ($kind === null ? [] : $cast->byName($kind) as $key => $member) {
            $this->byName[$key] = $member->topic;
        }
        foreach ($rows === 'threads' ? Kinds::ofKind($this->map, ShippedKinds::kindId('thread')) : [] as $topic) {
            $title = InlineMarkdown::oneLine($this->map->topic($topic)->title);
            $this->rows[$topic] = new ThreadRow($title, $topic);
            $this->byName[Sameness::key($title)] ??= $topic;
        }
    }

    /** What the fields and the tags of a scene say. */
    private function say(StoryScene $scene, int $column, string $rows): void
    {
        $names = match ($rows) {
            'people' => $scene->people,
            'places' => $scene->place === '' ? [] : [$scene->place],
            'threads' => $scene->threads,
            'tags' => $this->tags($scene),
            default => [],
        };
        foreach ($names as $name) {
            $this->cell($this->called($name), $column, $scene, fn (ThreadCell $cell): bool => $cell->isSaid = true);
        }
        foreach ($rows === 'threads' ? $scene->closes : [] as $name) {
            $this->cell($this->called($name), $column, $scene, fn (ThreadCell $cell): bool => $cell->ends = true);
        }
        if ($rows === 'people' && $scene->viewpoint !== null) {
            $seen = $scene->viewpoint;
            $this->rows[$seen] ??= new ThreadRow(InlineMarkdown::oneLine($this->map->topic($seen)->title), $seen);
            $this->cell($seen, $column, $scene, fn (ThreadCell $cell): bool => $cell->sees = true);
        }
    }

    /** The key of the row of a name in a field; one without a sheet gets a row too. */
    private function called(string $name): string
    {
        $key = Sameness::key($name);
        if (! isset($this->byName[$key])) {
            $this->byName[$key] = "name {$key}";
            $this->rows["name {$key}"] = new ThreadRow($name, null, [$name]);
        }

        return $this->byName[$key];
    }

    /** @return list<string> the names of the tags of a scene and of what is below it */
    private function tags(StoryScene $scene): array
    {
        $names = [];
        foreach ($scene->texts as $topic) {
            $row = $this->map->row(TopicTags::type(), $topic);
            foreach ($row instanceof TopicTags ? $row->tags() : [] as $id) {
                $tag = $this->map->row(Tag::type(), $id);
                $names[] = $tag instanceof Tag ? $tag->text('name') : '';
            }
        }

        return array_values(array_unique(array_filter($names, fn (string $name): bool => $name !== '')));
    }

    /** @param  Closure(ThreadCell): mixed  $set */
    private function cell(string $row, int $column, StoryScene $scene, Closure $set): void
    {
        if (isset($this->rows[$row])) {
            $set($this->rows[$row]->cells[$column] ??= new ThreadCell($scene->topic));
        }
    }

    /** @return list<ThreadRow> those with sheets as they are read, then those that only fields name; threads and tags without any scene stay too */
    public function rows(): array
    {
        return array_values($this->rows);
    }

    /** As a table for spreadsheets: how often each is named in which column, "x" where only a field or a link says that it is there, and what is to be said of that. */
    public function csv(): string
    {
        $rows = [['', ...array_column($this->columns, 'title'), 'Columns', 'Named', 'Longest gap']];
        foreach ($this->rows() as $row) {
            $cells = array_map(function (int $column) use ($row): string {
                $cell = $row->cells[$column] ?? null;

                return $cell === null ? '' : implode(' ', array_filter([$cell->names > 0 ? (string) $cell->names : 'x', $cell->sees ? 'sees' : '', $cell->ends ? 'ends' : '']));
            }, array_keys($this->columns));
            $rows[] = [$row->name, ...$cells, (string) count($row->cells), (string) $row->named(), (string) $row->gap()];
        }

        return CsvTable::write($rows);
    }

    /** @return array<string, mixed> "ThreadGridAnswer" in the wire schema */
    public function toArray(): array
    {
        return [
            'columns' => $this->columns,
            'rows' => array_map(fn (ThreadRow $row): array => [
                'name' => $row->name, 'topic' => $row->topic, 'names' => $row->names, 'named' => $row->named(), 'gap' => $row->gap(),
                'cells' => array_map(fn (int $column, ThreadCell $cell): array => ['column' => $column] + get_object_vars($cell), array_keys($row->cells), $row->cells),
            ], $this->rows()),
        ];
    }
}
