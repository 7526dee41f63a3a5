<?php

declare(strict_types=1);

namespace ChalkTree\Rule;

use ChalkTree\Ask\AsksOfTopics;
use ChalkTree\Ask\KeepsCondition;
use ChalkTree\Look\LookFields;
use ChalkTree\Look\NamedLook;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Sign\Sign;

/** A look that follows the data: which topics it is for, and how these look then. */
final readonly class LookRule extends FeatureRow implements AsksOfTopics
{
    use KeepsCondition;

    private const MOST_STAMPS = 6;

    public const LAST = 10_000;

    public static function type(): string
    {
        return 'rule';
    }

    public static function words(): string
    {
        return 'rule';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    /**
     * "when": a condition as JSON. "place": among the rules; what later ones say holds. "yields": whether what was set by
     * hand goes over it. "stamps": with spaces between. "spine": whether the spine is filled as far as a topic is.
     */
    public static function declared(): array
    {
        return [
            'name' => NamedLook::named('name of a rule'),
            'when' => self::whenField()->called('condition of a rule'),
            'place' => Field::whole(0, self::LAST, self::LAST)->called('place of a rule'),
            'yields' => Field::flag()->called('yielding of a rule'),
            'off' => Field::flag()->called('use of a rule'),
            'stamps' => Field::formed(self::areStamps(...), 400, 'be stamps with spaces between, at most '.self::MOST_STAMPS)->called('stamps of a rule'),
            'spine' => Field::flag()->called('spine of a rule'),
        ] + LookFields::all();
    }

    private static function areStamps(string $text): bool
    {
        $signs = explode(' ', $text);

        return count($signs) <= self::MOST_STAMPS && array_unique($signs) === $signs
            && array_filter($signs, fn (string $sign): bool => Sign::sort($sign) === 'stamp' && Sign::isName($sign)) === $signs;
    }

    /** @return list<string> signs */
    public function stamps(): array
    {
        return $this->text('stamps') === '' ? [] : explode(' ', $this->text('stamps'));
    }

    /** @return array<string, scalar> the values of its look */
    public function look(): array
    {
        return array_filter(array_intersect_key($this->saying(), LookFields::all()), is_scalar(...));
    }

    public function needs(): array
    {
        return LookFields::mixedIn($this);
    }
}
