<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\Arguments;
use ChalkTree\Features;
use ChalkTree\Map\FeatureRow;

/** Whether a topic has a note, a picture, a link …: {"ask": "has", "what": "note"}. */
final readonly class AskHas implements LeavesTraces
{
    private const OWN = ['note', 'caption', 'subtopics'];

    /** @param  class-string<FeatureRow>|null  $class  null for what the topic says itself */
    private function __construct(private string $what, private ?string $class)
    {
    }

    public static function name(): string
    {
        return 'has';
    }

    /** @return array<string, class-string<FeatureRow>|null> by the word for it */
    public static function all(): array
    {
        $all = array_fill_keys(self::OWN, null);
        foreach (Features::all() as $feature) {
            $all += $feature instanceof Asks ? $feature->had() : [];
        }

        return $all;
    }

    public static function read(Arguments $from): self
    {
        $all = self::all();
        $what = $from->string('what');

        return array_key_exists($what, $all) ? new self($what, $all[$what]) : throw $from->wrong('what', 'A topic can have: '.implode(', ', array_keys($all)).'.');
    }

    public function holds(Moment $now, string $topic): bool
    {
        if ($this->class !== null) {
            return $now->hasOf($this->class, $topic);
        }

        return match ($this->what) {
            'note' => ($now->map->find($topic)->note ?? '') !== '',
            'caption' => ($now->map->find($topic)->caption ?? '') !== '',
            default => $now->map->children($topic) !== [],
        };
    }

    public static function heard(Said $said, Moment $now): ?array
    {
        if (! $said->takes('has') && ! $said->takes('with')) {
            return null;
        }
        $said->takes('a') || $said->takes('an');
        $words = array_keys(self::all());
        $what = $said->takesOneOf(array_combine($words, $words));

        return $what === null ? null : ['ask' => self::name(), 'what' => $what];
    }

    public static function offers(Moment $now): iterable
    {
        foreach (array_keys(self::all()) as $what) {
            yield self::read(new Arguments(['what' => $what]))->words($now);
        }
    }

    public static function namedBy(): array
    {
        return [];
    }

    public static function traces(Moment $now): iterable
    {
        foreach (self::all() as $what => $class) {
            if ($class !== null && $now->map->rowsOf($class) !== []) {
                yield "has {$what}";
            }
        }
    }

    public function trace(Moment $now): ?string
    {
        return $this->class === null ? null : Traces::mark("has {$this->what}");
    }

    public function words(Moment $now): string
    {
        return $this->what === 'subtopics' ? 'has subtopics' : "has a {$this->what}";
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
