<?php

declare(strict_types=1);

namespace ChalkTree\Rule;

use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\Moment;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Edit\Changes;
use ChalkTree\Face\BoxSource;
use ChalkTree\Face\PutsComputedInBoxes;
use ChalkTree\Look\SaysLooks;
use ChalkTree\Look\SpreadsLooks;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\WithoutEdits;
use ChalkTree\WithoutMarks;

/** Looks that follow the data. */
final class RuleFeature implements PutsComputedInBoxes, SaysLooks, SpreadsLooks
{
    use WithoutEdits;
    use WithoutMarks;

    public function rows(): array
    {
        return [LookRule::class];
    }

    public function looks(Moment $now): iterable
    {
        $rules = RuleSet::of($now);
        foreach ($rules->all as $rule) {
            yield new RuleLooks($rules, $rule);
        }
    }

    public function boxes(Moment $now): ?BoxSource
    {
        $rules = RuleSet::of($now);
        $isPutting = array_filter($rules->all, fn (LookRule $rule): bool => $rule->flag('spine') || $rule->stamps() !== []) !== [];

        return $isPutting ? new RuleBoxes($now, $rules) : null;
    }

    /** All that stands below what changed, where rules ask what stands above; what it is tied to, where they ask for ties. */
    public function spread(TopicMap $map, Changes $changes): array
    {
        $hangsOn = RuleSet::of(new Moment($map))->hangsOn();
        $topics = $hangsOn === [] || $hangsOn === [HangsOn::Itself] ? [] : array_values(array_filter(array_unique($changes->topics($map)), $map->has(...)));
        $spread = [];
        foreach (in_array(HangsOn::Above, $hangsOn, true) ? $topics : [] as $id) {
            $spread += $map->branch($id);
        }
        // How far one is follows from what is below it.
        $touched = in_array(HangsOn::Ties, $hangsOn, true) ? array_flip(array_merge($topics, ...array_map(fn (string $id): array => array_map(fn (Topic $above): string => $above->id, $map->ancestors($id)), $topics))) : [];
        foreach ($touched !== [] ? $map->rowsOf(CrossLink::class) : [] as $link) {
            if (isset($touched[$link->from()]) || isset($touched[$link->to()])) {
                $spread += [$link->from() => true, $link->to() => true];
            }
        }

        return array_map(strval(...), array_keys($spread));
    }
}
