<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Ask\Moment;
use ChalkTree\Ask\TopicDay;
use ChalkTree\Flow\KnownCharts;

/**
 * Lets the arrangement of a slip place what is below it, in one pass of a layout: hands in what it goes by besides the slips
 * (days, ties), keeps together what belongs together, and brings connectors and their phrases to where they meet.
 */
final class Placing
{
    /** What ties topics to each other; null until something asks. */
    private ?Ties $ties = null;

    /**
     * @param  Moment  $now  the map, with what follows from it
     * @param  string  $today  empty where nobody looks in particular; see View
     * @param  Groups|null  $groups  null where nothing holds siblings together
     * @param  bool  $hasPhrases  whether any connector has one
     */
    public function __construct(
        private readonly Moment $now,
        private readonly string $today,
        private readonly Inheritance $inheritance,
        private readonly ?Groups $groups,
        private readonly bool $hasPhrases,
        private readonly KnownCharts $charts,
    ) {
    }

    /**
     * @param  list<Slip>  $children  of the slip
     * @param  array<string, list<Slip>>  $below  the slips below each child, where its arrangement places more than one level
     */
    public function place(Slip $slip, array $children, array $below): void
    {
        $arrangement = $slip->given->arrangement;
        [$slip->axis, $slip->ruler] = [[], null];
        foreach ([$children, ...array_values($below)] as $slips) {
            foreach ($slips as $one) {
                $one->isDirect = $one->isWinding = $one->isFree = false;
                $one->brace = null;
            }
        }
        if ($arrangement instanceof FollowsDays) {
            $this->giveDays($slip, $children);
        }
        if ($arrangement instanceof FollowsTies) {
            $slip->ties = $this->ties ??= Ties::of($this->now->map, $this->charts);
        }
        if ($this->groups === null) {
            self::arrange($slip, $children, $below);
        } else {
            $this->groups->place($slip, $children, function (array $children) use ($slip, $below): void {
                /** @var list<Slip> $children */
                self::arrange($slip, $children, $below);
            });
        }
        $slip->ties = null;
        if ($this->hasPhrases) {
            if ($arrangement->phrases() === PhraseWay::Strip) {
                array_map(ConnectorWords::stand(...), $children);
            }
            ConnectorWords::makeRoom($slip);
        }
    }

    /** @param  list<Slip>  $children */
    private function giveDays(Slip $slip, array $children): void
    {
        $said = $this->inheritance->said($slip->topic->id);
        $slip->today = $this->today;
        foreach ($children as $child) {
            $child->day = $said?->text('goes') === 'order' ? null : TopicDay::of($this->now, $child->topic->id, $said?->text('day') ?? '');
        }
    }

    /**
     * @param  list<Slip>  $children
     * @param  array<string, list<Slip>>  $below
     */
    private static function arrange(Slip $slip, array $children, array $below): void
    {
        if ($slip->given->isMirrored) {
            Mirror::place($slip->given->arrangement, $slip, $children, $below);
        } else {
            $slip->given->arrangement->place($slip, $children, $below);
        }
        Ends::meet($slip, $children, $below);
    }
}
