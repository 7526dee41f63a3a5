<?php

declare(strict_types=1);

use ChalkTree\Exchange\JsonReader;
use ChalkTree\Exchange\JsonWriter;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\TreeCheck;
use Symfony\Component\Process\Process;
use Tests\Cluster\Cluster;
use Tests\Cluster\Listener;
use Tests\Cluster\Typist;
use Tests\Support\Browser;
use Tests\Support\Chance;
use Tests\Support\HttpClient;
use Tests\Support\RandomMaps;
use Tests\Support\Sends;
use Tests\Support\SoakedBrowser;
use Tests\Support\TestServer;

/* Two application servers, of which one is killed and comes back, while people work. */

/** Everything that a map says, as its owner has it. */
function whole(string $map, string $owner): array
{
    return json_decode(Cluster::artisan('map:export', $map, '--to=json', '--owner='.Cluster::email($owner)), true);
}

/** What an address that is no JSON answers. */
function bytesAt(HttpClient $client, string $path): array
{
    $handle = $client->handle('GET', $path, '', ['Accept: */*']);
    $body = (string) curl_exec($handle);

    return [(int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE), $body];
}

it('loses no accepted edit and signs nobody out while servers are killed and come back', function () {
    $people = array_map(Cluster::person(...), $names = ['Ada', 'Bram', 'Cato', 'Dorte', 'Elin', 'Finn']);
    $typists = $maps = [];
    foreach ([0, 3] as $owner) {
        $maps[$owner] = Cluster::map($people[$owner], "Plan of {$names[$owner]}");
        $root = whole($maps[$owner], $names[$owner])['root'];
        foreach ([0, 1, 2] as $n) {
            $n === 0 || Cluster::artisan('map:share', $maps[$owner], Cluster::email($names[$owner + $n]), '--owner='.Cluster::email($names[$owner]));
            $typists[] = new Typist($people[$owner + $n], $maps[$owner], $root, $names[$owner + $n], 0.15);
        }
    }
    $begun = [];
    Typist::type($typists, 26, [
        4 => fn () => Cluster::run('kill', '1'), 9 => function () use (&$begun): void {
            $begun[] = Cluster::begun('begin', '1');
        },
        15 => fn () => Cluster::run('kill', '2'), 20 => function () use (&$begun): void {
            $begun[] = Cluster::begun('begin', '2');
        },
    ]);
    foreach ($begun as $process) {
        expect($process->wait())->toBe(0);
    }
    $statuses = [];
    foreach ($typists as $n => $one) {
        expect($one->isWaiting())->toBeFalse();
        $statuses += array_fill_keys(array_keys($one->answers), true);
        $there = array_count_values(array_column(whole($maps[$n < 3 ? 0 : 3], $names[$n < 3 ? 0 : 3])['topics'], 'id'));
        expect(array_diff_key($one->accepted, $there))->toBe([])->and(count($one->accepted))->toBeGreaterThan(20)->and($people[$n]->call('GET', '/api/me')['person']['name'])->toBe($names[$n]);
    }
    // Asked again is all that ever happens; nobody is told that they may not.
    expect(array_diff(array_keys($statuses), [200, 503, 0]))->toBe([]);
    foreach ($maps as $owner => $map) {
        $added = array_filter(whole($map, $names[$owner])['topics'], fn (array $topic): bool => ($topic['parent'] ?? null) !== null);
        expect(count($added))->toBe(count(array_merge(...array_map(fn (Typist $one): array => $one->accepted, array_slice($typists, $owner, 3)))));
    }
});

