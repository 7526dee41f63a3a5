<?php

declare(strict_types=1);

use ChalkTree\Map\Ids;
use Tests\Support\TestServer;

/** One real server for these tests; they look at what a test without one cannot see. */
function realServer(): TestServer
{
    static $server = null;
    if ($server === null) {
        $server = new TestServer;
        register_shutdown_function($server->stop(...));
    }

    return $server;
}

/**
 * @param  list<string>  $headers
 * @return array{status: int, headers: array<string, string>, body: string}
 */
function fetchReal(string $method, string $path, array $headers = [], ?string $body = null, ?string $cookies = null): array
{
    $found = [];
    $request = curl_init(realServer()->address.$path);
    curl_setopt_array($request, [
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_CUSTOMREQUEST => $method,
        CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', ...$headers],
        CURLOPT_PATH_AS_IS => true,
        CURLOPT_TIMEOUT => 20,
        CURLOPT_HEADERFUNCTION => function ($_, string $line) use (&$found): int {
            if (str_contains($line, ':')) {
                [$name, $value] = explode(':', $line, 2);
                $found[strtolower($name)] = trim($value);
            }

            return strlen($line);
        },
    ]);
    if ($body !== null) {
        curl_setopt($request, CURLOPT_POSTFIELDS, $body);
    }
    if ($cookies !== null) {
        curl_setopt_array($request, [CURLOPT_COOKIEFILE => $cookies, CURLOPT_COOKIEJAR => $cookies]);
    }
    $answer = (string) curl_exec($request);
    // The jar is written when the handle goes.

    return ['status' => (int) curl_getinfo($request, CURLINFO_RESPONSE_CODE), 'headers' => $found, 'body' => $answer];
}

it('refuses to change anything without the token of the page', function (string $path) {
    $answer = fetchReal('POST', $path, body: '{}');

    expect($answer['status'])->toBe(419)
        ->and(json_decode($answer['body'], true)['code'])->toBe('stale_session');
})->with(['/api/demo', '/api/register', '/api/sign-in', '/api/maps', '/api/forgot-password']);

it('lets in with the token, over cookies that scripts cannot read', function () {
    $cookies = (string) tempnam(sys_get_temp_dir(), 'cookies');
    $first = fetchReal('GET', '/api/me', cookies: $cookies);
    expect(json_decode($first['body'], true))->toBe(['person' => null, 'demo' => true, 'provider' => null]);
    preg_match('/XSRF-TOKEN\t(\S+)/', (string) file_get_contents($cookies), $m);
    $entered = fetchReal('POST', '/api/demo', ['X-XSRF-TOKEN: '.urldecode($m[1])], '{}', $cookies);
    expect($entered['status'])->toBe(200);

    $jar = (string) file_get_contents($cookies);
    expect($jar)->toMatch('/#HttpOnly_\S+\t.*chalk_tree_session/')
        ->and(json_decode(fetchReal('GET', '/api/maps', cookies: $cookies)['body'], true)['maps'])->toHaveCount(13);
    unlink($cookies);
});

it('gives nothing from outside its public folder', function (string $path) {
    $answer = fetchReal('GET', $path);

    expect($answer['body'])->not->toContain('APP_KEY')
        ->not->toContain('chalk-tree/chalk-tree')
        ->not->toContain('root:');
})->with([
    '/../.env',
    '/..%2f.env',
    '/%2e%2e/%2e%2e/etc/passwd',
    '/build/../../composer.json',
    '/index.php/../../composer.json',
    '/....//....//composer.json',
    '/.env',
]);

it('answers to no address that names its script', function (string $path) {
    expect(fetchReal('GET', $path)['status'])->toBe(404);
})->with(['/index.php', '/index.php/', '/index.php/api/me', '/index.php/-/metrics', '/index.php?/api/me', '/build/../index.php/api/me', '//index.php/api/me']);

it('sends scripts packed and to be kept, and pages with a policy', function () {
    $page = fetchReal('GET', '/');
    preg_match('~/build/assets/main-[^"]+\.js~', $page['body'], $m);
    $script = fetchReal('GET', $m[0], ['Accept-Encoding: gzip']);

    expect($page['headers']['content-security-policy'])->toContain("script-src 'self'")
        ->and($page['headers']['x-content-type-options'])->toBe('nosniff')
        ->and($script['headers']['content-type'])->toContain('javascript')
        ->and($script['headers']['content-encoding'])->toBe('gzip')
        ->and($script['headers']['cache-control'])->toContain('immutable')
        ->and(strlen((string) gzdecode($script['body'])))->toBeGreaterThan(strlen($script['body']))
        ->and(fetchReal('GET', $m[0])['headers'])->not->toHaveKey('content-encoding');
});

it('loads nothing from anywhere else', function () {
    $page = fetchReal('GET', '/')['body'];
    preg_match_all('~(?:src|href)="(https?:)?//([^"/]+)~', $page, $m);

    expect(array_unique($m[2]))->toBe([])
        ->and($page)->toContain('src="/build/assets/');
    foreach ((array) glob(dirname(__DIR__, 2).'/public/build/assets/*.css') as $file) {
        expect((string) file_get_contents((string) $file))->not->toMatch('~url\([\'"]?(?:https?:)?//~');
    }
});

