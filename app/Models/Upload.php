<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A file on its way, which comes in pieces.
 *
 * @property string $id  chosen by whoever sends it
 * @property int $person_id
 * @property string $name
 * @property int $bytes  of the whole
 * @property int $received  bytes, from the beginning
 * @property string|null $hash  once it was taken in
 * @property int $touched  seconds since 1970
 */
final class Upload extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['person_id' => 'integer', 'bytes' => 'integer', 'received' => 'integer', 'touched' => 'integer'];
}
