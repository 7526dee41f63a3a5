<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Draws cross-links from topics to another; or takes them away again where all of them are tied to it already. */
final readonly class TieTopics implements Edit
{
    /**
     * @param  non-empty-list<string>  $topics
     * @param  list<string>  $as  ids for the cross-links
     */
    private function __construct(private array $topics, private string $to, private array $as, private bool $isTurns)
    {
    }

    public static function name(): string
    {
        return 'crosslink.tie';
    }

    /** "topics", "to", "as" with an id for each; "turns" where doing it again unties them. */
    public static function read(Arguments $arguments): self
    {
        $tie = new self($arguments->ids('topics'), $arguments->id('to'), $arguments->ids('as'), $arguments->flag('turns'));
        if (count($tie->as) !== count($tie->topics)) {
            throw $arguments->wrong('as', 'There has to be an id for the cross-link of each topic.');
        }

        return $tie;
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $to = $map->topic($this->to, 'to')->id;
        $topics = array_map(fn (string $id): string => $map->topic($id, 'topics')->id, $this->topics);
        if ($this->isTurns && $this->untie($map, $recorder, $topics)) {
            return;
        }
        if (array_diff($topics, [$to]) === []) {
            throw new InvalidEdit('A topic cannot be tied to itself.', 'to');
        }
        foreach ($topics as $n => $topic) {
            if ($map->row(CrossLink::type(), $this->as[$n]) !== null) {
                throw new InvalidEdit('There is a cross-link with this id already.', 'as');
            }
            if ($topic !== $to) {
                $recorder->put(CrossLink::fromFields($this->as[$n], ['from' => $topic, 'to' => $to]));
            }
        }
    }

    /**
     * @param  non-empty-list<string>  $topics
     * @return bool whether all were tied, and now are not any more
     */
    private function untie(TopicMap $map, Recorder $recorder, array $topics): bool
    {
        $gone = [];
        foreach ($topics as $topic) {
            $between = array_filter($map->rowsOf(CrossLink::class), fn (CrossLink $link): bool => $link->ties($topic, $this->to));
            if ($between === []) {
                return false;
            }
            $gone += $between;
        }
        array_map(fn (string|int $id) => $recorder->drop(CrossLink::type(), (string) $id), array_keys($gone));

        return true;
    }

    public function sentence(TopicMap $map): string
    {
        $isTied = array_filter($map->rowsOf(CrossLink::class), fn (CrossLink $link): bool => $link->ties($this->topics[0], $this->to)) !== [];
        [$topics, $to] = [Wording::several(TopicChoice::titles($map, $this->topics)), Wording::several(TopicChoice::titles($map, [$this->to]))];

        return $isTied ? "Tied {$topics} to {$to}" : "Untied {$topics} and {$to}";
    }
}
