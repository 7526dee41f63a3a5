<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A class of somebody's: its pupils, and what was given out to them.
 *
 * @property string $id
 * @property int $person_id  whose class it is
 * @property string $name
 * @property string|null $code  by which anybody joins it; null while nobody can
 * @property int $made  seconds since 1970
 * @property-read Collection<int, Pupil> $pupils
 * @property-read Collection<int, HandOut> $handOuts
 * @property-read Person $person
 */
final class SchoolClass extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['person_id' => 'integer', 'made' => 'integer'];

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return HasMany<Pupil, $this> */
    public function pupils(): HasMany
    {
        return $this->hasMany(Pupil::class, 'class_id');
    }

    /** @return HasMany<HandOut, $this> */
    public function handOuts(): HasMany
    {
        return $this->hasMany(HandOut::class, 'class_id');
    }
}
