<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Session\FileSessionHandler;

/** Keeps each session in a file that is there whole at any moment, whoever ends while it is written. */
final class WholeSessions extends FileSessionHandler
{
    /**
     * @param  string  $sessionId
     * @param  string  $data
     */
    public function write($sessionId, $data): bool
    {
        $this->files->replace("{$this->path}/{$sessionId}", $data, 0o600);

        return true;
    }
}
