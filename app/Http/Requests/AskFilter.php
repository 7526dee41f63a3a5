<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Ask\Said;

/** Which topics somebody means: in words, or by the name of a filter; and below which topic they look. */
final class AskFilter extends MapRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $id = self::isId();

        return [
            ...parent::rules(),
            'text' => [$this->has('filter') ? 'sometimes' : 'present', 'nullable', 'string', 'max:'.Said::LONGEST],
            'filter' => ['sometimes', $id],
            'scope' => ['sometimes', 'nullable', $id],
        ];
    }

    public function text(): string
    {
        return (string) $this->string('text');
    }

    public function filter(): ?string
    {
        $id = $this->json('filter');

        return is_string($id) ? $id : null;
    }

    public function scope(): ?string
    {
        $id = $this->json('scope');

        return is_string($id) ? $id : null;
    }
}
