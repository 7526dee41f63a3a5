<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\People;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\TopicMap;

/** That a topic is a to-do: who does it, by when, how far it is. Topics of some kinds are to-dos without one. */
final readonly class Task extends FeatureRow
{
    public const REPEATS = ['weekly', 'two-weekly', 'monthly', 'yearly'];

    /** Its days, the one that counts first. */
    public const DAYS = ['by', 'begins', 'done'];

    public const MOST_EFFORT = 100_000;

    /** What stands among the traces of a map that has to-dos. */
    public const TRACE = 'to-do';

    public static function type(): string
    {
        return 'task';
    }

    public static function words(): string
    {
        return 'to-do';
    }

    /**
     * "is": that it is one, where nothing else is said. "done": the day on which it came to be. "effort": in hours.
     * "repeats": how often the next one is made, when this one is done. "remind": how many days before "by" one is told.
     */
    public static function declared(): array
    {
        return [
            'is' => Field::flag()->called('to-do'),
            'who' => People::field()->called('who does it')->asked(),
            'by' => Field::day()->called('date')->asked(),
            'begins' => Field::day()->called('beginning')->asked(),
            'done' => Field::day()->called('day when it was done')->asked(),
            'progress' => Field::number(0, 100)->called('progress')->asked(),
            'effort' => Field::number(1, self::MOST_EFFORT)->called('effort')->asked(),
            'repeats' => Field::choice(self::REPEATS)->called('repetition'),
            'remind' => Field::number(0, 365)->called('reminder')->asked(),
        ];
    }

    /**
     * The same to be done another time: nothing of it done yet, its days moved.
     *
     * @param  callable(string): string  $moved
     */
    public function anew(callable $moved): self
    {
        $day = fn (string $field): ?string => $this->text($field) === '' ? null : $moved($this->text($field));

        return $this->with(['progress' => null, 'done' => null, 'by' => $day('by'), 'begins' => $day('begins')]);
    }

    public static function hasTexts(): bool
    {
        return true;
    }

    public function textsIn(?TopicMap $map): array
    {
        return $this->text('who') === '' ? [] : ['who' => [$this->text('who'), 'who does it']];
    }

    public function withText(TopicMap $map, string $name, string $text): static
    {
        $who = People::read($text) ?? throw new InvalidEdit('Names of people have at most '.People::LONGEST.' letters.', 'with');

        return $this->with(['who' => $who === '' ? null : $who]);
    }

    public function progress(): int
    {
        return $this->number('progress') ?? 0;
    }

    /** @return list<string> */
    public function who(): array
    {
        return People::all($this->text('who'));
    }
}
