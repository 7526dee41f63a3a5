<?php

declare(strict_types=1);

namespace ChalkTree\Rule;

use ChalkTree\Ask\BringsRules;
use ChalkTree\Ask\Condition;
use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\Moment;
use ChalkTree\Features;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use LogicException;

/** The rules of a map at a moment: those that features bring along, as far as nobody said otherwise of them, and its own. */
final class RuleSet
{
    /** @var array<string, array<string, bool>> whether a rule holds of a topic, by rule and topic */
    private array $known = [];

    /** @var array<string, Condition> by rule */
    private array $conditions = [];

    /** @param  list<LookRule>  $all  those that are in use, in their order */
    private function __construct(private readonly Moment $now, public readonly array $all)
    {
        foreach ($all as $rule) {
            $this->conditions[$rule->id] = $rule->condition() ?? throw new LogicException('Only rules with a condition are in use.');
        }
    }

    public static function of(Moment $now): self
    {
        return $now->once('rules', fn (): self => new self($now, array_values(array_filter(
            self::rows($now->map), fn (LookRule $rule): bool => ! $rule->flag('off') && $rule->condition() !== null,
        ))));
    }

    /** @return list<LookRule> all of them in their order, also those not in use */
    public static function rows(TopicMap $map): array
    {
        $rules = $map->rowsOf(LookRule::class);
        foreach (Features::all() as $feature) {
            foreach ($feature instanceof BringsRules ? $feature->rules($map) : [] as $word => $fields) {
                $id = self::idOf($word);
                $rules[$id] ??= LookRule::fromFields($id, $fields);
            }
        }
        $rules = array_values($rules);
        usort($rules, fn (LookRule $a, LookRule $b): int => [$a->number('place'), $a->id] <=> [$b->number('place'), $b->id]);

        return $rules;
    }

    /** The id of a rule that a feature brings, by its word. */
    public static function idOf(string $word): string
    {
        return Ids::named("rule {$word}");
    }

    public function holds(LookRule $rule, string $topic): bool
    {
        return $this->known[$rule->id][$topic] ??= $this->conditions[$rule->id]->holds($this->now, $topic);
    }

    /** @return list<LookRule> those that hold of a topic */
    public function on(string $topic): array
    {
        return array_values(array_filter($this->all, fn (LookRule $rule): bool => $this->holds($rule, $topic)));
    }

    /** @return list<HangsOn> on what else than a topic itself they hang */
    public function hangsOn(): array
    {
        return array_values(array_unique(array_merge(...array_map(fn (Condition $condition): array => $condition->hangsOn(), array_values($this->conditions))), SORT_REGULAR));
    }
}
