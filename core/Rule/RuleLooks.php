<?php

declare(strict_types=1);

namespace ChalkTree\Rule;

use ChalkTree\Look\LookPlace;
use ChalkTree\Look\LookSource;

/** What one rule says of how topics look. */
final readonly class RuleLooks implements LookSource
{
    /** @var array<string, scalar> */
    private array $look;

    public function __construct(private RuleSet $rules, private LookRule $rule)
    {
        $this->look = $rule->look();
    }

    public function place(): LookPlace
    {
        return LookPlace::Rule;
    }

    public function yields(): bool
    {
        return $this->rule->flag('yields');
    }

    public function said(string $topic): array
    {
        return $this->look !== [] && $this->rules->holds($this->rule, $topic) ? $this->look : [];
    }

    public function words(string $topic): string
    {
        return "the rule “{$this->rule->text('name')}”";
    }
}
