<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Loopback;
use App\Mail\Outbox;
use ChalkTree\Look\Looks;
use ChalkTree\Look\StyleSheet;
use ChalkTree\Map\Bounds;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** The page that the application runs in, and the outbox that stands in for a mail service. */
final class PageController
{
    public function app(): View
    {
        return view('app', ['colours' => StyleSheet::css(), 'looks' => json_encode(Looks::standard(), JSON_THROW_ON_ERROR | JSON_HEX_TAG), 'bounds' => json_encode(Bounds::forBrowser(), JSON_THROW_ON_ERROR)]);
    }

    /** Letters hold links that open accounts, so they are shown on this machine only; elsewhere there is outbox:show. */
    public function outbox(Request $request, Outbox $outbox): View
    {
        abort_unless(Loopback::holds($request), 404);

        return view('outbox', ['letters' => $outbox->letters(), 'colours' => StyleSheet::css()]);
    }
}
