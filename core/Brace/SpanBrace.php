<?php

declare(strict_types=1);

namespace ChalkTree\Brace;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Lets a brace span more or fewer siblings, or others. */
final readonly class SpanBrace implements Edit
{
    private function __construct(private string $topic, private string $from, private string $to)
    {
    }

    public static function name(): string
    {
        return 'brace.span';
    }

    /** "topic" is that of the brace, "from" and "to" siblings of it, in either order. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('topic'), $arguments->id('from'), $arguments->id('to'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $braces = Braces::of($map)->byTopic;
        $brace = $braces[$this->topic] ?? throw new InvalidEdit('This brace is not in the map any more.', 'topic');
        if (isset($braces[$this->from]) || isset($braces[$this->to])) {
            throw new InvalidEdit('A brace cannot go over another.', 'from');
        }[$map->topic($this->from, 'from'), $map->topic($this->to, 'to')];
        foreach ([[$this->from, $this->to], [$this->to, $this->from]] as [$first, $last]) {
            $new = $brace->with(['first' => $first, 'last' => $last]);
            if (Braces::holds($map, $new)) {
                $recorder->put($new);

                return;
            }
        }
        throw new InvalidEdit('A brace goes over topics that stand beside its own.', 'from');
    }

    public function sentence(TopicMap $map): string
    {
        return 'Let the brace '.Wording::several(TopicChoice::titles($map, array_values(array_filter([$this->topic], $map->has(...))))).' go over others';
    }
}
