<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Question;
use ChalkTree\Edit\Arguments;

/** Of which kind a topic is: {"ask": "kind", "is": "01…"}; null for any. */
final readonly class AskKind implements Question
{
    private function __construct(private ?string $kind)
    {
    }

    public static function name(): string
    {
        return 'kind';
    }

    public static function read(Arguments $from): self
    {
        return new self($from->idOrNull('is'));
    }

    public function holds(Moment $now, string $topic): bool
    {
        $its = Kinds::idOf($now->map, $topic);

        return $this->kind === null ? $its !== null : $its === $this->kind;
    }

    public function words(Moment $now): string
    {
        $kind = $this->kind === null ? null : $now->map->row(Kind::type(), $this->kind);

        return $this->kind === null ? 'of any kind' : 'kind '.($kind instanceof Kind ? $kind->text('name') : 'that has gone');
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
