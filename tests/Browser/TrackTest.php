<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** What stands on a topic of the board besides its title, a line each. */
function smallTypeOn(Browser $browser, string $title): array
{
    return (array) $browser->script('return [...document.querySelectorAll(`.board [data-topic="${arguments[0]}"] :is(text.task, text.facts)`)].map((one) => one.textContent)', $browser->topic($title));
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

/** A row of the map that is open, as the page has it, by its sort. */
function committeeMap(): Browser
{
    $browser = Studio::browser()->newMap();
    $browser->type('Committee')->keys('Mod+Enter')->saved();

    return $browser;
}

it('makes an entry by one key, the number of its kind and Enter, and one types on in its first empty part', function () {
    $browser = committeeMap();
    $browser->keys('Mod+k');
    inBoxOfKinds($browser)->type('1')->keys('Enter')->waitFor('.title-editor');
    $browser->type('Accounts')->keys('Enter')->type('Route')->keys('Mod+Enter')->saved();
    $lines = array_map(trim(...), $browser->outline());
    expect($lines[1])->toStartWith('Meeting, ')->and(array_slice($lines, 2))->toBe(['Agenda', 'Accounts', 'Route', 'What was said', 'Decided', 'To do', 'Next time']);
    // Another of the kind by one key, from anywhere within, beside the one before.
    $browser->keys('Mod+Shift+k')->waitFor('.title-editor')->type('Second agenda')->keys('Mod+Enter')->saved();
    expect(count(array_filter($browser->outline(), fn (string $line): bool => str_starts_with($line, '  Meeting, '))))->toBe(2);
    // It is taken back as one, with what was typed into its first part.
    $browser->keys('Mod+z')->saved();
    expect(array_map(trim(...), $browser->outline()))->toBe($lines);
    // It is still there after a reload.
    $browser->visit((string) $browser->script('return location.pathname'))->ready();
    expect(array_map(trim(...), $browser->outline()))->toBe($lines)->and($browser->complaints())->toBe([]);
});

it('turns a topic that is being typed into a to-do, by keys alone, and goes on where one was', function () {
    $browser = committeeMap();
    $browser->keys('Tab')->type('Order paper')->keys('Mod+Shift+g');
    inBoxOfKinds($browser)->type('Ines, Theo')->keys('Enter')->type('fri')->keys('Enter')->type('3')->keys('Enter');
    $browser->waitUntil(fn (): bool => ! $browser->has('.veil') && $browser->has('.title-editor'), 'the title again');
    $browser->type(' and paste')->keys('Enter')->type('Book the loft')->keys('Mod+Shift+g');
    // Who was named before is offered after a letter.
    inBoxOfKinds($browser)->type('The')->waitFor('.n-base-select-option')->keys('ArrowDown', 'Enter');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.value') === 'Theo', 'the name')->keys('Enter', 'Escape');
    $browser->waitUntil(fn (): bool => $browser->has('.title-editor'), 'the title again')->keys('Mod+Enter')->saved();
    expect(array_map(trim(...), $browser->outline()))->toBe(['Committee', 'Order paper and paste', 'Book the loft']);
    $browser->waitUntil(fn (): bool => str_starts_with(smallTypeOn($browser, 'Order paper and paste')[0] ?? '', 'Ines, Theo · by Fri '), 'who and by when');
    tellsOn($browser, 'Book the loft', 'Theo');
    tellsOn($browser, 'Committee', '0 of 2 done · 0 %');
    expect($browser->complaints())->toBe([]);
});

it('turns what is typed into a kind and asks for its fields, and says what it does not understand', function () {
    $browser = committeeMap();
    $browser->keys('Tab')->type('Paper, Willow, Light')->keys('Mod+g');
    inBoxOfKinds($browser)->type('read')->keys('Enter');
    $browser->waitFor('.veil .form')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Author', 'the first field');
    $browser->type('Edda Marlowe')->keys('Enter')->type('Marit')->keys('Enter', 'Enter')->type('someday')->keys('Enter');
    $browser->waitFor('.veil .wrong');
    expect($browser->find('.veil .wrong')->getText())->toContain('“Read on” wants a day');
    // What was typed is still there to be put right.
    expect($browser->script('return document.querySelector(".veil input[aria-label=\'Read on\']").value'))->toBe('someday');
    $browser->keys('Escape')->waitFor('.title-editor')->keys('Mod+Enter')->saved();
    tellsOn($browser, 'Paper, Willow, Light', 'Author: Edda Marlowe');
    tellsOn($browser, 'Paper, Willow, Light', 'Recommended by: Marit');
});

it('shows kind and fields at the desk, sets them for several at once, and shows them on topics', function () {
    $browser = Studio::opened("Costs\n\tPaper\n\tWillow\n");
    $browser->pick('Paper')->pick('Willow', 2);
    $browser->waitFor(".desk input[aria-label='Kind']")->script('document.querySelector(".desk input[aria-label=\'Kind\']").closest(".n-base-selection").querySelector(".n-base-selection-label, .n-base-selection-input").click()');
    $browser->waitFor('.n-base-select-option');
    $browser->script('[...document.querySelectorAll(".n-base-select-option")].find((one) => one.textContent.includes("Expense")).click()');
    $browser->saved()->waitFor(".desk input[aria-label='Cost']");
    $browser->script('document.querySelector(".desk input[aria-label=\'Cost\']").focus()');
    $browser->type('12,50')->keys('Enter')->saved();
    tellsOn($browser, 'Paper', 'Cost: €12.50');
    tellsOn($browser, 'Willow', 'Cost: €12.50');
    tellsOn($browser, 'Costs', 'Cost, below: €25');
    $browser->script('document.querySelector(".desk input[aria-label=\'Cost\']").focus(); document.querySelector(".desk input[aria-label=\'Cost\']").select()');
    $browser->type('many')->keys('Enter')->waitFor('.desk .wrong');
    expect($browser->find('.desk .wrong')->getText())->toContain('wants a number');
    tellsOn($browser, 'Paper', 'Cost: €12.50');
    $browser->pick('Willow')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".desk input[aria-label=\'Cost\']").value') === '12.5', 'what it has');
});

