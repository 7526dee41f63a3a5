<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Where ideas that are sent by a code come into a map: below a topic, at once or after a look.
 *
 * @property string $id
 * @property string $map_id
 * @property string $topic_id
 * @property string $question
 * @property string $code
 * @property bool $is_looked  whether somebody looks at each before it is shown
 * @property bool $is_open
 * @property int $made
 * @property-read MapRecord $map
 * @property-read Collection<int, Idea> $ideas  those that wait
 */
final class IdeaBox extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['is_looked' => 'boolean', 'is_open' => 'boolean', 'made' => 'integer'];

    /** @return BelongsTo<MapRecord, $this> */
    public function map(): BelongsTo
    {
        return $this->belongsTo(MapRecord::class, 'map_id');
    }

    /** @return HasMany<Idea, $this> */
    public function ideas(): HasMany
    {
        return $this->hasMany(Idea::class, 'box_id');
    }
}
