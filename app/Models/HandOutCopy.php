<?php

declare(strict_types=1);

namespace App\Models;

use App\Classroom\CopyState;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * The copy that one pupil has of a hand-out, or one team: a map of the teacher's in which they work.
 *
 * @property string $id
 * @property string $hand_out_id
 * @property string $map_id
 * @property string $label  the name of the pupil or the team
 * @property CopyState $state
 * @property int|null $handed_in  seconds since 1970
 * @property list<int|null> $marks  points by the lines of the rubric
 * @property string $words  what the teacher says to it
 * @property string|null $shown  "named" or "nameless" while all of the class may look at it
 * @property string|null $link_id  the viewing link by which they do
 * @property-read HandOut $handOut
 * @property-read MapRecord $map
 * @property-read ViewingLink|null $link
 * @property-read Collection<int, Pupil> $pupils
 */
final class HandOutCopy extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['state' => CopyState::class, 'handed_in' => 'integer', 'marks' => 'array'];

    /** @return BelongsTo<HandOut, $this> */
    public function handOut(): BelongsTo
    {
        return $this->belongsTo(HandOut::class, 'hand_out_id');
    }

    /** @return BelongsTo<MapRecord, $this> */
    public function map(): BelongsTo
    {
        return $this->belongsTo(MapRecord::class, 'map_id');
    }

    /** @return BelongsTo<ViewingLink, $this> */
    public function link(): BelongsTo
    {
        return $this->belongsTo(ViewingLink::class, 'link_id');
    }

    /** @return BelongsToMany<Pupil, $this> */
    public function pupils(): BelongsToMany
    {
        return $this->belongsToMany(Pupil::class, 'copy_pupils', 'copy_id', 'pupil_id');
    }
}
