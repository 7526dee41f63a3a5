<?php

declare(strict_types=1);

namespace App\Operate;

use APCUIterator;

/**
 * What the workers of one pool of one server count together, in memory that they share, told in the common text format of
 * metrics (OpenMetrics 1.0). A server that begins anew begins at nothing, as whoever reads it expects.
 */
final class Counts
{
    private const REQUESTS = 'count requests ';

    private const SECONDS = 'count seconds ';

    private const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];

    /** Upper bounds in milliseconds. */
    private const BOUNDS = [5, 10, 25, 50, 100, 250, 500, 1_000, 2_500, 10_000];

    public static function areThere(): bool
    {
        return function_exists('apcu_enabled') && apcu_enabled();
    }

    /** @param  string  $route  as it is declared, without what anybody put in */
    public function add(string $method, string $route, int $status, float $seconds): void
    {
        if (! self::areThere()) {
            return;
        }
        // Whoever makes up methods shall not fill what is shared.
        $method = in_array($method, self::METHODS, true) ? $method : 'other';
        apcu_inc(self::REQUESTS."{$method} {$route} {$status}");
        $kind = self::kind($method, $route);
        foreach (self::BOUNDS as $bound) {
            if ($seconds * 1_000 <= $bound) {
                apcu_inc(self::SECONDS."{$kind} {$bound}");
                break;
            }
        }
        apcu_inc(self::SECONDS."{$kind} count");
        apcu_inc(self::SECONDS."{$kind} sum", (int) round($seconds * 1_000_000));
    }

    /** @return list<string> lines */
    public function told(): array
    {
        $requests = $seconds = [];
        if (self::areThere()) {
            foreach (new APCUIterator('/^count (?:requests|seconds) /') as $key => $entry) {
                $value = is_array($entry) ? (int) $entry['value'] : 0;
                if (str_starts_with((string) $key, self::REQUESTS)) {
                    [$method, $route, $status] = [strtok(substr((string) $key, strlen(self::REQUESTS)), ' '), strtok(' '), strtok(' ')];
                    $requests["{$route} {$method} {$status}"] = sprintf('chalk_requests_total{method="%s",route="%s",status="%s"} %d', $method, addcslashes((string) $route, "\\\"\n"), $status, $value);
                } else {
                    [$kind, $bound] = explode(' ', substr((string) $key, strlen(self::SECONDS)));
                    $seconds[$kind][$bound] = $value;
                }
            }
        }
        ksort($requests);
        ksort($seconds);

        return [
            '# HELP chalk_requests Requests that were answered, by route and status.', '# TYPE chalk_requests counter', ...array_values($requests),
            '# HELP chalk_request_seconds How long answers took.', '# TYPE chalk_request_seconds histogram', ...array_merge(...array_values(array_map(self::histogram(...), array_keys($seconds), $seconds))),
        ];
    }

    /**
     * @param  array<string, int>  $counts  by upper bound, and "count" and "sum"
     * @return list<string>
     */
    private static function histogram(string $kind, array $counts): array
    {
        $lines = [];
        $sofar = 0;
        foreach (self::BOUNDS as $bound) {
            $sofar += $counts[(string) $bound] ?? 0;
            $lines[] = sprintf('chalk_request_seconds_bucket{kind="%s",le="%s"} %d', $kind, $bound / 1_000, $sofar);
        }

        return [...$lines, sprintf('chalk_request_seconds_bucket{kind="%s",le="+Inf"} %d', $kind, $counts['count'] ?? 0), sprintf('chalk_request_seconds_sum{kind="%s"} %.6f', $kind, ($counts['sum'] ?? 0) / 1_000_000), sprintf('chalk_request_seconds_count{kind="%s"} %d', $kind, $counts['count'] ?? 0)];
    }

    /** What people wait for in different ways. */
    private static function kind(string $method, string $route): string
    {
        return match ("{$method} {$route}") {
            'POST api/maps/{map}/edits' => 'edit',
            'GET api/maps/{map}/edits' => 'news',
            'GET api/maps/{map}' => 'open',
            default => 'other',
        };
    }
}
