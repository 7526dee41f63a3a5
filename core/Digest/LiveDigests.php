<?php

declare(strict_types=1);

namespace ChalkTree\Digest;

use ChalkTree\Arrange\Memory;
use ChalkTree\Ask\FollowsEdits;
use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\Moment;
use ChalkTree\Map\TopicMap;

/** What the live digests of a map gather in it, kept up to date from edit to edit. */
final class LiveDigests implements FollowsEdits
{
    /** @var array<string, GatheredHere> by digest */
    private array $known = [];

    private ?TopicMap $before = null;

    private ?Memory $memory = null;

    /** Those of a map of which nothing is known yet. */
    public static function of(Moment $now): self
    {
        return $now->follower(self::class) ?? $now->once('live digests', function () use ($now): self {
            $digests = new self;
            $digests->follow($now, null, null);

            return $digests;
        });
    }

    /** Null for what gathers in other maps too, or is frozen, or no digest. */
    public function gathered(string $digest): ?GatheredHere
    {
        return $this->known[$digest] ?? null;
    }

    public function follow(Moment $now, ?array $touched, ?Memory $memory): array
    {
        $before = $this->before;
        [$this->before, $this->memory] = [$now->map, $memory ?? $this->memory];
        $digests = $this->live($now);
        $this->known = array_intersect_key($this->known, $digests);
        $changed = [];
        foreach ($digests as $id => $digest) {
            $known = $touched === null ? null : $this->known[$id] ?? ($before === null && $this->memory !== null ? GatheredHere::recalled($this->memory, $id) : null);
            $gathered = match (true) {
                $known === null || ! $known->isOf($now, $digest) => GatheredHere::anew($now, $digest),
                $before === null || $touched === null => $known,
                // A map that was changed in place does not tell what it was.
                $before === $now->map => GatheredHere::anew($now, $digest),
                default => $this->after($known, $now, $digest, $before, $touched),
            };
            $this->known[$id] = $gathered;
            if ($gathered !== $known) {
                $changed = $known?->showsWhat($gathered) === true ? $changed : [...$changed, $id];
                if ($this->memory !== null) {
                    $gathered->keep($this->memory, $id);
                }
            }
        }

        return $changed;
    }

    public function teach(Memory $memory): void
    {
        $this->memory = $memory;
        foreach ($this->known as $id => $gathered) {
            $gathered->keep($memory, $id);
        }
    }

    /** @return array<string, Digest> */
    private function live(Moment $now): array
    {
        $digests = $now->map->hasRowsOf(Digest::class) ? $now->map->rowsOf(Digest::class) : [];

        return array_filter($digests, fn (Digest $digest): bool => $digest->from() !== 'maps' && $digest->text('frozen') === '' && $now->map->isLiving($digest));
    }

    /** @param  list<string>  $touched */
    private function after(GatheredHere $known, Moment $now, Digest $digest, TopicMap $before, array $touched): GatheredHere
    {
        $hangsOn = GatheredHere::hangsOn($digest);
        if (in_array(HangsOn::Ties, $hangsOn, true)) {
            return GatheredHere::anew($now, $digest);
        }
        $asked = $moved = [];
        foreach ($touched as $id) {
            if ($this->standsOtherwise($now->map, $before, $id)) {
                $moved += $this->branches($now->map, $before, $id);
            } elseif (in_array(HangsOn::Above, $hangsOn, true)) {
                $asked += $this->branches($now->map, $before, $id);
            }
            // How far one is, and what it comes to, follows from what is below it.
            foreach ([$now->map, $before] as $map) {
                $asked[$id] = true;
                foreach ($map->ancestors($id) as $above) {
                    $asked[$above->id] = true;
                }
            }
        }

        return $known->after($now, $digest, $asked + $moved, $moved);
    }

    private function standsOtherwise(TopicMap $map, TopicMap $before, string $id): bool
    {
        [$is, $was] = [$map->find($id), $before->find($id)];

        return $is === null || $was === null || [$is->parent, $is->rank, $is->parked] !== [$was->parent, $was->rank, $was->parked];
    }

    /** @return array<string, true> a topic and all that is or was below it */
    private function branches(TopicMap $map, TopicMap $before, string $id): array
    {
        $all = ($map->find($id) === null ? [] : $map->branch($id)) + ($before->find($id) === null ? [] : $before->branch($id));

        return array_fill_keys(array_keys($all), true) + [$id => true];
    }
}
