<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * That somebody had a shared map open on a day.
 *
 * @property string $map_id
 * @property int $person_id
 * @property string $day  as YYYY-MM-DD, where that person was
 * @property int $last  seconds since 1970
 * @property int $seq  the latest edit that they saw then
 */
final class Visit extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['person_id' => 'integer', 'last' => 'integer', 'seq' => 'integer'];
}
