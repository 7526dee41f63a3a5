<?php

declare(strict_types=1);

namespace Bench;

use ChalkTree\Map\Ids;
use CurlHandle;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\HttpClient;

/**
 * Many people who work for a while, each as a browser does: with a map open, told by a stream what is new in it, looking
 * for news, opening another map now and then, and writing. One process plays all of them.
 */
final class Crowd
{
    /** Seconds between two things that somebody does, on average. */
    public const EVERY = 6.0;

    /** Of a hundred things that people do so many are edits, and so many the opening of a map. */
    public const EDITS = 20;

    public const OPENS = 12;

    /** @var array<string, Figures> milliseconds, by what was done */
    public array $figures = [];

    /** @var array<int, int> how many answers, by status; 0 where nothing came */
    public array $statuses = [];

    public int $heard = 0;

    private readonly Randomizer $random;

    /** @var list<Somebody> */
    private array $people = [];

    private readonly \CurlMultiHandle $multi;

    /** @var array<int, array{Somebody, string, string, float}> who waits for what of which map since when, by handle */
    private array $busy = [];

    public function __construct()
    {
        $this->random = new Randomizer(new Mt19937(7));
        $this->multi = curl_multi_init();
        curl_multi_setopt($this->multi, CURLMOPT_MAX_TOTAL_CONNECTIONS, 0);
    }

    /** @param  list<string>  $maps  which they may edit */
    public function joins(HttpClient $client, array $maps): void
    {
        $this->people[] = new Somebody($client, $maps, $this->part() * self::EVERY);
    }

    /**
     * Lets all of them work.
     *
     * @param  callable(float): void  $every  is called each second with the seconds that have gone by
     */
    public function works(float $seconds, callable $every): void
    {
        $begun = microtime(true);
        $tick = 0;
        foreach ($this->people as $one) {
            $one->next = $this->part() * self::EVERY;
        }
        while (($now = microtime(true)) < $begun + $seconds) {
            if ($now - $begun >= $tick) {
                $tick++;
                $every($now - $begun);
            }
            foreach ($this->people as $one) {
                if ($one->next <= $now - $begun && ! $one->isWaiting) {
                    $this->ask($one, $this->pick($one), $now);
                }
            }
            curl_multi_exec($this->multi, $running);
            curl_multi_select($this->multi, 0.005);
            while (($done = curl_multi_info_read($this->multi)) !== false) {
                $this->answered($done['handle'], microtime(true), $begun);
            }
        }
    }

    /** From 0 to 1. */
    private function part(): float
    {
        return $this->random->getInt(0, 1_000_000) / 1_000_000;
    }

    private function pick(Somebody $one): string
    {
        $of = $this->random->getInt(1, 100);
        if (! isset($one->topics[$one->at()])) {
            return 'open';
        }

        return match (true) {
            $one->edit !== null, $of <= self::EDITS => 'edit',
            $of <= self::EDITS + self::OPENS => 'open',
            default => 'news',
        };
    }

    private function ask(Somebody $one, string $what, float $now): void
    {
        if ($what === 'open') {
            $one->map = $this->random->getInt(0, count($one->maps) - 1);
        }
        $map = $one->at();
        $handle = match ($what) {
            'open' => $one->client->handle('GET', "/api/maps/{$map}?pane=first", '', ['Accept: application/json']),
            'news' => $one->client->handle('GET', "/api/maps/{$map}/edits?pane=first&since=".($one->seq[$map] ?? 0), '', ['Accept: application/json']),
            default => $one->client->handle('POST', "/api/maps/{$map}/edits?pane=first", $one->edit ??= $this->edit($one->seq[$map] ?? 0, $one->topics[$map]), ['Content-Type: application/json', 'Accept: application/json']),
        };
        curl_setopt($handle, CURLOPT_ENCODING, 'gzip');
        $this->busy[spl_object_id($handle)] = [$one, $what, $map, $now];
        $one->isWaiting = true;
        curl_multi_add_handle($this->multi, $handle);
    }

    /** @param  list<string>  $topics */
    private function edit(int $since, array $topics): string
    {
        $topic = $topics[$this->random->getInt(0, count($topics) - 1)];
        $words = implode(' ', array_map(fn (): string => ['lantern', 'harbour', 'boat', 'quay', 'rope', 'tide', 'ferry', 'stall'][$this->random->getInt(0, 7)], range(1, $this->random->getInt(1, 6))));

        return json_encode(['since' => $since, 'edits' => [$this->random->getInt(1, 10) <= 6
            ? ['id' => Ids::next(), 'name' => 'topic.add', 'parent' => $topic, 'topic' => ['id' => Ids::next(), 'title' => $words]]
            : ['id' => Ids::next(), 'name' => 'topic.retitle', 'topic' => $topic, 'title' => $words]]], JSON_THROW_ON_ERROR);
    }

    private function answered(CurlHandle $handle, float $now, float $begun): void
    {
        $id = spl_object_id($handle);
        curl_multi_remove_handle($this->multi, $handle);
        if (! isset($this->busy[$id])) {
            // A stream that ended: their next opening begins another.
            foreach ($this->people as $one) {
                $one->stream = $one->stream === $handle ? null : $one->stream;
            }

            return;
        }
        [$one, $what, $map, $since] = $this->busy[$id];
        unset($this->busy[$id]);
        $one->isWaiting = false;
        $status = (int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE);
        $this->statuses[$status] = ($this->statuses[$status] ?? 0) + 1;
        ($this->figures[$what] ??= new Figures)->add(($now - $since) * 1_000);
        ($this->figures['all'] ??= new Figures)->add(($now - $since) * 1_000);
        // Where it is busy, the same is asked for again in a moment.
        $one->next = $now - $begun + ($status === 200 ? -log(1.0 - 0.999 * $this->part()) * self::EVERY : 1.0);
        if ($status !== 200) {
            return;
        }
        $answer = json_decode((string) curl_multi_getcontent($handle), true, 4096);
        $one->seq[$map] = (int) ($answer['seq'] ?? 0);
        if ($what === 'edit') {
            $one->edit = null;
        }
        if ($what === 'open') {
            $one->topics[$map] = array_slice(array_values(array_column(array_filter($answer['rows'] ?? [], fn (array $row): bool => $row['type'] === 'topic'), 'id')), 0, 300);
            $this->listen($one, $map);
        }
    }

    /** Closes the stream of the map before, and opens that of this one. */
    private function listen(Somebody $one, string $map): void
    {
        if ($one->stream !== null) {
            curl_multi_remove_handle($this->multi, $one->stream);
        }
        $one->stream = $one->client->handle('GET', "/api/maps/{$map}/stream?pane=first", '', ['Accept: text/event-stream']);
        curl_setopt_array($one->stream, [CURLOPT_TIMEOUT => 0, CURLOPT_WRITEFUNCTION => function (CurlHandle $_, string $part): int {
            $this->heard += substr_count($part, '"news"') + substr_count($part, '"asks"');

            return strlen($part);
        }]);
        curl_multi_add_handle($this->multi, $one->stream);
    }

    /** Forgets what was measured so far, as what begins is not what goes on. */
    public function forget(): void
    {
        $this->figures = $this->statuses = [];
        $this->heard = 0;
    }
}
