<?php

declare(strict_types=1);

namespace App\Models;

use App\Sharing\Access;
use Carbon\CarbonImmutable;
use ChalkTree\Text\TypeFace;
use Illuminate\Auth\Notifications\ResetPassword;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User;
use Illuminate\Notifications\Notifiable;

/**
 * Someone with a library.
 *
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property string|null $starter  the one chosen last
 * @property array<string, list<string>>|null $keys  those changed, by action
 * @property TypeFace|null $face  in which this person sees every map
 * @property string|null $zone  the time zone in which they live
 * @property array{board: string, size: string, motion: string, names?: string}|null $calm  what they chose for their eyes
 * @property string|null $two_factor  the secret of their authenticator
 * @property int|null $two_factor_since  when its codes began to be asked for
 * @property int|null $two_factor_step  of the latest code that was used
 * @property list<string>|null $recovery  hashes of the codes that are left for when it is lost
 * @property string|null $openid  whom an identity provider means
 * @property string|null $pupil_of  the class whose pupil they are, who have no address and no library
 */
final class Person extends User
{
    use Notifiable;

    protected $table = 'people';

    /** @var array<string, mixed> */
    protected $attributes = ['starter' => null, 'keys' => null, 'face' => null, 'calm' => null, 'zone' => null, 'pupil_of' => null, 'two_factor' => null, 'two_factor_since' => null, 'two_factor_step' => null, 'recovery' => null, 'openid' => null];

    protected $fillable = ['name', 'email', 'password', 'starter'];

    protected $hidden = ['password', 'remember_token', 'two_factor', 'recovery'];

    /** @var array<string, string> */
    protected $casts = ['password' => 'hashed', 'keys' => 'array', 'face' => TypeFace::class, 'calm' => 'array', 'two_factor' => 'encrypted', 'two_factor_since' => 'integer', 'two_factor_step' => 'integer', 'recovery' => 'array'];

    /** The day where this person is, as YYYY-MM-DD. */
    public function today(): string
    {
        return CarbonImmutable::now($this->zone ?? 'UTC')->format('Y-m-d');
    }

    /** @return HasMany<MapRecord, $this> */
    public function maps(): HasMany
    {
        return $this->hasMany(MapRecord::class);
    }

    /** One map in which this person works and that is not in the trash; held until the transaction ends, if wanted. */
    public function map(string $id, bool $held = false): ?MapRecord
    {
        if ($held) {
            MapRecord::query()->whereKey($id)->lockForUpdate()->value('id');
        }
        $map = MapRecord::query()->find($id);

        return $map !== null && $this->can('work', $map) ? $map : null;
    }

    /** @return Collection<int, MapRecord> all maps of their own that are not in the trash, the latest changed first */
    public function openMaps(): Collection
    {
        return MapRecord::query()->where('person_id', $this->id)->where('trashed_at', null)->get()->sortByDesc('updated_at')->values();
    }

    /** @return Collection<int, MapRecord> the same with those of others in which they work */
    public function workableMaps(): Collection
    {
        return MapRecord::query()->where(app(Access::class)->workable($this))->where('trashed_at', null)->get()->sortByDesc('updated_at')->values();
    }

    /** @param  string  $token */
    public function sendPasswordResetNotification($token): void
    {
        $this->notify(new ResetPassword($token));
    }
}
