<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * The row that stands for a map in the library; what is in the map is loaded by Store\MapStore.
 *
 * @property string $id
 * @property int $person_id
 * @property string|null $title
 * @property string $root
 * @property string $arrangement
 * @property int $seq the number of the latest edit
 * @property string|null $folder
 * @property bool $favourite
 * @property bool $starter  whether new maps can begin from it
 * @property int $cleared  how often its trash was cleared
 * @property int|null $indexed_seq  the number of the latest edit that the index of words knows
 * @property int $talk  how often anything was said in it by comments
 * @property string|null $offered_to  the address of whom it is to be, if they take it
 * @property string|null $hand_out  the hand-out that it belongs to: then it stands with its class, not in the library
 * @property string|null $copied_from  the map that it is a copy of
 * @property int|null $copied_seq  the number of that map's latest edit by then
 * @property CarbonImmutable|null $trashed_at
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable $updated_at
 * @property-read Person $person  whose it is
 */
final class MapRecord extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'maps';

    protected $keyType = 'string';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @var array<string, string> */
    protected $casts = [
        'person_id' => 'integer',
        'seq' => 'integer',
        'cleared' => 'integer',
        'talk' => 'integer',
        'copied_seq' => 'integer',
        'favourite' => 'boolean',
        'starter' => 'boolean',
        'indexed_seq' => 'integer',
        'trashed_at' => 'immutable_datetime',
        'created_at' => 'immutable_datetime',
        'updated_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return HasMany<TopicRecord, $this> all of them, also those in the trash of the map */
    public function topics(): HasMany
    {
        return $this->hasMany(TopicRecord::class, 'map_id');
    }
}
