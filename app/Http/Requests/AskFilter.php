<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Ask\Said;

/** Which topics somebody means: in words, or by the name of a filter; and below which topic they look. */
final class AskFilter extends MapRequest
{
    /** Topics that are in view at once. */
    private const MOST = 600;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $id = self::isId();

        return [
            ...parent::rules(),
            'text' => [$this->has('filter') ? 'sometimes' : 'present', 'nullable', 'string', 'max:'.Said::LONGEST],
            'filter' => ['sometimes', $id],
            'scope' => ['sometimes', 'nullable', $id],
            'among' => ['sometimes', 'array', 'max:'.self::MOST],
            'among.*' => [$id],
        ];
    }

    public function text(): string
    {
        return (string) $this->string('text');
    }

    /** @return list<string> the topics that whoever asks has in view */
    public function among(): array
    {
        return array_values(array_filter((array) $this->json('among'), is_string(...)));
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
