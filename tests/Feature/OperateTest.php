<?php

declare(strict_types=1);

use App\Operate\Backups;
use App\Operate\Readiness;
use App\Publishing\PageFiles;
use App\Sharing\Visits;
use Illuminate\Console\Scheduling\Event;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Tests\Support\HttpClient;
use Tests\Support\TestServer;

/* What whoever looks after servers is told, and nobody else. */

/** What a server answers by its private address. */
function privately(TestServer $server, string $path): array
{
    $handle = curl_init("http://private{$path}");
    curl_setopt_array($handle, [CURLOPT_RETURNTRANSFER => true, CURLOPT_UNIX_SOCKET_PATH => $server->folder().'/server/live.sock', CURLOPT_TIMEOUT => 10]);
    $body = (string) curl_exec($handle);

    return [(int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE), $body];
}

it('tells by its private address alone whether it can work and what it counts, and that it lives to all', function () {
    $server = new TestServer(['LOG_CHANNEL' => 'json', 'CHALK_LOG_REQUESTS' => '1', 'LOG_TO' => $log = sys_get_temp_dir().'/log-'.bin2hex(random_bytes(5))], demo: false);
    try {
        $client = new HttpClient($server->address);
        $client->register('Wren', 'wren@saltmere.example');
        $map = $client->call('POST', '/api/maps', ['title' => 'Counted'])['id'];
        $client->call('GET', "/api/maps/{$map}");
        foreach (['/-/ready', '/-/metrics', '/-/metrics/heavy', '/-/workers'] as $path) {
            expect($client->ask('GET', $path)[0])->toBe(404);
            // Whoever says so of themselves is not believed.
            $handle = $client->handle('GET', $path, '', ['CHALK_PRIVATE: 1', 'CHALK-PRIVATE: 1']);
            curl_exec($handle);
            expect(curl_getinfo($handle, CURLINFO_RESPONSE_CODE))->toBe(404);
        }
        // Made-up methods and addresses fill nothing.
        foreach (['LAMP', 'MOLE-AND-ROPE'] as $method) {
            curl_exec($client->handle($method, '/api/nothing/'.bin2hex(random_bytes(8)), '', []));
        }
        expect(privately($server, '/-/metrics')[1])->not->toContain('LAMP')->not->toContain('api/nothing')->toContain('method="other",route="none"');
        expect(privately($server, '/-/health'))->toBe([200, "alive\n"])->and($client->ask('GET', '/-/health')[0])->toBe(200);
        [$status, $ready] = privately($server, '/-/ready');
        expect($status)->toBe(200)->and(json_decode($ready, true))->toBe(['isReady' => true, 'database' => null, 'tables' => null, 'cache' => null, 'files' => null, 'queue' => null]);
        [$status, $metrics] = privately($server, '/-/metrics');
        expect($status)->toBe(200)->and($metrics)->toContain('chalk_requests_total{method="POST",route="api/maps",status="201"} 1', 'chalk_requests_total{method="GET",route="api/maps/{map}",status="200"} 1', 'chalk_request_seconds_bucket{kind="open",le="+Inf"} 1', 'chalk_queue_jobs{queue="default"} 0', 'chalk_failed_jobs 0', 'chalk_shared_memory_free_bytes ')
            ->toEndWith("# EOF\n")->not->toContain($map);
        // As the format has it: each name is told about once, before its values; buckets grow.
        preg_match_all('/^# TYPE (\S+)/m', $metrics, $names);
        expect($names[1])->toBe(array_values(array_unique($names[1])));
        preg_match_all('/_bucket\{kind="other",le="[^"]+"\} (\d+)/', $metrics, $counts);
        $sorted = $counts[1];
        sort($sorted, SORT_NUMERIC);
        expect($counts[1])->toBe($sorted)->and(privately($server, '/-/workers')[1])->toContain('phpfpm_up 1')->and(privately($server, '/-/metrics/heavy')[0])->toBe(200);
        // A line of JSON for each request, with no address of anything in it.
        $lines = array_map(fn (string $line): array => json_decode($line, true, flags: JSON_THROW_ON_ERROR), array_filter(explode("\n", (string) file_get_contents($log)), fn (string $line): bool => str_contains($line, '"answered"')));
        $opened = array_values(array_filter($lines, fn (array $line): bool => ($line['context']['route'] ?? '') === 'api/maps/{map}'));
        expect($opened)->toHaveCount(1)->and($opened[0]['context'])->toMatchArray(['method' => 'GET', 'status' => 200])->and($opened[0]['context']['person'])->toBeInt()->and($opened[0]['context']['request'] ?? $opened[0]['extra']['request'] ?? '')->toMatch('/^[0-9a-f]{32}$/')
            ->and(json_encode($lines))->not->toContain($map)->not->toContain('wren@');
    } finally {
        $server->stop();
        @unlink($log);
    }
});

