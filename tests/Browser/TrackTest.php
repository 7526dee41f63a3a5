<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

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
    $browser = Studio::copyOf('meeting-log');
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

it('keeps a whole meeting by keys alone: agenda, persons, a brainstorm, to-dos, a book and a private remark', function () {
    $browser = committeeMap();
    $focusIs = fn (string $label): Browser => $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === $label, "the focus in “{$label}”");
    $chosenIs = fn (string $title): Browser => $browser->saved()->waitUntil(fn (): bool => str_starts_with((string) $browser->script('return document.querySelector(".desk h2, .desk")?.textContent ?? ""'), $title), "“{$title}” chosen");
    $browser->keys('Mod+k');
    inBoxOfKinds($browser)->type('1')->keys('Enter')->waitFor('.title-editor');
    // The agenda, with a link.
    $browser->type('Accounts of the season')->keys('Mod+Enter')->saved()->keys('Mod+Shift+l');
    $focusIs('Add a link')->type('https://harbour.saltmere.example/accounts.pdf')->keys('Enter')->saved()->keys('Escape', 'Enter')->waitFor('.title-editor')->type('Next year')->keys('Enter')->type('Who mends the crane lantern')->keys('Mod+Enter')->saved();
    $meeting = trim($browser->outline()[1]);
    // Five persons.
    $browser->keys('ArrowLeft', 'ArrowLeft');
    $chosenIs($meeting)->keys('Mod+g');
    inBoxOfKinds($browser)->type('1')->keys('Enter')->waitFor('.veil .form');
    $focusIs('Date')->keys('Enter', 'Enter', 'Enter');
    $focusIs('Present')->type('Wren, Tove, Bram, Ines, Marit')->keys('Enter')->waitUntil(fn (): bool => ! $browser->has('.veil'), 'the end of the form')->saved();
    tellsOn($browser, $meeting, 'Present: Wren, Tove, Bram, Ines, Marit');
    // A brainstorm of twelve.
    $browser->keys('ArrowRight');
    $chosenIs('What was said')->keys('Tab');
    foreach (range(1, 12) as $i) {
        $browser->type("Idea {$i}")->keys($i < 12 ? 'Enter' : 'Mod+Enter');
    }
    $browser->saved()->keys('ArrowLeft');
    $chosenIs('What was said');
    // Three to-dos. Down goes on to the next of its kind, and not into what hangs beside it.
    $browser->keys('ArrowDown', 'ArrowDown');
    $chosenIs('To do')->keys('Tab');
    foreach ([['Ask the bakers', 'Marit', 'fri'], ['Walk the route', 'Bram', '+10'], ['Mend the crane', 'Tove', '30 may']] as $i => [$what, $who, $when]) {
        $browser->type($what)->keys('Mod+Shift+g');
        inBoxOfKinds($browser)->type($who)->keys('Enter')->type($when)->keys('Enter', 'Enter');
        $browser->waitUntil(fn (): bool => ! $browser->has('.veil') && $browser->has('.title-editor'), 'the title again')->keys($i < 2 ? 'Enter' : 'Mod+Enter');
    }
    $browser->saved()->keys('ArrowLeft');
    $chosenIs('To do');
    tellsOn($browser, 'To do', '0 of 3 done · 0 %');
    // A recommended book.
    $browser->keys('ArrowDown');
    $chosenIs('Next time')->keys('Tab')->type('Paper, Willow, Light')->keys('Mod+g');
    inBoxOfKinds($browser)->type('read')->keys('Enter')->waitFor('.veil .form');
    $focusIs('Author')->type('Edda Marlowe')->keys('Enter')->type('Ines')->keys('Enter', 'Escape')->waitFor('.title-editor')->keys('Mod+Enter')->saved();
    tellsOn($browser, 'Paper, Willow, Light', 'Recommended by: Ines');
    // One private remark: the topic is gone to by its name.
    $browser->keys('Mod+j')->waitFor('.palette, [role=dialog] input')->type('ask the bakers')->keys('Enter');
    $chosenIs('Ask the bakers')->keys('Mod+Shift+m')->waitFor('.report');
    $focusIs('Done, in percent')->keys('Enter')->type('They were paid late last year.')->keys('Alt+p', 'Enter')->waitUntil(fn (): bool => ! $browser->has('.report'), 'the end of the report')->saved();
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".desk ol[aria-label=Log] li em")?.textContent'), 'private'), 'the private remark');
    expect($browser->complaints())->toBe([]);
});

it('makes the next one when a to-do that repeats is done, and takes both back as one', function () {
    $browser = Studio::opened("Plan\n\tWater the willow\n");
    $browser->pick('Water the willow')->keys('Mod+Shift+g');
    inBoxOfKinds($browser)->type('Ines')->keys('Enter')->type('2026-12-04')->keys('Enter', 'Escape')->waitUntil(fn (): bool => ! $browser->has('.veil'), 'the end of the form')->saved();
    $browser->waitFor('.desk .n-select[aria-label=Repeats]')->script('document.querySelector(".desk .n-select[aria-label=Repeats] .n-base-selection-label").click()');
    $browser->waitUntil(fn (): bool => (bool) $browser->script('return [...document.querySelectorAll(".n-base-select-option")].some((one) => one.textContent.trim() === "every week")'), 'the repetitions');
    $browser->script('[...document.querySelectorAll(".n-base-select-option")].find((one) => one.textContent.trim() === "every week").click()');
    $browser->saved()->pick('Water the willow')->keys('Mod+Shift+d')->saved();
    $browser->waitUntil(fn (): bool => array_map(trim(...), $browser->outline()) === ['Plan', 'Water the willow', 'Water the willow'], 'the next one: '.implode(', ', $browser->outline()));
    $lines = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".board [data-topic] text.task")].map((one) => one.textContent)');
    $browser->waitUntil(fn (): bool => array_filter($lines(), fn (string $line): bool => str_contains($line, 'Fri 11 Dec')) !== [], 'a week later: '.implode(', ', $lines()));
    $browser->keys('Mod+z')->saved();
    $browser->waitUntil(fn (): bool => array_map(trim(...), $browser->outline()) === ['Plan', 'Water the willow'], 'only the first');
    expect(array_filter($lines(), fn (string $line): bool => str_contains($line, 'by Fri 4 Dec')))->not->toBe([])->and($browser->complaints())->toBe([]);
});

