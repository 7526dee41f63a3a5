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

/** A map made of an outline, open in the browser. */
function openOutline(string $outline): Browser
{
    $browser = Studio::browser();
    file_put_contents($file = sys_get_temp_dir().'/capture-'.bin2hex(random_bytes(4)).'.txt', $outline);
    $id = trim(Studio::server()->artisan('map:import', $file));
    file_put_contents($file, json_encode([['name' => 'map.arrange', 'arrangement' => 'rightward']]));
    Studio::server()->artisan('map:edit', $id, $file);
    unlink($file);

    return $browser->visit("/maps/{$id}")->ready();
}

/** Waits until the outline is as wanted, without anything being done there. */
function outlineBecomes(Browser $browser, array $lines): void
{
    $browser->waitUntil(fn (): bool => $browser->outline() === $lines, 'the outline: '.implode(' | ', $lines).', not '.implode(' | ', $browser->outline()), 20);
}
