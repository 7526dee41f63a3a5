<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Store\ViewStore;
use ChalkTree\Map\Ids;
use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Something asked by one of the two views of an open map. */
class MapRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['pane' => ['sometimes', Rule::in(ViewStore::PANES)]];
    }

    /** The rule for what has to be the id of something in a map. */
    protected static function isId(): Closure
    {
        return function (string $attribute, mixed $value, Closure $fail): void {
            if (! is_string($value) || ! Ids::valid($value)) {
                $fail('This has to be an id.');
            }
        };
    }

    /** Which of the two asks. */
    public function pane(): string
    {
        return (string) $this->string('pane', 'first');
    }
}
