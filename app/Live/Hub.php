<?php

declare(strict_types=1);

namespace App\Live;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Config;

/**
 * The part of the web servers that holds the streams: what is published under a name goes to all who listen to it. It is
 * reached by a socket that only this machine has; where several web servers hold streams together, by the addresses of
 * any of them, the next where one does not answer. There is none where the web server cannot do this.
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
        $this->ask(fn (PendingRequest $asking, string $at): Response => $asking->withBody($message, 'application/json')->post("{$at}/{$name}"));
    }

    /** How many listen; null where that is not known. */
    public function listening(string $name): ?int
    {
        $answer = $this->ask(fn (PendingRequest $asking, string $at): Response => $asking->get("{$at}/{$name}"));
        $listening = $answer?->status() === 404 ? 0 : $answer?->json('subscribers');

        return is_int($listening) ? $listening : null;
    }

    /** Ends the streams of all who listen. */
    public function close(string $name): void
    {
        $this->ask(fn (PendingRequest $asking, string $at): Response => $asking->delete("{$at}/{$name}"));
    }

    /** Whether several web servers hold streams, each of which tells the others of its own with some delay. */
    public function isShared(): bool
    {
        return ! str_starts_with(Config::string('chalk.live'), '/');
    }

    /**
     * @param  callable(PendingRequest, string): Response  $ask
     * @return Response|null null where nobody answers
     */
    private function ask(callable $ask): ?Response
    {
        $asking = $this->http->acceptJson()->connectTimeout(self::PATIENCE)->timeout(self::PATIENCE);
        $all = $this->isShared() ? explode(',', Config::string('chalk.live')) : [Config::string('chalk.live')];
        foreach ($all as $one) {
            try {
                return $this->isShared() ? $ask($asking, "http://{$one}") : $ask($asking->withOptions(['curl' => [CURLOPT_UNIX_SOCKET_PATH => $one]]), 'http://live');
            } catch (ConnectionException) {
                continue;
            }
        }

        return null;
    }
}
