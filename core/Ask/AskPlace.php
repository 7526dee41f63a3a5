<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Wording;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Sameness;

/** Whether a topic stands below another, at any depth: {"ask": "below", "topic": "01…"}. */
final readonly class AskPlace implements LeavesTraces
{
    private function __construct(private string $top)
    {
    }

    public static function name(): string
    {
        return 'below';
    }

    public static function read(Arguments $from): self
    {
        return new self($from->id('topic'));
    }

    public function holds(Moment $now, string $topic): bool
    {
        return $topic !== $this->top && $now->map->isWithin($topic, $this->top);
    }

    public static function heard(Said $said, Moment $now): ?array
    {
        if (! $said->takes('below')) {
            return null;
        }
        $topic = $said->name($now->once('places by title', fn (): array => self::byTitle($now)));

        return $topic === null ? null : ['ask' => self::name(), 'topic' => $topic];
    }

    public static function offers(Moment $now): iterable
    {
        foreach ($now->map->all() as $id => $topic) {
            if ($topic->title !== '' && $now->map->children((string) $id) !== []) {
                yield 'below '.Wording::excerpt(InlineMarkdown::oneLine($topic->title));
            }
        }
    }

    /** @return array<string, string> topics by what they are called; of several the first that has something below it */
    private static function byTitle(Moment $now): array
    {
        $byTitle = $heads = [];
        foreach ($now->map->all() as $id => $topic) {
            $key = Sameness::key(mb_substr(Wording::excerpt(InlineMarkdown::oneLine($topic->title)), 1, -1));
            $byTitle[$key] ??= (string) $id;
            if ($now->map->children((string) $id) !== []) {
                $heads[$key] ??= (string) $id;
            }
        }

        return $heads + $byTitle;
    }

    public static function namedBy(): array
    {
        return [];
    }

    /** Where the topic is not known by its title, this is looked for as text; then that has to be found in every map. */
    public static function traces(Moment $now): iterable
    {
        yield 'below';
        // A title that is told shortened does not stand so in the map.
        foreach ($now->map->all() as $topic) {
            $title = InlineMarkdown::oneLine($topic->title);
            $told = mb_substr(Wording::excerpt($title), 1, -1);
            if (str_ends_with($told, '…') && ! str_ends_with($title, '…')) {
                yield $told;
            }
        }
    }

    public function trace(Moment $now): null
    {
        return null;
    }

    public function words(Moment $now): string
    {
        $top = $now->map->find($this->top);

        return 'below '.($top === null ? 'a topic that has gone' : Wording::excerpt(InlineMarkdown::oneLine($top->title)));
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Above;
    }
}
