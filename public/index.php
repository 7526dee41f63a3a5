<?php

declare(strict_types=1);

use Illuminate\Foundation\Application;
use Illuminate\Http\Request;

require __DIR__.'/../vendor/autoload.php';

/** @var Application $app */
$app = require __DIR__.'/../bootstrap/app.php';

// Not Request::capture(), which parses the body at once, whoever sent it; the middleware ReadBody does, where it may.
$app->handleRequest(new Request($_GET, [], [], $_COOKIE, [], $_SERVER));
