<?php

declare(strict_types=1);

namespace App\Live;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Support\Facades\Config;

/**
 * The part of the web server that holds the streams: what is published under a name goes to all who listen to it. It is
 * reached by a socket that only this machine has; there is none where the web server cannot do this.
 */
final readonly class Hub
{
    /** Seconds; it does nothing but hand on. */
    private const PATIENCE = 2;

    public function __construct(private Factory $http)
    {
    }

    public function isThere(): bool
    {
        return Config::string('chalk.live') !== '';
    }

    /** Hands something on to all who listen; where that cannot be, they find out when they ask. */
    public function publish(string $name, string $message): void
    {
        try {
            $this->asking()->withBody($message, 'application/json')->post("http://live/{$name}");
        } catch (ConnectionException) {
            return;
        }
    }

    /** How many listen; null where that is not known. */
    public function listening(string $name): ?int
    {
        try {
            $answer = $this->asking()->get("http://live/{$name}");
        } catch (ConnectionException) {
            return null;
        }
        $listening = $answer->status() === 404 ? 0 : $answer->json('subscribers');

        return is_int($listening) ? $listening : null;
    }

    /** Ends the streams of all who listen. */
    public function close(string $name): void
    {
        try {
            $this->asking()->delete("http://live/{$name}");
        } catch (ConnectionException) {
            // There is nobody to be told then either.
        }
    }

    private function asking(): PendingRequest
    {
        return $this->http->acceptJson()->connectTimeout(self::PATIENCE)->timeout(self::PATIENCE)->withOptions(['curl' => [CURLOPT_UNIX_SOCKET_PATH => Config::string('chalk.live')]]);
    }
}
