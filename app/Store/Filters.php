<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use App\Models\Person;
use App\Sharing\Sight;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Offers;
use ChalkTree\Ask\Piece;
use ChalkTree\Ask\Reading;
use ChalkTree\Ask\RollUps;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Filter\Filter;
use ChalkTree\Filter\Narrowed;
use ChalkTree\Filter\Showing;
use ChalkTree\Map\TopicMap;
use Closure;
use Illuminate\Contracts\Cache\Repository;

/** Answers whoever says which topics of a map are meant: how it was understood, how it could go on, and what it hits. */
final readonly class Filters
{
    private const SECONDS = 3600;

    public function __construct(private MapStore $store, private Snapshots $snapshots, private MapStates $states, private Repository $cache, private LayoutMemories $memories, private ViewStore $views, private Sight $sight)
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
        if (! $this->sight->isWhole($person, $record)) {
            return $this->asked(new Moment($this->sight->cut($record), $person->today()), null, $text, $filter, $scope);
        }
        $map = $this->store->load($record);
        try {
            return $this->asked($this->moment($record, $person, $map), $record, $text, $filter, $scope);
        } catch (PartLost) {
            return $this->asked(new Moment($map, $person->today()), $record, $text, $filter, $scope);
        }
    }

    /**
     * A map about which is asked letter by letter: what was summed up to draw it is not summed up again, and names that
     * were gathered are kept for as long as it stays as it is.
     */
    private function moment(MapRecord $record, Person $person, TopicMap $map): Moment
    {
        return new Moment(
            $map,
            $person->today(),
            fn (): RollUps => new RollUps($map, $this->memories->of($record, LayoutMemories::whose($person, 'first'), $this->views->board($record, $person))),
            keeper: fn (string $name, Closure $reckon): array => $this->kept($record, $name, $reckon),
        );
    }

    /**
     * @param  MapRecord|null  $record  null where only a part of the map is seen, of which nothing is kept
     * @return array<string, mixed>
     */
    private function asked(Moment $now, ?MapRecord $record, string $text, ?string $filter, ?string $scope): array
    {
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
            'offers' => Offers::to($record === null ? Offers::all($now) : $this->offers($record, $now), $text, $heard),
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
        if (! $this->sight->isWhole($person, $record)) {
            return self::hit(new Moment($this->sight->cut($record), $person->today()), $text, $topics);
        }
        try {
            return self::hit($this->moment($record, $person, $this->snapshots->load($record) ?? $this->store->load($record)), $text, $topics);
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
        return $this->kept($record, 'offers', fn (): array => Offers::all($now));
    }

    /**
     * What is reckoned of a map once for each of its states.
     *
     * @template T of array
     *
     * @param  Closure(): T  $reckon
     * @return T
     */
    private function kept(MapRecord $record, string $name, Closure $reckon): array
    {
        $state = $this->states->of($record);
        $kept = $this->cache->get("{$name} {$record->id}");
        if (is_array($kept) && ($kept['state'] ?? null) === $state && is_array($kept['all'] ?? null)) {
            /** @var T */
            return $kept['all'];
        }
        $all = $reckon();
        $this->cache->put("{$name} {$record->id}", ['state' => $state, 'all' => $all], self::SECONDS);

        return $all;
    }
}
