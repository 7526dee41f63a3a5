<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Document\BlockMarkdown;
use ChalkTree\Document\NoteBlocks;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Ascending;
use ChalkTree\Text\Asides;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\WordComparison;

/**
 * A manuscript that came back, laid against the draft: paragraphs that read the same are matched first, those between them by
 * the words that they have in common. What is said to oneself stays with its paragraph; quotes set otherwise are no change.
 *
 * @phpstan-type Own array{topic: string, at: int, raw: string, text: string, key: string}
 * @phpstan-type Given array{text: string, who: list<string>, remarks: list<array{who: string, text: string}>, key: string}
 * @phpstan-type Change array{topic: string, title: string, sort: 'changed'|'new'|'gone'|'remark', was: string, is: string, after: list<string>, at: int, pieces: list<array{what: string, text: string}>, who: list<string>, remarks: list<array{who: string, text: string}>}
 */
final class EditorChanges
{
    public const MOST = 1_000;

    /** How much of their words two paragraphs have in common that are one, at least. */
    private const ALIKE = 0.4;

    /** Paragraphs against paragraphs that are weighed one by one. */
    private const MOST_PAIRS = 40_000;

    /** The work that is spent on laying words beside words, in pairs; what comes after is told as a whole. */
    private const MOST_WORK = 40_000_000;

    /** Letters of a word, about. */
    private const WORD = 6;

    /** Paragraphs that may stand before a new one. */
    private const MOST_BEHIND = 12;

    private float $work = self::MOST_WORK;

    /** @var list<string> what stands before a new paragraph whatever is decided, as it was or as it came back; empty at the beginning of a note */
    private array $surely = [''];

    /** @var list<string> what may stand between that and a new paragraph, or not, as changes are taken over or left; the nearest first */
    private array $perhaps = [];

    private string $in = '';

    /** @var list<Change> as they stand in the draft */
    public array $changes = [];

    public int $same = 0;

    private function __construct(private readonly TopicMap $map)
    {
    }

    public static function of(TopicMap $map, Story $story, ReturnedText $returned): self
    {
        $its = new self($map);
        $own = $its->own($story);
        $given = array_map(fn (array $one): array => $one + ['key' => self::key($one['text'])], $returned->paragraphs);
        $its->lay($own, $given);

        return $its;
    }

    public function hasMore(): bool
    {
        return count($this->changes) > self::MOST;
    }

    /** @return list<Own> the paragraphs of the draft in the order in which they are told */
    private function own(Story $story): array
    {
        $topics = [$story->top];
        foreach ($story->scenes as $scene) {
            array_push($topics, ...($scene->chapter === null ? [] : [$scene->chapter]), ...$scene->texts);
        }
        $own = [];
        foreach (array_unique($topics) as $topic) {
            foreach (self::paragraphs($this->map->topic($topic)->note) as $at => $raw) {
                $text = trim(BlockMarkdown::write(NoteBlocks::read(Asides::without($raw))));
                if ($text !== '') {
                    $own[] = ['topic' => $topic, 'at' => $at, 'raw' => $raw, 'text' => $text, 'key' => self::key($text)];
                }
            }
        }

        return $own;
    }

    /** @return list<string> the paragraphs of a note as they stand there */
    public static function paragraphs(string $note): array
    {
        return trim($note) === '' ? [] : array_values(array_filter(preg_split('/\n(?:[ \t]*\n)+/', trim($note, "\n")) ?: [], fn (string $one): bool => trim($one) !== ''));
    }

