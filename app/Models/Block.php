<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * That somebody wants to hear nothing from an address.
 *
 * @property string $id
 * @property int $person_id
 * @property string $email
 */
final class Block extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['person_id' => 'integer'];
}
