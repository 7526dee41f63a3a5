<?php

declare(strict_types=1);

use App\Http\ErrorAnswer;
use App\Http\Middleware\PackAnswers;
use App\Http\Middleware\SafetyHeaders;
use App\Http\Middleware\UnpackRequests;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        commands: __DIR__.'/../routes/console.php',
    )
    ->withCommands([__DIR__.'/../app/Console'])
    ->withMiddleware(function (Middleware $middleware): void {
        // Everything is same-origin.
        $middleware->remove(HandleCors::class);
        $middleware->append([SafetyHeaders::class, PackAnswers::class, UnpackRequests::class]);
        $middleware->redirectGuestsTo('/sign-in');
        $middleware->trimStrings(except: [fn (Request $request): bool => $request->is('api/maps/*', 'api/find', 'api/replace')]);
        $middleware->convertEmptyStringsToNull(except: [fn (Request $request): bool => $request->is('api/maps/*', 'api/find', 'api/replace')]);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->is('api/*'));
        $exceptions->render(fn (Throwable $thrown, Request $request) => ErrorAnswer::to($thrown, $request));
        $exceptions->dontReport(ChalkTree\Refusal::class);
    })
    ->create();
