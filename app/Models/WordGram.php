<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Three letters that stand one after the other in a word, by which a misspelt one is found.
 *
 * @property string $gram
 * @property int $word_id
 */
final class WordGram extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    /** It has a key of two columns, so none is found by one. */
    protected $primaryKey = 'gram';

    protected $keyType = 'string';

    protected $guarded = [];

    /** @return BelongsTo<Word, $this> */
    public function word(): BelongsTo
    {
        return $this->belongsTo(Word::class);
    }
}