it('reports progress by one key, twice, with remarks that are dated, signed and can be corrected', function () {
    $browser = Studio::opened("Plan\n\tLanterns\n\t\tPaper\n\t\tWillow\n");
    $browser->pick('Paper')->pick('Willow', 2);
    $browser->act('Make it a to-do: who, and by when');
    inBoxOfKinds($browser)->keys('Escape')->saved();
    $browser->pick('Paper')->keys('Mod+Shift+m')->waitFor('.report')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Done, in percent', 'the number');
    $browser->keys('Mod+a')->type('40')->keys('Enter')->type('Half of it is cut.')->keys('Enter');
    $browser->waitUntil(fn (): bool => ! $browser->has('.report'), 'the end of the report')->saved();
    tellsOn($browser, 'Paper', '40 %');
    tellsOn($browser, 'Lanterns', '0 of 2 done · 20 %');
    $browser->keys('Mod+Shift+m')->waitFor('.report')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Done, in percent', 'the number');
    $browser->keys('Mod+a')->type('100')->keys('Enter')->type('All of it.')->keys('Enter');
    $browser->waitUntil(fn (): bool => ! $browser->has('.report'), 'the end of the report')->saved();
    tellsOn($browser, 'Lanterns', '1 of 2 done · 50 %');
    $log = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".desk ol[aria-label=Log] li")].map((one) => one.querySelector("small").textContent + "|" + (one.querySelector(":scope > span")?.textContent ?? ""))');
    $browser->waitUntil(fn (): bool => count($log()) === 2, 'two remarks');
    expect($log()[0])->toContain('Wren')->toContain('100 %')->toContain('All of it.');
    $browser->script('[...document.querySelectorAll(".desk ol[aria-label=Log] li")][1].querySelector("button").click()');
    $browser->waitFor(".desk textarea[aria-label='Correct the remark']")->script('document.querySelector(".desk textarea[aria-label=\'Correct the remark\']").focus(); document.querySelector(".desk textarea[aria-label=\'Correct the remark\']").select()');
    $browser->type('A third is cut.')->keys('Enter')->saved()->waitUntil(fn (): bool => str_contains($log()[1] ?? '', 'A third is cut.'), 'the remark as corrected');
    // Done and not done by one key.
    $browser->pick('Paper')->keys('Mod+Shift+d')->saved();
    tellsOn($browser, 'Lanterns', '0 of 2 done · 0 %');
    $browser->keys('Mod+z')->saved();
    tellsOn($browser, 'Lanterns', '1 of 2 done · 50 %');
    expect($browser->complaints())->toBe([]);
});

