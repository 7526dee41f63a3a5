<?php

declare(strict_types=1);

namespace App\Models;

use App\HandOver\Wish;
use App\Library\Exports;
use ChalkTree\Arrange\View;
use ChalkTree\HandOver\Choices;
use ChalkTree\Look\BoardTheme;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A file that is made of a map for one person, who waits for it.
 *
 * @property string $id
 * @property int $person_id
 * @property string $map_id
 * @property string|null $topic  whose branch is wanted
 * @property string $to
 * @property string $board
 * @property array<string, scalar|null> $choices
 * @property string $chosen  ids of topics with spaces between
 * @property string $gaps  the same
 * @property string $state  "waiting", "working", "done", "failed", "stopped"
 * @property string $words  what is being done
 * @property int $percent
 * @property string|null $message  why it failed
 * @property int $touched  seconds since 1970
 */
final class HandOver extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'hand_overs';

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['person_id' => 'integer', 'choices' => 'array', 'percent' => 'integer', 'touched' => 'integer'];

    public function isPages(): bool
    {
        return Exports::ending($this->to) === 'pdf';
    }

    /** @param  View  $view  how the board is folded */
    public function wish(View $view): Wish
    {
        $ids = fn (string $joined): array => $joined === '' ? [] : explode(' ', $joined);

        return new Wish($this->to, Choices::fromFields('', $this->choices), $this->topic, $ids($this->chosen), $view, BoardTheme::from($this->board), $ids($this->gaps));
    }

    /** @return BelongsTo<MapRecord, $this> */
    public function map(): BelongsTo
    {
        return $this->belongsTo(MapRecord::class, 'map_id');
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'person_id');
    }
}
