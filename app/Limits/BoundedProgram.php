<?php

declare(strict_types=1);

namespace App\Limits;

use Symfony\Component\Process\Exception\ExceptionInterface;
use Symfony\Component\Process\Process;

/** Another program, run on what people bring: in a process of its own, bounded in memory, time and what it writes, whatever is in the file. */
final class BoundedProgram
{
    /** Bytes of address space, which is several times what is used. */
    private const MEMORY = 2 * 1024 * 1024 * 1024;

    /** Bytes of any file that it writes. */
    private const LARGEST = 512 * 1024 * 1024;

    /** Seconds, of the processor and of the clock, where nothing is said. */
    private const SECONDS = 20;

    /** Microseconds from one look whether somebody stopped it to the next. */
    private const LOOKS = 50_000;

    /** How a program is cut off from all networks, as far as the machine lets us; null before it was tried. */
    private static ?bool $cutsOff = null;

    /**
     * @param  list<string>  $command
     * @param  string|null  $folder  where it works
     * @param  int  $seconds  of the processor, and of the clock
     * @param  callable(): bool|null  $isStopped  whether nobody waits for it any more
     * @param  array<string, string>  $with  what it finds in its environment besides
     * @return string|null  what it prints; null where it failed, took too long or was stopped
     */
    public static function run(array $command, ?string $folder = null, int $seconds = self::SECONDS, ?callable $isStopped = null, array $with = []): ?string
    {
        // Only what libvips has made safe against any file is let near one.
        $process = new Process(
            [...self::cutOff(), 'prlimit', '--as='.self::MEMORY, "--cpu={$seconds}", '--fsize='.self::LARGEST, ...$command],
            $folder, ['VIPS_BLOCK_UNTRUSTED' => '1', 'VIPS_WARNING' => '0', ...$with], timeout: (float) $seconds,
        );
        try {
            $process->start();
            while ($isStopped !== null && $process->isRunning()) {
                $process->checkTimeout();
                if ($isStopped()) {
                    $process->stop(0);

                    return null;
                }
                usleep(self::LOOKS);
            }
            $process->wait();
        } catch (ExceptionInterface) {
            return null;
        }

        return $process->isSuccessful() ? $process->getOutput() : null;
    }

    /** @return list<string> what stands before a command so that it sees no network; nothing where the machine forbids that */
    private static function cutOff(): array
    {
        $command = ['unshare', '--user', '--map-current-user', '--net', '--'];
        if (self::$cutsOff === null) {
            $try = new Process([...$command, 'true'], timeout: 5.0);
            self::$cutsOff = $try->run() === 0;
        }

        return self::$cutsOff ? $command : [];
    }
}
