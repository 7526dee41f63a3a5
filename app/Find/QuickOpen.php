<?php

declare(strict_types=1);

namespace App\Find;

use App\Library\Shelf;
use App\Models\Person;
use App\Models\TopicRecord;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Support\Collection;
use stdClass;

/** Finds maps and topics by the words one has typed so far, forgiving of their spelling. */
final readonly class QuickOpen
{
    private const MOST_MAPS = 6;

    private const MOST_TOPICS = 14;

    /** So many topics are weighed against each other. */
    private const CANDIDATES = 250;

    private const DEEPEST_TRAIL = 6;

    /** Seconds; who types waits no longer for maps that were brought in just now. */
    private const LONGEST_CATCH_UP = 0.25;

    public function __construct(private Indexer $indexer, private WordSearch $words, private WordIndex $index, private Shelf $shelf)
    {
    }

    /**
     * @param  string|null  $here  the map that is open, whose topics come first among equals
     * @return array{maps: list<array{id: string, title: string}>, topics: list<array{map: string, mapTitle: string, topic: string, title: string, trail: list<string>}>} "QuickAnswer" in the wire schema
     */
    public function find(Person $person, string $typed, ?string $here = null): array
    {
        $tokens = array_slice(Tokens::of($typed), 0, 6);
        if ($tokens === []) {
            return ['maps' => [], 'topics' => []];
        }
        $titles = $this->shelf->titles($person);
        $this->indexer->catchUp($person, self::LONGEST_CATCH_UP, $here);

        return ['maps' => $this->maps($titles, $tokens), 'topics' => $this->topics($person, $titles, $tokens, $here)];
    }

    /**
     * @param  array<string, string>  $titles
     * @param  non-empty-list<string>  $tokens
     * @return list<array{id: string, title: string}>
     */
    private function maps(array $titles, array $tokens): array
    {
        $scores = array_filter(array_map(fn (string $title): float => $this->score($tokens, $title), $titles));
        arsort($scores);
        $ids = array_slice(array_keys($scores), 0, self::MOST_MAPS);

        return array_map(fn (string $id): array => ['id' => $id, 'title' => $titles[$id]], $ids);
    }

    /**
     * @param  array<string, string>  $titles
     * @param  non-empty-list<string>  $tokens
     * @return list<array{map: string, mapTitle: string, topic: string, title: string, trail: list<string>}>
     */
    private function topics(Person $person, array $titles, array $tokens, ?string $here): array
    {
        // The longest word narrows the most; the others are held against what it finds.
        usort($tokens, fn (string $a, string $b): int => strlen($b) <=> strlen($a));
        $words = $this->words->meant($person, $tokens[0]);
        // One or two letters tell so little that weighing many answers against each other would be for nothing.
        $most = strlen($tokens[0]) < 3 ? intdiv(self::CANDIDATES, 3) : (count($tokens) > 1 ? 2 * self::CANDIDATES : self::CANDIDATES);
        $found = ($here === null ? new Collection : $this->words->using($person, $words, $most, $here))->concat($this->words->using($person, $words, $most));
        $scores = $more = [];
        foreach ($found as $i => $row) {
            $title = InlineMarkdown::plain((string) $row->title);
            $score = $this->score($tokens, $title, (string) $row->caption);
            if ($score === 0.0) {
                // Then it is a word that a feature keeps of it.
                $more[$row->map_id] ??= $this->index->more((string) $row->map_id);
                $score = $this->score($tokens, $title, "{$row->caption} ".($more[$row->map_id][$row->topic_id] ?? ''));
            }
            if ($score > 0.0) {
                $scores[$i] = $score + ($row->map_id === $here ? 0.05 : 0.0);
            }
        }
        arsort($scores);
        $best = [];
        foreach (array_keys($scores) as $i) {
            $best["{$found[$i]->map_id} {$found[$i]->topic_id}"] ??= $found[$i];
            if (count($best) === self::MOST_TOPICS) {
                break;
            }
        }
        $trails = $this->trails(new Collection(array_values($best)));

        return array_map(fn (stdClass $row, int $i): array => [
            'map' => (string) $row->map_id,
            'mapTitle' => $titles[$row->map_id] ?? '',
            'topic' => (string) $row->topic_id,
            'title' => InlineMarkdown::oneLine((string) $row->title, 120),
            'trail' => $trails[$i],
        ], array_values($best), array_keys(array_values($best)));
    }

    /**
     * How well a text answers what was typed: every word has to be there in some likeness; a text that begins with
     * them, and a short one, is the better answer.
     *
     * @param  non-empty-list<string>  $tokens
     */
    private function score(array $tokens, string $title, string $caption = ''): float
    {
        $words = Tokens::of($title);
        $more = $caption === '' ? [] : Tokens::of($caption);
        $score = 0.0;
        foreach ($tokens as $token) {
            $best = 0.0;
            foreach ($words as $i => $word) {
                $best = max($best, Tokens::likeness($token, $word) + ($i === 0 ? 0.05 : 0.0));
            }
            foreach ($more as $word) {
                $best = max($best, 0.8 * Tokens::likeness($token, $word));
            }
            if ($best < 0.1) {
                return 0.0;
            }
            $score += $best;
        }

        return $score / count($tokens) - 0.01 * min(10, count($words));
    }

    /**
     * The titles above topics, from the root's branch down.
     *
     * @param  Collection<int, stdClass>  $topics
     * @return list<list<string>>
     */
    private function trails(Collection $topics): array
    {
        $trails = array_fill(0, $topics->count(), []);
        $at = $topics->map(fn (stdClass $row): ?string => $row->parent)->all();
        for ($n = 0; $n < self::DEEPEST_TRAIL && array_filter($at) !== []; $n++) {
            $rows = TopicRecord::query()->toBase()->whereIn('map_id', $topics->pluck('map_id')->unique())->whereIn('id', array_filter($at))->get(['map_id', 'id', 'title', 'parent'])
                ->keyBy(fn (stdClass $row): string => "{$row->map_id} {$row->id}");
            foreach ($at as $i => $parent) {
                $row = $parent === null ? null : $rows->get("{$topics[$i]->map_id} {$parent}");
                $at[$i] = $row?->parent;
                if ($row !== null && $row->parent !== null) {
                    array_unshift($trails[$i], InlineMarkdown::oneLine((string) $row->title, 60));
                }
            }
        }

        return $trails;
    }
}
