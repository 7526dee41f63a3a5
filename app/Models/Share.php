<?php

declare(strict_types=1);

namespace App\Models;

use App\Sharing\Role;
use Illuminate\Database\Eloquent\Model;

/**
 * That somebody may look at a map or a folder of somebody else's, or work in it. Whoever has the address has the share,
 * from the day on which they have an account.
 *
 * @property string $id
 * @property int $owner_id
 * @property string|null $map_id
 * @property string|null $folder_id  either of the two
 * @property string $email  in small letters
 * @property Role $role
 * @property int $made  seconds since 1970
 */
final class Share extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['owner_id' => 'integer', 'role' => Role::class, 'made' => 'integer'];
}
