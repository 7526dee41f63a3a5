<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/* What browser tests of kinds, to-dos and rules have in common. */

/** What stands on a topic of the board besides its title, a line each. */
function smallTypeOn(Browser $browser, string $title): array
{
    return (array) $browser->script('return [...document.querySelectorAll(`.board [data-topic="${arguments[0]}"] :is(text.task, text.facts)`)].map((one) => one.textContent.replaceAll("\u00a0", " "))', $browser->topic($title));
}

/** Waits until this stands there. */
function tellsOn(Browser $browser, string $title, string $line): void
{
    $browser->waitUntil(fn (): bool => in_array($line, smallTypeOn($browser, $title), true), "“{$line}” on {$title}, not ".implode(', ', smallTypeOn($browser, $title)));
}

/** The outline of a topic's box: its paint. */
function outlineOf(Browser $browser, string $title): string
{
    return (string) $browser->script('return document.querySelector(`.board [data-topic="${arguments[0]}"] path.paper`)?.getAttribute("style") ?? ""', $browser->topic($title));
}

function inBoxOfKinds(Browser $browser): Browser
{
    return $browser->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement?.closest(".veil") !== null && document.querySelectorAll(".veil li, .veil .form").length > 0'), 'the box of kinds');
}

/** A new map of a committee, with nothing in it yet. */
function committeeMap(): Browser
{
    $browser = Studio::browser()->newMap();
    $browser->type('Committee')->keys('Mod+Enter')->saved();

    return $browser;
}

/** Gives the chosen topic a date and a reminder at the desk. */
function remindAt(Browser $browser, string $by, string $option): Browser
{
    $browser->waitFor(".desk input[aria-label='By when']")->script('document.querySelector(".desk input[aria-label=\'By when\']").focus()');
    $browser->type($by)->keys('Enter')->saved();
    $browser->script('document.querySelector(".desk .n-base-selection-label[aria-label=Remind], .desk [aria-label=Remind] .n-base-selection-label").click()');
    $browser->waitFor('.n-base-select-option');
    $browser->script('[...document.querySelectorAll(".n-base-select-option")].find((one) => one.textContent.trim() === arguments[0]).click()', $option);

    return $browser->saved();
}
