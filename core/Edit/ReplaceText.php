<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Find\Find;
use ChalkTree\Find\Finder;
use ChalkTree\Find\Hit;
use ChalkTree\Find\Query;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;
use ChalkTree\Text\Slices;

/** Replaces what is found in titles, captions and notes. In a title, what comes in gets the formatting of what goes. */
final class ReplaceText implements Edit
{
    private int $replaced = 0;

    /**
     * @param  list<string>  $fields
     * @param  list<string>|null  $branches
     * @param  array<string, true>|null  $only
     */
    private function __construct(
        private readonly Query $query,
        private readonly string $with,
        private readonly array $fields,
        private readonly ?array $branches,
        private readonly ?array $only,
    ) {
    }

    public static function name(): string
    {
        return 'text.replace';
    }

    /** "find" as Query has it, "with", "fields"; "topics" for some branches, "only" for some hits by their keys. */
    public static function read(Arguments $arguments): self
    {
        $fields = $arguments->has('fields') ? $arguments->strings('fields', 3) : Finder::FIELDS;
        if ($fields === [] || array_diff($fields, Finder::FIELDS) !== []) {
            throw $arguments->wrong('fields', '“fields” has to name some of: title, caption, note.');
        }

        return new self(
            Query::read($arguments->nested('find')),
            $arguments->title('with'),
            $fields,
            $arguments->has('topics') ? $arguments->ids('topics') : null,
            $arguments->has('only') ? array_fill_keys($arguments->strings('only', 100_000), true) : null,
        );
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $this->query->bounded(fn () => $this->replace($map, $recorder));
    }

    private function replace(TopicMap $map, Recorder $recorder): void
    {
        foreach (Finder::topics($map, $this->branches) as $topic) {
            $changed = [];
            foreach ($this->fields as $field) {
                $finds = $this->wanted($topic, $field);
                if ($finds !== []) {
                    $this->replaced += count($finds);
                    $changed[$field] = $field === 'title' ? $this->inTitle($topic->title, $finds) : $this->inText(Finder::text($topic, $field), $finds);
                }
            }
            if ($changed !== []) {
                $recorder->put($topic->with(TextPlaces::bounded($changed)));
            }
        }
    }

    /** @return list<Find> */
    private function wanted(Topic $topic, string $field): array
    {
        $finds = $this->query->in(Finder::text($topic, $field));

        return $this->only === null
            ? $finds
            : array_values(array_filter($finds, fn (int $nth): bool => isset($this->only[Hit::key($topic->id, $field, $nth)]), ARRAY_FILTER_USE_KEY));
    }

    /** @param  list<Find>  $finds */
    private function inText(string $text, array $finds): string
    {
        foreach (array_reverse($finds) as $find) {
            $text = substr_replace($text, $this->query->replacement($find, $this->with), $find->at, $find->length);
        }

        return $text;
    }

    /** @param  list<Find>  $finds */
    private function inTitle(string $markdown, array $finds): string
    {
        $runs = InlineMarkdown::runs($markdown);
        $parts = [];
        $at = 0;
        foreach ($finds as $find) {
            $parts[] = Slices::between($runs, $at, $find->at);
            $old = Slices::between($runs, $find->at, $find->at + $find->length);
            $new = $this->query->replacement($find, $this->with);
            $parts[] = $new === '' || $old === [] ? [] : [new Run($new, $old[0]->marks, $old[0]->href)];
            $at = $find->at + $find->length;
        }
        $parts[] = Slices::between($runs, $at, PHP_INT_MAX);

        return InlineMarkdown::write(Slices::joined(...$parts));
    }

    public function sentence(TopicMap $map): string
    {
        return "Replaced {$this->replaced} ".($this->replaced === 1 ? 'find' : 'finds');
    }
}
