<?php

declare(strict_types=1);

namespace ChalkTree\Find;

use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\PhpExecutableFinder;
use Symfony\Component\Process\Process;

/**
 * Matches a pattern in a child process, which is ended when its time is over. Nothing inside a process can stop a match
 * that has begun, and bounds on its steps do not bound its time: a step of some patterns takes a thousand times as long.
 */
final class PatternProcess
{
    /** Seconds. */
    public const LONGEST = 2.0;

    private const MOST_FINDS = 100_000;

    private const MEMORY = '192M';

    /**
     * @param  string  $expression  as preg takes it
     * @param  list<string>  $texts
     * @return list<list<list<array{string, int}>>>|null by text and find: the groups with their places in bytes, -1 for those that matched nothing; null where it took too long or found too much
     */
    public static function match(string $expression, array $texts, float $seconds = self::LONGEST): ?array
    {
        $php = (new PhpExecutableFinder)->find(false);
        $process = new Process(
            [$php === false ? 'php' : $php, '-n', '-d', 'memory_limit='.self::MEMORY, '-d', 'pcre.backtrack_limit=100000000', __DIR__.'/pattern-worker.php'],
            input: json_encode(['expression' => $expression, 'texts' => $texts, 'most' => self::MOST_FINDS], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR),
            timeout: $seconds,
        );
        try {
            if ($process->run() !== 0) {
                return null;
            }
        } catch (ProcessTimedOutException) {
            $process->stop(0);

            return null;
        }

        /** @var list<list<list<array{string, int}>>> */
        return json_decode($process->getOutput(), true, 8, JSON_THROW_ON_ERROR);
    }
}
