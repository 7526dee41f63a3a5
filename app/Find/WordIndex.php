<?php

declare(strict_types=1);

namespace App\Find;

use App\Models\MapRecord;
use App\Models\Person;
use App\Store\EditLog;
use App\Store\MapStore;
use ChalkTree\Features;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Topic;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Database\Connection;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Collection;
use stdClass;

/**
 * The words of all topics' titles and captions and of what features keep of them, for finding topics as one types. It is brought up to date when it is
 * asked, from the log of edits, so that editing never waits for it. Plain tables, so that every database has it alike.
 */
final readonly class WordIndex
{
    private const CHUNK = 300;

    /** After more edits than this a map is read anew. */
    private const MOST_EDITS = 200;

    public function __construct(private Connection $database, private EditLog $log, private MapStore $store)
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
        $left = [];
        $topics = $this->database->table('topics')->where('map_id', $map->id)->whereNull('removed');
        if ($map->indexed_seq === null || $map->seq - $map->indexed_seq > self::MOST_EDITS || $map->seq < $map->indexed_seq) {
            $left = $uses->distinct()->pluck('word_id')->all();
            $uses->delete();
            $this->add($map, $topics->get(['id', 'title', 'caption']));
        } else {
            foreach (array_chunk($this->changed($map, $map->indexed_seq), self::CHUNK) as $ids) {
                $its = (clone $uses)->whereIn('topic_id', $ids);
                array_push($left, ...(clone $its)->distinct()->pluck('word_id')->all());
                $its->delete();
                $this->add($map, (clone $topics)->whereIn('id', $ids)->get(['id', 'title', 'caption']));
            }
        }
        $this->forget($left);
        $this->database->table('maps')->where('id', $map->id)->update(['indexed_seq' => $map->seq]);
    }

    /** Takes out all words that stand nowhere any more, such as those of maps that have gone for good. */
    public function sweep(): void
    {
        $unused = $this->database->table('words')->whereNotExists(fn (Builder $query) => $query->from('word_uses')->whereColumn('word_uses.word_id', 'words.id'));
        $this->forget($unused->pluck('id')->all());
    }

    /** @param  array<mixed>  $words  ids of words that may stand nowhere any more */
    private function forget(array $words): void
    {
        foreach (array_chunk(array_unique($words), self::CHUNK) as $ids) {
            $used = $this->database->table('word_uses')->whereIn('word_id', $ids)->distinct()->pluck('word_id')->all();
            $unused = array_values(array_diff($ids, $used));
            $this->database->table('word_grams')->whereIn('word_id', $unused)->delete();
            $this->database->table('words')->whereIn('id', $unused)->delete();
        }
    }

    /** @return list<string> the ids of topics whose words may be others now */
    private function changed(MapRecord $map, int $since): array
    {
        $ids = [];
        foreach ($this->log->since($map, $since) as $record) {
            foreach ($record->all as $change) {
                $fields = ($change->before ?? []) + ($change->after ?? []);
                if ($change->type === Topic::type() && ($change->before === null || $change->after === null || array_intersect($change->names(), ['title', 'caption', 'removed']) !== [])) {
                    $ids[] = $change->id;
                } elseif ($change->type !== Topic::type() && $change->type !== Sheet::type()) {
                    array_push($ids, ...($this->store->featureRow($map->id, $change->type, $change->id)?->topics() ?? RowTypes::make($change->type, $change->id, $fields)->topics()));
                }
            }
        }

        return array_values(array_unique($ids));
    }

    /** @param  Collection<int, stdClass>  $topics */
    private function add(MapRecord $map, Collection $topics): void
    {
        $more = $this->more($map->id);
        $words = [];
        foreach ($topics as $topic) {
            foreach (Tokens::of(implode(' ', [InlineMarkdown::plain((string) $topic->title), $topic->caption, $more[$topic->id] ?? ''])) as $word) {
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

    /** @return array<string, string> what features keep in words of topics of a map, by topic */
    public function more(string $map): array
    {
        $more = [];
        $hasTexts = array_filter(Features::rows(), fn (string $class): bool => $class::texts() !== []) !== [];
        foreach ($hasTexts ? $this->store->featureRows($map) : [] as $row) {
            foreach ($row::texts() as $field) {
                $more[$row->topics()[0]] = ($more[$row->topics()[0]] ?? '').' '.$row->text($field);
            }
        }

        return $more;
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
     * The words of a person's own maps that may be meant by who typed this, likeliest first.
     *
     * @return array<int, float> likeness by the word's id
     */
    public function meant(Person $person, string $typed, int $most = 150): array
    {
        $begun = $this->own($person, $this->database->table('words'))->where('word', '>=', $typed)->where('word', '<', $typed."\u{10fffd}")
            ->orderByRaw('length(word)')->limit($most)->get(['id', 'word']);
        $likely = [];
        foreach ($begun as $row) {
            $likely[(int) $row->id] = Tokens::likeness($typed, (string) $row->word);
        }
        if (count($likely) < 3 && mb_strlen($typed) >= 3) {
            $grams = Tokens::grams($typed);
            $near = $this->own($person, $this->database->table('word_grams')->join('words', 'words.id', '=', 'word_grams.word_id'))->whereIn('gram', $grams)
                ->groupBy('words.id', 'words.word')->orderByRaw('count(*) desc, length(words.word)')->limit(80)->get(['words.id', 'words.word']);
            foreach ($near as $row) {
                $likely[(int) $row->id] ??= Tokens::likeness($typed, (string) $row->word);
            }
        }
        $likely = array_filter($likely, fn (float $likeness): bool => $likeness > 0.0);
        arsort($likely);

        return $likely;
    }

    /** Words that stand in a map of this person that is not in the trash. */
    private function own(Person $person, Builder $words): Builder
    {
        return $words->whereExists(fn (Builder $query) => $query->from('word_uses')->join('maps', 'maps.id', '=', 'word_uses.map_id')
            ->whereColumn('word_uses.word_id', 'words.id')->where('maps.person_id', $person->id)->whereNull('maps.trashed_at'));
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
