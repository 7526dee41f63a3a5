<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** @return list<string> the ways as the outline tells them: "title → phrase: title" */
function waysTold(Browser $browser): array
{
    return (array) $browser->script('
        let at = ""
        return [...document.querySelectorAll(".outline [role=treeitem], .outline .tied")].flatMap((one) => {
            if (one.matches(".tied")) return [`${at} ${one.textContent.trim()}`]
            at = one.querySelector(".text")?.textContent.trim() ?? ""
            return []
        })');
}

/** An empty process. */
function process(string $title): Browser
{
    $browser = Studio::browser()->newMap();

    return $browser->type($title)->keys('Mod+Enter')->act('Arrange the map as a flow')->saved();
}

/** Goes to a step by its name; what the box finds may change once more under the hand, then one asks again. */
function goToStep(Browser $browser, string $title): Browser
{
    $chosen = fn (): string => (string) $browser->script('return document.querySelector(".outline .line.chosen .text")?.textContent.trim() ?? ""');

    return $browser->waitUntil(function () use ($browser, $title, $chosen): bool {
        $browser->keys('Mod+j')->waitFor('.palette input')->type($title)
            ->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".palette [aria-selected=true]")?.textContent ?? ""'), $title), "{$title} to be found");
        usleep(250_000);
        $browser->keys('Enter')->waitUntil(fn (): bool => ! $browser->has('.palette input'), 'the box to go');
        usleep(150_000);

        return $chosen() === $title;
    }, "{$title} to be chosen", 30);
}

it('draws a process of twelve steps with two decisions and a loop by keys alone, and orders it anew', function () {
    $browser = process('A dark lamp');
    $go = fn (string $title): Browser => goToStep($browser, $title);
    $browser->keys('Tab')->type('Reported')->keys('Enter')->type('Write it down')->keys('Enter')->type('On the quay?')->keys('Mod+Shift+s', 'Enter')
        ->type('On foot')->keys('Enter')->type('By boat')->keys('Mod+Enter')->saved();
    // Both answers were asked for; now on from the first.
    $go('On foot')->keys('Enter')->type('Wick dry?')->keys('Mod+Shift+s', 'Enter')->type('Light it')->keys('Enter')->type('New wick')->keys('Mod+Enter')->saved();
    $go('Light it')->keys('Enter')->type('Hang it')->keys('Enter')->type('Lamp book')->keys('Enter')->type('Tell the office')->keys('Enter')->type('Lit')->keys('Mod+Enter')->saved();
    // Back by what is there: the cross-link's own key, and the name of the step.
    $go('New wick')->keys('Alt+d')->waitFor('.tying input')->type('Wick dry')->keys('Enter')->keys('Enter')->saved();
    $go('By boat')->keys('Alt+d')->waitFor('.tying input')->type('Wick dry')->keys('Enter')->keys('Enter')->saved();
    expect(waysTold($browser))->toEqualCanonicalizing([
        'Reported → Write it down', 'Write it down → On the quay?', 'On the quay? → yes: On foot', 'On the quay? → no: By boat', 'On foot → Wick dry?', 'By boat → Wick dry?',
        'Wick dry? → yes: Light it', 'Wick dry? → no: New wick', 'New wick → Wick dry?', 'Light it → Hang it', 'Hang it → Lamp book', 'Lamp book → Tell the office', 'Tell the office → Lit',
    ]);
    // In between, by one key on the step before; then two steps change places, and one goes.
    $go('Hang it')->keys('Enter')->type('Look again')->keys('Mod+Enter')->saved();
    $go('Lamp book')->keys('Alt+ArrowDown')->saved();
    expect(waysTold($browser))->toContain('Hang it → Look again', 'Look again → Tell the office', 'Tell the office → Lamp book', 'Lamp book → Lit');
    $go('Look again')->keys('Delete')->saved();
    expect(waysTold($browser))->toContain('Hang it → Tell the office');
    $browser->keys('Mod+z')->saved();
    expect(waysTold($browser))->toContain('Hang it → Look again', 'Look again → Tell the office');
    // A step before the first of all, and everything is as it was after reloading.
    $go('Reported')->keys('Shift+Enter')->type('Evening')->keys('Mod+Enter')->saved();
    $ways = waysTold($browser);
    expect($ways)->toContain('Evening → Reported');
    $browser->script('location.reload()');
    $browser->waitFor('.outline [role=treeitem]')->waitUntil(fn (): bool => waysTold($browser) === $ways, 'the same ways');
    expect($browser->complaints())->toBe([]);
});

