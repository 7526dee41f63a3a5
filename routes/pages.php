<?php

declare(strict_types=1);

use App\Http\Controllers\OperateController;
use App\Http\Controllers\PublicPageController;
use App\Http\Controllers\ViewingController;
use Illuminate\Support\Facades\Route;

// Published pages: no account, no session, no cookie.
Route::where(['address' => '[0-9a-z]{20}'])->middleware('throttle:published')->prefix('p/{address}')->controller(PublicPageController::class)->group(function (): void {
    Route::get('/', 'show');
    Route::get('board.svg', 'board');
    Route::get('drawing.svg', 'drawing');
    Route::get('{width}.png', 'png')->where('width', '[0-9]{3,4}');
    Route::get('pictures/{hash}-{size}', 'picture')->where(['hash' => '[0-9a-f]{64}', 'size' => 'small|large']);
});

// For whoever looks after the servers; all but the first only by the private address of the web server.
Route::prefix('-')->controller(OperateController::class)->group(function (): void {
    Route::get('health', 'health');
    Route::get('ready', 'ready');
    Route::get('metrics', 'metrics');
});

// Viewing links: no account and no session; who knew the password of one has a cookie for it.
Route::where(['address' => '[0-9a-z]{20}'])->middleware('throttle:published')->prefix('v/{address}')->controller(ViewingController::class)->group(function (): void {
    Route::get('/', 'show');
    Route::post('/', 'open')->middleware('body:file');
    Route::get('board.svg', 'board');
    Route::get('drawing.svg', 'drawing');
    Route::get('copy.{format}', 'copy')->where('format', 'opml|md');
    Route::get('pictures/{hash}-{size}', 'picture')->where(['hash' => '[0-9a-f]{64}', 'size' => 'small|large']);
    Route::get('files/{hash}', 'file')->where('hash', '[0-9a-f]{64}');
});
Route::get('v/{rest}', [ViewingController::class, 'gone'])->where('rest', '.*')->middleware('throttle:published');

Route::get('p/{rest}', [PublicPageController::class, 'gone'])->where('rest', '.*')->middleware('throttle:published');
