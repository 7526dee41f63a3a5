<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\ChangedSince;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TextPlaces;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Asides;

/** Lets one paragraph of a note read otherwise, or go, or another come; refused where it does not stand there any more as it did. */
final readonly class ReviseText implements Edit
{
    /** Paragraphs behind which a new one may come. */
    private const MOST_BEHIND = 20;

    /** @param  list<string>  $after */
    private function __construct(private string $topic, private string $was, private string $is, private array $after, private int $place)
    {
    }

    public static function name(): string
    {
        return 'text.revise';
    }

    /** "topic"; "was", empty for a new paragraph, which comes behind the first of "after" that stands there, where an empty one is the beginning of the note; "is", empty for one that goes; "at", which of the paragraphs it was, from 0, where several read the same. */
    public static function read(Arguments $arguments): self
    {
        $its = new self($arguments->id('topic'), trim($arguments->string('was'), "\n"), trim($arguments->string('is'), "\n"), $arguments->has('after') ? $arguments->strings('after', self::MOST_BEHIND) : [], $arguments->has('at') ? $arguments->int('at', 0, 1_000_000) : 0);

        return $its->was === '' && $its->is === '' ? throw $arguments->wrong('is', 'There is nothing to be changed.') : $its;
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $topic = $map->topic($this->topic, 'topic');
        $paragraphs = EditorChanges::paragraphs($topic->note);
        $at = $this->was !== '' ? $this->nearest(array_keys($paragraphs, $this->was, true)) : $this->behind($paragraphs);
        if ($at === null) {
            throw new ChangedSince('This passage does not stand there any more as it did when it was laid beside the other; it was left as it is.');
        }
        array_splice($paragraphs, $this->was !== '' ? $at : $at + 1, $this->was !== '' ? 1 : 0, $this->is === '' ? [] : [Wording::clean($this->is, 'is')]);
        $recorder->put($topic->with(TextPlaces::bounded(['note' => implode("\n\n", $paragraphs)])));
    }

    /**
     * Behind which paragraph a new one comes; -1 where it comes first, null where none of those stands there.
     *
     * @param  list<string>  $paragraphs
     */
    private function behind(array $paragraphs): ?int
    {
        // What was remarked may have been kept along.
        $bare = fn (string $text): string => trim(Asides::without($text));
        $all = array_map($bare, $paragraphs);
        foreach ($this->after as $one) {
            $last = EditorChanges::paragraphs($one);
            $at = $last === [] ? -1 : $this->nearest(array_keys($all, $bare($last[array_key_last($last)]), true));
            if ($at !== null) {
                return $at;
            }
        }

        return $this->after === [] ? -1 : null;
    }

    /** @param  list<int>  $places */
    private function nearest(array $places): ?int
    {
        usort($places, fn (int $a, int $b): int => abs($a - $this->place) <=> abs($b - $this->place));

        return $places[0] ?? null;
    }

    public function sentence(TopicMap $map): string
    {
        return 'Took a change over into '.Wording::excerpt($map->find($this->topic)->title ?? '');
    }
}