it('lists what is overdue and without anyone, leads there, and ticks off', function () {
    $browser = Studio::browser()->enterDemo('Volunteers');
    $browser->keys('Mod+F3')->waitFor(".panel ul[aria-label='To-dos'] li");
    $titles = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".panel ul[aria-label=\'To-dos\'] li")].map((one) => one.querySelector("span").firstChild.textContent)');
    expect($titles())->toBe(['Oskar settles the accounts with the town', 'Someone keeps the box of lamps dry', 'Wren asks for the permits for next year', 'Tove mends the crane lantern'])
        ->and($browser->script('return document.querySelector(".panel li em").textContent'))->toBe('overdue');
    // By keys: to the second, there, and ticked.
    $browser->script('document.querySelector(".panel ul[aria-label=\'To-dos\'] li").focus()');
    $browser->keys('ArrowDown', 'Enter');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".desk h2, .panel li.chosen span")?.firstChild.textContent') === 'Someone keeps the box of lamps dry', 'the topic');
    $browser->script('document.querySelectorAll(".panel ul[aria-label=\'To-dos\'] li")[1].focus()');
    $browser->keys(' ')->saved()->waitUntil(fn (): bool => $titles() === ['Oskar settles the accounts with the town', 'Wren asks for the permits for next year', 'Tove mends the crane lantern'], 'three');
    $browser->press('Close');
    $browser->keys('Mod+z')->saved();
    expect($browser->complaints())->toBe([]);
});

it('lets topics look as rules say, at once, with the map beside showing what they hit, and says why', function () {
    $browser = Studio::opened("Plan\n\tLanterns\n\t\tPaper\n\tBoats\n");
    $browser->pick('Paper')->act('Looks that follow the data');
    $browser->waitFor('.panel')->press('New rule')->saved()->waitFor('.panel .inside .condition');
    expect($browser->find('.panel .hits')->getText())->toContain('Hits 0 topics');
    // "To-do: due within a week" becomes "text: pa".
    $choose = function (string $label, string $option) use ($browser): void {
        $browser->script('document.querySelector(`.n-select[aria-label="${arguments[0]}"] .n-base-selection-label`).click()', $label);
        $browser->waitUntil(fn (): bool => (bool) $browser->script('return [...document.querySelectorAll(".n-base-select-option")].some((one) => one.textContent.trim() === arguments[0])', $option), "the choice {$option}");
        $browser->script('[...document.querySelectorAll(".n-base-select-option")].find((one) => one.textContent.trim() === arguments[0]).click()', $option);
        $browser->saved();
    };
    $choose('What, condition 1', 'Text');
    $browser->waitFor("input[aria-label='Words, condition 1']")->script('const words = document.querySelector("input[aria-label=\'Words, condition 1\']"); words.focus(); words.select()');
    $browser->type('pa')->keys('Tab')->saved();
    $browser->waitUntil(fn (): bool => str_contains($browser->find('.panel .hits')->getText(), 'Hits 1 topic'), 'one hit');
    $browser->waitUntil(fn (): bool => ! (bool) $browser->script('return document.querySelector(`.board [data-topic="${arguments[0]}"]`).classList.contains("dimmed")', $browser->topic('Paper')), 'the one that is hit');
    $choose('Outline of the rule', 'Ember');
    $browser->waitUntil(fn (): bool => str_contains(outlineOf($browser, 'Paper'), 'ember'), 'its outline');
    // Turned round it is for all others.
    $browser->script('document.querySelector(".panel .turn").click()');
    $browser->saved()->waitUntil(fn (): bool => str_contains($browser->find('.panel .hits')->getText(), 'Hits 3 topics'), 'three hits');
    $browser->waitUntil(fn (): bool => str_contains(outlineOf($browser, 'Boats'), 'ember') && ! str_contains(outlineOf($browser, 'Paper'), 'ember'), 'the others');
    $browser->press('Close');
    $browser->pick('Boats')->act('Why does it look so?');
    $browser->waitFor('.why table')->waitUntil(fn (): bool => str_contains($browser->find('.why')->getText(), 'the rule “New rule”'), 'the rule by its name');
    $browser->keys('Escape');
    expect($browser->complaints())->toBe([]);
});

