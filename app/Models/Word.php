<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A word that stands somewhere in somebody's maps.
 *
 * @property int $id
 * @property string $word  in small letters, without accents
 */
final class Word extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return HasMany<WordUse, $this> */
    public function uses(): HasMany
    {
        return $this->hasMany(WordUse::class);
    }

    /** @return HasMany<WordGram, $this> */
    public function grams(): HasMany
    {
        return $this->hasMany(WordGram::class);
    }
}
