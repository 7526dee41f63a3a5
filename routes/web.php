<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\LibraryController;
use App\Http\Controllers\MapController;
use App\Http\Controllers\PageController;
use Illuminate\Support\Facades\Route;

Route::prefix('api')->group(function (): void {
    Route::get('me', [AccountController::class, 'show']);

    Route::middleware('throttle:account')->group(function (): void {
        Route::post('register', [AccountController::class, 'register']);
        Route::post('sign-in', [AccountController::class, 'signIn']);
        Route::post('demo', [AccountController::class, 'demo']);
        Route::post('sign-out', [AccountController::class, 'signOut']);
        Route::post('forgot-password', [AccountController::class, 'forgot']);
        Route::post('reset-password', [AccountController::class, 'reset']);
    });

    Route::middleware(['auth', 'throttle:work'])->group(function (): void {
        Route::get('maps', [LibraryController::class, 'index']);
        Route::post('maps', [LibraryController::class, 'store']);
        Route::post('maps/import', [LibraryController::class, 'import'])->middleware('throttle:heavy');

        Route::delete('maps/{map}', [LibraryController::class, 'trash'])->can('keep', 'map');
        Route::post('maps/{map}/restore', [LibraryController::class, 'restore'])->can('keep', 'map');
        Route::get('maps/{map}/picture', [LibraryController::class, 'picture'])->can('keep', 'map');

        Route::middleware('can:work,map')->group(function (): void {
            Route::get('maps/{map}', [MapController::class, 'show']);
            Route::post('maps/{map}/edits', [MapController::class, 'edit']);
            Route::get('maps/{map}/edits', [MapController::class, 'news']);
            Route::put('maps/{map}/view', [MapController::class, 'look']);
            Route::get('maps/{map}/history', [MapController::class, 'history']);
            Route::get('maps/{map}/trash', [MapController::class, 'trash']);
            Route::post('maps/{map}/duplicate', [LibraryController::class, 'duplicate'])->middleware('throttle:heavy');
            Route::get('maps/{map}/export', [LibraryController::class, 'export'])->middleware('throttle:heavy');
        });
    });
});

Route::get('outbox', [PageController::class, 'outbox']);
Route::get('/{page?}', [PageController::class, 'app'])->where('page', '(?!api/).*');
