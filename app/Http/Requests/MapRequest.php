<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Store\ViewStore;
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

    /** Which of the two asks. */
    public function pane(): string
    {
        return (string) $this->string('pane', 'first');
    }
}
