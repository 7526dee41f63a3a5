<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A letter that stands in for sent mail.
 *
 * @property int $id
 * @property string $recipient
 * @property string $subject
 * @property string $text
 * @property CarbonImmutable $sent_at
 */
final class LetterRecord extends Model
{
    public $timestamps = false;

    protected $table = 'letters';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['sent_at' => 'immutable_datetime'];
}
