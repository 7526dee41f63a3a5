<?php

declare(strict_types=1);

namespace ChalkTree\Process;

use ChalkTree\Arrange\BranchArrangement;
use ChalkTree\Arrange\Flow;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\TopicMap;

/** The steps of processes, which are the topics right below one whose branch is a flow, and the ways between them. */
final readonly class Steps
{
    public function __construct(private TopicMap $map)
    {
    }

    /** Whether what is right below a topic are steps. */
    public static function isFlow(TopicMap $map, string $topic): bool
    {
        $own = ($map->rowsOf(BranchArrangement::class)[$topic] ?? null)?->text('name') ?? '';

        return $own !== '' ? $own === Flow::name() : $map->topic($topic)->parent === null && $map->sheet()->arrangement === Flow::name();
    }

    /** The topic whose branch is the flow in which a topic is a step; null where it is none. */
    public function headOf(string $topic): ?string
    {
        $head = $this->map->find($topic)?->parent;

        return $head !== null && self::isFlow($this->map, $head) ? $head : null;
    }

    /** @return list<CrossLink> those that lead on from a step, in an order that stays */
    public function out(string $step): array
    {
        return $this->ways($step, fn (CrossLink $link): bool => $link->from() === $step);
    }

    /** @return list<CrossLink> those that lead to it */
    public function in(string $step): array
    {
        return $this->ways($step, fn (CrossLink $link): bool => $link->to() === $step);
    }

    /** Whether a way leads from one to another. */
    public function hasWay(string $from, string $to): bool
    {
        return array_filter($this->out($from), fn (CrossLink $link): bool => $link->to() === $to) !== [];
    }

    /**
     * Takes a step out of its ways, which close behind it: what led to it leads to where it led. Of a decision with one
     * way in, all its ways begin there; where several lead to a decision, all its ways go.
     */
    public function lift(Recorder $recorder, string $step): void
    {
        [$in, $out] = [$this->in($step), $this->out($step)];
        foreach ([...$in, ...$out] as $link) {
            $recorder->drop(CrossLink::type(), $link->id);
        }
        if (count($out) === 1) {
            foreach ($in as $link) {
                $this->join($recorder, $link, $link->from(), $out[0]->to());
            }
        } elseif (count($in) === 1) {
            foreach ($out as $link) {
                $this->join($recorder, $link, $in[0]->from(), $link->to());
            }
        }
    }

    private function join(Recorder $recorder, CrossLink $link, string $from, string $to): void
    {
        if ($from !== $to && ! $this->hasWay($from, $to)) {
            $recorder->put($link->with(['from' => $from, 'to' => $to, 'bendAt' => null, 'bendBy' => null]));
        }
    }

    /** Lets a way lead to a step first, and on from there by another that looks alike. */
    public function splice(Recorder $recorder, CrossLink $link, string $step, string $as): void
    {
        $recorder->put($link->with(['to' => $step, 'bendAt' => null, 'bendBy' => null]));
        $this->lead($recorder, $as, $step, $link->to(), $link);
    }

    /** @param  CrossLink|null  $like  which it looks like */
    public function lead(Recorder $recorder, string $as, string $from, string $to, ?CrossLink $like = null): void
    {
        if ($this->map->row(CrossLink::type(), $as) !== null) {
            throw new InvalidEdit('There is a cross-link with this id already.', 'as');
        }
        $recorder->put(CrossLink::fromFields($as, ['from' => $from, 'to' => $to] + ($like?->look() ?? [])));
    }

    /**
     * @param  callable(CrossLink): bool  $isMeant
     * @return list<CrossLink>
     */
    private function ways(string $step, callable $isMeant): array
    {
        $parent = $this->map->find($step)?->parent;
        $ways = [];
        foreach ($this->map->rowsOf(CrossLink::class) as $link) {
            $isBetween = $parent !== null && $this->map->find($link->from())?->parent === $parent && $this->map->find($link->to())?->parent === $parent;
            if ($isMeant($link) && $isBetween && $this->map->isLiving($link)) {
                $ways[$link->id] = $link;
            }
        }
        ksort($ways);

        return array_values($ways);
    }
}
