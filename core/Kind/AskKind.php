<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\LeavesTraces;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Said;
use ChalkTree\Ask\Traces;
use ChalkTree\Edit\Arguments;
use ChalkTree\Text\Sameness;

/** Of which kind a topic is: {"ask": "kind", "is": "01…"}; null for any. */
final readonly class AskKind implements LeavesTraces
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

    public static function heard(Said $said, Moment $now): ?array
    {
        if ($said->takes('of any kind')) {
            return ['ask' => self::name(), 'is' => null];
        }
        $byName = [];
        foreach ($said->takes('kind') ? $now->map->rowsOf(Kind::class) : [] as $kind) {
            $byName[Sameness::key($kind->text('name'))] = $kind->id;
        }
        $kind = $said->name($byName);

        return $kind === null ? null : ['ask' => self::name(), 'is' => $kind];
    }

    public static function offers(Moment $now): iterable
    {
        foreach ($now->map->rowsOf(Kind::class) as $kind) {
            yield "kind {$kind->text('name')}";
        }
    }

    public static function namedBy(): array
    {
        return [Kind::class];
    }

    public static function traces(Moment $now): iterable
    {
        foreach ($now->map->rowsOf(TopicKind::class) as $row) {
            yield 'kind';
            $kind = Kinds::idOf($now->map, $row->id);
            $named = $kind === null ? null : $now->map->row(Kind::type(), $kind);
            if ($named instanceof Kind) {
                yield 'kind '.Sameness::key($named->text('name'));
            }
        }
    }

    public function trace(Moment $now): string
    {
        $kind = $this->kind === null ? null : $now->map->row(Kind::type(), $this->kind);

        return Traces::mark($kind instanceof Kind ? 'kind '.Sameness::key($kind->text('name')) : 'kind');
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
