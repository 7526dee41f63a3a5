<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * What somebody calls a map as it was after an edit.
 *
 * @property string $map_id
 * @property int $seq  the number of that edit; 0 for how the map began
 * @property string $name
 * @property Carbon $named_at
 */
final class NamedVersion extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @var array<string, string> */
    protected $casts = ['seq' => 'integer', 'named_at' => 'datetime'];
}
