<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What somebody says to others about a topic, or an answer to it. It is no part of the map and leaves it nowhere.
 *
 * @property string $id
 * @property string $map_id
 * @property string $topic_id
 * @property string|null $parent  the comment that it answers
 * @property int $person_id
 * @property string $text
 * @property int $made  seconds since 1970
 * @property int|null $changed
 * @property int|null $resolved  when it was settled, with its answers
 * @property Person $person
 * @property MapRecord $map
 */
final class Comment extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['person_id' => 'integer', 'made' => 'integer', 'changed' => 'integer', 'resolved' => 'integer'];

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'person_id');
    }

    /** @return BelongsTo<MapRecord, $this> */
    public function map(): BelongsTo
    {
        return $this->belongsTo(MapRecord::class, 'map_id');
    }
}
