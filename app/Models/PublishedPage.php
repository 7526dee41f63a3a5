<?php

declare(strict_types=1);

namespace App\Models;

use ChalkTree\HandOver\Choices;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A map, or a branch of it, at a lasting address that needs no account.
 *
 * @property string $id
 * @property string $map_id
 * @property string $address  the end of it, which cannot be guessed
 * @property string|null $topic  whose branch it is
 * @property string $name
 * @property array<string, scalar|null> $choices
 * @property string|null $frozen  the map as it left when it was made or renewed, as JSON; null where the page follows the map
 * @property int $views
 * @property int $made  seconds since 1970
 * @property int $renewed  seconds since 1970
 * @property-read MapRecord|null $map
 * @property int $version  counts what changed about the page itself
 */
final class PublishedPage extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['choices' => 'array', 'views' => 'integer', 'made' => 'integer', 'renewed' => 'integer', 'version' => 'integer'];

    public function chosen(): Choices
    {
        return Choices::fromFields('', $this->choices);
    }

    /** Under which of our addresses it stands; a viewing link shows its map in the same way at one of its own. */
    public string $way = 'p';

    /** Whether the files of topics are told of. */
    public bool $hasFiles = true;

    /** Where it stands on this server. */
    public function path(string $below = ''): string
    {
        return "/{$this->way}/{$this->address}{$below}";
    }

    /** Its whole address. */
    public function url(string $below = ''): string
    {
        return rtrim((string) config('app.url'), '/').$this->path($below);
    }

    /** @return BelongsTo<MapRecord, $this> */
    public function map(): BelongsTo
    {
        return $this->belongsTo(MapRecord::class, 'map_id');
    }
}
