<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/* What tests of writing do in the browser. */

/** To a topic by its name. */
function gone(Browser $browser, string $title): Browser
{
    $browser->keys('Mod+j')->waitFor('[role=dialog] input')->type($title)->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector("[role=dialog]")?.innerText ?? ""'), $title), "“{$title}” to go to");

    return $browser->keys('Enter')->waitUntil(fn (): bool => ! $browser->has('[role=dialog]'), 'the map');
}

/** The demo's novel, seen as a draft, with the caret in one of its scenes. */
function novel(string $scene = 'The dark at the end of the mole'): Browser
{
    $browser = gone(Studio::copyOf('ninth-lamp'), $scene);
    $browser->keys('Alt+4')->waitFor('.draft .ProseMirror');

    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.closest(".section")?.getAttribute("aria-label")') === $scene, "the caret in “{$scene}”");
    // The editor sets its caret once more 20 ms after it got the focus; nobody presses a key before that.
    $browser->driver->executeAsyncScript('setTimeout(arguments[0], 60)');

    return $browser;
}

/** The lines at hand, each as its title and what is said of it. */
function atHand(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".at-hand li button")].map((one) => [...one.children].map((part) => part.textContent.trim()).join(" | "))');
}

/** What the section says in which the caret is. */
function written(Browser $browser): string
{
    return (string) $browser->script('return document.querySelector(".draft .ProseMirror")?.innerText ?? ""');
}

/** By the mouse, over the menu above the text. */
function fromWriting(Browser $browser, string $name): Browser
{
    $browser->press('Writing')->waitUntil(fn (): bool => $browser->script('return [...document.querySelectorAll(".n-dropdown-option-body")].some((one) => one.textContent.startsWith(arguments[0]))', $name) === true, 'the menu');
    $browser->script('[...document.querySelectorAll(".n-dropdown-option-body")].find((one) => one.textContent.startsWith(arguments[0])).click()', $name);

    return $browser;
}
