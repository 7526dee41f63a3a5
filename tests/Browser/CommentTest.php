<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/* What people say to each other about topics, in two browsers. */

/** What the panel says, a comment each: who, and what. */
function commentsIn(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".comments-panel .one")].map((one) => `${one.querySelector("strong").textContent}: ${one.querySelector(".text")?.textContent ?? "…"}`)');
}

/** Writes in a field of the panel by its name, and says it. */
function sayIn(Browser $browser, string $field, string $text): Browser
{
    $browser->waitUntil(fn (): bool => (bool) $browser->script('const field = document.querySelector(`.comments-panel textarea[aria-label="${arguments[0]}"]`); field?.focus(); return document.activeElement === field && field !== null', $field), "the field “{$field}”");

    return $browser->type($text)->keys('Mod+Enter');
}

it('says something by keys, is answered by mouse, names somebody, and is settled', function () {
    $ines = Studio::beside('Ines');
    $tove = Studio::lent("Plan\n\tBoats\n\tMusic\n");
    $id = openId($tove);
    Studio::server()->artisan('map:share', $id, 'ines@beside.saltmere.example', '--role=comment');
    $tove->visit("/maps/{$id}")->ready()->pick('Boats')->keys('Mod+Shift+F7')->type('Who rows?')->keys('Mod+Enter');
    $tove->waitUntil(fn (): bool => commentsIn($tove) === ['Wren: Who rows?'], 'what was said')->waitFor('.comment-mark');
    // Ines sees it come, on the board and in the outline, and answers.
    $ines->visit("/maps/{$id}")->ready()->waitFor('.reading-desk')->waitFor('.comment-mark')->waitFor('.outline .said');
    $ines->script('const r = document.querySelector(".comment-mark").dispatchEvent(new MouseEvent("click", { bubbles: true }))');
    $ines->waitUntil(fn (): bool => commentsIn($ines) === ['Wren: Who rows?'], 'it to be read');
    $ines->find('.comments-panel .answers textarea')->click();
    $ines->type('I do, @Wr');
    $ines->waitUntil(fn (): bool => (bool) $ines->script('return [...document.querySelectorAll(".n-base-select-option")].some((one) => one.textContent.trim() === "Wren")'), 'the name to be offered')->keys('Enter');
    $ines->waitUntil(fn (): bool => str_contains((string) $ines->script('return document.querySelector(".comments-panel .answers textarea").value'), '@Wren'), 'the name')->press('Answer');
    $tove->waitUntil(fn (): bool => count(commentsIn($tove)) === 2, 'the answer, by itself', 20);
    expect(commentsIn($tove)[1])->toContain('Ines: I do, @Wren');
    // She may comment and not change.
    $ines->pick('Music')->keys('Enter', 'Delete');
    expect($ines->outline())->toBe(['Plan', '  Boats', '  Music']);
    $tove->press('Settled')->waitUntil(fn (): bool => commentsIn($tove) === [], 'it to be settled');
    $ines->waitUntil(fn (): bool => ! $ines->has('.comment-mark'), 'the mark to go', 20);
    $tove->script('document.querySelector(".comments-panel .n-checkbox").click()');
    $tove->waitUntil(fn (): bool => count(commentsIn($tove)) === 2, 'what is settled');
    $tove->press('Take up again')->waitFor('.comment-mark');
    expect($tove->complaints())->toBe([])->and($ines->complaints())->toBe([]);
});

