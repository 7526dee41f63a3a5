<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\JsonResponse;

/** An answer in JSON with text as it is, not as escapes, which would make scenes and notes much longer. */
final class PlainJson extends JsonResponse
{
    /** @param  array<string, mixed>  $data */
    public function __construct(array $data)
    {
        parent::__construct($data, options: JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
}
