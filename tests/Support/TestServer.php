<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;
use Symfony\Component\Process\Process;

/** The application on a free port with a database and storage of its own, which are gone when it stops. */
final class TestServer
{
    public readonly string $address;

    private readonly string $folder;

    /** The origin of the small site that stands in for the network. */
    public readonly string $site;

    private readonly int $port;

    private ?Process $process = null;

    private ?int $pid = null;

    /** @param  array<string, string>  $settings further environment */
    public function __construct(private readonly array $settings = [], private readonly bool $demo = true)
    {
        $this->folder = sys_get_temp_dir().'/chalk-tree-'.bin2hex(random_bytes(6));
        foreach (['framework/cache/data', 'framework/sessions', 'framework/views', 'logs', 'app'] as $part) {
            mkdir("{$this->folder}/storage/{$part}", 0o755, true);
        }
        touch("{$this->folder}/test.sqlite");
        $this->port = self::freePort();
        $this->address = "http://127.0.0.1:{$this->port}";
        $this->site = 'http://127.0.0.1:'.self::freePort();
        $this->artisan('migrate', '--force');
        if ($this->demo) {
            $this->artisan('demo:load');
        }
        $this->start();
    }

    public static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        $name = (string) stream_socket_get_name($socket, false);
        fclose($socket);

        return (int) substr($name, (int) strrpos($name, ':') + 1);
    }

    public function start(): void
    {
        $this->process = new Process(["{$this->root()}/bin/serve", "--port={$this->port}", "--folder={$this->folder}/server", '--workers=3'], $this->root(), $this->environment(), null, null);
        $this->process->disableOutput();
        $this->process->start();
        // Noted now, because a process that this one forks to do the killing cannot ask for it.
        $this->pid = $this->process->getPid();
        for ($i = 0; $i < 300; $i++) {
            $probe = curl_init("{$this->address}/api/me");
            curl_setopt_array($probe, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 10]);
            if (is_string(curl_exec($probe)) && curl_getinfo($probe, CURLINFO_RESPONSE_CODE) === 200) {
                return;
            }
            usleep(50_000);
        }

        throw new RuntimeException('The test server did not start.');
    }

    /** Ends the server and all its processes from one moment to the next, as a crash would. */
    public function kill(): void
    {
        foreach ($this->processes() as $one) {
            posix_kill($one, 9);
        }
        $this->pid = null;
        $this->process = null;
    }

    /**
     * The processes of the server: itself and all that it began, directly or not.
     *
     * @param  string|null  $called  only those whose command line holds this
     * @return list<int> ids
     */
    public function processes(?string $called = null): array
    {
        $found = $this->pid === null ? [] : [$this->pid];
        for ($i = 0; $i < count($found); $i++) {
            foreach (glob("/proc/{$found[$i]}/task/*/children") ?: [] as $file) {
                array_push($found, ...array_map(intval(...), preg_split('/\s+/', trim((string) @file_get_contents($file)), -1, PREG_SPLIT_NO_EMPTY) ?: []));
            }
        }

        return array_values(array_filter($found, fn (int $pid): bool => $called === null || str_contains((string) @file_get_contents("/proc/{$pid}/cmdline"), $called)));
    }

    public function stop(): void
    {
        $this->kill();
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    /** Runs a command on the server's database and gives what it prints. */
    public function artisan(string ...$arguments): string
    {
        $process = new Process(['php', 'artisan', ...$arguments], $this->root(), $this->environment(), null, 120);
        $process->run();
        if (! $process->isSuccessful()) {
            throw new RuntimeException($process->getErrorOutput().$process->getOutput());
        }

        return $process->getOutput();
    }

    /** The file of the database. */
    public function database(): string
    {
        return "{$this->folder}/test.sqlite";
    }

    /** Where all that it has lies. */
    public function folder(): string
    {
        return $this->folder;
    }

    /** Where it keeps its files. */
    public function storage(): string
    {
        return "{$this->folder}/storage";
    }

    private function root(): string
    {
        return dirname(__DIR__, 2);
    }

    /** @return array<string, string|false> */
    private function environment(): array
    {
        return $this->settings + [
            'APP_ENV' => 'production',
            'STAND_IN_PORT' => substr($this->site ?? ':', (int) strrpos($this->site ?? ':', ':') + 1),
            'CHALK_STAND_IN' => $this->site ?? '',
            'APP_KEY' => 'base64:dGVzdHMtb25seS1rZXktb2YtY2hhbGstdHJlZS0xMjM=',
            'APP_URL' => $this->address ?? 'http://127.0.0.1',
            'CHALK_DEMO' => '1',
            'CHALK_LOOPBACK' => '1',
            // What a worker asks for goes by the conditions of the network that tests set.
            'CHALK_OFFLINE' => '0',
            'CHALK_LIVE' => "{$this->folder}/server/live.sock",
            'DB_CONNECTION' => 'sqlite',
            'DB_DATABASE' => "{$this->folder}/test.sqlite",
            'LARAVEL_STORAGE_PATH' => "{$this->folder}/storage",
            'SESSION_DRIVER' => 'file',
            'QUEUE_CONNECTION' => 'database',
            'CACHE_STORE' => 'file',
            // What is measured or tested is not copied besides.
            'CHALK_BACKUPS' => '',
            'MAIL_MAILER' => 'outbox',
            'BCRYPT_ROUNDS' => '4',
        ];
    }
}
