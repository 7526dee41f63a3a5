<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A way into a map, or a branch of it, for whoever has its address, without an account.
 *
 * @property string $id
 * @property string $map_id
 * @property string $hash  SHA-256 of the address
 * @property string $address  the end of it, which cannot be guessed
 * @property string|null $topic  whose branch it shows
 * @property int|null $until  seconds since 1970; null where it holds until it is withdrawn
 * @property string|null $password  its hash
 * @property bool $notes  whether notes are shown
 * @property bool $files  whether the files of topics can be had
 * @property bool $copying  whether the topics can be had as a file
 * @property int $views
 * @property int|null $last  when it was used last
 * @property int $made
 * @property-read MapRecord|null $map
 */
final class ViewingLink extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    protected $hidden = ['password'];

    /** @var array<string, string> */
    protected $casts = ['address' => 'encrypted', 'until' => 'integer', 'notes' => 'boolean', 'files' => 'boolean', 'copying' => 'boolean', 'views' => 'integer', 'last' => 'integer', 'made' => 'integer'];

    public function url(): string
    {
        return rtrim((string) config('app.url'), '/')."/v/{$this->address}";
    }

    /** @return BelongsTo<MapRecord, $this> */
    public function map(): BelongsTo
    {
        return $this->belongsTo(MapRecord::class, 'map_id');
    }
}
