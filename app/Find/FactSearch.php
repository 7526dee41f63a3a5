<?php

declare(strict_types=1);

namespace App\Find;

use App\Models\FactRecord;
use App\Models\Person;
use App\Sharing\Access;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** Asks for topics across a person's maps by what features say of them. */
final readonly class FactSearch
{
    public function __construct(private Indexer $indexer, private Access $access)
    {
    }

    /**
     * The topics of which a field says this, in maps that are not in the trash; in the order of what it says.
     *
     * @param  string  $field  as "task.due"
     * @param  string|null  $text  exactly
     * @param  int|string|null  $from  the least number, or the first day as YYYY-MM-DD
     * @param  int|string|null  $to  the greatest number, or the last day
     * @return Collection<int, FactRecord>
     */
    public function find(Person $person, string $field, ?string $text = null, int|string|null $from = null, int|string|null $to = null, int $most = 500): Collection
    {
        $this->indexer->catchUp($person);
        $column = is_string($from ?? $to) ? 'date' : 'number';

        /** @var Collection<int, FactRecord> $found limit() is the base query's, which knows no models */
        $found = FactRecord::query()
            ->where('field', $field)
            ->whereHas('map', fn (Builder $map) => $map->where($this->access->workable($person))->whereNull('trashed_at'))
            ->when($text !== null, fn (Builder $facts) => $facts->where('text', $text))
            ->when($from !== null, fn (Builder $facts) => $facts->where($column, '>=', $from))
            ->when($to !== null, fn (Builder $facts) => $facts->where($column, '<=', $to))
            ->oldest('date')->oldest('number')->oldest('text')->oldest('id')
            ->limit($most)
            ->get();

        return $found;
    }
}
