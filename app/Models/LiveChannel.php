<?php

declare(strict_types=1);

namespace App\Models;

use App\Live\ChannelKind;
use App\Store\ViewStore;
use ChalkTree\Arrange\View;
use ChalkTree\Text\TypeFace;
use Illuminate\Database\Eloquent\Model;

/**
 * Where all who see a map in one view, with the same rights, hear what is new in it.
 *
 * @phpstan-import-type Look from ViewStore
 *
 * @property string $name  as the web server knows it; whoever knows it could listen, so nobody is told
 * @property string $map_id
 * @property ChannelKind $kind
 * @property Look $look
 * @property string|null $face
 * @property string $today
 * @property int $seq  the latest edit that was told
 * @property string $access  who might open the map when somebody began to listen, in a few letters
 * @property int $opened  seconds since 1970, when somebody began to listen last
 */
final class LiveChannel extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $primaryKey = 'name';

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['kind' => ChannelKind::class, 'look' => 'array', 'seq' => 'integer', 'opened' => 'integer'];

    public function view(): View
    {
        return View::folding($this->look['folded'], $this->look['scope'], $this->face === null ? null : TypeFace::from($this->face), $this->look['showing'], $this->today);
    }
}
