<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What there is to be found in a map, as of an edit of it.
 *
 * @property string $map_id
 * @property int $seq
 * @property int $bytes  of the traces
 * @property string $traces  as ChalkTree\Ask\Traces gives them
 */
final class MapTraces extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'map_traces';

    protected $primaryKey = 'map_id';

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['seq' => 'integer', 'bytes' => 'integer'];
}
