<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\JsonResponse;

/**
 * An answer in JSON with text as it is, not as escapes, which would make scenes and notes much longer; and as deep as
 * a branch can be, each level of which takes two of JSON.
 */
final class PlainJson extends JsonResponse
{
    /** Levels of JSON, coming and going. */
    public const DEEPEST = 4096;

    /** @param  array<string, mixed>  $data */
    public function __construct(array $data)
    {
        parent::__construct(json_encode($data, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR, self::DEEPEST), json: true);
    }
}
