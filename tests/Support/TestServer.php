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
        $this->process = new Process(
            ['php', '-d', 'opcache.enable_cli=1', '-d', 'post_max_size=24M', '-S', "127.0.0.1:{$this->port}", '-t', 'public', 'bin/router.php'],
            $this->root(), $this->environment() + ['PHP_CLI_SERVER_WORKERS' => '3'], null, null,
        );
        $this->process->disableOutput();
        $this->process->start();
        // Noted now, because a process that this one forks to do the killing cannot ask for it.
        $this->pid = $this->process->getPid();
        for ($i = 0; $i < 100; $i++) {
            $probe = curl_init("{$this->address}/api/me");
            curl_setopt_array($probe, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 10]);
            if (is_string(curl_exec($probe))) {
                return;
            }
            usleep(50_000);
        }

        throw new RuntimeException('The test server did not start.');
    }

    /** Ends the server and its workers from one moment to the next, as a crash would. */
    public function kill(): void
    {
        if ($this->pid !== null) {
            $file = "/proc/{$this->pid}/task/{$this->pid}/children";
            $workers = is_file($file) ? array_filter(explode(' ', trim((string) file_get_contents($file)))) : [];
            foreach ([$this->pid, ...$workers] as $one) {
                posix_kill((int) $one, 9);
            }
        }
        $this->pid = null;
        $this->process = null;
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

    private function root(): string
    {
        return dirname(__DIR__, 2);
    }

    /** @return array<string, string|false> */
    private function environment(): array
    {
        return $this->settings + [
            'APP_ENV' => 'production',
            'APP_KEY' => 'base64:dGVzdHMtb25seS1rZXktb2YtY2hhbGstdHJlZS0xMjM=',
            'APP_URL' => $this->address ?? 'http://127.0.0.1',
            'CHALK_DEMO' => '1',
            'DB_CONNECTION' => 'sqlite',
            'DB_DATABASE' => "{$this->folder}/test.sqlite",
            'LARAVEL_STORAGE_PATH' => "{$this->folder}/storage",
            'SESSION_DRIVER' => 'file',
            'CACHE_STORE' => 'file',
            'MAIL_MAILER' => 'outbox',
            'BCRYPT_ROUNDS' => '4',
        ];
    }
}
