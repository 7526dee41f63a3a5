<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * An idea that was sent by a code and waits for somebody's look.
 *
 * @property string $id
 * @property string $box_id
 * @property string $text
 * @property int $made
 * @property-read IdeaBox $box
 */
final class Idea extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['made' => 'integer'];

    /** @return BelongsTo<IdeaBox, $this> */
    public function box(): BelongsTo
    {
        return $this->belongsTo(IdeaBox::class, 'box_id');
    }
}
