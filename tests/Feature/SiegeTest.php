<?php

declare(strict_types=1);

use ChalkTree\Exchange\JsonReader;
use ChalkTree\Exchange\JsonWriter;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TreeCheck;
use Tests\Support\Chance;
use Tests\Support\HttpClient;
use Tests\Support\RandomMaps;
use Tests\Support\Siege;
use Tests\Support\SoakedBrowser;
use Tests\Support\TestServer;

it('takes hostile requests to every route with a sentence, while others go on editing', function () {
    $report = (new Siege(7))->run(12);

    expect($report['wrong'])->toBe([])
        ->and($report['sent'])->toBeGreaterThan(800)
        ->and($report['routes'])->toBeGreaterThan(38)
        ->and(array_keys($report['statuses']))->toContain(200, 400, 401, 404, 413, 422);
});

it('brings two sessions of one person to the same map through random edits and lost answers', function () {
    // CHALK_SOAK=120 for two minutes.
    $seconds = (int) (getenv('CHALK_SOAK') ?: 8);
    $server = new TestServer(['CHALK_LIMITS' => '0']);
    try {
        $chance = new Chance(11);
        $one = new HttpClient($server->address);
        $two = new HttpClient($server->address);
        $one->enter();
        $two->enter();
        $file = (string) tempnam(sys_get_temp_dir(), 'soak');
        file_put_contents($file, (new JsonWriter)->write(RandomMaps::map($chance, 60)));
        $map = trim($server->artisan('map:import', $file, '--format=json'));
        unlink($file);
        $browsers = [new SoakedBrowser($one, $map, $chance), new SoakedBrowser($two, $map, $chance)];
        array_walk($browsers, fn (SoakedBrowser $browser) => $browser->open());
        $sent = 0;
        for ($end = microtime(true) + $seconds; microtime(true) < $end;) {
            $browser = $chance->pick($browsers);
            if (count($browser->waiting) < 8) {
                // Made against what this session has seen, which may be older than what is there.
                $known = (new JsonReader)->read($server->artisan('map:show', $map), 'x');
                $edits = array_map(fn (): array => $chance->yes(15) ? ['name' => $chance->pick(['undo', 'redo'])] : RandomMaps::edit($chance, $known), range(1, 12));
                $sent += count($edits);
                $browser->edit($edits);
            }
            for ($n = $chance->int(1, 4); $n > 0; $n--) {
                $browser->send(25);
            }
        }
        for ($i = 0; $i < 100 && ($browsers[0]->waiting !== [] || $browsers[1]->waiting !== [] || $i < 3); $i++) {
            array_walk($browsers, fn (SoakedBrowser $browser) => $browser->send(0));
        }
        $fresh = new SoakedBrowser($one, $map, $chance);
        $fresh->open();

        expect($browsers[0]->contents()[0])->toEqual($fresh->contents()[0])
            ->and($browsers[1]->contents()[0])->toEqual($fresh->contents()[0])
            ->and($browsers[0]->contents()[1])->toEqual($fresh->contents()[1])
            ->and($browsers[1]->contents()[1])->toEqual($fresh->contents()[1])
            ->and($browsers[0]->lost + $browsers[1]->lost)->toBeGreaterThan(0)
            ->and($sent)->toBeGreaterThan(20);
        foreach ([...$browsers[0]->refused, ...$browsers[1]->refused] as $refusal) {
            expect($refusal['message'])->toEndWith('.')->not->toContain('break the map')->and($refusal['code'])->toMatch('/^[a-z_]+$/');
        }
        expect(TreeCheck::problems((new JsonReader)->read($server->artisan('map:show', $map), 'x')))->toBe([]);
    } finally {
        $server->stop();
    }
});