it('answers what is not JSON, too long or of the wrong kind with a sentence', function (string $method, string $path, ?string $body, int $status) {
    $answer = fetchReal($method, $path, body: $body);

    expect($answer['status'])->toBe($status)
        ->and(json_decode($answer['body'], true))->toHaveKeys(['code', 'message', 'field']);
})->with([
    'no such call' => ['GET', '/api/nothing', null, 404],
    'the wrong method' => ['PATCH', '/api/me', null, 405],
    'signed out' => ['GET', '/api/maps', null, 401],
]);

it('answers several requests at a time', function () {
    $many = curl_multi_init();
    $requests = [];
    for ($i = 0; $i < 12; $i++) {
        $requests[$i] = curl_init(realServer()->address.'/api/me');
        curl_setopt($requests[$i], CURLOPT_RETURNTRANSFER, true);
        curl_multi_add_handle($many, $requests[$i]);
    }
    do {
        curl_multi_exec($many, $running);
        curl_multi_select($many, 0.2);
    } while ($running > 0);

    expect(array_map(fn (CurlHandle $one): int => curl_getinfo($one, CURLINFO_RESPONSE_CODE), $requests))->toBe(array_fill(0, 12, 200));
});

it('says itself in our words what the web server refuses before the application is asked', function () {
    $large = fetchReal('POST', '/api/maps/import?name=x.md', body: str_repeat('x', 21 * 1024 * 1024));
    expect($large['status'])->toBe(413)->and(json_decode($large['body'], true)['code'])->toBe('too_large');

    // Nobody behind the door that requests go through.
    $server = realServer();
    unlink(dirname($server->database()).'/server/work.sock');
    $busy = fetchReal('GET', '/api/me');
    expect($busy['status'])->toBe(503)->and(json_decode($busy['body'], true)['code'])->toBe('busy')->and($busy['headers']['retry-after'])->toBe('1');
    $server->kill();
    $server->start();
    expect(fetchReal('GET', '/api/me')['status'])->toBe(200);
});

it('packs long answers for whoever takes that', function () {
    $plain = fetchReal('GET', '/');
    $packed = fetchReal('GET', '/', ['Accept-Encoding: gzip']);
    expect($plain['headers'])->not->toHaveKey('content-encoding')
        ->and($plain['headers']['content-type'])->toStartWith('text/html')
        ->and($packed['headers']['content-encoding'])->toBe('gzip')
        ->and(strlen((string) gzdecode($packed['body'])))->toBeGreaterThan(strlen($packed['body']));
});

it('sends files by the web server once the application has said yes, in parts, and to nobody else', function () {
    $cookies = (string) tempnam(sys_get_temp_dir(), 'cookies');
    $token = function () use ($cookies): string {
        preg_match('/XSRF-TOKEN\t(\S+)/', (string) file_get_contents($cookies), $m);

        return 'X-XSRF-TOKEN: '.urldecode($m[1]);
    };
    fetchReal('GET', '/api/me', cookies: $cookies);
    fetchReal('POST', '/api/demo', [$token()], '{}', $cookies);
    $map = json_decode(fetchReal('GET', '/api/maps', cookies: $cookies)['body'], true)['maps'][0]['id'];
    $bytes = random_bytes(300_000);
    [$upload, $hash] = [Ids::next(), hash('sha256', $bytes)];
    fetchReal('POST', '/api/uploads', [$token()], (string) json_encode(['id' => $upload, 'name' => 'plan.bin', 'bytes' => strlen($bytes)]), $cookies);
    expect(fetchReal('PUT', "/api/uploads/{$upload}/0", [$token(), 'Content-Type: application/octet-stream'], $bytes, $cookies)['status'])->toBe(200)
        ->and(fetchReal('POST', "/api/maps/{$map}/files", [$token()], (string) json_encode(['upload' => $upload]), $cookies)['status'])->toBe(200);
    $whole = fetchReal('GET', "/api/maps/{$map}/files/{$hash}", cookies: $cookies);
    expect($whole['body'] === $bytes)->toBeTrue()->and($whole['headers'])->toHaveKey('accept-ranges')->not->toHaveKey('x-accel-redirect')->and($whole['headers']['content-security-policy'])->toContain('sandbox')->and($whole['headers']['content-type'])->toBe('application/octet-stream')->and($whole['headers']['content-disposition'])->toStartWith('attachment')
        ->and($whole['headers']['x-content-type-options'])->toBe('nosniff');
    $part = fetchReal('GET', "/api/maps/{$map}/files/{$hash}", ['Range: bytes=1000-1099'], cookies: $cookies);
    expect([$part['status'], $part['body'] === substr($bytes, 1000, 100), $part['headers']['content-range']])->toBe([206, true, 'bytes 1000-1099/300000']);
    expect(fetchReal('GET', "/api/maps/{$map}/files/{$hash}", ['Range: bytes=900000-'], cookies: $cookies)['status'])->toBe(416);
    $archive = fetchReal('GET', "/api/maps/{$map}/export?to=zip", cookies: $cookies);
    expect([$archive['status'], substr($archive['body'], 0, 2), $archive['headers']['content-type']])->toBe([200, 'PK', 'application/zip']);
    foreach (['/-kept/files/'.substr($hash, 0, 2)."/{$hash}/whole", '/-handed/0123456789ab.zip', '/-kept/../../.env', '/storage/app/files/'.substr($hash, 0, 2)."/{$hash}/whole"] as $path) {
        expect(fetchReal('GET', $path, cookies: $cookies)['body'] === $bytes)->toBeFalse($path);
    }
    expect(fetchReal('GET', "/api/maps/{$map}/files/{$hash}")['status'])->toBe(401);
    unlink($cookies);
});

