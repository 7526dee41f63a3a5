<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Ask\Said;
use ChalkTree\Filter\Showing;
use ChalkTree\Map\Ids;
use Closure;
use Illuminate\Validation\Rule;

/** What is folded, chosen and stepped into, and to what the map is narrowed. */
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
            'filter' => ['sometimes', 'nullable', 'array:text,shows'],
            'filter.text' => ['required_with:filter', 'string', 'max:'.Said::LONGEST],
            'filter.shows' => ['required_with:filter', Rule::enum(Showing::class)],
        ];
    }

    /** @return array{folded: list<string>, outlineFolded: list<string>, chosen: string|null, scope: string|null, outlineScope: string|null, showing: bool, filter: array{text: string, shows: string, kept: list<string>}|null} */
    public function look(): array
    {
        /** @var array{folded: list<string>, outlineFolded: list<string>, chosen: string|null, scope: string|null, outlineScope: string|null} $look */
        $look = array_map($this->json(...), ['folded' => 'folded', 'outlineFolded' => 'outlineFolded', 'chosen' => 'chosen', 'scope' => 'scope', 'outlineScope' => 'outlineScope']);

        /** @var array{text: string, shows: string}|null $filter */
        $filter = $this->json('filter');

        return ['showing' => $this->json('showing') === true, 'filter' => $filter === null || trim($filter['text']) === '' ? null : ['text' => $filter['text'], 'shows' => $filter['shows'], 'kept' => []]] + $look;
    }
}
