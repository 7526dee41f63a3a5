<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Auth\Notifications\ResetPassword;
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
 */
final class Person extends User
{
    use Notifiable;

    protected $table = 'people';

    protected $fillable = ['name', 'email', 'password'];

    protected $hidden = ['password', 'remember_token'];

    /** @var array<string, string> */
    protected $casts = ['password' => 'hashed'];

    /** @return HasMany<MapRecord, $this> */
    public function maps(): HasMany
    {
        return $this->hasMany(MapRecord::class);
    }

    /** @param  string  $token */
    public function sendPasswordResetNotification($token): void
    {
        $this->notify(new ResetPassword($token));
    }
}
