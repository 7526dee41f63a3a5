<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\BoardFrame;
use App\Http\Loopback;
use App\Live\Hub;
use App\Mail\Outbox;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\FirstPicture;
use ChalkTree\Look\StyleSheet;
use ChalkTree\Map\Bounds;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;

/** The page that the application runs in, and the outbox that stands in for a mail service. */
final class PageController
{
    /** Pictures a minute that are drawn for a person while a page waits. */
    private const MOST_DRAWN = 40;

    public function __construct(private readonly FirstPicture $pictures, private readonly Hub $hub)
    {
    }

    public function app(Request $request): View
    {
        $frame = BoardFrame::of($request);

        return view('app', ['frame' => $frame, 'picture' => $frame === null ? null : $this->picture($request, $frame), 'colours' => StyleSheet::css(), 'bounds' => json_encode(['live' => $this->hub->isThere(), 'offline' => (bool) config('chalk.offline')] + Bounds::forBrowser(), JSON_THROW_ON_ERROR)]);
    }

    /** What the board will show, where the page is that of a map; the map itself is asked for by the page. */
    private function picture(Request $request, BoardFrame $frame): ?string
    {
        $person = $request->user();
        $map = preg_match('~\Amaps/([0-9a-z]{26})\z~', $request->path(), $m) === 1 ? MapRecord::query()->find($m[1]) : null;

        // However often a page is asked for, the server draws only so much for it.
        $mayDraw = fn (): bool => ! config('chalk.limits') || RateLimiter::attempt("first picture {$person?->getAuthIdentifier()}", self::MOST_DRAWN, fn (): bool => true);

        return $person instanceof Person && $map !== null && $person->can('work', $map) ? $this->pictures->of($map, $person, $frame, $mayDraw) : null;
    }

    /** Letters hold links that open accounts, so they are shown on this machine only; elsewhere there is outbox:show. */
    public function outbox(Request $request, Outbox $outbox): View
    {
        abort_unless(Loopback::holds($request), 404);

        return view('outbox', ['letters' => $outbox->letters(), 'colours' => StyleSheet::css()]);
    }
}
