<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Somebody in a class, who has no address: they come in by a word of their own.
 *
 * @property string $id
 * @property string $class_id
 * @property int $person_id  as whom they are signed in
 * @property string $name
 * @property string|null $team
 * @property string $word  the way back in
 * @property string $hash  SHA-256 of it
 * @property int|null $came  when they came in first
 * @property-read SchoolClass $schoolClass
 * @property-read Person $person
 */
final class Pupil extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['person_id' => 'integer', 'word' => 'encrypted', 'came' => 'integer'];

    /** @return BelongsTo<SchoolClass, $this> */
    public function schoolClass(): BelongsTo
    {
        return $this->belongsTo(SchoolClass::class, 'class_id');
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
