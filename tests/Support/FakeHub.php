<?php

declare(strict_types=1);

namespace Tests\Support;

use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;

/** Stands in for the part of the web server that holds the streams: keeps what is published, by channel. */
final class FakeHub
{
    /** @var array<string, list<array<string, mixed>>> what was said since it was taken, by channel */
    public array $said = [];

    /** @var array<string, int> how many listen, where that is not one */
    public array $listening = [];

    /** @var list<string> channels that were ended */
    public array $ended = [];

    public static function begin(): self
    {
        $hub = new self;
        config(['chalk.live' => '/nowhere/live.sock']);
        Http::fake(function (Request $request) use ($hub) {
            $name = basename($request->url());
            if ($request->method() === 'DELETE') {
                $hub->ended[] = $name;

                return Http::response('{}');
            }
            if ($request->method() === 'GET') {
                return Http::response(['subscribers' => $hub->listening[$name] ?? 1]);
            }
            expectShape('LiveMessage', json_decode($request->body(), false, 4096));
            $hub->said[$name][] = json_decode($request->body(), true, 4096);

            return Http::response(['messages' => 0, 'subscribers' => $hub->listening[$name] ?? 1]);
        });

        return $hub;
    }

    /** @return list<array<string, mixed>> what was said on a channel since it was asked last */
    public function take(string $name): array
    {
        $said = $this->said[$name] ?? [];
        unset($this->said[$name]);

        return $said;
    }
}