it('goes on with a process by the mouse: sorts of steps at the desk, a step on a line, a list that becomes one', function () {
    $browser = process('Tea');
    $browser->keys('Tab')->type('Boil')->keys('Mod+Enter')->saved();
    $browser->pick('Boil')->press('Next step')->type('Pour')->keys('Mod+Enter')->saved();
    $browser->pick('Pour')->press('Next step')->type('Drink')->keys('Mod+Enter')->saved();
    $browser->press('Show all')->waitUntil(fn (): bool => ! $browser->has('.moving'), 'all in view');
    $middleOf = fn (): array => (array) $browser->script('
        const path = [...document.querySelectorAll(".board .mark path.hand")].sort((a, b) => a.getBoundingClientRect().y - b.getBoundingClientRect().y)[0]
        const box = path.getBoundingClientRect()
        return [box.x + box.width / 2, box.y + box.height / 2]');
    // On a slow machine it begins to move only after a while.
    $middle = [];
    $browser->waitUntil(function () use (&$middle, $middleOf): bool {
        [$before, $middle] = [$middle, $middleOf()];
        usleep(300_000);

        return $before === $middle;
    }, 'the board at rest');
    foreach ([1, 2] as $count) {
        $browser->pointer('mousePressed', $middle[0], $middle[1], ['button' => 'left', 'clickCount' => $count])->pointer('mouseReleased', $middle[0], $middle[1], ['button' => 'left', 'clickCount' => $count]);
    }
    $browser->waitFor('.title-editor')->type('Wait')->keys('Mod+Enter')->saved();
    expect(waysTold($browser))->toBe(['Boil → Wait', 'Wait → Pour', 'Pour → Drink']);
    $browser->pick('Pour')->press('Earlier')->saved();
    expect(waysTold($browser))->toEqualCanonicalizing(['Boil → Pour', 'Pour → Wait', 'Wait → Drink']);
    $browser->act('Make it a decision')->saved();
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".desk .step .n-base-selection")?.textContent.trim()') === 'Decision', 'what the desk says of it');
    // Across, with what has no way yet beside it.
    $browser->pick('Tea')->act('Flow: run from the left')->saved();
    expect($browser->boxOf('Drink')['x'])->toBeGreaterThan($browser->boxOf('Boil')['x'] + 100);
});

it('makes a process of a list in one go', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Tea')->keys('Tab')->type('Boil')->keys('Enter')->type('Pour')->keys('Enter')->type('Drink')->keys('Mod+Enter')->saved();
    $browser->pick('Tea')->act('Arrange the map as a flow')->saved()->press('Let the steps follow each other')->saved();
    expect(waysTold($browser))->toBe(['Boil → Pour', 'Pour → Drink'])
        ->and($browser->boxOf('Drink')['y'])->toBeGreaterThan($browser->boxOf('Pour')['y']);
});

it('puts a step on a way by dragging it there, with details below another and the outline alone', function () {
    $browser = process('Tea');
    $browser->keys('Tab')->type('Boil')->keys('Enter')->type('Pour')->keys('Enter')->type('Drink')->keys('Mod+Enter')->saved();
    $browser->pick('Pour')->keys('Tab')->type('two spoons')->keys('Mod+Enter')->saved();
    $browser->press('Show all')->waitUntil(fn (): bool => ! $browser->has('.moving'), 'all in view');
    $from = $browser->boxOf('Drink');
    $way = (array) $browser->script('
        const path = [...document.querySelectorAll(".board .mark path.hand")].sort((a, b) => a.getBoundingClientRect().y - b.getBoundingClientRect().y)[0]
        const box = path.getBoundingClientRect()
        return [box.x + box.width / 2, box.y + box.height / 2]');
    $browser->drag([$from['x'] + 12, $from['y'] + $from['h'] / 2], $way)->saved();
    expect(waysTold($browser))->toEqualCanonicalizing(['Boil → Drink', 'Drink → Pour']);
    $browser->keys('Mod+z')->saved();
    expect(waysTold($browser))->toEqualCanonicalizing(['Boil → Pour', 'Pour → Drink']);
    // In the outline alone Enter goes on in the same way.
    $browser->keys('Alt+1')->waitUntil(fn (): bool => ! $browser->has('.board'), 'the outline alone');
    $browser->script('[...document.querySelectorAll(".outline .line")].find((one) => one.querySelector(".text")?.textContent.trim() === "Drink").dispatchEvent(new PointerEvent("pointerdown", {bubbles: true, button: 0}))');
    $browser->waitUntil(fn (): bool => (string) $browser->script('return document.querySelector(".outline .line.chosen .text")?.textContent.trim() ?? ""') === 'Drink', 'the step to be chosen');
    $browser->keys('Enter')->type('Wash up')->keys('Mod+Enter')->saved();
    expect(waysTold($browser))->toContain('Drink → Wash up');
});

it('asks for both ways of a decision by the mouse too, and says that one step at a time goes earlier or later', function () {
    $browser = process('A dark lamp');
    $browser->keys('Tab')->type('Reported')->keys('Enter')->type('On the quay?')->keys('Mod+Shift+s', 'Mod+Enter')->saved();
    $browser->pick('On the quay?')->press('Next step')->waitFor('.title-editor')->type('On foot')->keys('Enter')->waitFor('.title-editor')->type('By boat')->keys('Mod+Enter')->saved();
    expect(waysTold($browser))->toContain('On the quay? → yes: On foot', 'On the quay? → no: By boat');
    $ways = waysTold($browser);
    $browser->pick('On foot')->pick('By boat', 2)->keys('Alt+ArrowUp')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), 'One step at a time goes earlier or later'), 'what is to be done');
    expect(waysTold($browser))->toBe($ways)->and($browser->complaints())->toBe([]);
});
