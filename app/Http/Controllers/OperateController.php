<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Operate\Counts;
use App\Operate\Readiness;
use Illuminate\Contracts\Queue\Factory;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** For whoever looks after the servers: whether one lives, whether it can do its work, what it counts. */
final readonly class OperateController
{
    /** That PHP answers; nothing else is asked. */
    public function health(): Response
    {
        return new Response("alive\n", 200, ['Content-Type' => 'text/plain; charset=utf-8', 'Cache-Control' => 'no-store']);
    }

    public function ready(Request $request, Readiness $readiness): JsonResponse
    {
        self::check($request);
        $told = $readiness->told();
        $isReady = array_filter($told) === [];

        return new JsonResponse(['isReady' => $isReady] + $told, $isReady ? 200 : 503, ['Cache-Control' => 'no-store']);
    }

    public function metrics(Request $request, Counts $counts, Factory $queue): Response
    {
        self::check($request);
        // What is counted is told also while the tables cannot be reached.
        $work = rescue(fn (): array => [
            '# HELP chalk_queue_jobs Work that nobody has begun.', '# TYPE chalk_queue_jobs gauge', ...array_map(fn (string $name): string => sprintf('chalk_queue_jobs{queue="%s"} %d', $name, $queue->connection()->size($name)), ['handing', 'default']),
            '# HELP chalk_failed_jobs Work that was given up.', '# TYPE chalk_failed_jobs gauge', 'chalk_failed_jobs '.DB::table('failed_jobs')->count(),
        ], []);

        return new Response(implode("\n", [
            ...$counts->told(),
            ...$work,
            ...(Counts::areThere() ? ['# HELP chalk_shared_memory_free_bytes Of the memory that the workers of this pool share.', '# TYPE chalk_shared_memory_free_bytes gauge', 'chalk_shared_memory_free_bytes '.(int) (apcu_sma_info(true)['avail_mem'] ?? 0)] : []),
            '# EOF', '',
        ]), 200, ['Content-Type' => 'application/openmetrics-text; version=1.0.0; charset=utf-8', 'Cache-Control' => 'no-store']);
    }

    /** The web server says so of what comes by its private address, and nobody else can. */
    private static function check(Request $request): void
    {
        $request->server->get('CHALK_PRIVATE') === '1' || throw new NotFoundHttpException;
    }
}
