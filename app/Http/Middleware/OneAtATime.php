<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Limits\Alone;
use App\Models\Person;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Keeps what is heavy to one at a time for each person; "alone:pictures" names the sort. */
final readonly class OneAtATime
{
    public function __construct(private Alone $alone)
    {
    }

    public function handle(Request $request, Closure $next, string $sort): Response
    {
        $person = $request->user();

        /** @var Response */
        return $person instanceof Person ? $this->alone->run($sort, $person, fn (): mixed => $next($request)) : $next($request);
    }
}