it('sends a published page by the web server alone, with the same headers, asks again what changed, and has nothing of it once it is withdrawn', function () {
    $cookies = (string) tempnam(sys_get_temp_dir(), 'cookies');
    $token = function () use ($cookies): string {
        preg_match('/XSRF-TOKEN\t(\S+)/', (string) file_get_contents($cookies), $m);

        return 'X-XSRF-TOKEN: '.urldecode($m[1]);
    };
    $ask = fn (string $method, string $path, array $body = []): array => (array) json_decode(fetchReal($method, $path, [$token()], $body === [] ? '{}' : (string) json_encode($body), $cookies)['body'], true);
    fetchReal('GET', '/api/me', cookies: $cookies);
    $ask('POST', '/api/demo');
    $map = array_column(json_decode(fetchReal('GET', '/api/maps', cookies: $cookies)['body'], true)['maps'], 'id', 'title')['Saltmere lantern festival'];
    $page = $ask('POST', "/api/maps/{$map}/published", ['name' => 'Real', 'topic' => null, 'choices' => [], 'isFrozen' => false]);
    $path = (string) parse_url($page['address'], PHP_URL_PATH);
    preg_match('~/pictures/[0-9a-f]{64}-\w+~', fetchReal('GET', "{$path}/drawing.svg")['body'].fetchReal('GET', "{$path}/board.svg")['body'], $picture);
    foreach (['', '/320.png', $picture[0]] as $below) {
        $made = fetchReal('GET', $path.$below);
        $sent = fetchReal('GET', $path.$below);
        // What the web server sends by itself has its tag, and the safety that the application gives.
        expect([$made['status'], $sent['status'], $sent['body'] === $made['body']])->toBe([200, 200, true])->and($made['headers'])->not->toHaveKey('etag')->not->toHaveKey('set-cookie')->and($sent['headers'])->toHaveKey('etag')->not->toHaveKey('set-cookie');
        foreach (['content-security-policy', 'x-content-type-options', 'referrer-policy', 'content-type', 'cross-origin-resource-policy'] as $header) {
            expect($sent['headers'][$header])->toBe($made['headers'][$header], $header);
        }
        expect($sent['headers']['cache-control'])->toContain('no-cache');
        expect(fetchReal('GET', $path.$below, ['If-None-Match: '.$sent['headers']['etag']])['status'])->toBe(304);
    }
    $packed = fetchReal('GET', $path, ['Accept-Encoding: gzip']);
    expect($packed['headers']['content-encoding'])->toBe('gzip');
    $edit = fn (string $title): array => $ask('POST', "/api/maps/{$map}/edits", ['since' => 0, 'edits' => [['id' => Ids::next(), 'name' => 'map.rename', 'title' => $title]]]);
    $edit('Renamed for the page');
    $anew = fetchReal('GET', $path);
    expect($anew['body'])->toContain('<h1>Renamed for the page</h1>')->and($anew['headers'])->not->toHaveKey('etag');
    expect($ask('GET', "/api/maps/{$map}/published")['pages'][0]['views'])->toBe(5);
    expect($ask('DELETE', "/api/published/{$page['id']}"))->toBe(['id' => $page['id']]);
    foreach (['', '?frame', '/board.svg', '/320.png', $picture[0], "{$picture[0]}.jpg", '/index.html', '/index.html.gz', '/state.txt'] as $below) {
        expect(fetchReal('GET', $path.$below)['status'])->toBe(404, $below);
    }
    foreach (['/p/', '/p/../.env', '/p/..%2f..%2f.env', "{$path}/../../.env", '/p/index.php'] as $odd) {
        expect(fetchReal('GET', $odd)['body'])->not->toContain('APP_KEY');
    }
    unlink($cookies);
});

it('tends a worker of the queue and the scheduler, which come back when they end', function () {
    $running = fn (string $called): array => realServer()->processes($called);
    expect($running('schedule:work'))->toHaveCount(1);
    [$worker] = $running('queue:work');
    posix_kill($worker, 9);
    // One reading is judged: between two, the new one may be just becoming what it is, and then has no name at all.
    for ($i = 0; $i < 300 && in_array($now = $running('queue:work'), [[], [$worker]], true); $i++) {
        usleep(100_000);
    }
    expect($now ?? [])->toHaveCount(1)->not->toBe([$worker]);
});
