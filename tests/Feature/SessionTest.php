<?php

declare(strict_types=1);

use App\Http\WholeSessions;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Support\Facades\Session;

it('never has half a session in its file', function () {
    $folder = sys_get_temp_dir().'/sessions-'.bin2hex(random_bytes(6));
    mkdir($folder);
    $sessions = new WholeSessions(new Filesystem, $folder, 60);
    $sessions->write('one', $long = str_repeat('a', 200_000));
    // Whoever has the file open sees the session as it was, until it is there anew as a whole.
    $open = fopen("{$folder}/one", 'r');
    $sessions->write('one', 'short');
    expect(stream_get_contents($open))->toBe($long)->and($sessions->read('one'))->toBe('short')->and(scandir($folder))->toHaveCount(3);
    config(['session.driver' => 'file']);
    expect(Session::driver('file')->getHandler())->toBeInstanceOf(WholeSessions::class);
});
