<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Offers;
use ChalkTree\Ask\Piece;
use ChalkTree\Ask\Reading;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Filter\Filter;
use ChalkTree\Filter\Narrowed;
use ChalkTree\Filter\Showing;
use Illuminate\Contracts\Cache\Repository;

/** Answers whoever says which topics of a map are meant: how it was understood, how it could go on, and what it hits. */
final readonly class Filters
{
    private const SECONDS = 3600;

    public function __construct(private MapStore $store, private Snapshots $snapshots, private MapStates $states, private Repository $cache)
    {
    }

    /**
     * @param  string|null  $filter  one that is kept in the map, in place of words
     * @return array<string, mixed> "FilterAnswer" in the wire schema
     *
     * @throws InvalidEdit where there is no such filter
     */
    public function ask(MapRecord $record, Person $person, string $text, ?string $filter, ?string $scope): array
    {
        $now = new Moment($this->store->load($record), $person->today());
        $shows = null;
        if ($filter !== null) {
            $kept = $now->map->row(Filter::type(), $filter);
            $condition = $kept instanceof Filter ? $kept->condition() : null;
            if (! $kept instanceof Filter || $condition === null) {
                throw new InvalidEdit('This filter is no longer there, or asks for what this version does not know.', 'filter');
            }
            $text = $condition->words($now);
            $shows = ($kept->text('shows') === '' ? Showing::Above : Showing::from($kept->text('shows')))->value;
        }
        $problem = null;
        try {
            $heard = Reading::of($text, $now);
        } catch (InvalidEdit $refusal) {
            $heard = null;
            $problem = $refusal->getMessage();
        }

        return [
            'text' => $text,
            'shows' => $shows,
            'when' => $heard?->asked === null ? null : json_encode($heard->asked, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
            'pieces' => array_map(fn (Piece $piece): array => $piece->toArray(), $heard->pieces ?? []),
            'offers' => Offers::to($this->offers($record, $now), $text, $heard),
            'hits' => Narrowed::to($now, $heard?->condition, scope: $scope)->hits,
            'problem' => $problem,
        ];
    }

    /**
     * Which of a few topics are meant. Only these are read, from where the map lies nearest; the map may be changed
     * meanwhile, and then this is true of one of its states.
     *
     * @param  list<string>  $topics
     * @return array{words: string, topics: list<string>} "HitsAnswer" in the wire schema
     */
    public function among(MapRecord $record, Person $person, string $text, array $topics): array
    {
        try {
            return self::hit(new Moment($this->snapshots->load($record) ?? $this->store->load($record), $person->today()), $text, $topics);
        } catch (PartLost) {
            return self::hit(new Moment($this->store->load($record), $person->today()), $text, $topics);
        }
    }

    /**
     * @param  list<string>  $topics
     * @return array{words: string, topics: list<string>}
     */
    private static function hit(Moment $now, string $text, array $topics): array
    {
        try {
            $condition = Reading::of($text, $now)->condition;
        } catch (InvalidEdit) {
            $condition = null;
        }

        return ['words' => $condition?->words($now) ?? '', 'topics' => array_values(array_filter($topics, fn (string $id): bool => $condition !== null && $now->map->has($id) && $condition->holds($now, $id)))];
    }

    /** @return list<list<string>> */
    private function offers(MapRecord $record, Moment $now): array
    {
        $state = $this->states->of($record);
        $kept = $this->cache->get("offers {$record->id}");
        if (is_array($kept) && ($kept['state'] ?? null) === $state && is_array($kept['all'] ?? null)) {
            /** @var list<list<string>> */
            return $kept['all'];
        }
        $all = Offers::all($now);
        $this->cache->put("offers {$record->id}", ['state' => $state, 'all' => $all], self::SECONDS);

        return $all;
    }
}
