<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** The id of the map that is open. */
function openId(Browser $browser): string
{
    return (string) $browser->script('return /maps\/([0-9a-z]{26})/.exec(location.pathname)[1]');
}

/** The map that is open as the server has it, in our own JSON. */
function onServer(string $id): array
{
    return json_decode(Studio::server()->artisan('map:show', $id), true);
}
