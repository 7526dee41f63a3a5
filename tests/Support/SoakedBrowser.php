<?php

declare(strict_types=1);

namespace Tests\Support;

use ChalkTree\Map\Ids;

/**
 * A browser without a screen: holds a map's rows and slips as the real one does, merges answers, and sends edits until
 * one answer names them. Answers can be lost on the way, before or after the server has acted.
 */
final class SoakedBrowser
{
    /** @var array<string, array<string, mixed>> by type and id */
    public array $rows = [];

    /** @var array<string, list<string>> the topics that a row is about */
    private array $about = [];

    /** @var array<string, array<string, mixed>> */
    public array $slips = [];

    /** @var list<array<string, mixed>> */
    public array $waiting = [];

    /** @var list<array<string, mixed>> what was refused */
    public array $refused = [];

    /** @var list<string> the ids of edits that an answer named as made */
    public array $made = [];

    /** Of the latest answer, 0 where none came. */
    public int $status = 0;

    public int $lost = 0;

    /** How often what a stream told could be taken as it was. */
    public int $heard = 0;

    public int $seq = 0;

    public function __construct(private readonly Client $client, private readonly string $map, private readonly Chance $chance)
    {
    }

    public function open(): void
    {
        $answer = $this->client->call('GET', "/api/maps/{$this->map}");
        $this->rows = $this->slips = [];
        $this->take($answer);
    }

    /** @param  list<array<string, mixed>>  $edits */
    public function edit(array $edits): void
    {
        foreach ($edits as $edit) {
            $this->waiting[] = $edit + ['id' => Ids::next()];
        }
    }

    /** Sends what waits; the answer may be lost, and then it is sent again another time. */
    public function send(int $lossPercent): void
    {
        $batch = array_slice($this->waiting, 0, 20);
        [$status, $answer] = $batch === []
            ? $this->client->ask('GET', "/api/maps/{$this->map}/edits?since={$this->seq}")
            : $this->client->ask('POST', "/api/maps/{$this->map}/edits", ['since' => $this->seq, 'edits' => $batch]);
        $this->status = $status;
        if ($status !== 200 || ! is_array($answer) || $this->chance->yes($lossPercent)) {
            $this->lost++;

            return;
        }
        $named = array_column($answer['edits'], null, 'id');
        foreach ($answer['edits'] as $outcome) {
            if ($outcome['status'] === 'refused') {
                $this->refused[] = $outcome['refusal'];
            } else {
                $this->made[] = (string) $outcome['id'];
            }
        }
        $this->waiting = array_values(array_filter($this->waiting, fn (array $edit): bool => ! isset($named[$edit['id']])));
        $this->take($answer);
    }

    /**
     * Takes what a stream tells where it goes on from what is known, and asks for it where it does not.
     *
     * @param  array<string, mixed>  $message  "LiveMessage" in the wire schema
     */
    public function hear(array $message): void
    {
        $news = $message['news'] ?? null;
        if (is_array($news) && $news['since'] === $this->seq) {
            $this->take($news);
            $this->heard++;
        } elseif (($news['seq'] ?? $message['asks'] ?? 0) > $this->seq) {
            $this->send(0);
        }
    }

    /** @param  array<string, mixed>  $answer */
    private function take(array $answer): void
    {
        $isWhole = $answer['scene']['reset'] && array_filter($answer['rows'], fn (array $row): bool => $row['type'] === 'map' && isset($row['fields']['root'])) !== [];
        $this->rows = $isWhole ? [] : $this->rows;
        foreach ($answer['rows'] as $row) {
            $key = "{$row['type']} {$row['id']}";
            if ($row['fields'] === null) {
                unset($this->rows[$key]);
            } else {
                $this->rows[$key] = $row['fields'] + (($row['whole'] ?? false) ? [] : ($this->rows[$key] ?? []));
                $this->about[$key] = $row['topics'] ?? [];
            }
        }
        // What features keep of topics goes with these.
        $this->rows = array_filter($this->rows, fn (string $key): bool => array_filter($this->about[$key], fn (string $id): bool => ! isset($this->rows["topic {$id}"])) === [], ARRAY_FILTER_USE_KEY);
        $this->slips = $answer['scene']['reset'] ? [] : $this->slips;
        foreach ($answer['scene']['gone'] as $id) {
            unset($this->slips[$id]);
        }
        foreach ($answer['scene']['slips'] as $slip) {
            $this->slips[$slip['id']] = $slip;
        }
        $this->seq = $answer['seq'];
    }

    /** @return array{array<string, mixed>, array<string, mixed>} rows and slips in a form that compares: fields that say nothing left out */
    public function contents(): array
    {
        $rows = array_map(function (array $fields): array {
            $fields = array_filter($fields, fn (mixed $value, string $name): bool => ! array_key_exists($name, \ChalkTree\Map\Topic::BLANK) || $value !== \ChalkTree\Map\Topic::BLANK[$name], ARRAY_FILTER_USE_BOTH);
            ksort($fields);

            return $fields;
        }, $this->rows);
        $slips = $this->slips;
        ksort($rows);
        ksort($slips);

        return [$rows, $slips];
    }
}
