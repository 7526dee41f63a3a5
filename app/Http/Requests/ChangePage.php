<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Another name for a page, whether it follows its map, what it shows brought up to date, another address. */
final class ChangePage extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['string', 'max:'.PublishMap::LONGEST_NAME, 'regex:/^\P{C}+$/uD'],
            'isFrozen' => ['boolean:strict'],
            'renew' => ['boolean:strict'],
            'move' => ['boolean:strict'],
        ];
    }

    public function name(): ?string
    {
        $name = trim((string) $this->string('name'));

        return $name === '' ? null : $name;
    }

    public function isFrozen(): ?bool
    {
        return $this->has('isFrozen') ? $this->boolean('isFrozen') : null;
    }
}
