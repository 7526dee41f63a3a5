<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Look\LookFields;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** A line between any two topics, with a phrase that makes a sentence of the three. */
final readonly class CrossLink extends FeatureRow
{
    /** More than these in one map nobody can follow. */
    public const MOST = 500;

    public const LONGEST_PHRASE = 300;

    /** How it looks where nothing is said: pixels of the line, and of the type. */
    public const THICK = 2;

    public const SIZE = 13;

    public static function type(): string
    {
        return 'crosslink';
    }

    public static function words(): string
    {
        return 'cross-link';
    }

    public static function most(): int
    {
        return self::MOST;
    }

    /**
     * "heads": null for one where it ends, else none or both. "form": null for curved. "judged" and "telling" are what a teacher
     * says of the proposition; see Score. "bendAt" and "bendBy" are its bow:
     * where along the straight line between the middles of both topics, in thousandths, and how far beside it, in
     * pixels, towards the right hand of who walks along; null where it finds its way by itself.
     */
    public static function declared(): array
    {
        return [
            'from' => Field::topic(),
            'to' => Field::topic(),
            'phrase' => Field::text(self::LONGEST_PHRASE)->called('linking phrase')->asked(),
            'heads' => Field::choice(['none', 'both'])->called('heads of the cross-link'),
            'form' => Field::choice(['straight', 'corner'])->called('form of the cross-link'),
            'chalk' => LookFields::chalk()->called('chalk of the cross-link'),
            'thick' => Field::number(1, 12)->called('thickness of the cross-link'),
            'dash' => Field::choice(['dashed', 'dotted'])->called('dash of the cross-link'),
            'size' => Field::number(Bounds::SMALLEST_TYPE, Bounds::LARGEST_TYPE)->called('type size of the phrase'),
            'weight' => Field::choice(['bold'])->called('weight of the phrase'),
            'slant' => Field::choice(['slanted'])->called('slant of the phrase'),
            'judged' => Field::choice(['valid', 'doubtful', 'wrong'])->called('judgement of the proposition')->asked(),
            'telling' => Field::flag()->called('mark of a telling cross-link'),
            'bendAt' => Field::number(-2000, 3000)->called('bend of the cross-link'),
            'bendBy' => Field::number(-Bounds::FARTHEST, Bounds::FARTHEST)->called('bend of the cross-link'),
        ];
    }

    public function needs(): array
    {
        return LookFields::mixedIn($this);
    }

    public function from(): string
    {
        return $this->text('from');
    }

    public function to(): string
    {
        return $this->text('to');
    }

    /** Whether it ties these two, whichever way round. */
    public function ties(string $one, string $other): bool
    {
        return ($this->from() === $one && $this->to() === $other) || ($this->from() === $other && $this->to() === $one);
    }

    /** @return array<string, scalar|null> how it looks, without what it ties and says, what is said of it, and where it is bent */
    public function look(): array
    {
        return array_diff_key($this->saying(), ['from' => 0, 'to' => 0, 'phrase' => 0, 'judged' => 0, 'telling' => 0, 'bendAt' => 0, 'bendBy' => 0]);
    }
}
