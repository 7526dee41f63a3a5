<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * The secret address at which other calendars read what of a map has a date. Whoever knows it may read, so it is kept
 * sealed, and found by its hash.
 *
 * @property string $map_id
 * @property string $hash  SHA-256 of the address
 * @property string $address  the end of it, which cannot be guessed
 * @property-read MapRecord|null $map
 */
final class CalendarAddress extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $primaryKey = 'map_id';

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['address' => 'encrypted'];

    /** @return BelongsTo<MapRecord, $this> */
    public function map(): BelongsTo
    {
        return $this->belongsTo(MapRecord::class, 'map_id');
    }
}
