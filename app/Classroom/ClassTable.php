<?php

declare(strict_types=1);

namespace App\Classroom;

use App\Library\PictureCache;
use App\Library\Shelf;
use App\Models\HandOut;
use App\Models\HandOutCopy;
use App\Models\MapRecord;
use App\Models\SchoolClass;
use App\Sharing\Presence;
use App\Store\MapStore;
use ChalkTree\CrossLink\MapMatch;
use ChalkTree\CrossLink\Score;
use ChalkTree\CrossLink\Sentence;
use ChalkTree\HandOut\LaidOver;
use ChalkTree\HandOut\Work;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Database\Eloquent\Collection;

/**
 * What each of a class did with what was given out: beside each other as a table, and laid over each other as one map.
 * What is told of a copy is kept until the copy, what was given, or the teacher's own map is another.
 *
 * @phpstan-type Told array{added: list<string>, changed: list<string>, removed: list<string>, empty: list<string>, words: int, pictures: int, ties: int, topics: int, score: int, match: array{there: int, missing: list<string>, other: int}|null}
 */
final readonly class ClassTable
{
    /** Titles of one sort that are told of one copy; how many there are is told besides. */
    private const MOST_TITLES = 60;

    private const COLUMNS = ['who', 'pupils', 'state', 'handed in', 'changed on', 'added', 'changed', 'removed', 'left empty', 'words', 'pictures', 'links', 'propositions of the model', 'missing', 'other', 'score', 'points', 'of'];

    public function __construct(private MapStore $store, private PictureCache $kept, private HandOuts $handOuts, private Presence $presence)
    {
    }

    /** @return array<string, mixed> "HandOutAnswer" in the wire schema */
    public function of(HandOut $handOut): array
    {
        $copies = $this->copies($handOut);
        $model = $this->handOuts->own($handOut, $handOut->model_id);

        return [
            'id' => $handOut->id, 'class' => $handOut->class_id, 'className' => (string) SchoolClass::query()->whereKey($handOut->class_id)->value('name'), 'title' => $handOut->title, 'question' => $handOut->question, 'due' => $handOut->due, 'byTeam' => $handOut->by_team,
            'rubric' => $handOut->rubric, 'map' => $handOut->map_id, 'given' => $handOut->given_id, 'model' => $model === null ? null : ['id' => $model->id, 'title' => $this->titleOf($model)],
            'parts' => $this->handOuts->parts($handOut),
            'copies' => array_values($copies->map(fn (HandOutCopy $copy): array => $this->row($handOut, $copy, $model))->all()),
        ];
    }

    /** @return Collection<int, HandOutCopy> by name */
    private function copies(HandOut $handOut): Collection
    {
        return HandOutCopy::query()->with(['map', 'pupils', 'link'])->where('hand_out_id', $handOut->id)->get()->sortBy(fn (HandOutCopy $copy): string => mb_strtolower($copy->label).$copy->id)->values();
    }

    private function titleOf(MapRecord $map): string
    {
        return $map->title ?? Shelf::title(null, $this->store->load($map)->root()->title);
    }

    /** @return array<string, mixed> "CopyRow" in the wire schema */
    private function row(HandOut $handOut, HandOutCopy $copy, ?MapRecord $model): array
    {
        $told = $this->told($handOut, $copy, $model);
        $some = fn (array $titles): array => array_slice($titles, 0, self::MOST_TITLES);

        return [
            'id' => $copy->id, 'map' => $copy->map_id, 'label' => $copy->label, 'pupils' => $copy->pupils->sortBy('name')->pluck('name')->values()->all(), 'state' => $copy->state->value,
            'handedIn' => $copy->handed_in === null ? null : gmdate('Y-m-d\TH:i:s\Z', $copy->handed_in), 'changed' => $copy->map->seq === 0 ? null : $copy->map->updated_at->toIso8601ZuluString(),
            'here' => array_values(array_intersect(array_column($this->presence->all($copy->map, false), 'name'), $copy->pupils->pluck('name')->all())),
            'counts' => ['added' => count($told['added']), 'changed' => count($told['changed']), 'removed' => count($told['removed']), 'empty' => count($told['empty']), 'words' => $told['words'], 'pictures' => $told['pictures'], 'ties' => $told['ties']],
            'titles' => ['added' => $some($told['added']), 'changed' => $some($told['changed']), 'removed' => $some($told['removed']), 'empty' => $some($told['empty'])],
            'score' => $told['score'], 'match' => $told['match'],
            'marks' => array_map(fn (int $n): ?int => $copy->marks[$n] ?? null, array_keys($handOut->rubric)), 'words' => $copy->words, 'shown' => $copy->shown,
        ];
    }

    /** @return Told */
    private function told(HandOut $handOut, HandOutCopy $copy, ?MapRecord $model): array
    {
        $asked = ['work', $handOut->given_id, $handOut->given->seq, $model?->id, $model?->seq];
        /** @var Told $told */
        $told = json_decode($this->kept->of($copy->map, $asked, fn (): string => json_encode($this->reckoned($handOut, $copy, $model), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)), true, 6, JSON_THROW_ON_ERROR);

        return $told;
    }

    /** @return Told */
    private function reckoned(HandOut $handOut, HandOutCopy $copy, ?MapRecord $model): array
    {
        $map = $this->store->load($copy->map);
        $work = Work::of($map, $this->store->load($handOut->given));
        $match = $model === null ? null : MapMatch::of($map, $this->store->load($model));

        return [
            'added' => array_values($work->added), 'changed' => array_values($work->changed), 'removed' => array_values($work->removed), 'empty' => array_values($work->empty),
            'words' => $work->words, 'pictures' => $work->pictures, 'ties' => $work->ties, 'topics' => count($map->all()), 'score' => Score::of($map)->total(),
            'match' => $match === null ? null : ['there' => count($match->there), 'missing' => array_map(fn (Sentence $one): string => $one->text(), $match->missing), 'other' => count($match->other)],
        ];
    }

    /** The table for spreadsheets (RFC 4180); what these could take for a formula is no such. */
    public function csv(HandOut $handOut): string
    {
        $out = fopen('php://memory', 'w+b');
        assert($out !== false);
        fputcsv($out, self::COLUMNS, escape: '');
        $model = $this->handOuts->own($handOut, $handOut->model_id);
        foreach ($this->copies($handOut) as $copy) {
            $told = $this->told($handOut, $copy, $model);
            $state = match ($copy->state) {
                CopyState::Open => 'open', CopyState::In => 'handed in', CopyState::Back => 'given back',
            };
            $line = [
                $copy->label, $copy->pupils->sortBy('name')->pluck('name')->implode(', '), $state, $copy->handed_in === null ? '' : gmdate('Y-m-d H:i', $copy->handed_in), $copy->map->seq === 0 ? '' : $copy->map->updated_at->utc()->format('Y-m-d H:i'),
                count($told['added']), count($told['changed']), count($told['removed']), count($told['empty']), $told['words'], $told['pictures'], $told['ties'],
                $told['match']['there'] ?? '', $told['match'] === null ? '' : count($told['match']['missing']), $told['match']['other'] ?? '', $told['score'],
                array_filter($copy->marks, is_int(...)) === [] ? '' : array_sum($copy->marks), array_sum(array_column($handOut->rubric, 'points')) ?: '',
            ];
            fputcsv($out, array_map(fn (int|string $cell): string => is_string($cell) && preg_match('/^[=+\-@\t\r]/', $cell) === 1 ? "'{$cell}" : (string) $cell, $line), escape: '');
        }
        rewind($out);

        return (string) stream_get_contents($out);
    }

    /** All copies laid over each other, by their names. */
    public function over(HandOut $handOut): LaidOver
    {
        $maps = [];
        foreach ($this->copies($handOut) as $copy) {
            $maps[$copy->label] = $this->store->load($copy->map);
        }

        return LaidOver::of($this->store->load($handOut->given), $maps);
    }

    /** @return array<string, mixed> "LaidOverAnswer" in the wire schema: what all have, what only one has, and who has what */
    public function overTold(HandOut $handOut): array
    {
        $over = $this->over($handOut);
        $of = HandOutCopy::query()->where('hand_out_id', $handOut->id)->count();
        $title = fn (TopicMap $map, string $id): string => InlineMarkdown::oneLine($map->topic($id)->title);
        $topics = $propositions = [];
        foreach ($over->map->all() as $id => $_) {
            if ($id !== $over->map->sheet()->root) {
                $topics[] = ['title' => $title($over->map, (string) $id), 'who' => array_map(strval(...), array_keys($over->holders[$id]))];
            }
        }
        foreach ($over->propositions as $one) {
            $propositions[] = ['title' => "{$title($over->map, $one['from'])} {$one['phrase']} {$title($over->map, $one['to'])}", 'who' => array_map(strval(...), array_keys($one['holders']))];
        }
        usort($topics, fn (array $a, array $b): int => count($b['who']) <=> count($a['who']));

        return ['of' => $of, 'topics' => $topics, 'propositions' => $propositions, 'hasMore' => $over->hasMore];
    }
}
