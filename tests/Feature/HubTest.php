<?php

declare(strict_types=1);

use App\Live\Hub;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;

/* Where the application hands on what is new, one web server or several. */

beforeEach(function () {
    config(['chalk.live' => '10.0.0.4:8001,10.0.0.5:8001']);
    $this->asked = [];
    /** Lets web servers answer, each by its address; null where it does not. */
    $this->servers = function (array $answers): void {
        Http::preventStrayRequests();
        Http::fake(function (Request $request) use ($answers) {
            $at = (string) parse_url($request->url(), PHP_URL_HOST);
            $this->asked[] = "{$request->method()} {$at}".(string) parse_url($request->url(), PHP_URL_PATH)." {$request->body()}";

            return $answers[$at] === null ? throw new ConnectionException('It is away.') : Http::response(...$answers[$at]);
        });
    };
});

it('publishes to the first web server that answers, and to one only', function () {
    ($this->servers)(['10.0.0.4' => [['ok'], 201], '10.0.0.5' => [['ok'], 201]]);
    app(Hub::class)->publish('abc', '{"news":1}');
    expect($this->asked)->toBe(['POST 10.0.0.4/abc {"news":1}']);
});

it('goes on to the next one where a web server is away, for all that it asks', function () {
    ($this->servers)(['10.0.0.4' => null, '10.0.0.5' => [['subscribers' => 3], 200]]);
    $hub = app(Hub::class);
    $hub->publish('abc', 'x');
    expect($hub->listening('abc'))->toBe(3);
    $hub->close('abc');
    expect($this->asked)->toBe(['POST 10.0.0.4/abc x', 'POST 10.0.0.5/abc x', 'GET 10.0.0.4/abc ', 'GET 10.0.0.5/abc ', 'DELETE 10.0.0.4/abc ', 'DELETE 10.0.0.5/abc ']);
});

it('knows nothing, and fails at nothing, where all are away', function () {
    ($this->servers)(['10.0.0.4' => null, '10.0.0.5' => null]);
    $hub = app(Hub::class);
    $hub->publish('abc', 'x');
    $hub->close('abc');
    expect($hub->listening('abc'))->toBeNull()->and($hub->isThere())->toBeTrue();
});

it('knows that nobody listens to what there is not, and nothing of answers that it does not understand', function (array $answer, ?int $listening) {
    ($this->servers)(['10.0.0.4' => $answer]);
    expect(app(Hub::class)->listening('abc'))->toBe($listening);
})->with([
    'no such channel' => [['', 404], 0],
    'somebody' => [[['subscribers' => 2], 200], 2],
    'nobody' => [[['subscribers' => 0], 200], 0],
    'something else' => [['<html>busy</html>', 200], null],
    'a word for a number' => [[['subscribers' => 'many'], 200], null],
]);

it('tells one web server by its socket from several by their addresses', function (string $live, bool $isThere, bool $isShared) {
    config(['chalk.live' => $live]);
    expect(app(Hub::class)->isThere())->toBe($isThere)->and($isThere && app(Hub::class)->isShared())->toBe($isShared);
})->with([['/srv/live.sock', true, false], ['front:8001', true, true], ['', false, false]]);
