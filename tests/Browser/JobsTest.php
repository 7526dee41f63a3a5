<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/*
 * Thirty jobs of restructuring, done in one map by keys alone. docs/keys.md lists the same jobs with the same keys.
 * Each job has a branch of its own, named after it; "→title" stands for going to a topic by the box that finds all.
 */

/** @return array<string, array{before: string, keys: string, after: string}> */
function jobs(): array
{
    return [
        'Add topics one after the other' => ['a', '→a, Enter, “b”, Enter, “c”, Ctrl+Enter', "a\nb\nc"],
        'Add a subtopic' => ['d', '→d, Tab, “e”, Ctrl+Enter', "d\n\te"],
        'Change a title' => ['f', '→f, F2, End, “g”, Enter, Esc', 'fg'],
        'Move one up' => ["h\ni", '→i, Alt+↑', "i\nh"],
        'Move one in' => ["j\nk", '→k, Alt+PageDown', "j\n\tk"],
        'Move one out' => ["l\n\tm", '→m, Alt+PageUp', "l\nm"],
        'Move three at once' => ["n1\nn2\nn3\nn4", '→n1, Shift+↓, Shift+↓, Alt+↓', "n4\nn1\nn2\nn3"],
        'Wrap two in a new parent and name it' => ["o1\no2\no3", '→o1, Shift+↓, Alt+W, “both”, Ctrl+Enter', "both\n\to1\n\to2\no3"],
        'Put a new parent above each' => ["p1\np2", '→p1, Shift+↓, Alt+Shift+W', "\n\tp1\n\n\tp2"],
        'Dissolve a level' => ["q\n\tq1\n\tq2", '→q, Alt+X', "q1\nq2"],
        'Lift what is below' => ["r\n\tr1\n\tr2", '→r, Alt+Shift+X', "r\nr1\nr2"],
        'Remove levels with a single topic' => ["s1\n\ts2\n\t\ts3\n\t\ts4\nsx", '→s1, Ctrl+J, “single topic”, Enter, Enter', "s1\n\ts3\n\ts4\nsx"],
        'Break a topic at the caret' => ['onetwo', '→onetwo, F2, Home, →, →, →, Alt+Enter, Ctrl+Enter', "one\ntwo"],
        'Break a text into sentences' => ['Cut it. Fold it.', '→Cut it, Alt+T, Enter', "Cut it.\nFold it."],
        'Join two topics' => ["t1\n\tu\nt2", '→t1, Shift+↓, Alt+J, Enter', "t1 t2\n\tu"],
        'Send a title to the note' => ["long text\nv", '→long text, Alt+M, Enter', "\nv"],
        'Add a text to another note' => ["w1\nw2", '→w1, Shift+↓, Alt+Shift+M', "w1\nw2"],
        'Sort by title' => ["y\n\ty10\n\ty2", '→y, Alt+O, Enter', "y\n\ty2\n\ty10"],
        'Number a branch' => ["z\n\tz1\n\tz2", '→z, Alt+Q, Enter', "z\n\t1. z1\n\t2. z2"],
        'Give every text a capital' => ["aa bb\n\tcc dd", '→aa bb, Alt+Y, ↓, Enter', "Aa bb\n\tCc dd"],
        'Merge duplicates' => ["dup\n\tsame\n\tSame!\n\t\tof it", '→dup, Ctrl+J, “merge”, Enter, Enter', "dup\n\tsame\n\t\tof it"],
        'Park a topic' => ["ee1\nee2", '→ee2, Alt+P', 'ee1'],
        'Write an idea into the parking lot and bring it back' => ['ff', '→ff, Alt+Z, “spark”, Enter, Tab, Tab, Enter', "ff\n\tspark"],
        'Copy a topic beside itself' => ["gg\n\tgg1", '→gg1, Ctrl+D', "gg\n\tgg1\n\tgg1"],
        'Copy a branch and paste it below another topic' => ["hh\n\thh1\nii", '→hh, Ctrl+C, ↓, Ctrl+V', "hh\n\thh1\nii\n\thh\n\t\thh1"],
        'Cut and paste' => ["jj1\njj2", '→jj1, Ctrl+X, Ctrl+V', "jj2\n\tjj1"],
        'Remove several and get them back' => ["kk1\nkk2\nkk3", '→kk1, Shift+↓, Del, Ctrl+Z', "kk1\nkk2\nkk3"],
        'Take a topic out and hang it on the root' => ["ll1\nll2", '→ll2, Alt+Shift+T, Alt+Shift+R', 'll1'],
        'Replace a word in a branch' => ["mm old\nnn old", '→mm old, Ctrl+Alt+F, “old”, Tab, “new”, Enter, Esc', "mm new\nnn new"],
        'Choose all of a branch and make a level of it' => ["oo1\noo2", '→oo1, Ctrl+A, Alt+W, “all”, Ctrl+Enter', "all\n\too1\n\too2"],
    ];
}

