<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use App\Models\Person;
use App\Models\ViewRecord;
use ChalkTree\Arrange\View;
use Illuminate\Database\Eloquent\Builder;

/**
 * Keeps how each person looks at each map: what is folded on the board and in the outline, where they have stepped in
 * on either, and what was chosen last. A second view beside the first has its own.
 *
 * @phpstan-type Look array{folded: list<string>, outlineFolded: list<string>, chosen: string|null, scope: string|null, outlineScope: string|null, showing: bool, filter: array{text: string, shows: string, kept: list<string>}|null}
 */
final readonly class ViewStore
{
    public const PANES = ['first', 'second'];

    /** @return Look */
    public function of(MapRecord $map, Person $person, string $pane = 'first'): array
    {
        $record = $this->record($map, $person, $pane)->first();

        return [
            'folded' => $record->folded ?? [],
            'outlineFolded' => $record->outline_folded ?? [],
            'chosen' => $record?->chosen,
            'scope' => $record?->scope,
            'outlineScope' => $record?->outline_scope,
            'showing' => $record->showing ?? false,
            'filter' => $record?->filter,
        ];
    }

    public function board(MapRecord $map, Person $person, string $pane = 'first'): View
    {
        return self::view($this->of($map, $person, $pane), $person);
    }

    /** @param  Look  $look */
    public static function view(array $look, Person $person): View
    {
        return View::folding($look['folded'], $look['scope'], $person->face, $look['showing'], $person->today());
    }

    /** @param  Look  $view */
    public function save(MapRecord $map, Person $person, array $view, string $pane = 'first'): void
    {
        ViewRecord::query()->upsert([[
            'map_id' => $map->id,
            'person_id' => $person->id,
            'pane' => $pane,
            'folded' => json_encode($view['folded'], JSON_THROW_ON_ERROR),
            'outline_folded' => json_encode($view['outlineFolded'], JSON_THROW_ON_ERROR),
            'chosen' => $view['chosen'],
            'scope' => $view['scope'],
            'outline_scope' => $view['outlineScope'],
            'showing' => $view['showing'],
            'filter' => $view['filter'] === null ? null : json_encode($view['filter'], JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
        ]], ['map_id', 'person_id', 'pane'], ['folded', 'outline_folded', 'chosen', 'scope', 'outline_scope', 'showing', 'filter']);
    }

    /** @return array{x: float, y: float, scale: float}|null the point of the board in the middle of the window, and how large it is; null for whoever comes the first time */
    public function place(MapRecord $map, Person $person, string $pane = 'first'): ?array
    {
        $place = $this->record($map, $person, $pane)->value('place');
        $numbers = is_string($place) ? array_map(floatval(...), explode(' ', $place)) : [];

        return count($numbers) === 3 ? ['x' => $numbers[0], 'y' => $numbers[1], 'scale' => $numbers[2]] : null;
    }

    public function keepPlace(MapRecord $map, Person $person, string $pane, float $x, float $y, float $scale): void
    {
        ViewRecord::query()->upsert(
            [['map_id' => $map->id, 'person_id' => $person->id, 'pane' => $pane, 'folded' => '[]', 'outline_folded' => '[]', 'place' => round($x, 1).' '.round($y, 1).' '.round($scale, 4)]],
            ['map_id', 'person_id', 'pane'],
            ['place'],
        );
    }

    /** @return Builder<ViewRecord> */
    private function record(MapRecord $map, Person $person, string $pane): Builder
    {
        return ViewRecord::query()->where('map_id', $map->id)->where('person_id', $person->id)->where('pane', $pane);
    }
}