it('makes and changes kinds in place, and carries them to their topics after one has seen what changes', function () {
    $browser = Studio::opened("Plan\n\tFirst\n\tSecond\n");
    $browser->pick('First')->keys('Mod+F2')->waitFor('.panel')->press('New kind')->saved()->waitFor("input[aria-label='Name of the kind']");
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Name of the kind', 'the name');
    $browser->type('Rehearsal')->keys('Enter')->saved();
    $browser->script('document.querySelector("input[aria-label=\'Title of new ones\']").focus()');
    $browser->type('Rehearsal {number}')->keys('Enter')->saved();
    $browser->script('document.querySelector("textarea[aria-label=\'Subtopics to begin with\']").focus()');
    $browser->type("Songs\n  -\nStage")->keys('Tab')->saved();
    $browser->press('New field')->saved()->waitFor("input[aria-label='Name of the field']");
    $browser->script('const name = document.querySelector("input[aria-label=\'Name of the field\']"); name.focus(); name.select()');
    $browser->type('Hall')->keys('Tab')->saved();
    $browser->press('Close');
    // One that there was comes to be of the kind, and a new one is made.
    $browser->pick('First')->keys('Mod+g');
    inBoxOfKinds($browser)->type('reh')->keys('Enter')->waitFor('.veil .form')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Hall', 'the field');
    $browser->type('Net loft')->keys('Enter')->waitUntil(fn (): bool => ! $browser->has('.veil'), 'the end of the box')->saved();
    tellsOn($browser, 'First', 'Hall: Net loft');
    $browser->pick('Second')->keys('Mod+k');
    inBoxOfKinds($browser)->type('reh')->keys('Enter')->waitFor('.title-editor')->type('Chorus')->keys('Mod+Enter')->saved();
    expect(array_map(trim(...), $browser->outline()))->toBe(['Plan', 'First', 'Second', 'Rehearsal 1', 'Songs', 'Chorus', 'Stage']);
    $browser->keys('Mod+F2')->waitFor('.panel')->press('Carry to its 2 topics …');
    $browser->waitFor('.change, [role=dialog]')->waitUntil(fn (): bool => substr_count((string) $browser->script('return document.querySelector(".n-modal-container, .change")?.innerText ?? ""'), 'Songs') === 1, 'what is missing');
    $browser->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => array_map(trim(...), $browser->outline()) === ['Plan', 'First', 'Songs', 'Untitled', 'Stage', 'Second', 'Rehearsal 1', 'Songs', 'Chorus', 'Stage'], 'the subtopics: '.implode(', ', $browser->outline()));
    expect($browser->complaints())->toBe([]);
});

