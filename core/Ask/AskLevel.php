<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\Arguments;
use ChalkTree\Map\Bounds;

/** How deep a topic stands; the root and loose topics are at level 0: {"ask": "level", "how": "under", "than": 2}. */
final readonly class AskLevel implements Question
{
    private function __construct(private Measuring $how, private int $than)
    {
    }

    public static function name(): string
    {
        return 'level';
    }

    public static function read(Arguments $from): self
    {
        return new self(Measuring::read($from), $from->int('than', 0, Bounds::DEEPEST));
    }

    public function holds(Moment $now, string $topic): bool
    {
        return $this->how->holds((float) count($now->map->ancestors($topic)), (float) $this->than);
    }

    public static function heard(Said $said, Moment $now): ?array
    {
        $how = $said->takes('level') ? Measuring::heard($said) : null;
        $than = $how === null ? null : $said->number();

        return $than === null ? null : ['ask' => self::name(), 'how' => $how->value, 'than' => (int) $than];
    }

    public static function offers(Moment $now): iterable
    {
        return ['level 1', 'level under 3'];
    }

    public function words(Moment $now): string
    {
        return "level {$this->how->words()} {$this->than}";
    }

    /** The look of a topic is resolved anew wherever its level has changed, but only as deep as looks go. */
    public function hangsOn(): HangsOn
    {
        return HangsOn::Above;
    }
}
