<?php

declare(strict_types=1);

namespace App\Find;

use App\Models\MapRecord;
use App\Models\Person;
use App\Store\EditLog;
use ChalkTree\Map\Topic;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Database\Connection;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Collection;
use stdClass;

/**
 * The words of all topics' titles and captions, for finding topics as one types. It is brought up to date when it is
 * asked, from the log of edits, so that editing never waits for it. Plain tables, so that every database has it alike.
 */
final readonly class WordIndex
{
    private const CHUNK = 300;

    /** After more edits than this a map is read anew. */
    private const MOST_EDITS = 200;

    public function __construct(private Connection $database, private EditLog $log)
    {
    }

    /**
     * Takes in what changed in a person's maps since they were indexed last.
     *
     * @param  float  $seconds  stop after so long; the rest is taken in next time
     * @param  string|null  $first  the map that matters most
     */
    public function catchUp(Person $person, float $seconds = INF, ?string $first = null): void
    {
        $end = microtime(true) + $seconds;
        $stale = $this->database->table('maps')->where('person_id', $person->id)->whereNull('trashed_at')
            ->where(fn (Builder $query) => $query->whereNull('indexed_seq')->orWhereColumn('indexed_seq', '<>', 'seq'))->orderByDesc('updated_at')->pluck('id');
        foreach ($stale->sortBy(fn (mixed $id): int => $id === $first ? 0 : 1) as $id) {
            if (microtime(true) > $end) {
                return;
            }
            $this->database->transaction(function () use ($person, $id): void {
                $map = $person->map((string) $id, held: true);
                if ($map !== null) {
                    $this->update($map);
                }
            });
        }
    }

    private function update(MapRecord $map): void
    {
        $uses = $this->database->table('word_uses')->where('map_id', $map->id);
        $topics = $this->database->table('topics')->where('map_id', $map->id)->whereNull('removed');
        if ($map->indexed_seq === null || $map->seq - $map->indexed_seq > self::MOST_EDITS || $map->seq < $map->indexed_seq) {
            $uses->delete();
            $this->add($map, $topics->get(['id', 'title', 'caption']));
        } else {
            foreach (array_chunk($this->changed($map, $map->indexed_seq), self::CHUNK) as $ids) {
                (clone $uses)->whereIn('topic_id', $ids)->delete();
                $this->add($map, (clone $topics)->whereIn('id', $ids)->get(['id', 'title', 'caption']));
            }
        }
        $this->database->table('maps')->where('id', $map->id)->update(['indexed_seq' => $map->seq]);
    }

    /** @return list<string> the ids of topics whose words may be others now */
    private function changed(MapRecord $map, int $since): array
    {
        $ids = [];
        foreach ($this->log->since($map, $since) as $record) {
            foreach ($record->all as $change) {
                $fields = ($change->before ?? []) + ($change->after ?? []);
                if ($change->type === Topic::type() && ($change->before === null || $change->after === null || array_intersect_key($fields, ['title' => 1, 'caption' => 1, 'removed' => 1]) !== [])) {
                    $ids[$change->id] = $change->id;
                }
            }
        }

        return array_values($ids);
    }

    /** @param  Collection<int, stdClass>  $topics */
    private function add(MapRecord $map, Collection $topics): void
    {
        $words = [];
        foreach ($topics as $topic) {
            foreach (Tokens::of(InlineMarkdown::plain((string) $topic->title).' '.$topic->caption) as $word) {
                $words[$word][] = (string) $topic->id;
            }
        }
        $ids = $this->wordIds(array_map(strval(...), array_keys($words)));
        $rows = [];
        foreach ($words as $word => $its) {
            foreach ($its as $topic) {
                $rows[] = ['word_id' => $ids[$word], 'map_id' => $map->id, 'topic_id' => $topic];
            }
        }
        foreach (array_chunk($rows, self::CHUNK) as $chunk) {
            $this->database->table('word_uses')->insertOrIgnore($chunk);
        }
    }

    /**
     * @param  list<string>  $words
     * @return array<array-key, int> by word
     */
    private function wordIds(array $words): array
    {
        $ids = [];
        foreach (array_chunk($words, self::CHUNK) as $chunk) {
            $known = $this->database->table('words')->whereIn('word', $chunk)->pluck('id', 'word')->all();
            $new = array_values(array_filter($chunk, fn (string $word): bool => ! isset($known[$word])));
            if ($new !== []) {
                $this->database->table('words')->insertOrIgnore(array_map(fn (string $word): array => ['word' => $word], $new));
                $made = $this->database->table('words')->whereIn('word', $new)->pluck('id', 'word')->all();
                $this->addGrams($made);
                $known += $made;
            }
            foreach ($known as $word => $id) {
                $ids[$word] = (int) $id;
            }
        }

        return $ids;
    }

    /** @param  array<array-key, mixed>  $words  ids by word */
    private function addGrams(array $words): void
    {
        $rows = [];
        foreach ($words as $word => $id) {
            foreach (Tokens::grams((string) $word) as $gram) {
                $rows[] = ['gram' => $gram, 'word_id' => $id];
            }
        }
        foreach (array_chunk($rows, self::CHUNK) as $chunk) {
            $this->database->table('word_grams')->insertOrIgnore($chunk);
        }
    }

    /**
     * The words that someone may mean who typed this, likeliest first.
     *
     * @return array<int, float> likeness by the word's id
     */
    public function meant(string $typed, int $most = 150): array
    {
        $begun = $this->database->table('words')->where('word', '>=', $typed)->where('word', '<', $typed."\u{10fffd}")->orderByRaw('length(word)')->limit($most)->get();
        $likely = [];
        foreach ($begun as $row) {
            $likely[(int) $row->id] = Tokens::likeness($typed, (string) $row->word);
        }
        if (count($likely) < 3 && mb_strlen($typed) >= 3) {
            $grams = Tokens::grams($typed);
            $near = $this->database->table('word_grams')->join('words', 'words.id', '=', 'word_grams.word_id')->whereIn('gram', $grams)
                ->groupBy('words.id', 'words.word')->orderByRaw('count(*) desc, length(words.word)')->limit(80)->get(['words.id', 'words.word']);
            foreach ($near as $row) {
                $likely[(int) $row->id] ??= Tokens::likeness($typed, (string) $row->word);
            }
        }
        $likely = array_filter($likely, fn (float $likeness): bool => $likeness > 0.0);
        arsort($likely);

        return $likely;
    }

    /**
     * Topics in a person's maps that use words, those with the likelier words first.
     *
     * @param  array<int, float>  $words  likeness by id
     * @param  string|null  $only  the one map to look in
     * @return Collection<int, stdClass> map_id, topic_id, title, caption, parent
     */
    public function using(Person $person, array $words, int $most, ?string $only = null): Collection
    {
        $found = new Collection;
        foreach (array_chunk(array_keys($words), 12) as $some) {
            $found = $found->concat($this->database->table('word_uses')
                ->join('maps', 'maps.id', '=', 'word_uses.map_id')
                ->join('topics', fn (JoinClause $join) => $join->on('topics.map_id', '=', 'word_uses.map_id')->on('topics.id', '=', 'word_uses.topic_id'))
                ->whereIn('word_id', $some)->where('maps.person_id', $person->id)->whereNull('maps.trashed_at')->whereNull('topics.removed')
                ->when($only !== null, fn (Builder $query) => $query->where('word_uses.map_id', $only))
                ->limit($most - $found->count())
                ->get(['word_uses.map_id', 'word_uses.topic_id', 'topics.title', 'topics.caption', 'topics.parent']));
            if ($found->count() >= $most) {
                break;
            }
        }

        return $found;
    }
}
