<?php

declare(strict_types=1);

namespace Tests\Support\Pages;

use Symfony\Component\Process\Process;
use Tests\Support\TestServer;

/** That server, on a free port. */
final class Site
{
    public readonly string $address;

    private readonly string $log;

    private readonly Process $process;

    public function __construct()
    {
        $this->address = 'http://127.0.0.1:'.TestServer::freePort();
        $this->log = (string) tempnam(sys_get_temp_dir(), 'pages');
        $this->process = new Process(['php', '-S', substr($this->address, 7), __DIR__.'/router.php'], env: ['PAGES_LOG' => $this->log], timeout: null);
        $this->process->start();
        for ($i = 0; $i < 100 && @file_get_contents("{$this->address}/page") === false; $i++) {
            usleep(30_000);
        }
        file_put_contents($this->log, '');
    }

    /** @return list<string> the paths that were asked for */
    public function asked(): array
    {
        return array_values(array_filter(explode("\n", (string) file_get_contents($this->log))));
    }

    public function stop(): void
    {
        $this->process->stop(0);
        @unlink($this->log);
    }
}
