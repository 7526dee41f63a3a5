<?php

declare(strict_types=1);

namespace Tests\Cluster;

use ChalkTree\Map\Ids;
use CurlHandle;
use Tests\Support\HttpClient;

/** Somebody who adds topics one after the other as a browser does: one request at a time, the same again until it is answered. */
final class Typist
{
    /** @var array<string, true> topics of which the server has said that they are kept */
    public array $accepted = [];

    /** @var array<int, int> how often each status came, 0 where nothing did */
    public array $answers = [];

    /** @var array{id: string, topic: string}|null what is on its way */
    private ?array $edit = null;

    private float $next = 0.0;

    public function __construct(private readonly HttpClient $client, private readonly string $map, private readonly string $root, private readonly string $name, private readonly float $every)
    {
    }

    /** What is to be sent now; null where they look at the map, or wait. */
    public function sends(float $now): ?CurlHandle
    {
        if ($now < $this->next) {
            return null;
        }
        $this->edit ??= ['id' => Ids::next(), 'topic' => Ids::next()];

        return $this->client->handle('POST', "/api/maps/{$this->map}/edits", json_encode(['since' => 0, 'edits' => [
            ['id' => $this->edit['id'], 'name' => 'topic.add', 'parent' => $this->root, 'topic' => ['id' => $this->edit['topic'], 'title' => "{$this->name} ".count($this->accepted)]],
        ]], JSON_THROW_ON_ERROR), ['Content-Type: application/json']);
    }

    public function takes(int $status, string $body, float $now): void
    {
        $this->answers[$status] = ($this->answers[$status] ?? 0) + 1;
        $this->next = $now + ($status === 200 ? $this->every : 0.3);
        foreach ($status === 200 ? (json_decode($body, true, 4096)['edits'] ?? []) : [] as $outcome) {
            if ($this->edit !== null && ($outcome['id'] ?? '') === $this->edit['id'] && ! isset($outcome['refusal'])) {
                $this->accepted[$this->edit['topic']] = true;
                $this->edit = null;
            }
        }
    }

    public function isWaiting(): bool
    {
        return $this->edit !== null;
    }

    /**
     * Lets all of them type for a while.
     *
     * @param  list<self>  $all
     * @param  array<int, callable(): void>  $when  what happens meanwhile, by the second
     */
    public static function type(array $all, float $seconds, array $when = []): void
    {
        $multi = curl_multi_init();
        $begun = microtime(true);
        /** @var array<int, array{int, CurlHandle}> $busy */
        $busy = [];
        while (true) {
            $now = microtime(true) - $begun;
            foreach ($when as $second => $does) {
                if ($now >= $second) {
                    unset($when[$second]);
                    $does();
                }
            }
            foreach ($all as $n => $one) {
                $isOver = $now > $seconds && ! $one->isWaiting();
                if (! isset($busy[$n]) && ! $isOver && ($handle = $one->sends(microtime(true))) !== null) {
                    $busy[$n] = [$n, $handle];
                    curl_multi_add_handle($multi, $handle);
                }
            }
            if (($busy === [] && $now > $seconds && array_filter($all, fn (self $one): bool => $one->isWaiting()) === []) || $now > $seconds + 60) {
                return;
            }
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.02);
            while (($done = curl_multi_info_read($multi)) !== false) {
                foreach ($busy as $n => [, $handle]) {
                    if ($handle === $done['handle']) {
                        $all[$n]->takes((int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE), (string) curl_multi_getcontent($handle), microtime(true));
                        curl_multi_remove_handle($multi, $handle);
                        unset($busy[$n]);
                    }
                }
            }
        }
    }
}
