<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/* Tables as they are seen in the browser. */

/** @return list<string> what stands in the rows that are in view, cells with bars between, heads with "#" */
function rowsSeen(Browser $browser): array
{
    return (array) $browser->script(<<<'JS'
        return [...document.querySelectorAll('.table-grid .line:not(.fresh), .table-grid .group')].sort((a, b) => a.getBoundingClientRect().y - b.getBoundingClientRect().y)
            .map((line) => line.matches('.group') ? `# ${line.querySelector('strong').textContent}` : [...line.querySelectorAll('.cell > span')].map((cell) => cell.textContent).join('|'))
        JS);
}

function rowsAre(Browser $browser, array $rows): Browser
{
    try {
        return $browser->waitUntil(fn (): bool => rowsSeen($browser) === $rows, 'the rows '.implode(' / ', $rows), 15);
    } catch (RuntimeException $problem) {
        throw new RuntimeException('Rows are '.implode(' / ', rowsSeen($browser)).'. '.$problem->getMessage());
    }
}

/** The table of a map made of a text, open. */
function tabled(string $text): Browser
{
    return Studio::lent($text)->keys('Alt+3')->waitFor('.table-grid .line:not(.fresh)');
}

/** Sees a table in another form. */
function inForm(Browser $browser, string $form): Browser
{
    $browser->script('document.querySelector(".table-bar .form .n-base-selection").click()');
    $browser->waitUntil(fn (): bool => (bool) $browser->script('const one = [...document.querySelectorAll(".n-base-select-option")].find((o) => o.textContent === arguments[0]); one?.click(); return one !== undefined', $form), "the form {$form}");

    return $browser->waitUntil(fn (): bool => ! $browser->script('return [...document.querySelectorAll(".n-base-select-menu")].some((one) => one.getBoundingClientRect().height > 0)'), 'the list to be gone')->saved();
}
