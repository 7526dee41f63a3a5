<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;
use Tests\Browser\Studio;

it('brings a document in below the chosen topic, looked at first, by keys', function () {
    $folder = sys_get_temp_dir().'/bring-'.bin2hex(random_bytes(4));
    mkdir($folder);
    file_put_contents("{$folder}/in.md", "% Autumn fair\n\n# Stalls\n\nTwelve **of them**.\n\n- Soup\n- Bread\n\n# Music\n");
    (new Process(['pandoc', '--standalone', 'in.md', '-o', 'fair.docx'], $folder))->mustRun();
    $browser = Studio::opened("Year\n\tSpring\n\tAutumn\n");
    $browser->pick('Autumn')->act('Bring in a document …')->waitFor('.document-chooser')->find('.document-chooser')->sendKeys("{$folder}/fair.docx");
    $browser->waitFor('.paste .line')->waitUntil(fn (): bool => $browser->count('.paste .line') === 5, 'its lines', 30);
    expect($browser->script('return [...document.querySelectorAll(".paste .line")].map((e) => e.querySelector(".level").textContent + e.querySelector(".text").textContent)'))->toBe(['1Autumn fair', '2Stalls', '3Soup', '3Bread', '2Music'])
        ->and($browser->script('return document.querySelectorAll(".paste .has-note").length'))->toBe(1);
    // The last is left out, all the others move out by one level as the title goes.
    $browser->keys('End', 'Delete', 'Enter')->waitUntil(fn (): bool => ! $browser->has('.paste'), 'the preview to close')->saved();
    $browser->waitUntil(fn (): bool => in_array('Soup', array_column($browser->outline(), 'text'), true) || str_contains(json_encode($browser->outline()), 'Soup'), 'the topics');
    expect(json_encode($browser->outline()))->toContain('Stalls')->not->toContain('Music');
    $id = (string) $browser->script('return location.pathname.split("/")[2]');
    expect(Studio::server()->artisan('map:export', $id, '--to=md', '--owner=wren@saltmere.example'))->toContain('Twelve **of them**.');
    $browser->keys('Mod+z')->waitUntil(fn (): bool => ! str_contains((string) json_encode($browser->outline()), 'Soup'), 'one undo to take it away');
    expect($browser->complaints())->toBe([]);
    array_map(unlink(...), (array) glob("{$folder}/*"));
    rmdir($folder);
});
