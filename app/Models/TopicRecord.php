<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * The row that a topic is kept in; see the core's Topic. Maps are read and written whole, through the base query:
 * ten thousand models would take longer than the layout.
 *
 * @property string $map_id
 * @property string $id
 * @property string|null $parent
 * @property string $rank
 * @property string $title
 * @property string $caption
 * @property string $note
 * @property string|null $side
 * @property bool $side_held
 * @property string|null $removed
 * @property int|null $x
 * @property int|null $y
 * @property string|null $column
 * @property string|null $parked
 * @property int $changed
 */
final class TopicRecord extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'topics';

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['side_held' => 'boolean', 'x' => 'integer', 'y' => 'integer', 'changed' => 'integer'];

    /** @return BelongsTo<MapRecord, $this> */
    public function map(): BelongsTo
    {
        return $this->belongsTo(MapRecord::class);
    }
}
