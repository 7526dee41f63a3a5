<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Map\Ids;
use Closure;

/** What is folded, chosen and stepped into. */
final class KeepView extends MapRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $id = function (string $attribute, mixed $value, Closure $fail): void {
            if (! is_string($value) || ! Ids::valid($value)) {
                $fail('This has to be the id of a topic.');
            }
        };

        return [
            ...parent::rules(),
            'since' => ['required', 'integer', 'min:0'],
            'folded' => ['present', 'list', 'max:20000'],
            'folded.*' => [$id],
            'outlineFolded' => ['present', 'list', 'max:20000'],
            'outlineFolded.*' => [$id],
            'chosen' => ['present', 'nullable', $id],
            'scope' => ['present', 'nullable', $id],
            'outlineScope' => ['present', 'nullable', $id],
            'showing' => ['boolean:strict'],
        ];
    }

    /** @return array{folded: list<string>, outlineFolded: list<string>, chosen: string|null, scope: string|null, outlineScope: string|null, showing: bool} */
    public function look(): array
    {
        /** @var array{folded: list<string>, outlineFolded: list<string>, chosen: string|null, scope: string|null, outlineScope: string|null} $look */
        $look = array_map($this->json(...), ['folded' => 'folded', 'outlineFolded' => 'outlineFolded', 'chosen' => 'chosen', 'scope' => 'scope', 'outlineScope' => 'outlineScope']);

        return ['showing' => $this->json('showing') === true] + $look;
    }
}
