<?php

declare(strict_types=1);

namespace App\Find;

use App\Library\Shelf;
use App\Models\MapRecord;
use App\Models\MapTraces;
use App\Models\Person;
use App\Models\RowRecord;
use App\Sharing\Access;
use App\Store\MapStore;
use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Heard;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Names;
use ChalkTree\Ask\Piece;
use ChalkTree\Ask\Reading;
use ChalkTree\Ask\Traces;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Filter\Narrowed;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\Trail;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Container\Attributes\Config;
use Illuminate\Support\Collection;
use stdClass;

/**
 * Finds the topics that are meant in all maps of a person, said in the words that narrow one map. What is said is read
 * anew in each map, since each has names of its own; maps without a trace of it stay closed. An answer comes soon, with
 * as much as was found by then and from where to go on.
 */
final readonly class MeantSearch
{
    /** So many hits of one map are told; the others are there when it is opened. */
    private const MOST_OF_ONE = 8;

    /** After so many an answer is full. */
    private const MOST = 24;

    /** Letters that are told before and after words in a caption or a note. */
    private const AROUND = 40;

    /** Maps of which is asked at once. */
    private const CHUNK = 100;

    /** Bytes of traces that are held at once; notes can be long. */
    private const HELD = 16 * 1024 * 1024;

    /** @param  float  $patience  seconds after which no other map is opened; whoever asks goes on from there */
    public function __construct(private MapStore $store, private Access $access, #[Config('chalk.patience')] private float $patience)
    {
    }

    /**
     * @param  string|null  $after  the map up to which the answer before came
     * @return array{text: string, pieces: list<array<string, mixed>>, maps: list<array{map: string, title: string, count: int, hits: list<array{topic: string, title: string, beside: string, trail: list<string>}>}>, next: string|null, problem: string|null} "MeantAnswer" in the wire schema
     */
    public function find(Person $person, string $text, ?string $after = null): array
    {
        $end = microtime(true) + $this->patience;
        $maps = $this->maps($person);
        $names = $this->names($maps, $person);
        $answer = ['text' => $text, 'pieces' => [], 'maps' => [], 'next' => null, 'problem' => null];
        try {
            $heard = Reading::of($text, $names);
        } catch (InvalidEdit $refusal) {
            return ['problem' => $refusal->getMessage()] + $answer;
        }
        if ($heard->condition === null) {
            return $answer;
        }
        $answer['pieces'] = array_map(fn (Piece $piece): array => $piece->toArray(), $heard->pieces);
        $from = $after === null ? false : array_search($after, array_keys($maps), true);
        $told = 0;
        foreach ($this->known(array_slice($maps, $from === false ? 0 : (int) $from + 1), $heard, $names, $person) as $record => $asked) {
            $found = $asked === null ? null : $this->hits($record, ...$asked);
            if ($found !== null) {
                $answer['maps'][] = $found;
                $told += count($found['hits']);
            }
            if ($told >= self::MOST || microtime(true) > $end) {
                $answer['next'] = $record->id;
                break;
            }
        }

        return $answer;
    }

    /**
     * The maps of a person that know what is asked, as they are, the latest changed first.
     *
     * @param  float  $seconds  after which no other is opened
     * @return iterable<MapRecord, array{Moment, Condition}>
     *
     * @throws InvalidEdit where more is asked than can be
     */
    public function in(Person $person, string $text, float $seconds): iterable
    {
        $end = microtime(true) + $seconds;
        $maps = $this->maps($person);
        $names = $this->names($maps, $person);
        foreach ($this->known($maps, Reading::of($text, $names), $names, $person) as $record => $asked) {
            if ($asked !== null) {
                yield $record => $asked;
            }
            if (microtime(true) > $end) {
                return;
            }
        }
    }

    /**
     * The maps that may have topics that are meant, each with what it understands; null for one that does not know what is
     * asked for. Where a name is not known, its words are taken for text; that is not what was meant.
     *
     * @param  array<string, int>  $maps
     * @return iterable<MapRecord, array{Moment, Condition}|null>
     */
    private function known(array $maps, Heard $heard, Moment $names, Person $person): iterable
    {
        foreach ($heard->condition === null ? [] : $this->mayHold($maps, $heard->condition, $names) as $record => $isKnown) {
            $map = $this->store->load($record);
            $isKnown ?: $this->keep($record, $map, $person);
            $now = new Moment($map, $person->today());
            $its = Reading::of($heard->text, $now);

            yield $record => $its->condition === null || count($its->pieces) > count($heard->pieces) ? null : [$now, $its->condition];
        }
    }

    /** Takes in what there is to be found in maps that have changed. */
    public function catchUp(Person $person): void
    {
        foreach ($this->mayHold($this->maps($person), null, null) as $record => $isKnown) {
            $isKnown ?: $this->keep($record, $this->store->load($record), $person);
        }
    }

    /** @return array{map: string, title: string, count: int, hits: list<array{topic: string, title: string, beside: string, trail: list<string>}>}|null null where the map has no such topics */
    private function hits(MapRecord $record, Moment $now, Condition $condition): ?array
    {
        $map = $now->map;
        $hits = Narrowed::to($now, $condition)->hits;

        return $hits === [] ? null : [
            'map' => $record->id,
            'title' => Shelf::title($record->title, $map->root()->title),
            'count' => count($hits),
            'hits' => array_map(fn (string $id): array => [
                'topic' => $id, 'title' => InlineMarkdown::oneLine($map->topic($id)->title, 120), 'beside' => self::beside($map->topic($id), $condition->sought()), 'trail' => array_slice(Trail::to($map, $id, 60), $map->isWithin($id, $map->root()->id) ? 1 : 0, -1),
            ], array_slice($hits, 0, self::MOST_OF_ONE)),
        ];
    }

    /**
     * What stands around words in the caption or the note of a topic, where its title does not have them.
     *
     * @param  list<string>  $sought
     */
    private static function beside(Topic $topic, array $sought): string
    {
        foreach ($sought as $words) {
            foreach (mb_stripos(InlineMarkdown::oneLine($topic->title), $words) === false ? [$topic->caption, $topic->note] : [] as $text) {
                $at = mb_stripos($text, $words);
                if ($at !== false) {
                    $from = max(0, $at - self::AROUND);
                    $piece = mb_substr($text, $from, 2 * self::AROUND + mb_strlen($words));

                    return ($from > 0 ? '…' : '').trim((string) preg_replace('/\s+/u', ' ', $piece)).($from + mb_strlen($piece) < mb_strlen($text) ? '…' : '');
                }
            }
        }

        return '';
    }

    /**
     * The maps that may have topics of which a condition holds, and whether what there is in them was known.
     *
     * @param  array<string, int>  $maps
     * @param  Condition|null  $condition  null for all maps of which it is not known what there is
     * @return iterable<MapRecord, bool>
     */
    private function mayHold(array $maps, ?Condition $condition, ?Moment $names): iterable
    {
        foreach (array_chunk($maps, self::CHUNK, preserve_keys: true) as $some) {
            $known = MapTraces::query()->toBase()->whereIn('map_id', array_keys($some))->get(['map_id', 'seq', 'bytes'])->keyBy('map_id');
            $traces = [];
            foreach ($some as $id => $seq) {
                $isKnown = (int) ($known[$id]->seq ?? -1) === $seq;
                if ($isKnown && $condition !== null && ! isset($traces[$id])) {
                    $traces = $this->traces(array_slice($some, (int) array_search($id, array_keys($some), true), preserve_keys: true), $known);
                }
                $record = ! $isKnown || ($names !== null && $condition?->mayHold($names, $traces[$id] ?? '') === true) ? MapRecord::query()->find($id) : null;
                if ($record !== null) {
                    yield $record => $isKnown;
                }
            }
        }
    }

    /**
     * The traces of the first of some maps, of as many as are held at once; at least of one that has any.
     *
     * @param  array<string, int>  $maps
     * @param  Collection<array-key, stdClass>  $known
     * @return array<array-key, string>
     */
    private function traces(array $maps, Collection $known): array
    {
        $ids = [];
        $bytes = 0;
        foreach (array_keys($maps) as $id) {
            $bytes += (int) ($known[$id]->bytes ?? 0);
            if ($ids !== [] && $bytes > self::HELD) {
                break;
            }
            $ids[] = $id;
        }

        return MapTraces::query()->toBase()->whereIn('map_id', $ids)->pluck('traces', 'map_id')->map(fn (mixed $its): string => (string) $its)->all();
    }

    /**
     * The maps in which is looked, the latest changed first; there are hundreds, of which few become models.
     *
     * @return array<string, int> the number of the latest edit, by the map's id
     */
    private function maps(Person $person): array
    {
        return MapRecord::query()->where($this->access->workable($person))->toBase()->whereNull('trashed_at')->orderByDesc('updated_at')->orderByDesc('id')->pluck('seq', 'id')->map(fn (mixed $seq): int => (int) $seq)->all();
    }

    private function keep(MapRecord $record, TopicMap $map, Person $person): void
    {
        $traces = Traces::of($map, $person->today());
        MapTraces::query()->updateOrCreate(['map_id' => $record->id], ['seq' => $record->seq, 'bytes' => strlen($traces), 'traces' => $traces]);
    }

    /**
     * The names by which topics of some maps can be asked for.
     *
     * @param  array<string, int>  $maps
     */
    private function names(array $maps, Person $person): Moment
    {
        $types = array_map(fn (string $class): string => $class::type(), Names::sorts());
        $rows = [];
        foreach (array_chunk(array_keys($maps), self::CHUNK) as $ids) {
            foreach (RowRecord::query()->toBase()->whereIn('map_id', $ids)->whereIn('type', $types)->get(['type', 'id', 'fields']) as $row) {
                // Most maps have most of them alike.
                $rows["{$row->type} {$row->fields}"] ??= $row;
            }
        }

        return Names::of(array_map(fn (stdClass $row): FeatureRow => RowTypes::ofFeature((string) $row->type)::fromFields((string) $row->id, (array) json_decode((string) $row->fields, true)), array_values($rows)), $person->today());
    }
}
