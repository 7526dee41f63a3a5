<?php

declare(strict_types=1);

use Tests\Browser\Studio;

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

it('takes a kind from another map, with its fields and parts, by keys', function () {
    $browser = Studio::opened("Band\n\tAutumn\n");
    $browser->pick('Autumn')->keys('Mod+F2')->waitFor('.panel')->press('New kind')->saved()->waitFor("input[aria-label='Name of the kind']");
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Name of the kind', 'the name');
    $browser->type('Concert')->keys('Enter')->saved();
    $browser->script('document.querySelector("textarea[aria-label=\'Subtopics to begin with\']").focus()');
    $browser->type('Songs')->keys('Tab')->saved();
    $browser->press('Close')->visit('/')->waitFor('.card');
    $browser->newMap()->type('Choir')->keys('Mod+Enter')->saved()->keys('Mod+k');
    inBoxOfKinds($browser)->type('conc')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".veil li.current")?.textContent ?? ""'), 'from “Band”'), 'the kind of the other map');
    $browser->keys('Enter')->waitUntil(fn (): bool => ! $browser->has('.veil'), 'the end of the box')->keys('Mod+Enter')->saved();
    expect(array_slice(array_map(trim(...), $browser->outline()), 0, 3))->toBe(['Choir', 'Concert', 'Songs']);
    // Now it is one of this map, and stays when the other goes.
    $browser->keys('Mod+k');
    inBoxOfKinds($browser)->type('conc')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".veil li.current")?.textContent ?? ""'), 'of this map'), 'the kind of this map');
    $browser->keys('Escape')->keys('Mod+z')->saved();
    expect(array_map(trim(...), $browser->outline()))->toBe(['Choir'])->and($browser->complaints())->toBe([]);
});

it('calls a choice otherwise in the kind, and topics that have it follow; what stands in fields is found and replaced', function () {
    $browser = Studio::opened("Shelf\n\tPaper, Willow, Light\n\tHarbour notes\n");
    $browser->pick('Paper, Willow, Light')->keys('Mod+g');
    inBoxOfKinds($browser)->type('source')->keys('Enter')->waitFor('.veil .form')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Author', 'the first field');
    $browser->type('Edda Marlowe')->keys('Enter', 'Escape')->waitUntil(fn (): bool => ! $browser->has('.veil'), 'the end of the form')->saved();
    $browser->waitFor('.desk .n-select[aria-label="Sort of source"]')->script('document.querySelector(".desk .n-select[aria-label=\'Sort of source\'] .n-base-selection-label").click()');
    $browser->waitUntil(fn (): bool => (bool) $browser->script('return [...document.querySelectorAll(".n-base-select-option")].some((one) => one.textContent.trim() === "book")'), 'the choices');
    $browser->script('[...document.querySelectorAll(".n-base-select-option")].find((one) => one.textContent.trim() === "book").click()');
    $browser->saved()->keys('Mod+F2')->waitFor('.panel')->waitUntil(fn (): bool => $browser->count('.panel .line .name') > 3, 'the fields');
    $browser->script('[...document.querySelectorAll(".panel .line .name")].find((one) => one.textContent.trim() === "Sort of source").click()');
    $browser->waitFor("textarea[aria-label='Choices of the field']")->script('const box = document.querySelector("textarea[aria-label=\'Choices of the field\']"); box.focus(); box.setSelectionRange(0, 4)');
    $browser->type('volume')->keys('Tab')->saved()->press('Close');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".desk .n-select[aria-label=\'Sort of source\']")?.innerText ?? ""'), 'volume'), 'the new name at the topic');
    // One step back, and it is called as before in both places.
    $browser->keys('Mod+z')->saved();
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".desk .n-select[aria-label=\'Sort of source\']")?.innerText ?? ""'), 'book'), 'the name before');
    tellsOn($browser, 'Paper, Willow, Light', 'Author: Edda Marlowe');
    $browser->keys('Mod+Alt+f')->waitFor("input[aria-label='Find']")->type('Marlowe')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".find .hits, .hits")?.innerText ?? ""'), 'Author'), 'the hit, with the name of the field');
    $browser->script('document.querySelector("input[aria-label=\'Replace with\']").focus()');
    $browser->type('Lind')->keys('Enter')->saved();
    tellsOn($browser, 'Paper, Willow, Light', 'Author: Edda Lind');
    expect($browser->complaints())->toBe([]);
});

it('calls kinds by the same numbers in every map', function () {
    $browser = Studio::browser()->enterDemo('Volunteers');
    $numbers = function () use ($browser): array {
        $browser->keys('Mod+k');
        inBoxOfKinds($browser)->waitUntil(fn (): bool => $browser->count('.veil li') > 9, 'all kinds');
        $all = (array) $browser->script('return [...document.querySelectorAll(".veil li")].map((one) => `${one.querySelector("b").textContent} ${one.querySelector("span").textContent}`)');
        $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.veil'), 'the end of the box');

        return array_slice($all, 0, 10);
    };
    $used = $numbers();
    expect($used[0])->toBe('1 Meeting')->and($used[3])->toBe('4 Decision');
    $browser->visit('/')->waitFor('.card');
    $browser->newMap()->type('Plan')->keys('Mod+Enter')->saved();
    expect($numbers())->toBe($used)->and($browser->complaints())->toBe([]);
});
