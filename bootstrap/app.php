<?php

declare(strict_types=1);

use App\Http\BoardFrame;
use App\Http\ErrorAnswer;
use App\Http\Middleware\CountRequests;
use App\Http\Middleware\OneAtATime;
use App\Http\Middleware\OwnAccount;
use App\Http\Middleware\ReadBody;
use App\Http\Middleware\SafetyHeaders;
use App\Http\Middleware\StandingSession;
use App\Http\Middleware\TokenInHeader;
use Illuminate\Auth\Middleware\Authorize;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Foundation\Http\Middleware\ConvertEmptyStringsToNull;
use Illuminate\Foundation\Http\Middleware\TrimStrings;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        commands: __DIR__.'/../routes/console.php',
        then: fn () => require __DIR__.'/../routes/pages.php',
    )
    ->withCommands([__DIR__.'/../app/Console'])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->encryptCookies(except: [BoardFrame::COOKIE]);
        // Everything is same-origin.
        $middleware->remove(HandleCors::class);
        $middleware->append(SafetyHeaders::class);
        $middleware->append(CountRequests::class);
        $middleware->redirectGuestsTo('/sign-in');
        // These read the body of a request before it is known whether its sender has any rights here.
        $middleware->remove([TrimStrings::class, ConvertEmptyStringsToNull::class]);
        $middleware->web(replace: [ValidateCsrfToken::class => TokenInHeader::class]);
        // Somebody may have ended their session from elsewhere.
        $middleware->web(append: [StandingSession::class]);
        $middleware->alias(['body' => ReadBody::class, 'alone' => OneAtATime::class, 'account' => OwnAccount::class]);
        $middleware->appendToPriorityList(Authorize::class, ReadBody::class);
        $middleware->appendToPriorityList(ReadBody::class, OneAtATime::class);
        // A new password ends the sessions that were begun with the old one.
        $middleware->authenticateSessions();
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->is('api/*'));
        $exceptions->render(fn (Throwable $thrown, Request $request) => ErrorAnswer::to($thrown, $request));
        $exceptions->dontReport(ChalkTree\Refusal::class);
    })
    ->create();
