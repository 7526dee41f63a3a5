<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use ChalkTree\Edit\Changes;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * The record of one edit of a map. Its key is map and number together.
 *
 * @property string $map_id
 * @property int $seq
 * @property int $person_id
 * @property string $edit_id
 * @property string $step
 * @property string $kind  "do", "undo", "redo", "none" of one that changed nothing, or "joined" of one that another stands for
 * @property string $state  of those done: "done", "undone", or "dropped"
 * @property string $name
 * @property string $summary
 * @property Changes $changes
 * @property int|null $first_seq  of a record that stands for several: the number of the first of them
 * @property CarbonImmutable $made_at
 * @property Person $person
 */
final class EditRecord extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'edits';

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['seq' => 'integer', 'person_id' => 'integer', 'first_seq' => 'integer', 'changes' => AsChanges::class, 'made_at' => 'immutable_datetime'];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<MapRecord, $this> */
    public function map(): BelongsTo
    {
        return $this->belongsTo(MapRecord::class, 'map_id');
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'person_id');
    }
}
