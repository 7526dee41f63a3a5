<?php

declare(strict_types=1);

namespace App\Store;

use App\Find\MeantSearch;
use App\Library\Shelf;
use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\Ask\Column;
use ChalkTree\Ask\Columns;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Said;
use ChalkTree\Digest\Digest;
use ChalkTree\Digest\DigestGroup;
use ChalkTree\Digest\DigestLine;
use ChalkTree\Digest\DigestText;
use ChalkTree\Digest\Gathering;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/** Tells what digests gather, in the map in which they stand or in all maps of a person, and as a list that is copied or sent. */
final readonly class Digests
{
    /** Seconds after which no other map is opened. */
    private const LONGEST = 1.5;

    /** The same for all digests of a map that is handed over. */
    private const LONGEST_OF_ALL = 6.0;

    public function __construct(private MapStore $store, private MeantSearch $meant)
    {
    }

    /**
     * @return array{words: string, frozen: string|null, count: int, groups: list<array{title: string, lines: list<array{map: string, topic: string, title: string, trail: list<string>, told: list<string>, progress: int|null}>}>, maps: object, columns: list<array{key: string, words: string}>} "DigestAnswer" in the wire schema
     *
     * @throws InvalidEdit where the topic is no digest
     */
    public function of(MapRecord $record, Person $person, string $topic): array
    {
        $now = new Moment($this->store->load($record), $person->today());
        $digest = self::at($now->map, $topic);
        [$groups, $count, $maps] = $this->gathered($now, $digest, $record, $person);

        return [
            'words' => $digest->condition()?->words($now) ?? '',
            'frozen' => $digest->text('frozen') === '' ? null : $digest->text('frozen'),
            'count' => $count,
            'groups' => array_map(fn (DigestGroup $group): array => $group->toArray(), $groups),
            'maps' => (object) $maps,
            'columns' => array_values(array_map(fn (Column $column): array => ['key' => $column->key, 'words' => $column->words], array_filter(Columns::of($now), fn (Column $column): bool => $column->isOfLists))),
        ];
    }

    /**
     * A digest as it may leave: without what is private.
     *
     * @throws InvalidEdit where the topic is no digest
     * @throws NothingLeaves where it is private itself, or all of the map
     */
    public function text(MapRecord $record, Person $person, string $topic, bool $withTrail): DigestText
    {
        $all = $this->store->load($record);
        self::at($all, $topic);
        $now = new Moment(Outgoing::of($all), $person->today());
        $digest = $now->map->has($topic) ? self::at($now->map, $topic) : throw new NothingLeaves;

        return new DigestText(InlineMarkdown::oneLine($now->map->topic($topic)->title), $this->gathered($now, $digest, $record, $person)[0], $withTrail);
    }

    /**
     * A map that leaves, in which what digests gather of all maps of a person stands in them as lines. Whoever hands the
     * map over knows of the other maps; the map itself does not.
     */
    public function settled(TopicMap $leaving, MapRecord $record, Person $person): TopicMap
    {
        $now = new Moment($leaving, $person->today());
        $settled = $leaving;
        $end = microtime(true) + self::LONGEST_OF_ALL;
        foreach ($leaving->hasRowsOf(Digest::class) ? $leaving->rowsOf(Digest::class) : [] as $digest) {
            if ($digest->from() === 'maps' && $digest->text('frozen') === '' && $leaving->isLiving($digest) && microtime(true) < $end) {
                [$groups, , $maps] = $this->gathered($now, $digest, $record, $person);
                $lines = fn (DigestGroup $group): array => array_map(fn (DigestLine $line): DigestLine => $line->map === '' ? $line : new DigestLine($line->map, $line->topic, $line->title, [$maps[$line->map] ?? '', ...$line->trail], $line->told, $line->progress), $group->lines);
                $settled = $settled === $leaving ? clone $leaving : $settled;
                $settled->put($digest->with(['frozen' => $now->today, 'lines' => DigestGroup::write(array_map(fn (DigestGroup $group): DigestGroup => new DigestGroup($group->title, $lines($group)), $groups))]));
            }
        }

        return $settled;
    }

    /**
     * The lines, how many topics there are, and the titles of the other maps from which some are.
     *
     * @return array{list<DigestGroup>, int, array<string, string>}
     */
    private function gathered(Moment $now, Digest $digest, MapRecord $record, Person $person): array
    {
        $maps = [];
        if ($digest->text('frozen') !== '') {
            $groups = DigestGroup::read($digest->text('lines')) ?? [];
            $lines = array_merge([], ...array_map(fn (DigestGroup $group): array => $group->lines, $groups));

            return [$groups, count(array_unique(array_map(fn (DigestLine $line): string => "{$line->map} {$line->topic}", $lines))), []];
        }
        $gathering = Gathering::in($now, $digest);
        $words = $digest->from() === 'maps' ? (string) $digest->condition()?->words($now) : '';
        // Of words that are cut off something else would be meant.
        foreach ($words === '' || mb_strlen($words) > Said::LONGEST ? [] : $this->meant->in($person, $words, self::LONGEST) as $other => [$its, $condition]) {
            if ($other->id === $record->id) {
                continue;
            }
            try {
                // A digest is seen by whoever sees the map in which it stands, so nothing private of another map comes into it.
                $before = $gathering->count();
                $gathering->add(new Moment(Outgoing::of($its->map), $its->today), $condition, as: $other->id);
                $maps += $gathering->count() > $before ? [$other->id => Shelf::title($other->title, $its->map->root()->title)] : [];
            } catch (NothingLeaves) {
                continue;
            }
        }

        return [$gathering->groups(), $gathering->count(), $maps];
    }

    /** @throws InvalidEdit */
    private static function at(TopicMap $map, string $topic): Digest
    {
        $map->topic($topic);
        $digest = $map->row(Digest::type(), $topic);

        return $digest instanceof Digest ? $digest : throw new InvalidEdit('This topic is no digest, or no longer.', 'topic');
    }
}