it('tells in the library what is for somebody, leads there, and no more once it was seen', function () {
    $ines = Studio::beside('Ines');
    $tove = Studio::lent("Plan\n\tBoats\n\tMusic\n");
    $id = openId($tove);
    Studio::server()->artisan('map:share', $id, 'ines@beside.saltmere.example');
    $tove->visit("/maps/{$id}")->ready()->pick('Music')->keys('Mod+Shift+F7');
    sayIn($tove, 'Say something about this topic', 'Drums or pipes, @Ines?')->waitUntil(fn (): bool => commentsIn($tove) === ['Wren: Drums or pipes, @Ines?'], 'what was said');
    $ines->visit('/')->waitUntil(fn (): bool => str_contains((string) $ines->script('return document.querySelector("section[aria-label=\'Said to you\']")?.innerText ?? ""'), 'Drums or pipes, @Ines?'), 'what is for her');
    $ines->script('document.querySelector("section[aria-label=\'Said to you\'] a").click()');
    $ines->ready()->waitUntil(fn (): bool => str_contains((string) $ines->script('return document.querySelector(".outline [aria-selected=true]")?.textContent'), 'Music'), 'the topic to be chosen');
    $ines->keys('Mod+Shift+F7')->waitUntil(fn (): bool => commentsIn($ines) === ['Wren: Drums or pipes, @Ines?'], 'what was said');
    sayIn($ines, 'Answer to Wren', 'Pipes.')->waitUntil(fn (): bool => count(commentsIn($ines)) === 2, 'her answer');
    // What she says is changed and taken away by her.
    $ines->press('Change')->waitFor('textarea[aria-label="Say it otherwise"]')->keys('Mod+a')->type('Drums.')->keys('Mod+Enter')->waitUntil(fn (): bool => commentsIn($ines)[1] === 'Ines: Drums.', 'what she says now');
    $ines->press('Remove what Ines said')->waitUntil(fn (): bool => count(commentsIn($ines)) === 1, 'it to be gone');
    $ines->visit('/')->waitFor('.library header');
    usleep(500_000);
    expect($ines->has('section[aria-label="Said to you"]'))->toBeFalse()->and($ines->complaints())->toBe([])->and($tove->complaints())->toBe([]);
});

it('goes from topic to topic with comments, and keeps what is being written', function () {
    $browser = Studio::lent("Plan\n\tBoats\n\tMusic\n");
    foreach (['Boats' => 'One.', 'Music' => 'Two.'] as $topic => $text) {
        $browser->pick($topic)->keys('Mod+Shift+F7');
        sayIn($browser, 'Say something about this topic', $text)->waitUntil(fn (): bool => commentsIn($browser) === ["Wren: {$text}"], $text);
    }
    $browser->type('Half a sen');
    $browser->keys('Mod+Shift+F8')->waitUntil(fn (): bool => commentsIn($browser) === ['Wren: One.'], 'the first');
    $browser->keys('Mod+Shift+F8')->waitUntil(fn (): bool => commentsIn($browser) === ['Wren: Two.'], 'the next');
    expect($browser->script('return document.querySelector(".comments-panel .saying textarea").value'))->toBe('Half a sen');
    // By mouse from the list of those elsewhere, and over a reload they are there.
    $browser->script('document.querySelector(".comments-panel li button").click()');
    $browser->waitUntil(fn (): bool => commentsIn($browser) === ['Wren: One.'], 'the first, by mouse');
    $browser->script('location.reload()');
    $browser->ready()->waitUntil(fn (): bool => $browser->count('.comment-mark') === 2, 'both marks');
    $browser->press('Comments, 2 open')->waitFor('.comments-panel');
    expect($browser->complaints())->toBe([]);
});

it('tells who comes back what others did, and shows it drawn', function () {
    $ines = Studio::beside('Ines');
    $tove = Studio::lent("Plan\n\tBoats\n\tMusic\n");
    $id = openId($tove);
    Studio::server()->artisan('map:share', $id, 'ines@beside.saltmere.example');
    $ines->visit("/maps/{$id}")->ready()->visit('/')->waitFor('.library');
    $tove->pick('Music')->keys('Enter')->type('Food')->keys('Enter', 'Escape')->saved();
    // An hour goes by.
    $database = new PDO('sqlite:'.Studio::server()->database());
    $database->exec("update visits set last = last - 3600 where map_id = '{$id}'");
    $ines->visit("/maps/{$id}")->ready()->waitFor('.since');
    expect((string) $ines->script('return document.querySelector(".since").innerText'))->toContain('by Wren');
    $ines->press('See what is different')->waitUntil(fn (): bool => str_contains((string) $ines->script('return document.body.innerText'), 'Added since'), 'what was added');
    expect((string) $ines->script('return document.body.innerText'))->toContain('Food')->and($ines->complaints())->toBe([]);
});