it('puts kinds on by mouse from the tray, also by dragging', function () {
    $browser = Studio::opened("Plan\n\tFirst\n\tSecond\n");
    $browser->pick('First')->script('document.getElementById("tray-Kinds").click()');
    $browser->waitFor('.tray .kinds .one');
    $browser->script('[...document.querySelectorAll(".tray .one button")].find((one) => one.textContent.includes("Decision")).click()');
    $browser->saved()->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".tray .one button.on")?.textContent'), 'Decision'), 'the kind that it has');
    $from = (array) $browser->script('const b = [...document.querySelectorAll(".tray .one button")].find((one) => one.textContent.includes("Decision")).getBoundingClientRect(); return [b.x + b.width / 2, b.y + b.height / 2]');
    $to = $browser->boxOf('Second');
    $browser->drag($from, [$to['x'] + $to['w'] / 2, $to['y'] + $to['h'] / 2])->saved();
    $browser->waitUntil(fn (): bool => (int) $browser->script('return document.querySelectorAll(`.board [data-touch="stamp:important"]`).length') === 2, 'both stamps');
    expect($browser->complaints())->toBe([]);
});

it('keeps a whole meeting: agenda, persons, a brainstorm, to-dos, a book and a private remark', function () {
    $browser = committeeMap();
    $browser->keys('Mod+k');
    inBoxOfKinds($browser)->type('1')->keys('Enter')->waitFor('.title-editor');
    // The agenda.
    $browser->type('Accounts of the season')->keys('Enter')->type('Next year')->keys('Mod+Enter')->saved();
    $meeting = trim($browser->outline()[1]);
    // Five persons.
    $browser->press('Show all')->pick($meeting)->waitFor(".desk input[aria-label='Present']")->script('document.querySelector(".desk input[aria-label=\'Present\']").focus()');
    $browser->type('Wren, Tove, Bram, Ines, Marit')->keys('Enter')->saved();
    tellsOn($browser, $meeting, 'Present: Wren, Tove, Bram, Ines, Marit');
    // A brainstorm of twelve.
    $browser->press('Show all')->pick('What was said')->keys('Tab');
    foreach (range(1, 12) as $i) {
        $browser->type("Idea {$i}")->keys($i < 12 ? 'Enter' : 'Mod+Enter');
    }
    $browser->saved();
    // Three to-dos.
    $browser->press('Show all')->pick('To do')->keys('Tab');
    foreach ([['Ask the bakers', 'Marit', 'fri'], ['Walk the route', 'Bram', '+10'], ['Mend the crane', 'Tove', '30 may']] as $i => [$what, $who, $when]) {
        $browser->type($what)->keys('Mod+Shift+g');
        inBoxOfKinds($browser)->type($who)->keys('Enter')->type($when)->keys('Enter', 'Enter');
        $browser->waitUntil(fn (): bool => ! $browser->has('.veil') && $browser->has('.title-editor'), 'the title again')->keys($i < 2 ? 'Enter' : 'Mod+Enter');
    }
    $browser->saved();
    tellsOn($browser, 'To do', '0 of 3 done · 0 %');
    // A recommended book.
    $browser->press('Show all')->pick('Next time')->keys('Tab')->type('Paper, Willow, Light')->keys('Mod+g');
    inBoxOfKinds($browser)->type('read')->keys('Enter')->waitFor('.veil .form')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Author', 'the first field');
    $browser->type('Edda Marlowe')->keys('Enter')->type('Ines')->keys('Enter', 'Escape')->waitFor('.title-editor')->keys('Mod+Enter')->saved();
    tellsOn($browser, 'Paper, Willow, Light', 'Recommended by: Ines');
    // One private remark.
    $browser->press('Show all')->pick('Ask the bakers')->keys('Mod+Shift+m')->waitFor('.report');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Done, in percent', 'the number');
    $browser->keys('Enter')->type('They were paid late last year.')->keys('Tab', 'Tab', 'Tab', 'Tab', 'Tab')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.closest(".n-checkbox") !== null'), 'the box for private');
    $browser->keys(' ')->script('document.querySelector(".report textarea").focus()');
    $browser->keys('Enter')->waitUntil(fn (): bool => ! $browser->has('.report'), 'the end of the report')->saved();
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".desk ol[aria-label=Log] li em")?.textContent'), 'private'), 'the private remark');
    expect($browser->complaints())->toBe([]);
});

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

