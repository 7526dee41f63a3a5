<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\Arguments;
use ChalkTree\Features;
use ChalkTree\Text\Sameness;

/** Whether somebody is named at a topic, as who does it or in a field of people: {"ask": "who", "is": "Ines"}. */
final readonly class AskWho implements Question
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

    public function words(Moment $now): string
    {
        return "who {$this->name}";
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
