<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Models\PublishedPage;
use Illuminate\Support\Facades\Cache;

/** Counts how often pages were opened: by what the web server notes down of those it sent itself, and by us of the others. */
final readonly class PageViews
{
    /** Bytes of notes after which they are begun anew. */
    private const LONGEST = 8_000_000;

    private const READ = 'page notes read';

    public function add(PublishedPage $page, int $times = 1): void
    {
        PublishedPage::query()->whereKey($page->id)->increment('views', $times);
    }

    /** Takes what the web server has noted down since last time: a line each, its answer and the address. */
    public function take(): void
    {
        $file = (string) config('chalk.page_notes');
        if ($file === '' || ! is_file($file)) {
            return;
        }
        Cache::lock(self::READ, 30)->get(function () use ($file): void {
            clearstatcache(true, $file);
            $size = (int) filesize($file);
            $from = Cache::get(self::READ);
            // Some stores give numbers back as text.
            $from = is_numeric($from) && (int) $from <= $size ? (int) $from : 0;
            $text = (string) file_get_contents($file, offset: $from, length: self::LONGEST);
            // The last line may not have been written whole.
            $text = substr($text, 0, (int) strrpos("\n".$text, "\n"));
            $counts = [];
            preg_match_all('~^(?:200|304) /p/([0-9a-z]{20})(?:\?\S*)?$~m', $text, $m);
            foreach ($m[1] as $address) {
                $counts[$address] = ($counts[$address] ?? 0) + 1;
            }
            foreach ($counts as $address => $times) {
                PublishedPage::query()->where('address', $address)->increment('views', $times);
            }
            $read = $from + strlen($text);
            if ($read > self::LONGEST && $read === (int) filesize($file)) {
                file_put_contents($file, '');
                $read = 0;
            }
            Cache::forever(self::READ, $read);
        });
    }
}
