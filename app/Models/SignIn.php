<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * That somebody is signed in somewhere. Their session names it; where it is gone, the session is over.
 *
 * @property string $id
 * @property int $person_id
 * @property string $agent  what the browser says of itself
 * @property string $ip  from where it was used last
 * @property int $began  seconds since 1970
 * @property int $last
 */
final class SignIn extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['person_id' => 'integer', 'began' => 'integer', 'last' => 'integer'];
}
