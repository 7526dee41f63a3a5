<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Edit\TopicChoice;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use Closure;

/**
 * Which topics are on a slide: each that is named stands for its branch, for itself alone, or is left out with its branch;
 * the nearest above a topic decides. A topic that is named may be folded, or covered until it is clicked.
 *
 * Written as ids with signs, "+" for a branch, "=" alone, "-" out, then "f" folded and "c" covered, with spaces between.
 */
final readonly class SlideTopics
{
    public const BRANCH = '+';

    public const ALONE = '=';

    public const OUT = '-';

    /** Topics that a slide names at most. */
    public const MOST = 500;

    /** Bytes of them as text. */
    public const LONGEST = self::MOST * 30;

    private const FORM = '/^(?:[0-9a-z]{26}[+=-]?f?c?(?: |\z))*+\z/D';

    /** @param  array<string, array{how: string, folded: bool, covered: bool}>  $named  by topic; "how" is empty where that follows from above */
    private function __construct(private array $named)
    {
    }

    public static function isRight(string $text): bool
    {
        return preg_match(self::FORM, $text) === 1 && substr_count($text, ' ') < self::MOST;
    }

    public static function read(string $text): self
    {
        $named = [];
        foreach (array_filter(explode(' ', $text)) as $one) {
            $signs = substr($one, 26);
            $named[substr($one, 0, 26)] = ['how' => rtrim($signs, 'fc'), 'folded' => str_contains($signs, 'f'), 'covered' => str_contains($signs, 'c')];
        }

        return new self($named);
    }

    /**
     * @param  list<string>  $topics  each with its branch
     * @param  list<string>  $folded
     */
    public static function branches(array $topics, array $folded = []): self
    {
        $made = new self([]);
        foreach ($topics as $topic) {
            $made = $made->with($topic, how: self::BRANCH);
        }
        foreach ($folded as $topic) {
            $made = $made->with($topic, folded: true);
        }

        return $made;
    }

    public function text(): string
    {
        return implode(' ', array_map(
            fn (string $id, array $one): string => $id.$one['how'].($one['folded'] ? 'f' : '').($one['covered'] ? 'c' : ''),
            array_map(strval(...), array_keys($this->named)), $this->named,
        ));
    }

    public function with(string $topic, ?string $how = null, ?bool $folded = null, ?bool $covered = null): self
    {
        $was = $this->named[$topic] ?? ['how' => '', 'folded' => false, 'covered' => false];
        $is = ['how' => $how ?? $was['how'], 'folded' => $folded ?? $was['folded'], 'covered' => $covered ?? $was['covered']];
        $named = $this->named;
        if ($is === ['how' => '', 'folded' => false, 'covered' => false]) {
            unset($named[$topic]);
        } else {
            $named[$topic] = $is;
        }

        return new self($named);
    }

    /** @param  Closure(string): bool  $isThere */
    public function among(Closure $isThere): self
    {
        return new self(array_filter($this->named, fn (string $id): bool => $isThere($id), ARRAY_FILTER_USE_KEY));
    }

    /** @return list<string> those that are said to be on it */
    public function tops(): array
    {
        return array_map(strval(...), array_keys(array_filter($this->named, fn (array $one): bool => in_array($one['how'], [self::BRANCH, self::ALONE], true))));
    }

    public function count(): int
    {
        return count($this->named);
    }

    /** @return list<string> */
    public function folded(): array
    {
        return $this->having('folded');
    }

    /** @return list<string> */
    public function covered(): array
    {
        return $this->having('covered');
    }

    public function isFolded(string $topic): bool
    {
        return $this->named[$topic]['folded'] ?? false;
    }

    /** What is said of a topic itself; empty where that follows from above. */
    public function how(string $topic): string
    {
        return $this->named[$topic]['how'] ?? '';
    }

    /** Whether a topic is on the slide, folded away or not. */
    public function has(TopicMap $map, string $topic): bool
    {
        for ($at = $topic, $isItself = true; $at !== null && $map->has($at); $at = $map->topic($at)->parent, $isItself = false) {
            if (($how = $this->how($at)) !== '') {
                return $how === self::BRANCH || ($how === self::ALONE && $isItself);
            }
        }

        return false;
    }

    /**
     * Those that are seen, in the order of the map.
     *
     * @param  int|null  $depth  how many levels below each that is named
     * @param  int  $most  after so many it looks no further
     * @return list<string>
     */
    public function seen(TopicMap $map, ?int $depth, int $most = PHP_INT_MAX): array
    {
        $tops = array_values(array_filter($this->tops(), $map->has(...)));
        $leading = [];
        foreach ($tops as $top) {
            $leading += [$top => true] + array_fill_keys(array_map(fn (Topic $above): string => $above->id, $map->ancestors($top)), true);
        }
        $seen = [];
        foreach ($this->starts($map, $tops) as $start) {
            $this->walk($map, $start, false, 0, $depth ?? PHP_INT_MAX, $most, $leading, $seen);
        }

        return $seen;
    }

    /**
     * @param  array<string, true>  $leading  topics that are named or lead to such
     * @param  list<string>  $seen
     */
    private function walk(TopicMap $map, string $topic, bool $isIn, int $levels, int $depth, int $most, array $leading, array &$seen): void
    {
        if (count($seen) >= $most) {
            return;
        }
        $how = $this->how($topic);
        if ($how !== '') {
            [$isIn, $levels] = [$how !== self::OUT, $depth];
        }
        if ($isIn) {
            $seen[] = $topic;
            if ($this->isFolded($topic)) {
                return;
            }
        }
        $goesOn = $isIn && $how !== self::ALONE && $levels > 0;
        foreach (array_keys($map->children($topic)) as $child) {
            if ($goesOn || isset($leading[$child])) {
                $this->walk($map, (string) $child, $goesOn, $levels - 1, $depth, $most, $leading, $seen);
            }
        }
    }

    /**
     * @param  list<string>  $tops
     * @return list<string> those of them that stand below no other, in the order of the map
     */
    private function starts(TopicMap $map, array $tops): array
    {
        $named = array_fill_keys($tops, true);
        $starts = array_values(array_filter($tops, fn (string $top): bool => array_filter($map->ancestors($top), fn (Topic $above): bool => isset($named[$above->id])) === []));

        return TopicChoice::inOrder($map, $starts);
    }

    /**
     * @param  'folded'|'covered'  $sign
     * @return list<string>
     */
    private function having(string $sign): array
    {
        return array_map(strval(...), array_keys(array_filter($this->named, fn (array $one): bool => $one[$sign])));
    }
}
