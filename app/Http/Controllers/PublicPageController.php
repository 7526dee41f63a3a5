<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\HandOver\NotMade;
use App\HandOver\Stopped;
use App\Models\PublishedPage;
use App\Pictures\PictureSize;
use App\Publishing\PageFiles;
use App\Publishing\PageMaker;
use App\Publishing\PageViews;
use ChalkTree\HandOver\NothingLeaves;
use Closure;
use Illuminate\Contracts\Cache\LockTimeoutException;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Cache;

/**
 * Published pages, for whoever has their address. What is made here once the web server sends by itself, until the map
 * changes; see PageFiles.
 */
final readonly class PublicPageController
{
    /** What a page may load and who may frame it: scripts and typefaces of ours; and whoever wants, also a file on somebody's disk, which no list of ancestors covers. */
    public const POLICY = "default-src 'none'; script-src 'self'; style-src 'unsafe-inline'; img-src 'self' data:; font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'none'";

    /** What stands on a page does nothing by itself, whatever is in it. */
    public const STRICT = "default-src 'none'; style-src 'unsafe-inline'; img-src 'self' data:; font-src data:; sandbox";

    /** How files of pictures end, by which the web server knows them. */
    private const ENDINGS = ['image/png' => 'png', 'image/jpeg' => 'jpg', 'image/svg+xml' => 'svg', 'image/gif' => 'gif', 'image/webp' => 'webp'];

    /** Seconds that one waits while somebody else has the same made. */
    private const WAITS = 40;

    public function __construct(private PageMaker $maker, private PageFiles $files, private PageViews $views)
    {
    }

    public function show(string $address): Response
    {
        $page = self::find($address);
        if ($page === null) {
            return $this->gone();
        }
        $this->views->add($page);

        return $this->made($page, 'index.html', 'text/html; charset=utf-8', fn (): string => $this->maker->html($page));
    }

    public function board(string $address): Response
    {
        return $this->part($address, 'board.svg', 'image/svg+xml', fn (PublishedPage $page): string => $this->maker->board($page));
    }

    public function drawing(string $address): Response
    {
        return $this->part($address, 'drawing.svg', 'image/svg+xml', fn (PublishedPage $page): string => $this->maker->drawing($page));
    }

    public function png(string $address, string $width): Response
    {
        return in_array((int) $width, PageMaker::WIDTHS, true) ? $this->part($address, "{$width}.png", 'image/png', fn (PublishedPage $page): string => $this->maker->png($page, (int) $width)) : $this->gone();
    }

    public function picture(string $address, string $hash, string $size): Response
    {
        $page = self::find($address);
        if ($page === null) {
            return $this->gone();
        }
        $state = PageFiles::state($page);
        try {
            [$bytes, $media] = $this->maker->picture($page, $hash, PictureSize::from($size)) ?? ['', ''];
        } catch (NothingLeaves) {
            [$bytes, $media] = ['', ''];
        }
        if (! isset(self::ENDINGS[$media])) {
            return $this->gone();
        }
        $this->files->keep($page, $state, "pictures/{$hash}-{$size}.".self::ENDINGS[$media], $bytes);

        return $this->answer($bytes, $media);
    }

    private static function find(string $address): ?PublishedPage
    {
        return PublishedPage::query()->with('map')->where('address', $address)->first();
    }

    /** @param  Closure(PublishedPage): string  $make */
    private function part(string $address, string $name, string $media, Closure $make): Response
    {
        $page = self::find($address);

        return $page === null ? $this->gone() : $this->made($page, $name, $media, fn (): string => $make($page));
    }

    /** @param  Closure(): string  $make */
    private function made(PublishedPage $page, string $name, string $media, Closure $make): Response
    {
        if (($bytes = $this->files->known($page, $name)) !== null) {
            return $this->answer($bytes, $media);
        }
        // Many may ask at once; one makes it, the others have it then.
        $lock = Cache::lock("page {$page->id} {$name}", 90);
        try {
            $lock->block(self::WAITS);
            if (($bytes = $this->files->known($page, $name)) === null) {
                $state = PageFiles::state($page);
                $bytes = $make();
                $this->files->keep($page, $state, $name, $bytes);
            }

            return $this->answer($bytes, $media);
        } catch (NothingLeaves) {
            return $this->gone();
        } catch (NotMade|Stopped|LockTimeoutException) {
            return new Response('This page takes long to be made. Try again in a minute.', 503, ['Retry-After' => '30', 'Content-Type' => 'text/plain; charset=utf-8']);
        } finally {
            $lock->release();
        }
    }

    private function answer(string $bytes, string $media): Response
    {
        return new Response($bytes, 200, ['Content-Type' => $media, 'Content-Security-Policy' => str_starts_with($media, 'text/html') ? self::POLICY : self::STRICT, 'Cache-Control' => 'no-cache, public', 'Cross-Origin-Resource-Policy' => 'cross-origin']);
    }

    public function gone(): Response
    {
        return new Response(view('gone')->render(), 404, ['Content-Security-Policy' => self::POLICY, 'Cache-Control' => 'no-store']);
    }
}
