<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A folder of maps in someone's library; it may stand in another.
 *
 * @property string $id
 * @property int $person_id
 * @property string|null $parent
 * @property string $name
 */
final class Folder extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['person_id' => 'integer'];
}
