<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * That a map has a file, or had it at one time.
 *
 * @property string $map_id
 * @property string $hash  SHA-256 of the file
 * @property string $name  as it came
 * @property string $media  as what it is sent; see FileMedia
 * @property int $bytes
 * @property int $came  seconds since 1970
 */
final class FileRecord extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'files';

    protected $primaryKey = 'hash';

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['bytes' => 'integer', 'came' => 'integer'];
}