it('is not ready while tables are still to be made, or something that it needs is away', function () {
    expect(array_filter(app(Readiness::class)->told()))->toBe([]);
    DB::table('migrations')->orderByDesc('id')->limit(1)->delete();
    expect(app(Readiness::class)->told()['tables'])->toBe('Migrations are still to be run.');
    config(['queue.default' => 'none']);
    expect(app(Readiness::class)->told()['queue'])->toBe(InvalidArgumentException::class);
    $this->get('/-/ready')->assertNotFound();
    $this->call('GET', '/-/ready', server: ['CHALK_PRIVATE' => '1'])->assertStatus(503)->assertJsonPath('isReady', false)->assertJsonPath('database', null);
});

it('keeps what pages consist of where all servers look, each under its state', function () {
    config(['chalk.page_files' => false]);
    $tove = $this->person();
    $map = $this->mapOf($tove);
    $page = $this->actingAs($tove)->postJson("/api/maps/{$map->id}/published", ['name' => 'For the site', 'topic' => null, 'choices' => [], 'isFrozen' => false])->assertCreated()->json();
    $path = (string) parse_url($page['address'], PHP_URL_PATH);
    $first = $this->get($path)->assertOk()->getContent();
    expect($first)->toContain('Boats')->and(is_dir(PageFiles::folder(basename($path))))->toBeFalse()->and($this->get($path)->getContent())->toBe($first);
    $this->sendEdits($map, [['name' => 'topic.retitle', 'topic' => $this->id($map, 'Boats'), 'title' => 'Ferries']])->assertOk();
    expect($this->get($path)->getContent())->toContain('Ferries')->not->toContain('Boats');
    $this->deleteJson("/api/published/{$page['id']}")->assertOk();
    $this->get($path)->assertNotFound();
});

it('takes numbers back as text, as some stores give them', function () {
    [$tove, $ines] = [$this->person(), $this->person('ines@saltmere.example')];
    $map = $this->mapOf($tove);
    $visits = app(Visits::class);
    $visits->note($map, $ines);
    $this->travel(2)->hours();
    $this->actingAs($tove)->sendEdits($map, [['name' => 'topic.retitle', 'topic' => $map->root, 'title' => 'Another']])->assertOk();
    $map->refresh();
    expect($visits->missed($map, $ines)['edits'] ?? null)->toBe(1);
    Cache::put("seen {$map->id} {$ines->id}", (string) $map->seq, 600);
    expect($visits->missed($map, $ines))->toBeNull();
});

it('makes a backup when there was none since the last night, and only where a folder is set', function (array $there, string $now, bool $isDue) {
    $folder = sys_get_temp_dir().'/nights-'.bin2hex(random_bytes(6));
    array_map(fn (string $name): bool => mkdir("{$folder}/{$name}", 0o700, true), $there);
    $this->travelTo(new DateTimeImmutable($now, new DateTimeZone('UTC')));
    config(['chalk.backups' => $folder]);
    [$event] = array_values(array_filter(app(Schedule::class)->events(), fn (Event $one): bool => str_contains((string) $one->command, 'backup:make')));
    expect(app(Backups::class)->isDue($folder))->toBe($isDue)->and($event->filtersPass(app()))->toBe($isDue);
    config(['chalk.backups' => '']);
    expect($event->filtersPass(app()))->toBeFalse()->and(Artisan::call('backup:make'))->toBe(1)->and(Artisan::output())->toContain('CHALK_BACKUPS');
    File::deleteDirectory($folder);
})->with([
    'none at all' => [[], '2026-11-29 12:00:00', true],
    'of this night' => [['2026-11-28-031000', '2026-11-29-031001'], '2026-11-29 12:00:00', false],
    'of the night before' => [['2026-11-28-031001'], '2026-11-29 12:00:00', true],
    'before this night has come' => [['2026-11-28-031001'], '2026-11-29 03:09:00', false],
    'as this night comes' => [['2026-11-28-233000'], '2026-11-29 03:10:00', true],
    'made by hand since' => [['2026-11-29-090000'], '2026-11-29 12:00:00', false],
]);