it('brings five who work in one map, and two who only listen, to the same while servers are killed and come back', function (int $seed) {
    $chance = new Chance($seed);
    $names = array_map(fn (string $name): string => $name.$seed, ['Tove', 'Ines', 'Bram', 'Marit', 'Oskar', 'Runa', 'Sven']);
    $people = array_map(Cluster::person(...), $names);
    $file = sys_get_temp_dir().'/together-'.bin2hex(random_bytes(6)).'.json';
    file_put_contents($file, (new JsonWriter)->write(RandomMaps::map($chance, 40, notes: true)));
    $map = trim(Cluster::artisan('map:import', $file, '--owner='.Cluster::email($names[0])));
    unlink($file);
    foreach (array_slice($names, 1) as $n => $name) {
        Cluster::artisan('map:share', $map, Cluster::email($name), '--role='.($n === 5 ? 'view' : 'edit'), '--owner='.Cluster::email($names[0]));
    }
    $browsers = array_map(fn (HttpClient $client): SoakedBrowser => new SoakedBrowser($client, $map, $chance), $people);
    array_walk($browsers, fn (SoakedBrowser $one) => $one->open());
    $listeners = [5 => new Listener($people[5], $map), 6 => new Listener($people[6], $map)];
    $now = fn (): TopicMap => (new JsonReader)->read(Cluster::artisan('map:show', $map, '--owner='.Cluster::email($names[0])), 'x');
    $when = [4 => ['kill', '1'], 8 => ['begin', '1'], 14 => ['kill', '2'], 18 => ['begin', '2']];
    $begun = [];
    for ($from = microtime(true); ($gone = microtime(true) - $from) < 24;) {
        foreach ($when as $second => $does) {
            if ($gone >= $second) {
                unset($when[$second]);
                $begun[] = Cluster::begun(...$does);
            }
        }
        $one = $browsers[$chance->int(0, 4)];
        if (count($one->waiting) < 8) {
            // Against what there is, which by then is more than this one has seen.
            $known = $now();
            $one->edit(array_map(fn (): array => $chance->yes(12) ? ['name' => $chance->pick(['undo', 'redo'])] : RandomMaps::edit($chance, $known), range(1, 6)));
        }
        $one->send(25);
        foreach ($listeners as $n => $listener) {
            array_map($browsers[$n]->hear(...), $listener->messages(0.05));
        }
    }
    array_map(fn (Process $process) => expect($process->wait())->toBe(0), $begun);
    for ($n = 0; $n < 60 && ($n < 2 || array_filter($browsers, fn (SoakedBrowser $one): bool => $one->waiting !== []) !== []); $n++) {
        array_walk($browsers, fn (SoakedBrowser $one) => $one->send(0));
    }
    foreach ($browsers as $n => $one) {
        $fresh = new SoakedBrowser($people[$n], $map, $chance);
        $fresh->open();
        expect($one->waiting)->toBe([])->and($one->contents())->toEqual($fresh->contents());
        foreach ($one->refused as $refusal) {
            expect($refusal['message'])->toEndWith('.')->not->toContain('break the map');
        }
    }
    $made = array_merge(...array_map(fn (SoakedBrowser $one): array => $one->made, $browsers));
    $kept = Cluster::database()->query("select edit_id from edits where map_id = '{$map}'")->fetchAll(PDO::FETCH_COLUMN);
    expect(count($made))->toBeGreaterThan(60)->and(array_diff($made, $kept))->toBe([])->and($kept)->toBe(array_values(array_unique($kept)))->and(TreeCheck::problems($now()))->toBe([])
        ->and(min($browsers[5]->heard, $browsers[6]->heard))->toBeGreaterThan(10)->and(array_sum(array_map(fn (SoakedBrowser $one): int => $one->lost, $browsers)))->toBeGreaterThan(5);
})->with([41, 42]);

it('signs nobody out and loses no work that waits when all that is cached is forgotten', function () {
    $client = Cluster::person('Ottar');
    $map = Cluster::map($client, 'Remembered');
    (new Process(['redis-cli', '-p', Cluster::port('REDIS_CACHE'), 'flushall']))->mustRun();
    writes($client, $map, whole($map, 'Ottar')['root'], 'Still here');
    expect($client->call('GET', '/api/me')['person']['name'])->toBe('Ottar')->and(array_column(whole($map, 'Ottar')['topics'], 'title'))->toContain('Still here')
        ->and((new Process(['redis-cli', '-p', Cluster::port('REDIS_CACHE'), 'config', 'get', 'maxmemory-policy']))->mustRun()->getOutput())->toContain('allkeys-lru')
        ->and((new Process(['redis-cli', '-p', Cluster::port('REDIS'), 'config', 'get', 'maxmemory-policy']))->mustRun()->getOutput())->toContain('noeviction');
});

it('says so where there is no such server, or it runs already', function (array $asked, string $said) {
    expect(fn () => Cluster::run(...$asked))->toThrow(RuntimeException::class, $said)->and(Cluster::person('Asked'.implode($asked))->call('GET', '/api/me')['person'])->not->toBeNull();
})->with([
    'which is killed is not said' => [['kill'], 'Which one?'], 'there are two' => [['kill', '3'], 'Which one?'], 'no number' => [['begin', '../front'], 'Which one?'],
    'it runs' => [['begin', '1'], 'Server 1 runs'], 'no such command' => [['end', '1'], 'There are roll'],
]);

