<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** @return list<string> the phrases on connectors, as the board has them */
function connectorPhrases(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".board .slip")].map((slip) => [...slip.querySelectorAll("text.phrase")].map((one) => one.textContent).join(" ")).filter((phrase) => phrase !== "").sort()');
}

/** @return list<string> the lines of the outline with what stands before their titles */
function saidInOutline(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".outline .line")].map((line) => [line.querySelector("em.phrase"), line.querySelector(".text")].map((one) => one?.textContent ?? "").join("|"))');
}

it('asks new subtopics for phrase and title in one run of typing, and takes both back as one', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Lanterns')->keys('Mod+Enter')->saved();
    $browser->act('Ask for phrases below it')->saved();
    $browser->keys('Tab')->waitFor('.connector-phrase')->type('hold')->keys('Enter')->waitFor('.title-editor')->type('warm air')->keys('Tab');
    $browser->waitFor('.connector-phrase')->type('is lighter than')->keys('Tab')->waitFor('.title-editor')->type('cold air')->keys('Shift+Tab');
    $browser->waitFor('.connector-phrase')->type('are made of')->keys('Enter')->waitFor('.title-editor')->type('paper')->keys('Mod+Enter')->saved();
    $browser->waitUntil(fn (): bool => connectorPhrases($browser) === ['are made of', 'hold', 'is lighter than'], 'all three on the board');
    expect(saidInOutline($browser))->toBe(['|Lanterns', 'hold|warm air', 'is lighter than|cold air', 'are made of|paper']);
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => saidInOutline($browser) === ['|Lanterns', 'hold|warm air', 'is lighter than|cold air'], 'topic and phrase gone as one');
    $browser->keys('Mod+Shift+z')->saved()->waitUntil(fn (): bool => count(saidInOutline($browser)) === 4, 'and here again');
    // Given neither, it never was; Escape gives it up.
    $browser->pick('paper')->keys('Tab')->waitFor('.connector-phrase')->type('burns')->keys('Escape')->saved();
    $browser->waitUntil(fn (): bool => ! $browser->has('.connector-phrase') && count(saidInOutline($browser)) === 4, 'nothing new');
    // Shift and Tab let the new one stand beside its parent, where it is asked again.
    $browser->press('Show all');
    $browser->script('document.querySelector("[data-focus=board]").focus()');
    usleep(600_000);
    $browser->pick('cold air')->keys('Enter')->waitFor('.connector-phrase')->keys('Shift+Tab')->waitFor('.connector-phrase');
    $browser->type('float on')->keys('Enter')->waitFor('.title-editor')->type('the wind')->keys('Mod+Enter')->saved();
    $browser->waitUntil(fn (): bool => saidInOutline($browser) === ['|Lanterns', 'hold|warm air', 'is lighter than|cold air', 'float on|the wind', 'are made of|paper'], 'it after its former parent');
    $browser->visit((string) $browser->script('return location.pathname'))->waitFor('.slip text.phrase');
    expect(connectorPhrases($browser))->toBe(['are made of', 'float on', 'hold', 'is lighter than'])->and($browser->complaints())->toBe([]);
});

it('changes phrases by key, by double click, at the desk and in the sentences, and hides them', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Lanterns')->keys('Tab')->type('warm air')->keys('Enter')->type('paper')->keys('Mod+Enter')->saved();
    $browser->keys('F3')->waitFor('.connector-phrase')->type('are made of')->keys('Enter')->saved()->waitUntil(fn (): bool => connectorPhrases($browser) === ['are made of'], 'the phrase');
    // Slips glide to their places; what is clicked twice has to have come to rest.
    usleep(600_000);
    $at = (array) $browser->script('const box = document.querySelector(".slip .phrase-room").getBoundingClientRect(); return [box.x + box.width / 2, box.y + box.height / 2]');
    foreach ([1, 2] as $count) {
        $browser->pointer('mousePressed', $at[0], $at[1], ['button' => 'left', 'clickCount' => $count])->pointer('mouseReleased', $at[0], $at[1], ['button' => 'left', 'clickCount' => $count]);
    }
    $browser->waitFor('.connector-phrase')->type('consist of')->keys('Enter')->saved()->waitUntil(fn (): bool => connectorPhrases($browser) === ['consist of'], 'another');
    $browser->pick('warm air')->waitFor('.desk input[aria-label="Phrase of its connector"]');
    $browser->script('const field = document.querySelector(".desk input[aria-label=\"Phrase of its connector\"]"); field.focus()');
    $browser->type('hold')->keys('Enter')->saved()->waitUntil(fn (): bool => connectorPhrases($browser) === ['consist of', 'hold'], 'that of the desk');
    $browser->pick('Lanterns')->keys('Alt+9')->waitFor('.sentences li');
    $browser->script('document.querySelector(".sentences .phrase input").focus(); document.querySelector(".sentences .phrase input").select()');
    $browser->type('keep in')->keys('Enter')->saved()->waitUntil(fn (): bool => connectorPhrases($browser) === ['consist of', 'keep in'], 'that of the sentence');
    $browser->press('Mark the propositions')->press('Wrong')->saved()->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".sentences table").innerText'), '1 valid proposition'), 'one that counts');
    $browser->script('document.querySelector(".sentences header button").click()');
    $browser->pick('Lanterns')->press('Hidden')->saved()->waitUntil(fn (): bool => connectorPhrases($browser) === [], 'none on the board');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => connectorPhrases($browser) === ['consist of', 'keep in'], 'both again');
    // In the outline alone the field stands in the line.
    $browser->press('Outline')->waitUntil(fn (): bool => ! $browser->has('.board'), 'the outline alone');
    $browser->script('[...document.querySelectorAll(".outline .line")].find((line) => line.textContent.includes("paper")).dispatchEvent(new PointerEvent("pointerdown", {bubbles: true, button: 0})); document.querySelector(".outline").focus()');
    $browser->keys('F3')->waitFor('.outline .connector-phrase')->type('burn like')->keys('Enter')->saved()->waitUntil(fn (): bool => in_array('burn like|paper', saidInOutline($browser), true), 'it in its line');
    $browser->press('Board');
    expect($browser->complaints())->toBe([]);
});
