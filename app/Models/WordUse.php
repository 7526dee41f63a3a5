<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That a word stands in a topic.
 *
 * @property int $word_id
 * @property string $map_id
 * @property string $topic_id
 */
final class WordUse extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    /** It has a key of three columns, so none is found by one. */
    protected $primaryKey = 'word_id';

    protected $guarded = [];

    /** @return BelongsTo<Word, $this> */
    public function word(): BelongsTo
    {
        return $this->belongsTo(Word::class);
    }

    /** @return BelongsTo<MapRecord, $this> */
    public function map(): BelongsTo
    {
        return $this->belongsTo(MapRecord::class, 'map_id');
    }
}