it('answers everything while all servers begin anew, one after the other', function () {
    $client = Cluster::person('Greta');
    $map = Cluster::map($client, 'Rolled');
    $typist = new Typist($client, $map, whole($map, 'Greta')['root'], 'Greta', 0.05);
    $roll = Cluster::begun('roll');
    $reads = [];
    while ($roll->isRunning()) {
        Typist::type([$typist], 0.2);
        $reads[] = bytesAt($client, "/api/maps/{$map}")[0];
    }
    expect($roll->getExitCode())->toBe(0)->and(array_keys($typist->answers))->toBe([200])->and(array_values(array_unique($reads)))->toBe([200])->and(count($typist->accepted))->toBeGreaterThan(30);
});

/**
 * Lets people listen to a map.
 *
 * @param  list<HttpClient>  $clients
 * @return Closure(string): bool  whether all of them hear some words within twelve seconds
 */
function listening(string $map, array $clients): Closure
{
    $multi = curl_multi_init();
    $heard = array_fill(0, count($clients), '');
    foreach ($clients as $n => $client) {
        $handle = $client->handle('GET', "/api/maps/{$map}/stream", '', ['Accept: text/event-stream']);
        curl_setopt_array($handle, [CURLOPT_TIMEOUT => 0, CURLOPT_WRITEFUNCTION => function ($_, string $part) use (&$heard, $n): int {
            $heard[$n] .= $part;

            return strlen($part);
        }]);
        curl_multi_add_handle($multi, $handle);
    }

    return function (string $words) use ($multi, &$heard): bool {
        for ($end = microtime(true) + 12; microtime(true) < $end && array_filter($heard, fn (string $one): bool => ! str_contains($one, $words)) !== [];) {
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.02);
        }

        return array_filter($heard, fn (string $one): bool => ! str_contains($one, $words)) === [];
    };
}

/** Adds a topic below the root of a map, as a browser does: the same again until it is answered. */
function writes(HttpClient $client, string $map, string $root, string $title): void
{
    $edit = ['id' => Ids::next(), 'name' => 'topic.add', 'parent' => $root, 'topic' => ['id' => Ids::next(), 'title' => $title]];
    for ($n = 0; $n < 20 && $client->ask('POST', "/api/maps/{$map}/edits", ['since' => 0, 'edits' => [$edit]])[0] !== 200; $n++) {
        usleep(300_000);
    }
}

/** Waits until a web server answers. */
function answers(string $address): bool
{
    for ($n = 0; $n < 100; $n++) {
        $handle = curl_init("{$address}/-/health");
        curl_setopt_array($handle, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 5]);
        if (curl_exec($handle) === "alive\n") {
            return true;
        }
        usleep(100_000);
    }

    return false;
}

it('tells whoever listens what is new, whichever server was asked, also while one is away', function () {
    [$owner, $other] = [Cluster::person('Hedda'), Cluster::person('Ivo')];
    $map = Cluster::map($owner, 'Heard');
    $root = whole($map, 'Hedda')['root'];
    // Who works in it is told what is new; who only looks too, of what they may see.
    Cluster::artisan('map:share', $map, Cluster::email('Ivo'), '--role=view', '--owner='.Cluster::email('Hedda'));
    $hear = listening($map, [$owner, $other]);
    expect($hear(': hi'))->toBeTrue();
    foreach (['Before', 'Between', 'After'] as $n => $title) {
        if ($n > 0) {
            Cluster::run($n === 1 ? 'kill' : 'begin', '2');
        }
        writes($owner, $map, $root, "{$title} the storm");
        expect($hear("{$title} the storm"))->toBeTrue("“{$title}” to be heard");
    }
});

