<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\Arrange\View;
use Illuminate\Database\ConnectionInterface;

/** Keeps how each person looks at each map: what is folded on the board and in the outline, and what was chosen last. */
final readonly class ViewStore
{
    public function __construct(private ConnectionInterface $database)
    {
    }

    /** @return array{folded: list<string>, outlineFolded: list<string>, chosen: string|null} */
    public function of(MapRecord $map, Person $person): array
    {
        $row = $this->database->table('views')->where('map_id', $map->id)->where('person_id', $person->id)->first();

        return [
            'folded' => $this->ids($row->folded ?? '[]'),
            'outlineFolded' => $this->ids($row->outline_folded ?? '[]'),
            'chosen' => isset($row->chosen) ? (string) $row->chosen : null,
        ];
    }

    public function board(MapRecord $map, Person $person): View
    {
        return View::folding($this->of($map, $person)['folded']);
    }

    /** @param  array{folded: list<string>, outlineFolded: list<string>, chosen: string|null}  $view */
    public function save(MapRecord $map, Person $person, array $view): void
    {
        $this->database->table('views')->upsert([[
            'map_id' => $map->id,
            'person_id' => $person->id,
            'folded' => json_encode($view['folded'], JSON_THROW_ON_ERROR),
            'outline_folded' => json_encode($view['outlineFolded'], JSON_THROW_ON_ERROR),
            'chosen' => $view['chosen'],
        ]], ['map_id', 'person_id'], ['folded', 'outline_folded', 'chosen']);
    }

    /** @return list<string> */
    private function ids(mixed $json): array
    {
        $ids = is_string($json) ? json_decode($json, true) : [];

        return is_array($ids) ? array_values(array_filter($ids, is_string(...))) : [];
    }
}
