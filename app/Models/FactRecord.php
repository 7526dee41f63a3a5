<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a feature says of a topic, so that it can be asked for across maps; see the core's Fact.
 *
 * @property int $id
 * @property string $map_id
 * @property string $topic_id
 * @property string $field
 * @property string|null $text
 * @property int|null $number
 * @property string|null $date  as YYYY-MM-DD
 */
final class FactRecord extends Model
{
    public $timestamps = false;

    protected $table = 'facts';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['number' => 'integer'];

    /** @return BelongsTo<MapRecord, $this> */
    public function map(): BelongsTo
    {
        return $this->belongsTo(MapRecord::class, 'map_id');
    }
}