it('lets several web servers hold the streams of one map together', function () {
    [$port, $publish, $apps] = [TestServer::freePort(), TestServer::freePort(), implode(',', array_map(fn (int $n): string => getenv('CLUSTER_FOLDER')."/app-{$n}/sockets", [1, 2]))];
    $second = new Process(['bash', '-c', '. "$0/settings" && exec bin/serve --part=front --port="$1" --publish="127.0.0.1:$2" --apps="$3" --folder="$0/front-2"', (string) getenv('CLUSTER_FOLDER'), (string) $port, (string) $publish, $apps], dirname(__DIR__, 2), null, null, null);
    $second->disableOutput();
    $second->start();
    try {
        expect(answers("http://127.0.0.1:{$port}"))->toBeTrue();
        $owner = Cluster::person('Olin');
        $map = Cluster::map($owner, 'Heard twice');
        $root = whole($map, 'Olin')['root'];
        // The same person in another browser, who comes by the other web server.
        $other = new HttpClient("http://127.0.0.1:{$port}");
        $other->call('POST', '/api/sign-in', ['email' => Cluster::email('Olin'), 'password' => Cluster::PASSWORD]);
        $hear = listening($map, [$owner, $other]);
        expect($hear(': hi'))->toBeTrue();
        writes($owner, $map, $root, 'By the first');
        expect($hear('By the first'))->toBeTrue();
        writes($other, $map, $root, 'By the second');
        expect($hear('By the second'))->toBeTrue();
    } finally {
        $second->stop(3);
    }
});

it('has files where every server reaches them: sent, made by a worker, in archives', function () {
    $client = Cluster::person('Jette');
    $map = Cluster::map($client, 'Files');
    $root = whole($map, 'Jette')['root'];
    $bytes = Sends::pdf('Tide table');
    $upload = Ids::next();
    $client->call('POST', '/api/uploads', ['id' => $upload, 'name' => 'tides.pdf', 'bytes' => strlen($bytes)]);
    foreach ([0, 400] as $at) {
        curl_exec($client->handle('PUT', "/api/uploads/{$upload}/{$at}", $at === 0 ? substr($bytes, 0, 400) : substr($bytes, 400), ['Content-Type: application/octet-stream']));
    }
    $file = $client->call('POST', "/api/maps/{$map}/files", ['upload' => $upload])['file'];
    $client->call('POST', "/api/maps/{$map}/edits", ['since' => 0, 'edits' => [['id' => Ids::next(), 'name' => 'row.set', 'type' => 'file', 'row' => Ids::next(), 'fields' => ['at' => $root, 'source' => $file, 'name' => 'tides.pdf', 'bytes' => strlen($bytes)]]]]);
    for ($n = 0; $n < 8; $n++) {
        expect(bytesAt($client, "/api/maps/{$map}/files/".substr($file, 5)))->toBe([200, $bytes]);
    }
    $made = $client->call('POST', "/api/maps/{$map}/handovers", ['to' => 'pdf', 'board' => 'day', 'choices' => [], 'topic' => null, 'chosen' => [], 'gaps' => []])['id'];
    for ($n = 0; $n < 300 && $client->call('GET', "/api/handovers/{$made}")['state'] !== 'done'; $n++) {
        usleep(100_000);
    }
    for ($n = 0; $n < 6; $n++) {
        [$status, $pdf] = bytesAt($client, "/api/handovers/{$made}/file");
        expect($status)->toBe(200)->and(substr($pdf, 0, 5))->toBe('%PDF-');
        expect(substr(bytesAt($client, "/api/handovers/{$made}/pages/1")[1], 1, 3))->toBe('PNG');
    }
    [$status, $zip] = bytesAt($client, '/api/me/data');
    expect($status)->toBe(200)->and(substr($zip, 0, 2))->toBe('PK');
});

it('shows a published page by every server, counts it, and shows it by none once it is withdrawn', function () {
    $client = Cluster::person('Klaas');
    $map = Cluster::map($client, 'For the site');
    $page = $client->call('POST', "/api/maps/{$map}/published", ['name' => 'For the site', 'topic' => null, 'choices' => [], 'isFrozen' => false]);
    $path = (string) parse_url((string) $page['address'], PHP_URL_PATH);
    $nobody = new HttpClient(Cluster::address());
    for ($n = 0; $n < 6; $n++) {
        [$status, $html] = bytesAt($nobody, $path);
        expect($status)->toBe(200)->and($html)->toContain('</html>')->not->toContain('New at once');
    }
    expect($client->call('GET', "/api/maps/{$map}/published")['pages'][0]['views'])->toBe(6);
    $root = whole($map, 'Klaas')['root'];
    $client->call('POST', "/api/maps/{$map}/edits", ['since' => 0, 'edits' => [['id' => Ids::next(), 'name' => 'topic.add', 'parent' => $root, 'topic' => ['title' => 'New at once']]]]);
    for ($n = 0; $n < 6; $n++) {
        expect(bytesAt($nobody, $path)[1])->toContain('New at once');
    }
    $client->call('DELETE', "/api/published/{$page['id']}");
    for ($n = 0; $n < 6; $n++) {
        expect(bytesAt($nobody, $path)[0])->toBe(404);
    }
});

