<?php

declare(strict_types=1);

use App\Http\Controllers\PublicPageController;
use Illuminate\Support\Facades\Route;

// Published pages: no account, no session, no cookie.
Route::where(['address' => '[0-9a-z]{20}'])->middleware('throttle:published')->prefix('p/{address}')->controller(PublicPageController::class)->group(function (): void {
    Route::get('/', 'show');
    Route::get('board.svg', 'board');
    Route::get('drawing.svg', 'drawing');
    Route::get('{width}.png', 'png')->where('width', '[0-9]{3,4}');
    Route::get('pictures/{hash}-{size}', 'picture')->where(['hash' => '[0-9a-f]{64}', 'size' => 'small|large']);
});

Route::get('p/{rest}', [PublicPageController::class, 'gone'])->where('rest', '.*')->middleware('throttle:published');
