<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * How a person looks at a map, in one of its two views. Its key is map, person and pane together.
 *
 * @property string $map_id
 * @property int $person_id
 * @property string $pane
 * @property list<string> $folded
 * @property list<string> $outline_folded
 * @property string|null $chosen
 * @property string|null $scope
 * @property string|null $outline_scope
 * @property string|null $place
 * @property bool $showing
 * @property array{text: string, shows: string, kept: list<string>}|null $filter
 */
final class ViewRecord extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'views';

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['person_id' => 'integer', 'folded' => 'array', 'outline_folded' => 'array', 'showing' => 'boolean', 'filter' => 'array'];

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