it('puts everything back from a backup, the files too', function () {
    $client = Cluster::person('Lene');
    $map = Cluster::map($client, 'Kept');
    $before = whole($map, 'Lene');
    $name = trim(Cluster::artisan('backup:make'));
    $client->call('POST', "/api/maps/{$map}/edits", ['since' => 0, 'edits' => [['id' => Ids::next(), 'name' => 'topic.add', 'parent' => $before['root'], 'topic' => ['title' => 'Later']]]]);
    expect(whole($map, 'Lene'))->not->toBe($before);
    Cluster::artisan('backup:restore', $name, '--force');
    expect(whole($map, 'Lene'))->toBe($before)->and($client->call('GET', '/api/me')['person']['name'])->toBe('Lene');
});

it('tells whether each server can work and what it counts, and tells it nobody else', function () {
    $settings = (string) file_get_contents(getenv('CLUSTER_FOLDER').'/settings');
    preg_match('/PRIVATE=(\d+)/', $settings, $m);
    $private = fn (string $path): string => (string) @file_get_contents("http://127.0.0.1:{$m[1]}{$path}");
    foreach ([1, 2] as $n) {
        expect(json_decode($private("/-/ready/{$n}"), true))->toBe(['isReady' => true, 'database' => null, 'tables' => null, 'cache' => null, 'files' => null, 'queue' => null])
            ->and($private("/-/metrics/{$n}"))->toContain('chalk_requests_total{method="POST",route="api/maps/{map}/edits",status="200"}', 'chalk_request_seconds_bucket{kind="edit",le="+Inf"}', 'chalk_queue_jobs{queue="handing"}')->toEndWith("# EOF\n")
            ->and($private("/-/workers/{$n}"))->toContain('phpfpm_up 1');
    }
    $nobody = new HttpClient(Cluster::address());
    foreach (['/-/ready', '/-/ready/1', '/-/metrics/1', '/-/workers/1', '/-/metrics'] as $path) {
        expect(bytesAt($nobody, $path)[0])->toBe(404);
    }
    expect(bytesAt($nobody, '/-/health'))->toBe([200, "alive\n"]);
});

it('lets two people type on while a server is killed, and neither notices', function () {
    [$wren, $ines] = [new Browser(Cluster::address()), new Browser(Cluster::address())];
    try {
        $client = Cluster::person('Mia');
        $ines->visit('/sign-in')->waitFor('.account');
        $ines->find('input[name=email]')->sendKeys(Cluster::email('Mia'));
        $ines->find('input[type=password]')->sendKeys(Cluster::PASSWORD);
        $ines->press('Sign in')->waitFor('.library');
        $wren->enterDemo();
        $wren->press('New map')->ready();
        $wren->type('Storm')->keys('Enter')->saved();
        $map = basename((string) parse_url($wren->driver->getCurrentURL(), PHP_URL_PATH));
        Cluster::artisan('map:share', $map, Cluster::email('Mia'));
        $ines->visit("/maps/{$map}")->ready();
        $wren->visit("/maps/{$map}")->ready();
        Cluster::run('kill', '1');
        foreach ([[$wren, 'Lamp'], [$ines, 'Rope'], [$wren, 'Mole'], [$ines, 'Quay']] as [$who, $title]) {
            $who->pick('Storm')->keys('Tab')->type($title)->keys('Enter', 'Escape')->saved();
        }
        foreach ([$wren, $ines] as $who) {
            $who->waitUntil(function () use ($who): bool {
                $lines = $who->outline();
                sort($lines);

                return $lines === ['  Lamp', '  Mole', '  Quay', '  Rope', 'Storm'];
            }, 'what both typed', 20);
            expect(array_filter($who->complaints(), fn (string $one): bool => ! str_contains($one, '503')))->toBe([])->and((string) $who->script('return document.body.innerText'))->not->toContain('Sign in again');
        }
        Cluster::run('begin', '1');
    } finally {
        $wren->quit();
        $ines->quit();
    }
});
