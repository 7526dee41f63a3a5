<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use ChalkTree\Look\Looks;
use ChalkTree\Look\StyleSheet;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\DB;

/** The page that the application runs in, and the outbox that stands in for a mail service. */
final class PageController
{
    public function app(): View
    {
        return view('app', ['colours' => StyleSheet::css(), 'looks' => json_encode(Looks::standard(), JSON_THROW_ON_ERROR | JSON_HEX_TAG)]);
    }

    /** Letters hold links that open accounts, so only a demo installation shows them. */
    public function outbox(): View
    {
        abort_unless((bool) config('chalk.demo'), 404);

        return view('outbox', ['letters' => DB::table('letters')->orderByDesc('id')->limit(50)->get(), 'colours' => StyleSheet::css()]);
    }
}
