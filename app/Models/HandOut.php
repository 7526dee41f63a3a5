<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A map that was given out to a class.
 *
 * @property string $id
 * @property string $class_id
 * @property string $given_id  the map as it was given, which nobody changes
 * @property string|null $map_id  the map that it was made of
 * @property string|null $model_id  the map of the teacher's own against which copies are held
 * @property string $title
 * @property string $question  what stands above it
 * @property string|null $due  YYYY-MM-DD
 * @property bool $by_team  whether each team has one copy, else each pupil
 * @property list<array{name: string, points: int}> $rubric
 * @property int $made
 * @property-read SchoolClass $schoolClass
 * @property-read MapRecord $given
 * @property-read Collection<int, HandOutCopy> $copies
 */
final class HandOut extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['by_team' => 'boolean', 'rubric' => 'array', 'made' => 'integer'];

    /** @return BelongsTo<SchoolClass, $this> */
    public function schoolClass(): BelongsTo
    {
        return $this->belongsTo(SchoolClass::class, 'class_id');
    }

    /** @return BelongsTo<MapRecord, $this> */
    public function given(): BelongsTo
    {
        return $this->belongsTo(MapRecord::class, 'given_id');
    }

    /** @return HasMany<HandOutCopy, $this> */
    public function copies(): HasMany
    {
        return $this->hasMany(HandOutCopy::class, 'hand_out_id');
    }
}
