<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Edits made on a map, and the number of the latest that the browser knows. */
final class SendEdits extends MapRequest
{
    private const MOST_EDITS = 500;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'since' => ['required', 'integer', 'min:0'],
            'edits' => ['required', 'list', 'max:'.self::MOST_EDITS],
            'all' => ['sometimes', 'boolean'],
        ];
    }

    /** @return list<mixed> */
    public function edits(): array
    {
        /** @var list<mixed> */
        $edits = $this->json('edits');

        return $edits;
    }
}
