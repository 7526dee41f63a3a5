<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * How many words somebody has brought into a map on a day, less those taken away.
 *
 * @property string $map_id
 * @property int $person_id
 * @property string $day  as YYYY-MM-DD, where that person was
 * @property int $words
 */
final class WritingDay extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['words' => 'integer'];
}
