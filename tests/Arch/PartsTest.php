<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;

/* What the scripts that run servers are told, before they do anything. */

/** What a script says that is not what it takes, and that it ends at once. */
function refusedBy(string $script, string ...$options): string
{
    $process = new Process([dirname(__DIR__, 2)."/bin/{$script}", ...$options], null, null, null, 10);
    expect($process->run())->toBe(1);

    return trim($process->getErrorOutput());
}

it('refuses what it does not understand, and says what it takes', function (array $options, string $said) {
    expect(refusedBy('serve', ...$options))->toBe($said);
})->with([
    [['--prot=8000'], 'Unknown option: --prot=8000.'],
    [['--port=eighty'], 'A port and a number of workers are whole numbers.'],
    [['--port=8000;reboot'], 'A port and a number of workers are whole numbers.'],
    [['--workers=-1'], 'A port and a number of workers are whole numbers.'],
    [['--part=everything'], 'The parts are all, app, front, work and clock.'],
    [['--part=app'], '--app says where, as 127.0.0.1:9100.'],
    [['--part=app', '--app=$(reboot):9100'], '--app says where, as 127.0.0.1:9100.'],
    [['--part=front', '--apps=127.0.0.1:9100'], '--apps and --publish say where, as 127.0.0.1:9100.'],
    [['--part=app', '--app=/run/with blank'], '--app says where, as 127.0.0.1:9100.'],
    [['--part=app', '--app=run/relative'], '--app says where, as 127.0.0.1:9100.'],
    [['--part=front', '--apps=127.0.0.1:9100,', '--publish=127.0.0.1:8001'], '--apps and --publish say where, as 127.0.0.1:9100.'],
    [['--part=front', "--apps=127.0.0.1:9100;\nuser root;", '--publish=127.0.0.1:8001'], '--apps and --publish say where, as 127.0.0.1:9100.'],
]);

it('takes for a cluster only what there is', function (array $options, string $said) {
    expect(refusedBy('cluster', ...$options))->toBe($said);
})->with([
    [['--servers=0'], 'A port, up to nine servers and up to 99 workers are whole numbers.'],
    [['--servers=12'], 'A port, up to nine servers and up to 99 workers are whole numbers.'],
    [['--workers=0'], 'A port, up to nine servers and up to 99 workers are whole numbers.'],
    [['roll'], '--folder says where a cluster runs; bin/cluster tells it when it begins.'],
    [['kill', '1', '--folder=/nowhere'], '--folder says where a cluster runs; bin/cluster tells it when it begins.'],
]);
