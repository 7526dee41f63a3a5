<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Files\KeptFiles;
use App\Files\SentFiles;
use App\HandOver\NotMade;
use App\HandOver\Stopped;
use App\Library\PictureCache;
use App\Models\ViewingLink;
use App\Pictures\PictureSize;
use App\Publishing\PageMaker;
use App\Viewing\ViewingLinks;
use ChalkTree\Attach\AttachedFile;
use ChalkTree\Exchange\Formats;
use ChalkTree\HandOver\NothingLeaves;
use Closure;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\RateLimiter;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** What a viewing link shows to whoever has it. Asked anew each time, so that a link that is withdrawn is gone at once. */
final readonly class ViewingController
{
    /** The same as of published pages, but that a password can be sent back here. */
    private const ASKING = "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; base-uri 'none'";

    /** Tries of a password a minute, from wherever. */
    private const MOST_TRIES = 10;

    /** Bytes of what is sent with a password. */
    private const LONGEST = 2000;

    public function __construct(private ViewingLinks $links, private PageMaker $maker, private PictureCache $kept, private Hasher $hasher)
    {
    }

    public function show(Request $request, string $address): AnyResponse
    {
        $link = $this->links->find($address);
        if ($link === null) {
            return $this->gone();
        }
        if (! $this->isOpen($request, $link)) {
            return $this->ask(null);
        }
        ViewingLink::query()->whereKey($link->id)->increment('views', 1, ['last' => time()]);

        return $this->made($link, 'page', 'text/html; charset=utf-8', fn (): string => $this->maker->html(ViewingLinks::page($link), $link->files ? $this->files($link) : [], $link->copying));
    }

    /** Takes a password. */
    public function open(Request $request, string $address): AnyResponse
    {
        $link = $this->links->find($address);
        if ($link?->password === null) {
            return $this->gone();
        }
        if (! RateLimiter::attempt("viewing {$link->id}", self::MOST_TRIES, fn (): bool => true)) {
            return $this->ask('That was tried too often. Wait a minute.', 429);
        }
        parse_str(substr((string) $request->getContent(), 0, self::LONGEST), $sent);
        if (! is_string($sent['password'] ?? null) || ! $this->hasher->check($sent['password'], $link->password)) {
            return $this->ask('This is not the password.', 422);
        }
        $answer = new Response('', 303, ['Location' => "/v/{$link->address}", 'Cache-Control' => 'no-store']);
        $answer->headers->setCookie(Cookie::create("view_{$link->id}", self::pass($link), 0, "/v/{$link->address}", null, $request->isSecure(), true, false, Cookie::SAMESITE_LAX));

        return $answer;
    }

    public function board(Request $request, string $address): AnyResponse
    {
        return $this->part($request, $address, 'board', 'image/svg+xml', fn (ViewingLink $link): string => $this->maker->board(ViewingLinks::page($link)));
    }

    public function drawing(Request $request, string $address): AnyResponse
    {
        return $this->part($request, $address, 'drawing', 'image/svg+xml', fn (ViewingLink $link): string => $this->maker->drawing(ViewingLinks::page($link)));
    }

    public function picture(Request $request, string $address, string $hash, string $size): AnyResponse
    {
        $link = $this->opened($request, $address);
        try {
            [$bytes, $media] = ($link === null ? null : $this->maker->picture(ViewingLinks::page($link), $hash, PictureSize::from($size))) ?? ['', ''];
        } catch (NothingLeaves) {
            $media = $bytes = '';
        }

        return $media === '' ? $this->gone() : $this->answer($bytes, $media);
    }

    /** A file of a topic that is shown. */
    public function file(Request $request, string $address, string $hash, KeptFiles $files, SentFiles $sent): AnyResponse
    {
        $link = $this->opened($request, $address);
        $name = $link !== null && $link->files ? $this->files($link)[$hash] ?? null : null;
        $file = $name === null || $link === null ? null : $files->find($link->map_id, $hash);

        if ($file === null) {
            return $this->gone();
        }
        $answer = $sent->send(KeptFiles::path($hash), $file->media, (string) $name, true);
        $answer->headers->set('Cache-Control', 'private, no-store');

        return $answer;
    }

    /** What it shows as an outline, to be had. */
    public function copy(Request $request, string $address, string $format): AnyResponse
    {
        $link = $this->opened($request, $address);
        if ($link === null || ! $link->copying) {
            return $this->gone();
        }
        try {
            $content = $this->maker->content(ViewingLinks::page($link));
        } catch (NothingLeaves) {
            return $this->gone();
        }

        return $this->answer(Formats::write($content->map, $format), Formats::all()[$format]->mime(), ['Content-Disposition' => "attachment; filename=\"outline.{$format}\""]);
    }

    public function gone(): Response
    {
        return new Response(view('gone')->render(), 404, ['Content-Security-Policy' => PublicPageController::POLICY, 'Cache-Control' => 'no-store']);
    }

    /** @return array<string, string> the names of files at topics that are shown, by hash */
    private function files(ViewingLink $link): array
    {
        $names = [];
        foreach ($this->maker->content(ViewingLinks::page($link))->map->rowsOf(AttachedFile::class) as $file) {
            $names += [(string) $file->content() => $file->text('name')];
        }
        unset($names['']);

        return $names;
    }

    private function opened(Request $request, string $address): ?ViewingLink
    {
        $link = $this->links->find($address);

        return $link !== null && $this->isOpen($request, $link) ? $link : null;
    }

    private function isOpen(Request $request, ViewingLink $link): bool
    {
        $pass = $request->cookies->get("view_{$link->id}");

        return $link->password === null || (is_string($pass) && hash_equals(self::pass($link), $pass));
    }

    /** What only whoever knew the password has; another password makes another. */
    private static function pass(ViewingLink $link): string
    {
        return hash_hmac('sha256', "{$link->address} {$link->password}", (string) config('app.key'));
    }

    private function ask(?string $problem, int $status = 200): Response
    {
        return new Response(view('asking', ['problem' => $problem])->render(), $status, ['Content-Security-Policy' => self::ASKING, 'Cache-Control' => 'no-store', 'X-Robots-Tag' => 'noindex']);
    }

    /** @param  Closure(ViewingLink): string  $make */
    private function part(Request $request, string $address, string $name, string $media, Closure $make): AnyResponse
    {
        $link = $this->opened($request, $address);

        return $link === null ? $this->gone() : $this->made($link, $name, $media, fn (): string => $make($link));
    }

    /** @param  Closure(): string  $make */
    private function made(ViewingLink $link, string $name, string $media, Closure $make): Response
    {
        try {
            return $this->answer($link->map === null ? throw new NothingLeaves : $this->kept->of($link->map, ['viewing', $link->id, $name, now('UTC')->toDateString()], $make), $media);
        } catch (NothingLeaves) {
            return $this->gone();
        } catch (NotMade|Stopped) {
            return new Response('This page takes long to be made. Try again in a minute.', 503, ['Retry-After' => '30', 'Content-Type' => 'text/plain; charset=utf-8']);
        }
    }

    /** @param  array<string, string>  $more */
    private function answer(string $bytes, string $media, array $more = []): Response
    {
        return new Response($bytes, 200, $more + ['Content-Type' => $media, 'Content-Security-Policy' => str_starts_with($media, 'text/html') ? PublicPageController::POLICY : PublicPageController::STRICT, 'Cache-Control' => 'private, no-store', 'X-Robots-Tag' => 'noindex', 'Referrer-Policy' => 'no-referrer']);
    }
}
