<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That somebody is told of a comment: it names them, or answers where they spoke.
 *
 * @property int $id
 * @property int $person_id
 * @property string $comment_id
 * @property bool $seen  in the application
 * @property bool $sent  by letter
 * @property Comment $comment
 */
final class Notice extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['person_id' => 'integer', 'seen' => 'boolean', 'sent' => 'boolean'];

    /** @return BelongsTo<Comment, $this> */
    public function comment(): BelongsTo
    {
        return $this->belongsTo(Comment::class, 'comment_id');
    }
}
