<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\Arguments;
use ChalkTree\Features;
use ChalkTree\Text\Sameness;

/** Whether somebody is named at a topic, as who does it or in a field of people: {"ask": "who", "is": "Ines"}. */
final readonly class AskWho implements LeavesTraces
{
    private function __construct(private string $name)
    {
    }

    public static function name(): string
    {
        return 'who';
    }

    public static function read(Arguments $from): self
    {
        $name = trim($from->string('is'));

        return $name !== '' && mb_strlen($name) <= People::LONGEST ? new self($name) : throw $from->wrong('is', 'Name somebody, in 1 to 100 letters.');
    }

    public function holds(Moment $now, string $topic): bool
    {
        foreach (Features::all() as $feature) {
            foreach ($feature instanceof NamesPeople ? $feature->people($now, $topic) : [] as $name) {
                if (Sameness::key($name) === Sameness::key($this->name)) {
                    return true;
                }
            }
        }

        return false;
    }

    public static function heard(Said $said, Moment $now): ?array
    {
        if (! $said->takes('who')) {
            return null;
        }
        $names = self::names($now);
        $name = $said->name(array_combine(array_map(Sameness::key(...), $names), $names)) ?? $said->word();

        return $name === null || mb_strlen($name) > People::LONGEST ? null : ['ask' => self::name(), 'is' => $name];
    }

    public static function offers(Moment $now): iterable
    {
        foreach (self::names($now) as $name) {
            yield 'who '.self::told($name);
        }
    }

    private static function told(string $name): string
    {
        return str_contains($name, ' ') ? "“{$name}”" : $name;
    }

    /** @return list<string> everybody who is named in the map */
    private static function names(Moment $now): array
    {
        return $now->kept('names of people', function () use ($now): array {
            $names = [];
            foreach (Features::all() as $feature) {
                foreach ($feature instanceof NamesPeople ? $feature->named($now->map) : [] as $name) {
                    $names[Sameness::key($name)] ??= $name;
                }
            }
            ksort($names);

            return array_values($names);
        });
    }

    public static function namedBy(): array
    {
        return [];
    }

    public static function traces(Moment $now): iterable
    {
        foreach (self::names($now) as $name) {
            yield 'who '.Sameness::key($name);
        }
    }

    public function trace(Moment $now): string
    {
        return Traces::mark('who '.Sameness::key($this->name));
    }

    public function words(Moment $now): string
    {
        return 'who '.self::told($this->name);
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