/** Presses what a job says, as a person would read it. */
function perform(Browser $browser, string $keys): void
{
    $names = ['Ctrl' => 'Mod', '↓' => 'ArrowDown', '↑' => 'ArrowUp', '→' => 'ArrowRight', '←' => 'ArrowLeft', 'Esc' => 'Escape', 'Del' => 'Delete'];
    foreach (explode(', ', $keys) as $key) {
        if (preg_match('/\A→(.+)\z/u', $key, $m) === 1) {
            $browser->keys('Mod+j')->waitFor('.palette')->type($m[1]);
            $browser->waitUntil(fn (): bool => $browser->script('const l = [...document.querySelectorAll(".palette li")]; const i = l.findIndex(e => e.querySelector("i.Topic") && e.querySelector("span").textContent.startsWith(arguments[0])); return i >= 0 && (l.slice(0, i).length < 12)', $m[1]), "the topic {$m[1]}");
            $steps = $browser->script('const l = [...document.querySelectorAll(".palette li")]; return l.findIndex(e => e.querySelector("i.Topic") && e.querySelector("span").textContent.startsWith(arguments[0]))', $m[1]);
            $browser->keys(...[...array_fill(0, (int) $steps, 'ArrowDown'), 'Enter']);
            $browser->waitUntil(fn (): bool => ! $browser->has('.palette') && str_starts_with((string) $browser->script('return document.querySelector(".outline .chosen .text")?.innerText'), preg_replace('/\s+/', ' ', $m[1])), "{$m[1]} to be chosen");
            $browser->saved();
        } elseif (preg_match('/\A“(.*)”\z/u', $key, $m) === 1) {
            usleep(150_000);
            $browser->type($m[1]);
            usleep(450_000);
        } else {
            $browser->keys(implode('+', array_map(fn (string $part): string => strlen($part) === 1 && count(explode('+', $key)) > 1 ? strtolower($part) : ($names[$part] ?? $part), explode('+', $key))));
            usleep(220_000);
            if ($browser->has('.change')) {
                $browser->waitUntil(fn (): bool => ! $browser->has('.change') || $browser->has('.change .items li, .change .items .none'), 'the change to be shown');
            }
        }
    }
    $browser->saved();
    usleep(250_000);
    $browser->saved();
}

/** The lines below a first-level topic of a text export, one tab taken away. */
function linesBelow(string $export, string $name): string
{
    preg_match('/^\t'.preg_quote($name, '/').'\n((?:\t\t[^\n]*\n)*)/m', $export, $m);

    return rtrim((string) preg_replace('/^\t\t/m', '', $m[1] ?? '(not there)'), "\n");
}

it('does thirty jobs of restructuring without the mouse', function () {
    $text = "Jobs\n";
    foreach (jobs() as $name => [$before]) {
        $text .= "\t{$name}\n".preg_replace('/^/m', "\t\t", $before)."\n";
    }
    $browser = Studio::browser();
    file_put_contents($file = sys_get_temp_dir().'/jobs.txt', $text);
    $id = trim(Studio::server()->artisan('map:import', $file));
    $browser->visit("/maps/{$id}")->ready();
    $wrong = [];
    foreach (jobs() as $name => [, $keys, $after]) {
        try {
            perform($browser, $keys);
        } catch (RuntimeException $stuck) {
            $wrong[$name] = $stuck->getMessage();
            $browser->visit("/maps/{$id}")->ready();
        }
        $found = linesBelow(Studio::server()->artisan('map:export', $id, '--to=txt'), $name);
        if ($found !== $after) {
            $wrong[$name] = ($wrong[$name] ?? '').$found;
        }
    }
    expect($wrong)->toBe([])
        ->and(count(jobs()))->toBe(30)
        ->and($browser->complaints())->toBe([]);
});

it('has every job on the page about keys', function () {
    $page = (string) file_get_contents(dirname(__DIR__, 2).'/docs/keys.md');
    foreach (jobs() as $name => [, $keys]) {
        expect($page)->toContain("| {$name} | {$keys} |");
    }
});
