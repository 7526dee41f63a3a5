<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Find\Find;
use ChalkTree\Find\Finder;
use ChalkTree\Find\Query;
use ChalkTree\Find\TopicText;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;
use ChalkTree\Text\Slices;

/** Replaces what is found in the texts of topics. In a title, what comes in gets the formatting of what goes. */
final class ReplaceText implements PreparedEdit
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
        $fields = $arguments->has('fields') ? $arguments->strings('fields', 4) : TopicText::SORTS;
        if ($fields === [] || array_diff($fields, TopicText::SORTS) !== []) {
            throw $arguments->wrong('fields', '“fields” has to name some of: '.implode(', ', TopicText::SORTS).'.');
        }

        return new self(
            Query::read($arguments->nested('find')),
            $arguments->title('with'),
            $fields,
            $arguments->has('topics') ? $arguments->ids('topics') : null,
            $arguments->has('only') ? array_fill_keys($arguments->strings('only', 100_000), true) : null,
        );
    }

    public function prepare(TopicMap $map): void
    {
        $this->query->learn(Finder::texts($map, $this->topics($map), $this->fields));
        $this->query->seal();
    }

    /** How many places were replaced; asked for after apply(). */
    public function replaced(): int
    {
        return $this->replaced;
    }

    /** @return array<string, Topic> those that can have something to replace */
    private function topics(TopicMap $map): iterable
    {
        $named = $this->only === null ? null : array_map(fn (string $key): string => strtok($key, '.') ?: '', array_map(strval(...), array_keys($this->only)));

        return $named === null ? Finder::topics($map, $this->branches) : array_intersect_key(Finder::topics($map, $this->branches), array_flip($named));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $topics = $this->topics($map);
        $this->query->learn(Finder::texts($map, $topics, $this->fields));
        foreach (TopicText::of($map, $topics, $this->fields) as $text) {
            $finds = $this->wanted($text);
            if ($finds === []) {
                continue;
            }
            $this->replaced += count($finds);
            if ($text->row !== null) {
                $row = $map->row($text->row::type(), $text->row->id);
                if ($row instanceof FeatureRow) {
                    $new = $row->withText($map, $text->name, $this->inText($text->text, $finds));
                    $row::isOfTopic() ? $recorder->keep($new) : $recorder->put($new);
                }
            } else {
                $new = $text->field === 'title' ? $this->inTitle($text->topic->title, $finds) : $this->inText($text->text, $finds);
                $recorder->put($map->topic($text->topic->id)->with(TextPlaces::bounded([$text->field => $new])));
            }
        }
    }

    /** @return list<Find> */
    private function wanted(TopicText $text): array
    {
        $finds = $this->query->in($text->text);

        return $this->only === null
            ? $finds
            : array_values(array_filter($finds, fn (int $nth): bool => isset($this->only[$text->key($nth)]), ARRAY_FILTER_USE_KEY));
    }

    /** @param  list<Find>  $finds */
    private function inText(string $text, array $finds): string
    {
        $new = '';
        $at = 0;
        foreach ($finds as $find) {
            $new .= substr($text, $at, $find->at - $at).$this->query->replacement($find, $this->with);
            $at = $find->at + $find->length;
        }

        return $new.substr($text, $at);
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
