<?php

declare(strict_types=1);

use Illuminate\Cache\FileStore;
use Illuminate\Cache\RateLimiter;
use Illuminate\Cache\Repository;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Support\Carbon;

it('counts requests in memory that workers share, in files only where there is no such memory, and where servers share all', function (string $cache, ?string $snapshots, string $counts) {
    [$was, $had] = [getenv('CACHE_STORE'), getenv('SNAPSHOT_STORE')];
    $set = function (string $name, string|false|null $value): void {
        $value === false || $value === null ? putenv($name) : putenv("{$name}={$value}");
        unset($_ENV[$name], $_SERVER[$name]);
        $value === false || $value === null ?: $_ENV[$name] = $_SERVER[$name] = $value;
    };
    try {
        $set('CACHE_STORE', $cache);
        $set('SNAPSHOT_STORE', $snapshots);
        expect((require base_path('config/cache.php'))['limiter'])->toBe($counts);
    } finally {
        $set('CACHE_STORE', $was);
        $set('SNAPSHOT_STORE', $had);
    }
})->with([
    'one server' => ['file', 'apc', 'apc'],
    'no shared memory' => ['file', null, 'file'],
    'several servers' => ['redis', 'apc', 'redis'],
]);

it('shows why: of two that count at the moment a count in a file ends, one may make it last for ever', function () {
    $store = new FileStore(new Filesystem, $folder = sys_get_temp_dir().'/counts-'.bin2hex(random_bytes(4)));
    try {
        Carbon::setTestNow('2026-11-27 10:00:00');
        $limits = new RateLimiter(new Repository($store));
        $limits->hit('somebody', 60);
        Carbon::setTestNow('2026-11-27 10:01:00');
        // One has found it ended and begins anew; another counts in between.
        $store->increment('somebody');
        $store->increment('somebody');
        Carbon::setTestNow('2026-12-27 10:00:00');
        expect($store->get('somebody'))->toBe(2);
    } finally {
        Carbon::setTestNow();
        (new Filesystem)->deleteDirectory($folder);
    }
});
