<?php

declare(strict_types=1);

namespace App\Live;

use App\Models\LiveChannel;
use App\Models\MapRecord;
use App\Sharing\ReaderAnswers;
use ChalkTree\HandOver\NothingLeaves;
use Illuminate\Contracts\Cache\Repository;

/**
 * What is new to those who only look at a map: what may leave it now, laid beside what might the last time. What is
 * private never comes near it, whatever was changed.
 *
 * @phpstan-type Whole array{seq: int, rows: list<array<string, mixed>>, scene: array<string, mixed>, numbers: array<string, string>}
 */
final readonly class ReaderNews
{
    private const SECONDS = 3600;

    public function __construct(private ReaderAnswers $answers, private Repository $cache)
    {
    }

    /** Remembers what is seen as somebody begins to listen. */
    public function begin(LiveChannel $channel, MapRecord $record): void
    {
        try {
            $this->keep($channel, $this->answers->whole($record, $channel->look, $channel->view()));
        } catch (NothingLeaves) {
            $this->cache->forget(self::key($channel));
        }
    }

    /**
     * @return array<string, mixed>|null "MapNews" in the wire schema; null where they have to ask for all of it
     */
    public function of(LiveChannel $channel, MapRecord $record): ?array
    {
        $kept = $this->cache->get(self::key($channel));
        try {
            $whole = $this->answers->whole($record, $channel->look, $channel->view());
        } catch (NothingLeaves) {
            $this->cache->forget(self::key($channel));

            return null;
        }
        $this->keep($channel, $whole);
        $before = is_string($kept) ? self::read($kept) : null;
        $now = self::read($whole);

        return $before === null || $before['seq'] !== $channel->seq ? null : self::difference($before, $now);
    }

    /**
     * @param  Whole  $before
     * @param  Whole  $now
     * @return array<string, mixed>|null
     */
    private static function difference(array $before, array $now): ?array
    {
        [$then, $scene] = [$before['scene'], $now['scene']];
        foreach (['arrangement', 'levels', 'chalks'] as $whole) {
            if ($then[$whole] !== $scene[$whole]) {
                return null;
            }
        }
        $key = fn (array $row): string => $row['type'].' '.$row['id'];
        $rows = self::changed($before['rows'], $now['rows'], $key);
        $gone = array_diff_key(self::by($before['rows'], $key), self::by($now['rows'], $key));
        $id = fn (array $one): string => (string) $one['id'];
        $named = fn (array $look): string => (string) $look['name'];

        return [
            'since' => $before['seq'],
            'seq' => $now['seq'],
            // A row is told as a whole, so that fields that are said no more go.
            'rows' => [...array_map(fn (array $row): array => $row + ($row['type'] === 'map' ? [] : ['whole' => true]), $rows), ...array_map(fn (array $row): array => ['type' => $row['type'], 'id' => $row['id'], 'fields' => null], array_values($gone))],
            'scene' => [
                'reset' => false, 'arrangement' => $scene['arrangement'],
                'slips' => self::changed($then['slips'], $scene['slips'], $id), 'gone' => array_keys(array_diff_key(self::by($then['slips'], $id), self::by($scene['slips'], $id))),
                'marks' => self::changed($then['marks'], $scene['marks'], $id), 'goneMarks' => array_keys(array_diff_key(self::by($then['marks'], $id), self::by($scene['marks'], $id))),
                'looks' => self::changed($then['looks'], $scene['looks'], $named), 'levels' => [], 'chalks' => [],
            ],
            'numbers' => $before['numbers'] === $now['numbers'] ? null : (object) $now['numbers'],
        ];
    }

    /**
     * @param  list<array<string, mixed>>  $before
     * @param  list<array<string, mixed>>  $now
     * @param  callable(array<string, mixed>): string  $key
     * @return list<array<string, mixed>> those that are new, or otherwise than before
     */
    private static function changed(array $before, array $now, callable $key): array
    {
        $known = self::by($before, $key);

        return array_values(array_filter($now, fn (array $one): bool => ($known[$key($one)] ?? null) !== $one));
    }

    /**
     * @param  list<array<string, mixed>>  $all
     * @param  callable(array<string, mixed>): string  $key
     * @return array<string, array<string, mixed>>
     */
    private static function by(array $all, callable $key): array
    {
        return array_combine(array_map($key, $all), $all);
    }

    /** @return Whole */
    private static function read(string $whole): array
    {
        /** @var Whole */
        return json_decode($whole, true, 4096, JSON_THROW_ON_ERROR);
    }

    private function keep(LiveChannel $channel, string $whole): void
    {
        $this->cache->put(self::key($channel), $whole, self::SECONDS);
    }

    private static function key(LiveChannel $channel): string
    {
        return "read live {$channel->name}";
    }
}
