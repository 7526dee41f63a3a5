<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\LeavesTraces;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Said;
use ChalkTree\Ask\Traces;
use ChalkTree\Edit\Arguments;
use ChalkTree\Text\Sameness;

/** Whether a topic has a stamp: {"ask": "stamp", "is": "stamp:done"}. */
final readonly class AskStamp implements LeavesTraces
{
    private function __construct(private string $sign)
    {
    }

    public static function name(): string
    {
        return 'stamp';
    }

    public static function read(Arguments $from): self
    {
        $sign = $from->string('is');

        return Sign::sort($sign) === 'stamp' && Sign::isName($sign) ? new self($sign) : throw $from->wrong('is', 'Name a stamp such as “stamp:idea”.');
    }

    public function holds(Moment $now, string $topic): bool
    {
        return in_array($this->sign, $now->row(TopicStamps::class, $topic)?->signs() ?? [], true);
    }

    public static function heard(Said $said, Moment $now): ?array
    {
        $byName = [];
        foreach ($said->takes('stamp') || $said->takes('stamped') ? Sign::stamps() : [] as $sign) {
            $byName[Sameness::key(Sign::words($sign))] = $sign;
        }
        // What a stamp means in this map goes over what it is called.
        foreach ($byName === [] ? [] : Sign::stamps() as $sign) {
            $byName[Sameness::key(self::called($now, $sign))] = $sign;
        }
        $sign = $said->name($byName);

        return $sign === null ? null : ['ask' => self::name(), 'is' => $sign];
    }

    public static function offers(Moment $now): iterable
    {
        $used = [];
        foreach ($now->map->rowsOf(TopicStamps::class) as $row) {
            foreach ($row->signs() as $sign) {
                $used[$sign] = $sign;
            }
        }
        foreach ([...array_values($used), ...array_diff(Sign::stamps(), $used)] as $sign) {
            yield 'stamp '.self::called($now, $sign);
        }
    }

    private static function called(Moment $now, string $sign): string
    {
        $meaning = $now->map->row(Meaning::type(), Meaning::idOf($sign));

        return $meaning instanceof Meaning && $meaning->text('means') !== '' ? $meaning->text('means') : Sign::words($sign);
    }

    public static function namedBy(): array
    {
        return [Meaning::class];
    }

    public static function traces(Moment $now): iterable
    {
        foreach ($now->map->rowsOf(TopicStamps::class) as $row) {
            foreach ($row->signs() as $sign) {
                yield 'stamp '.Sameness::key(self::called($now, $sign));
                yield 'stamp '.Sameness::key(Sign::words($sign));
            }
        }
    }

    public function trace(Moment $now): string
    {
        // Where one of several maps calls it otherwise, others may mean it by either word: then any stamp may be the one.
        $own = Sameness::key(Sign::words($this->sign));

        return Traces::mark('stamp '.(Sameness::key(self::called($now, $this->sign)) === $own ? $own : ''));
    }

    public function words(Moment $now): string
    {
        $meaning = $now->map->row(Meaning::type(), Meaning::idOf($this->sign));

        return 'stamp '.($meaning instanceof Meaning && $meaning->text('means') !== '' ? $meaning->text('means') : Sign::words($this->sign));
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
