<?php

declare(strict_types=1);

namespace Tests\Support;

use ChalkTree\Map\Ids;
use CurlHandle;

/** Hostile requests against a real server, four at a time, with an edit of somebody else's every now and then between them. */
final class Siege
{
    private const AT_ONCE = 4;

    private readonly TestServer $server;

    private readonly HttpClient $tove;

    public function __construct(private readonly int $seed)
    {
        $this->server = new TestServer(['CHALK_LIMITS' => '0']);
        $this->tove = new HttpClient($this->server->address);
    }

    /** @return array{sent: int, routes: int, seconds: float, statuses: array<int, int>, slowest: float, slowestAt: string, edits: list<float>, median: float, worst: float, wrong: list<string>} */
    public function run(int $each): array
    {
        try {
            return $this->besiege($each);
        } finally {
            $this->server->stop();
        }
    }

    private function besiege(int $each): array
    {
        $began = microtime(true);
        // The edits that must go on are those of a person whom nobody attacks.
        $this->tove->register('Tove', 'tove@saltmere.example');
        $own = $this->tove->call('POST', '/api/maps', ['title' => 'Quiet'])['id'];
        $root = $this->tove->call('GET', "/api/maps/{$own}")['rows'][0]['fields']['root'];

        $wren = new HttpClient($this->server->address);
        $wren->enter();
        $map = $wren->call('POST', '/api/maps', ['starter' => 'week-ahead'])['id'];
        $rows = $wren->call('GET', "/api/maps/{$map}")['rows'];
        $folder = $wren->call('POST', '/api/folders', ['name' => 'x'])['id'];
        $ids = ['map' => $map, 'folder' => $folder, 'seq' => '0', 'starter' => 'week-ahead', 'topic' => $rows[3]['id'], 'root' => $rows[0]['fields']['root']];
        $routes = $this->routes();
        $report = ['sent' => 0, 'routes' => count($routes), 'statuses' => [], 'slowest' => 0.0, 'slowestAt' => '', 'edits' => [], 'wrong' => []];
        foreach ([[$wren, 0], [new HttpClient($this->server->address), 1]] as [$client, $n]) {
            // Signing out would end the siege from within, and what is removed can be asked no more.
            $reachable = array_values(array_filter($routes, fn (string $route): bool => preg_match($n === 0 ? '~sign-out|sign-in|demo|register|password~' : '~sign-out|demo~', $route) !== 1));
            usort($reachable, fn (string $a, string $b): int => str_starts_with($a, 'DELETE') <=> str_starts_with($b, 'DELETE'));
            foreach (array_chunk(iterator_to_array((new Hostile($this->seed + $n, $ids))->requests($reachable, $each), false), 200) as $some) {
                $this->send($client, $some, $report);
                $begin = microtime(true);
                $answer = $this->tove->call('POST', "/api/maps/{$own}/edits", ['since' => 0, 'edits' => [['id' => Ids::next(), 'name' => 'topic.retitle', 'topic' => $root, 'title' => (string) $begin]]]);
                $report['edits'][] = (microtime(true) - $begin) * 1000;
                if (($answer['edits'][0]['status'] ?? '') !== 'done') {
                    $report['wrong'][] = 'An edit of somebody else was answered '.json_encode($answer);
                }
            }
        }
        sort($report['edits']);

        return $report + ['seconds' => microtime(true) - $began, 'median' => $report['edits'][intdiv(count($report['edits']), 2)], 'worst' => (float) end($report['edits'])];
    }

    /** @return list<string> */
    private function routes(): array
    {
        $routes = json_decode($this->server->artisan('route:list', '--json', '--path=api'), true);

        return array_values(array_map(fn (array $route): string => strtok($route['method'], '|').' '.$route['uri'], $routes));
    }

    /**
     * @param  list<array{method: string, path: string, body: string, headers: list<string>}>  $requests
     * @param  array<string, mixed>  $report
     */
    private function send(HttpClient $client, array $requests, array &$report): void
    {
        $many = curl_multi_init();
        $open = [];
        $next = 0;
        do {
            while (count($open) < self::AT_ONCE && $next < count($requests)) {
                $handle = $client->handle($requests[$next]['method'], $requests[$next]['path'], $requests[$next]['body'], $requests[$next]['headers']);
                curl_multi_add_handle($many, $handle);
                $open[spl_object_id($handle)] = [$handle, $requests[$next]];
                $next++;
            }
            curl_multi_exec($many, $running);
            curl_multi_select($many, 0.05);
            while (($done = curl_multi_info_read($many)) !== false) {
                [$handle, $request] = $open[spl_object_id($done['handle'])];
                unset($open[spl_object_id($handle)]);
                $this->note($handle, $request, $report);
                curl_multi_remove_handle($many, $handle);
            }
        } while ($open !== [] || $next < count($requests));
    }

    /**
     * @param  array{method: string, path: string, body: string}  $request
     * @param  array<string, mixed>  $report
     */
    private function note(CurlHandle $handle, array $request, array &$report): void
    {
        $status = (int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE);
        $time = (float) curl_getinfo($handle, CURLINFO_TOTAL_TIME);
        $what = "{$request['method']} ".mb_strimwidth($request['path'], 0, 90, '…').' with '.mb_strimwidth(mb_scrub($request['body']), 0, 160, '…');
        $report['sent']++;
        $report['statuses'][$status] = ($report['statuses'][$status] ?? 0) + 1;
        if ($time > $report['slowest']) {
            [$report['slowest'], $report['slowestAt']] = [$time, $what];
        }
        $isOurs = is_string(json_decode((string) curl_multi_getcontent($handle), true)['code'] ?? null);
        $isRefusedByNginx = in_array($status, [400, 413, 414], true);
        if ($status === 0 || ($status >= 500 && $status !== 503) || ($status >= 400 && ! $isOurs && ! $isRefusedByNginx)) {
            $report['wrong'][] = "{$status} for {$what}: ".mb_strimwidth(mb_scrub((string) curl_multi_getcontent($handle)), 0, 200, '…');
        }
    }
}
