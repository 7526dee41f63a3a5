<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\MapRecord;
use App\Models\Person;

/** What an open map has to know of who may do what with it, and of what others did; telling it notes the visit. */
final readonly class Standing
{
    public function __construct(private Access $access, private Visits $visits, private Presence $presence)
    {
    }

    /** @return array{role: string, isShared: bool, talk: int, others: list<array{id: int, name: string, at: string|null}>} */
    public function told(MapRecord $map, Person $person): array
    {
        [$role, $isShared] = $this->of($map, $person);
        if ($isShared) {
            $this->visits->note($map, $person);
        }

        return [
            'role' => $role->value, 'isShared' => $isShared, 'talk' => $role->isAtLeast(Role::Comment) ? $map->talk : 0,
            // Where others are may be private; who only looks is told that they are there.
            'others' => $isShared ? $this->presence->others($map, $person, $role->isAtLeast(Role::Edit)) : [],
        ];
    }

    /**
     * The same to who opens it, with what others did since they had it open last.
     *
     * @return array{role: string, isShared: bool, talk: int, others: list<array{id: int, name: string, at: string|null}>, missed: array{seq: int, edits: int, by: list<string>, last: string}|null, me: int}
     */
    public function opened(MapRecord $map, Person $person): array
    {
        [$role, $isShared] = $this->of($map, $person);
        // Before this visit is noted.
        $missed = $isShared && $role->isAtLeast(Role::Edit) ? $this->visits->missed($map, $person) : null;

        return [...$this->told($map, $person), 'missed' => $missed, 'me' => $person->id];
    }

    /** @return array{Role, bool} */
    private function of(MapRecord $map, Person $person): array
    {
        $role = $this->access->role($person, $map) ?? Role::View;

        return [$role, $role !== Role::Owner || $this->access->isShared($map)];
    }
}
