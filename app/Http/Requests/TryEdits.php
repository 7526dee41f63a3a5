<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Map\Ids;

/** Some edits to be looked at before they are made: on the board, or in small pictures of the map or of a branch. */
final class TryEdits extends MapRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'tries' => ['required', 'list', 'max:24'],
            'tries.*' => ['list', 'max:4'],
            'board' => ['boolean:strict'],
            'branch' => ['nullable', 'string', fn (string $name, mixed $id, callable $fail) => is_string($id) && Ids::valid($id) ? null : $fail('That is not the id of a topic.')],
        ];
    }

    /** @return list<mixed> */
    public function tries(): array
    {
        return array_values((array) $this->json('tries'));
    }
}