    private static function key(string $text): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', strtr($text, ['’' => "'", '‘' => "'", '“' => '"', '”' => '"', '„' => '"', '«' => '"', '»' => '"', '…' => '...', "\u{a0}" => ' ', '\\' => ''])));
    }

    /**
     * @param  list<Own>  $own
     * @param  list<Given>  $given
     */
    private function lay(array $own, array $given): void
    {
        [$i, $j] = [0, 0];
        foreach ([...self::anchors(array_column($own, 'key'), array_column($given, 'key')), [count($own), count($given)]] as [$to, $until]) {
            $this->between(array_slice($own, $i, $to - $i), array_slice($given, $j, $until - $j), $own[$i - 1] ?? null, $own[$to] ?? null);
            if (isset($own[$to], $given[$until])) {
                $this->match($own[$to], $given[$until]);
            }
            [$i, $j] = [$to + 1, $until + 1];
        }
    }

    /**
     * Paragraphs that stand once on either side, in the same order.
     *
     * @param  list<string>  $own
     * @param  list<string>  $given
     * @return list<array{int, int}>
     */
    private static function anchors(array $own, array $given): array
    {
        $once = fn (array $keys): array => array_filter(array_count_values($keys), fn (int $n): bool => $n === 1);
        $common = array_intersect_key($once($own), $once($given));
        $places = array_flip($given);
        $pairs = [];
        foreach ($own as $i => $key) {
            if (isset($common[$key])) {
                $pairs[] = [$i, $places[$key]];
            }
        }

        // As many of them as ascend on both sides.
        return array_map(fn (int $n): array => $pairs[$n], Ascending::longest(array_column($pairs, 1)));
    }

    /**
     * @param  list<Own>  $own
     * @param  list<Given>  $given
     * @param  Own|null  $before  what stands before them in the draft
     * @param  Own|null  $next
     */
    private function between(array $own, array $given, ?array $before, ?array $next): void
    {
        $pairs = self::alike($own, $given);
        $j = 0;
        foreach ($own as $i => $paragraph) {
            $its = $pairs[$i] ?? null;
            for (; $its !== null && $j < $its; $j++) {
                $this->come($given[$j], $before, $paragraph);
            }
            if ($its === null) {
                $this->note('gone', null, $paragraph, null, null);
                if ($paragraph['topic'] !== $this->in) {
                    $this->stands($paragraph['topic'], '', []);
                }
                $this->mayStand($paragraph['raw']);
            } else {
                $this->match($paragraph, $given[$its]);
                $j = $its + 1;
            }
            $before = $paragraph;
        }
        for (; $j < count($given); $j++) {
            $this->come($given[$j], $before, $next);
        }
    }

    /**
     * @param  Given  $given  one that the draft does not have
     * @param  Own|null  $before
     * @param  Own|null  $next
     */
    private function come(array $given, ?array $before, ?array $next): void
    {
        $this->note('new', $given, null, $before, $next);
        $this->mayStand($given['text']);
    }

    /**
     * Which of the draft's is which of those that came back, in order.
     *
     * @param  list<Own>  $own
     * @param  list<Given>  $given
     * @return array<int, int>
     */
    private static function alike(array $own, array $given): array
    {
        [$n, $m] = [count($own), count($given)];
        if ($n === 0 || $m === 0) {
            return [];
        }
        if ($n * $m > self::MOST_PAIRS) {
            return array_combine(range(0, min($n, $m) - 1), range(0, min($n, $m) - 1));
        }
        $words = fn (array $one): array => array_count_values(preg_split('/[^\p{L}\p{N}]+/u', mb_strtolower($one['key']), -1, PREG_SPLIT_NO_EMPTY) ?: ['']);
        [$mine, $theirs] = [array_map($words, $own), array_map($words, $given)];
        $best = array_fill(0, $n + 1, array_fill(0, $m + 1, 0.0));
        $likeness = [];
        for ($i = $n - 1; $i >= 0; $i--) {
            for ($j = $m - 1; $j >= 0; $j--) {
                $common = 0;
                foreach (array_intersect_key($mine[$i], $theirs[$j]) as $word => $number) {
                    $common += min($number, $theirs[$j][$word]);
                }
                $like = $common / max(1, array_sum($mine[$i]), array_sum($theirs[$j]));
                $likeness[$i][$j] = $like >= self::ALIKE ? $like : 0.0;
                $best[$i][$j] = max($best[$i + 1][$j], $best[$i][$j + 1], $likeness[$i][$j] > 0 ? $likeness[$i][$j] + $best[$i + 1][$j + 1] : 0.0);
            }
        }
        $pairs = [];
        for ($i = $j = 0; $i < $n && $j < $m;) {
            if ($likeness[$i][$j] > 0 && $best[$i][$j] === $likeness[$i][$j] + $best[$i + 1][$j + 1]) {
                $pairs[$i++] = $j++;
            } elseif ($best[$i + 1][$j] >= $best[$i][$j + 1]) {
                $i++;
            } else {
                $j++;
            }
        }

        return $pairs;
    }

    /**
     * @param  Own  $own
     * @param  Given  $given
     */
    private function match(array $own, array $given): void
    {
        if ($own['key'] !== $given['key']) {
            $this->note('changed', $given, $own, null, null);
        } elseif ($given['remarks'] !== []) {
            $this->note('remark', $given, $own, null, null);
        } else {
            $this->same++;
        }
        $this->stands($own['topic'], $own['raw'], $own['key'] === $given['key'] ? [] : [$given['text']]);
    }

    /**
     * A paragraph of the draft, or the beginning of its note, is there whatever is decided, as it is or as it came back.
     *
     * @param  list<string>  $or
     */
    private function stands(string $topic, string $raw, array $or): void
    {
        [$this->in, $this->surely, $this->perhaps] = [$topic, [...$or, $raw], []];
    }

    /** What may stand there, or not. */
    private function mayStand(string $text): void
    {
        $this->perhaps = array_slice([$text, ...$this->perhaps], 0, self::MOST_BEHIND);
    }

    /** @return list<array{what: string, text: string}> */
    private function pieces(string $was, string $is): array
    {
        if ($was !== '' && $is !== '') {
            $this->work -= strlen($was) / self::WORD * strlen($is) / self::WORD;
        }

        return $this->work > 0 ? WordComparison::of($was, $is) : array_values(array_filter([['what' => 'gone', 'text' => $was], ['what' => 'new', 'text' => $is]], fn (array $piece): bool => $piece['text'] !== ''));
    }

    /**
     * @param  'changed'|'new'|'gone'|'remark'  $sort
     * @param  Given|null  $given
     * @param  Own|null  $own
     * @param  Own|null  $before  where a new one comes
     * @param  Own|null  $next
     */
    private function note(string $sort, ?array $given, ?array $own, ?array $before, ?array $next): void
    {
        if ($this->hasMore()) {
            return;
        }
        $topic = ($own ?? $before ?? $next)['topic'] ?? $this->map->sheet()->root;
        // With what one says to oneself there, and on paper with what the editor says.
        $is = $sort === 'remark' ? $own['raw'] ?? '' : implode(' ', [$given['text'] ?? '', ...Asides::in($own['raw'] ?? '')]);
        $this->changes[] = [
            'topic' => $topic, 'title' => InlineMarkdown::oneLine($this->map->topic($topic)->title), 'sort' => $sort, 'was' => $own['raw'] ?? '', 'is' => $sort === 'gone' ? '' : trim($is),
            'after' => $sort === 'new' ? [...$this->perhaps, ...$this->surely] : [],
            'at' => ($own ?? $before)['at'] ?? 0,
            'pieces' => $sort === 'remark' ? [['what' => 'same', 'text' => $own['text'] ?? '']] : $this->pieces($own['text'] ?? '', $given['text'] ?? ''),
            'who' => $given['who'] ?? [], 'remarks' => $given['remarks'] ?? [],
        ];
    }
}
