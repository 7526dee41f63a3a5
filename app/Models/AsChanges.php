<?php

declare(strict_types=1);

namespace App\Models;

use ChalkTree\Edit\Changes;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * What an edit changed, kept as JSON.
 *
 * @implements CastsAttributes<Changes, Changes>
 *
 * @phpstan-import-type Kept from \ChalkTree\Edit\Change
 */
final class AsChanges implements CastsAttributes
{
    /** @param  array<string, mixed>  $attributes */
    public function get(Model $model, string $key, mixed $value, array $attributes): Changes
    {
        /** @var list<Kept> $data */
        $data = json_decode(is_string($value) ? $value : '[]', true, 16, JSON_THROW_ON_ERROR);

        return Changes::fromArray($data);
    }

    /** @param  array<string, mixed>  $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return json_encode($value instanceof Changes ? $value->toArray() : [], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }
}
