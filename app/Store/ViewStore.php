<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\Arrange\View;
use Illuminate\Database\ConnectionInterface;

/**
 * Keeps how each person looks at each map: what is folded on the board and in the outline, where they have stepped in
 * on either, and what was chosen last. A second view beside the first has its own.
 *
 * @phpstan-type Look array{folded: list<string>, outlineFolded: list<string>, chosen: string|null, scope: string|null, outlineScope: string|null}
 */
final readonly class ViewStore
{
    public const PANES = ['first', 'second'];

    public function __construct(private ConnectionInterface $database)
    {
    }

    /** @return Look */
    public function of(MapRecord $map, Person $person, string $pane = 'first'): array
    {
        $row = $this->database->table('views')->where('map_id', $map->id)->where('person_id', $person->id)->where('pane', $pane)->first();
        $id = fn (string $column): ?string => isset($row->{$column}) ? (string) $row->{$column} : null;

        return [
            'folded' => $this->ids($row->folded ?? '[]'),
            'outlineFolded' => $this->ids($row->outline_folded ?? '[]'),
            'chosen' => $id('chosen'),
            'scope' => $id('scope'),
            'outlineScope' => $id('outline_scope'),
        ];
    }

    public function board(MapRecord $map, Person $person, string $pane = 'first'): View
    {
        return self::view($this->of($map, $person, $pane));
    }

    /** @param  Look  $look */
    public static function view(array $look): View
    {
        return View::folding($look['folded'], $look['scope']);
    }

    /** @param  Look  $view */
    public function save(MapRecord $map, Person $person, array $view, string $pane = 'first'): void
    {
        $this->database->table('views')->upsert([[
            'map_id' => $map->id,
            'person_id' => $person->id,
            'pane' => $pane,
            'folded' => json_encode($view['folded'], JSON_THROW_ON_ERROR),
            'outline_folded' => json_encode($view['outlineFolded'], JSON_THROW_ON_ERROR),
            'chosen' => $view['chosen'],
            'scope' => $view['scope'],
            'outline_scope' => $view['outlineScope'],
        ]], ['map_id', 'person_id', 'pane'], ['folded', 'outline_folded', 'chosen', 'scope', 'outline_scope']);
    }

    /** @return array{x: float, y: float, scale: float}|null the point of the board in the middle of the window, and how large it is; null for whoever comes the first time */
    public function place(MapRecord $map, Person $person, string $pane = 'first'): ?array
    {
        $place = $this->database->table('views')->where('map_id', $map->id)->where('person_id', $person->id)->where('pane', $pane)->value('place');
        $numbers = is_string($place) ? array_map(floatval(...), explode(' ', $place)) : [];

        return count($numbers) === 3 ? ['x' => $numbers[0], 'y' => $numbers[1], 'scale' => $numbers[2]] : null;
    }

    public function keepPlace(MapRecord $map, Person $person, string $pane, float $x, float $y, float $scale): void
    {
        $this->database->table('views')->upsert(
            [['map_id' => $map->id, 'person_id' => $person->id, 'pane' => $pane, 'folded' => '[]', 'outline_folded' => '[]', 'place' => round($x, 1).' '.round($y, 1).' '.round($scale, 4)]],
            ['map_id', 'person_id', 'pane'],
            ['place'],
        );
    }

    /** @return list<string> */
    private function ids(mixed $json): array
    {
        $ids = is_string($json) ? json_decode($json, true) : [];

        return is_array($ids) ? array_values(array_filter($ids, is_string(...))) : [];
    }
}
