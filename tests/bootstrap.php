<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;

require __DIR__.'/../vendor/autoload.php';

// All that a run leaves in a temporary folder, its browsers and servers included, is in one that goes with it.
$folder = (getenv('TMPDIR') ?: '/tmp').'/chalk-tests-'.getmypid();
mkdir($folder, 0o700, true);
putenv("TMPDIR={$folder}");
$_ENV['TMPDIR'] = $_SERVER['TMPDIR'] = $folder;
// After whatever else is done at the end.
register_shutdown_function(fn () => register_shutdown_function(fn () => (new Process(['rm', '-rf', $folder]))->run()));
