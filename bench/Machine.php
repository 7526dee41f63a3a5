<?php

declare(strict_types=1);

namespace Bench;

/** The machine on which something is measured. */
final class Machine
{
    /**
     * Prints what it is and, above the figures, what they are; and in the end how much of its time others took meanwhile
     * who share it: with more than some hundredths, figures say as much of them as of what was measured.
     *
     * @param  int|null  $width  of what stands before the figures; null where they have heads of their own
     */
    public static function tells(?int $width): void
    {
        $processors = (string) @file_get_contents('/proc/cpuinfo');
        preg_match('/model name\s*: (.*)/', $processors, $cpu);
        printf("%s, %d cores, PHP %s\n", $cpu[1] ?? php_uname('m'), preg_match_all('/^processor\b/m', $processors), PHP_VERSION);
        $width === null ?: printf("\n%-{$width}s %8s %8s\n", 'milliseconds', 'p50', 'p95');
        [$all, $taken] = self::time();
        register_shutdown_function(function () use ($all, $taken): void {
            [$allNow, $takenNow] = self::time();
            $allNow === $all ?: printf("\nTaken from this machine by others meanwhile: %.1f %% of its time.\n", 100 * ($takenNow - $taken) / ($allNow - $all));
        });
    }

    /**
     * What processes have had of the processors, in milliseconds: also where others take much, it says what was needed.
     *
     * @param  list<int>  $processes
     */
    public static function spent(array $processes): float
    {
        $ticks = 0;
        foreach ($processes as $one) {
            $fields = explode(' ', (string) preg_replace('/^.*\) /', '', (string) @file_get_contents("/proc/{$one}/stat")));
            $ticks += (int) ($fields[11] ?? 0) + (int) ($fields[12] ?? 0);
        }

        // Hundredths of seconds (proc(5)).
        return $ticks * 10.0;
    }

    /** @return array{int, int} hundredths of seconds of all processors since the machine began, and those that others had of them (proc(5), “steal”) */
    private static function time(): array
    {
        preg_match('/^cpu +([\d ]+)/', (string) @file_get_contents('/proc/stat'), $m);
        $times = array_map(intval(...), explode(' ', trim($m[1] ?? '')));

        return [array_sum(array_slice($times, 0, 8)), $times[7] ?? 0];
    }
}
