<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Models\MapRecord;
use App\Models\PublishedPage;
use App\Store\MapStates;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\File;

/**
 * What pages consist of, as files that the web server sends by itself: made when they are first asked for, thrown away when the
 * map or the page changes. There is nothing then that the web server could send, so it asks the application. Where several
 * servers do that, they keep what was made in the cache that they share.
 */
final readonly class PageFiles
{
    /** @var list<string> the endings of files that are also kept packed */
    private const PACKED = ['html', 'svg'];

    /** Seconds, where they are no files. */
    private const LASTS = 3_600;

    /** The file that says of which state the others are. */
    private const STATE = 'state.txt';

    public function __construct(private Repository $cache)
    {
    }

    public static function folder(string $address): string
    {
        return storage_path("app/pages/{$address}");
    }

    /**
     * What is kept of a page, if it is.
     *
     * @phpstan-impure
     */
    public function known(PublishedPage $page, string $name): ?string
    {
        if (! self::areFiles()) {
            $bytes = $this->cache->get(self::key($page, self::state($page), $name));

            return is_string($bytes) ? $bytes : null;
        }
        $bytes = @file_get_contents(self::folder($page->address)."/{$name}");

        return $bytes === false ? null : $bytes;
    }

    /** Whether this is the machine of the web server that sends them. Else they lie where all servers look, each under the state of which it was made. */
    private static function areFiles(): bool
    {
        return Config::boolean('chalk.page_files');
    }

    private static function key(PublishedPage $page, string $state, string $name): string
    {
        return 'page '.hash('xxh128', "{$page->id} {$state} {$name}");
    }

    /** What a page shows hangs on this; on the day too, as looks may follow that. */
    public static function state(PublishedPage $page): string
    {
        $map = MapRecord::query()->find($page->map_id, ['id', 'seq', 'trashed_at', 'cleared']);
        $version = PublishedPage::query()->whereKey($page->id)->value('version');

        return $map === null || $version === null ? 'gone' : (new MapStates)->read($map)." {$map->trashed_at?->getTimestamp()} {$version} ".now('UTC')->toDateString();
    }

    /**
     * Keeps a file, unless something has changed since the state of which it was made.
     *
     * @param  string  $name  letters, digits, points, slashes
     */
    public function keep(PublishedPage $page, string $state, string $name, string $contents): void
    {
        if (self::state($page) !== $state) {
            return;
        }
        if (! self::areFiles()) {
            // Nobody asks for it once the state is another.
            $this->cache->put(self::key($page, $state, $name), $contents, self::LASTS);

            return;
        }
        $file = self::folder($page->address)."/{$name}";
        File::ensureDirectoryExists(dirname($file), 0o755);
        file_put_contents(self::folder($page->address).'/'.self::STATE, $state);
        foreach (['' => $contents] + (in_array(pathinfo($name, PATHINFO_EXTENSION), self::PACKED, true) ? ['.gz' => (string) gzencode($contents, 9)] : []) as $ending => $bytes) {
            $new = $file.$ending.'.'.bin2hex(random_bytes(4)).'.new';
            if (@file_put_contents($new, $bytes) !== strlen($bytes) || ! @rename($new, $file.$ending)) {
                @unlink($new);
            }
        }
        if (self::state($page) !== $state) {
            $this->forget($page->address);
        }
    }

    public function forget(string $address): void
    {
        File::deleteDirectory(self::folder($address));
    }

    /** What a process that was killed between a change and this left behind. */
    public function sweep(): void
    {
        foreach (glob(storage_path('app/pages/*'), GLOB_ONLYDIR) ?: [] as $folder) {
            $page = PublishedPage::query()->where('address', basename($folder))->first();
            if ($page === null || self::state($page) !== @file_get_contents("{$folder}/".self::STATE)) {
                $this->forget(basename($folder));
            }
        }
    }

    /** Of a map that changed. */
    public function forgetMap(string $map): void
    {
        foreach (PublishedPage::query()->where('map_id', $map)->pluck('address') as $address) {
            $this->forget((string) $address);
        }
    }
}
