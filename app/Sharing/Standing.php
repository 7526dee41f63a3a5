<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\MapRecord;
use App\Models\Person;

/** What an open map has to know of who may do what with it; telling it notes the visit. */
final readonly class Standing
{
    public function __construct(private Access $access, private Visits $visits)
    {
    }

    /** @return array{role: string, isShared: bool} */
    public function told(MapRecord $map, Person $person): array
    {
        $role = $this->access->role($person, $map) ?? Role::View;
        $isShared = $role !== Role::Owner || $this->access->isShared($map);
        if ($isShared) {
            $this->visits->note($map, $person);
        }

        return ['role' => $role->value, 'isShared' => $isShared];
    }
}
