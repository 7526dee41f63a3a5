<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * That a map may show a picture.
 *
 * @property string $map_id
 * @property string $hash  SHA-256 of the file
 * @property string $media
 * @property int $wide
 * @property int $high
 * @property int $bytes
 */
final class PictureRecord extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'pictures';

    protected $primaryKey = 'hash';

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['wide' => 'integer', 'high' => 'integer', 'bytes' => 'integer'];
}