it('stands topics along a line of days, and goes by the order again, by keys', function () {
    $browser = Studio::opened("Season\n\tOpening\n\tMasts\n\tStalls\n");
    foreach (['Opening' => '2026-07-01', 'Masts' => '2026-06-01', 'Stalls' => '2026-06-11'] as $title => $day) {
        $browser->pick($title)->keys('Mod+Shift+g');
        inBoxOfKinds($browser)->keys('Enter')->type($day)->keys('Enter', 'Escape')->waitUntil(fn (): bool => ! $browser->has('.veil'), 'the end of the form')->saved();
    }
    $browser->pick('Season')->act('Arrange the map as a timeline')->saved()->press('Show all')->waitFor('.board path.ruler');
    $order = function () use ($browser): array {
        $left = array_combine($all = ['Masts', 'Opening', 'Stalls'], array_map(fn (string $title): float => $browser->boxOf($title)['x'], $all));
        asort($left);

        return array_keys($left);
    };
    $browser->waitUntil(fn (): bool => $order() === ['Masts', 'Stalls', 'Opening'], 'the order of the days: '.implode(', ', $order()));
    // A day that changes moves the topic at once, and undoing moves it back.
    $browser->pick('Masts')->keys('Mod+Shift+g');
    inBoxOfKinds($browser)->keys('Enter')->type('2026-06-21')->keys('Enter', 'Escape')->saved();
    $browser->waitUntil(fn (): bool => $order() === ['Stalls', 'Masts', 'Opening'], 'the new order: '.implode(', ', $order()));
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => $order() === ['Masts', 'Stalls', 'Opening'], 'the order before');
    $browser->press('Show all')->pick('Season')->act('Timeline: places in their order')->saved();
    $browser->waitUntil(fn (): bool => ! $browser->has('.board path.ruler') && $order() === ['Opening', 'Masts', 'Stalls'], 'the order of the outline');
    // The same by mouse at the desk, with the day that counts.
    $browser->press('Days')->saved()->waitFor('.board path.ruler');
    $browser->script('document.querySelector(".n-select[aria-label=\'Which day\'] .n-base-selection-label").click()');
    $browser->waitUntil(fn (): bool => (bool) $browser->script('return [...document.querySelectorAll(".n-base-select-option")].some((one) => one.textContent.trim() === "Done on")'), 'the days there are');
    $browser->script('[...document.querySelectorAll(".n-base-select-option")].find((one) => one.textContent.trim() === "Done on").click()');
    $browser->saved()->waitUntil(fn (): bool => ! $browser->has('.board path.ruler'), 'no line of days, as nothing is done');
    expect($browser->complaints())->toBe([]);
});

it('sets a reminder, puts rules in another order and begins a branch again, by keys alone', function () {
    $browser = Studio::opened("Plan\n\tLanterns\n\tBoats\n");
    $browser->pick('Lanterns')->keys('Mod+Shift+g');
    inBoxOfKinds($browser)->keys('Enter')->type('+30')->keys('Enter', 'Escape')->waitUntil(fn (): bool => ! $browser->has('.veil'), 'the end of the form')->saved();
    $browser->act('Remind before it is due …')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.closest("[role=dialog], .n-modal") !== null'), 'the question when');
    $browser->keys('ArrowDown', 'Enter')->saved();
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".desk [aria-label=Remind] .n-base-selection-input, .desk .n-select[aria-label=Remind]")?.textContent.trim() ?? ""') === '1 day early', 'the reminder');
    // Rules.
    $browser->keys('Escape')->keys('Mod+F6')->waitFor('.panel ol');
    $names = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".panel .name b")].map((one) => one.textContent)');
    $browser->waitUntil(fn (): bool => count($names()) > 2, 'the rules');
    $before = $names();
    $browser->script('document.querySelectorAll(".panel .name")[1].focus()');
    $browser->keys('Alt+ArrowUp')->saved();
    $browser->waitUntil(fn (): bool => array_slice($names(), 0, 2) === [$before[1], $before[0]], 'the rules in another order');
    $browser->press('Close');
    // Again.
    $browser->pick('Lanterns')->act('Begin the branch again …');
    $browser->waitFor("input[aria-label='New start']")->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'New start', 'the new start');
    $browser->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => array_map(trim(...), $browser->outline()) === ['Plan', 'Lanterns', 'Lanterns', 'Boats'], 'the new round: '.implode(', ', $browser->outline()));
    expect($browser->complaints())->toBe([]);
});

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
    // It is one of the parts of the window that a key goes on to.
    $browser->keys('Mod+Enter', 'F6')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.closest(".notice") !== null'), 'the notice');
    $browser->keys('Tab', 'Enter')->waitUntil(fn (): bool => str_starts_with((string) $browser->script('return document.querySelector(".desk")?.textContent ?? ""'), 'Paper') || $browser->script('return document.querySelector(".board .chosen")?.getAttribute("data-topic") ?? document.querySelector(".board [aria-selected=true]")?.getAttribute("data-topic")') === $browser->topic('Paper'), 'the topic');
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
