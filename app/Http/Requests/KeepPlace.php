<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Map\Bounds;

/** Which part of the board is in view: its middle, and the scale. */
final class KeepPlace extends MapRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $far = Bounds::FARTHEST;

        return [
            ...parent::rules(),
            'x' => ['required', 'numeric', "between:-{$far},{$far}"],
            'y' => ['required', 'numeric', "between:-{$far},{$far}"],
            'scale' => ['required', 'numeric', 'between:0.01,10'],
        ];
    }
}
