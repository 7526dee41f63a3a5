<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * What became of a reminder: whether a letter told of it, and whether it was put away. One whose date moves is another.
 *
 * @property int $id
 * @property string $map_id
 * @property string $topic_id
 * @property string $by  the day on which the to-do was due, as YYYY-MM-DD
 * @property CarbonImmutable|null $sent_at
 * @property CarbonImmutable|null $away_at
 */
final class ReminderRecord extends Model
{
    public $timestamps = false;

    protected $table = 'reminders';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['sent_at' => 'immutable_datetime', 'away_at' => 'immutable_datetime'];
}