it('reminds of what comes up, in the library and once a day where one works, with ways there', function () {
    $browser = Studio::opened("Plan\n\tLanterns\n\t\tPaper\n\t\tWillow\n");
    $browser->pick('Paper')->act('Make it a to-do: who, and by when');
    inBoxOfKinds($browser)->keys('Escape')->saved();
    remindAt($browser, '+2', '3 days early');
    $browser->pick('Willow')->act('Make it a to-do: who, and by when');
    inBoxOfKinds($browser)->keys('Escape')->saved();
    remindAt($browser, '+9', '3 days early');
    // It is told some time after a map has opened, and takes no key from who types.
    $map = (string) $browser->script('return location.pathname');
    $browser->visit($map)->ready()->pick('Lanterns')->waitFor('.notice li');
    $said = fn (string $within): array => (array) $browser->script('return [...document.querySelectorAll(`${arguments[0]} li a`)].map((one) => `${one.querySelector("b").textContent} ${one.querySelector("span").textContent.split(",")[0]}`)', $within);
    expect($said('.notice'))->toBe(['Paper in 2 days']);
    $browser->keys('Mod+Enter')->script('document.querySelector(".notice a").focus()');
    $browser->keys('Enter')->waitUntil(fn (): bool => str_starts_with((string) $browser->script('return document.querySelector(".desk")?.textContent ?? ""'), 'Paper') || $browser->script('return document.querySelector(".board .chosen")?.getAttribute("data-topic") ?? document.querySelector(".board [aria-selected=true]")?.getAttribute("data-topic")') === $browser->topic('Paper'), 'the topic');
    expect($browser->has('.notice'))->toBeFalse();
    // The library tells of it every time, until it is put away.
    $browser->visit('/')->waitFor("section[aria-label='What comes up'] li");
    expect($said("section[aria-label='What comes up']"))->toBe(['Paper in 2 days']);
    $browser->press('Put away Paper')->waitUntil(fn (): bool => ! $browser->has("section[aria-label='What comes up']"), 'that it is put away');
    $browser->visit('/')->waitFor('.cards');
    expect($browser->has("section[aria-label='What comes up']"))->toBeFalse()->and($browser->complaints())->toBe([]);
});

it('begins a branch again for the next year, after it has been asked from when', function () {
    $browser = Studio::opened("Season\n\tFestival 2026\n\t\tPaper\n");
    $browser->pick('Paper')->act('Make it a to-do: who, and by when');
    inBoxOfKinds($browser)->keys('Escape')->saved();
    remindAt($browser, '2026-09-05', '1 week early');
    $browser->keys('Mod+Shift+d')->saved()->pick('Festival 2026')->act('Begin the branch again …');
    $browser->waitFor("input[aria-label='New start']");
    expect($browser->script('return document.querySelector("input[aria-label=\'New start\']").value'))->toBe('2027-09-05');
    $browser->script('document.querySelector("input[aria-label=\'New start\']").focus(); document.querySelector("input[aria-label=\'New start\']").select()');
    $browser->type('2027-09-05')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => array_map(trim(...), $browser->outline()) === ['Season', 'Festival 2026', 'Paper', 'Festival 2027', 'Paper'], 'the new round');
    // Weekdays are kept, and what was done is not.
    $lines = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".board [data-topic] text.task")].map((one) => one.textContent)');
    $browser->waitUntil(fn (): bool => array_filter($lines(), fn (string $line): bool => str_contains($line, 'Sat 4 Sep')) !== [], 'the moved date');
    $browser->keys('Mod+z')->saved();
    expect(array_map(trim(...), $browser->outline()))->toBe(['Season', 'Festival 2026', 'Paper'])->and($browser->complaints())->toBe([]);
});
