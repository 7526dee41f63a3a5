<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * The row that a feature keeps of a map is kept in; see the core’s FeatureRow. Its key is map, type and id together.
 *
 * @property string $map_id
 * @property string $type
 * @property string $id
 * @property array<string, scalar|null> $fields
 */
final class RowRecord extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'map_rows';

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['fields' => 'array'];

    /** @return BelongsTo<MapRecord, $this> */
    public function map(): BelongsTo
    {
        return $this->belongsTo(MapRecord::class, 'map_id');
    }
}
