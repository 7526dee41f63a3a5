<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Person;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** Keeps what needs an account of one's own from the pupils of a class, who have none. */
final class OwnAccount
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $person = $request->user();
        if ($person instanceof Person && $person->pupil_of !== null) {
            throw new AccessDeniedHttpException('This needs an account of your own. As a pupil you work in what was given to your class.');
        }

        return $next($request);
    }
}