it('survives the end of any of its workers, and of the one that is writing', function () {
    $server = new TestServer(['CHALK_LIMITS' => '0']);
    try {
        $wren = new HttpClient($server->address);
        $wren->enter();
        $map = $wren->call('POST', '/api/maps', ['title' => 'Under fire'])['id'];
        $root = $wren->call('GET', "/api/maps/{$map}")['rows'][0]['fields']['root'];
        $confirmed = [];
        $id = null;
        for ($round = 0; $round < 24; $round++) {
            $id ??= Ids::next();
            $title = "Edit {$round}";
            $body = ['since' => 0, 'edits' => array_map(fn (int $n): array => ['id' => $n === 0 ? $id : Ids::next(), 'name' => 'topic.add', 'parent' => $root, 'topic' => ['id' => $topic = Ids::next(), 'title' => $title]], range(0, 0))];
            $handle = $wren->handle('POST', "/api/maps/{$map}/edits", (string) json_encode($body), ['Content-Type: application/json']);
            $many = curl_multi_init();
            curl_multi_add_handle($many, $handle);
            $until = microtime(true) + $round * 0.0012;
            do {
                curl_multi_exec($many, $running);
            } while ($running > 0 && microtime(true) < $until);
            // From the beginning of the request on, later each time, so that some of them hit it while it writes.
            $victims = $server->processes($round % 4 === 3 ? 'nginx: worker' : 'php-fpm: pool work');
            array_map(fn (int $pid): bool => posix_kill($pid, 9), $victims);
            do {
                curl_multi_exec($many, $running);
                curl_multi_select($many, 0.05);
            } while ($running > 0);
            $answer = json_decode((string) curl_multi_getcontent($handle), true);
            $isConfirmed = curl_getinfo($handle, CURLINFO_RESPONSE_CODE) === 200 && ($answer['edits'][0]['status'] ?? '') === 'done';
            curl_multi_remove_handle($many, $handle);
            // Sent again until it is heard of, as the browser does; it must not be made twice.
            for ($try = 0; ! $isConfirmed && $try < 400; $try++) {
                usleep(50_000);
                [$status, $answer] = $wren->ask('POST', "/api/maps/{$map}/edits", $body);
                $isConfirmed = $status === 200 && in_array($answer['edits'][0]['status'] ?? '', ['done', 'repeated'], true);
            }
            expect($isConfirmed)->toBeTrue("round {$round}: ".($status ?? 0).' '.json_encode($answer));
            $confirmed[] = $title;
            $id = null;
        }
        $kept = json_decode($server->artisan('map:show', $map), true);
        $titles = array_values(array_filter(array_column($kept['topics'], 'title'), fn (string $title): bool => str_starts_with($title, 'Edit')));
        expect($titles)->toBe($confirmed)
            ->and(TreeCheck::problems((new JsonReader)->read((string) json_encode($kept), 'x')))->toBe([])
            ->and((new PDO("sqlite:{$server->database()}"))->query('pragma integrity_check')->fetchColumn())->toBe('ok');
    } finally {
        $server->stop();
    }
});

it('answers a stranger at little cost, whatever is sent', function () {
    $server = new TestServer(['CHALK_LIMITS' => '0', 'CHALK_MEASURE' => '1']);
    try {
        $peak = function (string $method, string $path, string $body, array $headers) use ($server): array {
            $memory = 0;
            $handle = (new HttpClient($server->address))->handle($method, $path, $body, $headers);
            curl_setopt($handle, CURLOPT_HEADERFUNCTION, function ($_, string $line) use (&$memory): int {
                if (preg_match('/^X-Peak-Memory: (\d+)/i', $line, $m) === 1) {
                    $memory = (int) $m[1];
                }

                return strlen($line);
            });
            curl_exec($handle);

            return [curl_getinfo($handle, CURLINFO_RESPONSE_CODE), $memory];
        };
        [, $usual] = $peak('GET', '/api/me', '', []);
        $json = ['Content-Type: application/json'];
        $bomb = (string) gzencode('{"email":"'.str_repeat('a', 30_000_000).'"}');
        foreach ([
            ['POST', '/api/sign-in', $bomb, [...$json, 'Content-Encoding: gzip'], [400, 413]],
            ['POST', '/api/maps', $bomb, [...$json, 'Content-Encoding: gzip'], [401]],
            ['POST', '/api/maps/import?name=x.md', str_repeat('# x'."\n", 3_000_000), ['Content-Type: text/plain'], [401]],
            ['POST', '/api/maps/01m83fb3naxzstcfd12bs9h8pw/edits', '{"since":0,"edits":['.str_repeat('[],', 3_000_000).'1]}', $json, [401]],
            ['PUT', '/api/maps/01m83fb3naxzstcfd12bs9h8pw/view', str_repeat('a[]=1&', 2_000_000), ['Content-Type: application/x-www-form-urlencoded'], [401]],
            ['POST', '/api/register', str_repeat('[', 16_000), $json, [400]],
        ] as [$method, $path, $body, $headers, $statuses]) {
            [$status, $memory] = $peak($method, $path, $body, $headers);
            expect($status)->toBeIn($statuses, "{$method} {$path}")
                ->and($memory - $usual)->toBeLessThan(10 * 1024 * 1024, "{$method} {$path}");
        }
    } finally {
        $server->stop();
    }
});

it('tells nobody what runs it', function () {
    $server = new TestServer;
    try {
        $handle = (new HttpClient($server->address))->handle('GET', '/api/me', '', []);
        curl_setopt($handle, CURLOPT_HEADER, true);
        expect(strtolower((string) curl_exec($handle)))->not->toContain('x-powered-by')->not->toContain('nginx/')->not->toContain('php/');
    } finally {
        $server->stop();
    }
});
