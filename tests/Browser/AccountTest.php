<?php

declare(strict_types=1);

use App\Account\TimeCodes;
use Tests\Browser\Studio;
use Tests\Support\Browser;

/* One's own account, in the browser: what it is called, codes besides the password, where one is signed in, leaving. */

/** The page of somebody's own account, whose the account is. */
function accountOf(string $name): Browser
{
    return Studio::beside($name)->visit('/account')->waitFor('.account-page section');
}

it('changes a name and a password by keys, and says so', function () {
    $browser = accountOf('Marit'.bin2hex(random_bytes(3)));
    $browser->script('document.querySelector("[aria-label=Name] input, input[aria-label=Name]").focus()');
    $browser->keys('Mod+a')->type('Marit Aske')->keys('Enter')->waitUntil(fn (): bool => (string) $browser->script('return document.querySelector(".class-head .n-button").innerText') === 'Marit Aske', 'the name in the head');
    $browser->find('[aria-label="Your password"]')->sendKeys('a wrong password');
    $browser->find('[aria-label="New password"]')->sendKeys('another long password');
    $browser->keys('Enter')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), 'This is not your password'), 'the refusal');
    $browser->script('document.querySelector(`[aria-label="Your password"]`).focus()');
    $browser->keys('Mod+a')->type('a long password')->keys('Enter')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), 'The password is another'), 'the change');
    // It stays signed in here.
    $browser->visit('/')->waitFor('.library');
    expect((string) $browser->script('return document.querySelector("header").innerText'))->toContain('Marit Aske');
});

it('asks for a code of an authenticator at the next sign-in, and takes one that was written down', function () {
    $name = 'Oskar'.bin2hex(random_bytes(3));
    $browser = accountOf($name);
    $browser->find('[aria-label="Your password, for codes"]')->sendKeys('a long password');
    $browser->press('Begin')->waitFor('.begun code');
    $secret = str_replace(' ', '', (string) $browser->script('return document.querySelector(".begun code").textContent'));
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement?.getAttribute("aria-label")') === 'Code', 'the caret in the field');
    $browser->type(TimeCodes::at($secret, time() - 30))->keys('Enter')->waitFor('.written li');
    $codes = (array) $browser->script('return [...document.querySelectorAll(".written li")].map((one) => one.textContent)');
    expect($codes)->toHaveCount(10);
    $in = function () use ($browser, $name): void {
        $browser->visit('/')->waitFor('.library')->press($name)->press('Sign out')->waitFor('.account input');
        $browser->find('input[name=email]')->sendKeys(strtolower($name).'@beside.saltmere.example');
        $browser->find('input[type=password]')->sendKeys('a long password');
        $browser->keys('Enter')->waitFor('[aria-label=Code]')->waitUntil(fn (): bool => $browser->script('return document.activeElement?.getAttribute("aria-label")') === 'Code', 'the caret in the code');
    };
    $in();
    $browser->type('123456')->keys('Enter')->waitFor('.n-alert');
    $browser->keys('Mod+a')->type(TimeCodes::at($secret, time()))->keys('Enter')->waitFor('.library');
    $in();
    $browser->type((string) $codes[2])->keys('Enter')->waitFor('.library');
    $browser->visit('/account')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), '9 of those written down are left'), 'nine that are left');
});

it('shows where one is signed in, and ends it there', function () {
    $name = 'Brill'.bin2hex(random_bytes(3));
    $here = accountOf($name);
    $there = new Browser(Studio::server()->address);
    try {
        $there->visit('/sign-in')->waitFor('.account');
        $there->find('input[name=email]')->sendKeys(strtolower($name).'@beside.saltmere.example');
        $there->find('input[type=password]')->sendKeys('a long password');
        $there->press('Sign in')->waitFor('.library');
        $here->visit('/account')->waitUntil(fn (): bool => $here->count('[aria-label="Signed in"] li') >= 2, 'both');
        $here->press('End all others')->waitUntil(fn (): bool => $here->count('[aria-label="Signed in"] li') === 1, 'this one');
        $there->visit('/')->waitFor('.account');
        expect($there->has('.library'))->toBeFalse()->and($here->complaints())->toBe([]);
    } finally {
        $there->quit();
    }
});

it('says what leaving takes away, and does it', function () {
    $name = 'Aske'.bin2hex(random_bytes(3));
    $browser = Studio::beside($name);
    $browser->newMap()->type('Mine')->keys('Mod+Enter')->saved()->visit('/account')->waitFor('.account-page section');
    $browser->press('Remove the account')->waitFor('.leaving');
    expect((string) $browser->script('return document.querySelector(".leaving").innerText'))->toContain('nobody can bring it back: 1 map.');
    $browser->find('[aria-label="Your password, to leave"]')->sendKeys('a long password');
    $browser->press('Remove it for good')->waitFor('.account');
    $browser->find('input[name=email]')->sendKeys(strtolower($name).'@beside.saltmere.example');
    $browser->find('input[type=password]')->sendKeys('a long password');
    $browser->press('Sign in')->waitFor('.n-alert');
    expect((string) $browser->script('return document.querySelector(".n-alert").innerText'))->toContain('do not go together');
});

it('lets whoever has come in stay, however late somebody before them is told that they are not', function () {
    $browser = new Browser(Studio::server()->address);
    try {
        [$name, $other] = ['Cyra'.bin2hex(random_bytes(3)), 'Dorin'.bin2hex(random_bytes(3))];
        accountOf($name);
        accountOf($other);
        $in = function (string $who) use ($browser): void {
            $browser->visit('/sign-in')->waitFor('.account');
            $browser->find('input[name=email]')->sendKeys($who);
            $browser->find('input[type=password]')->sendKeys('a long password');
            $browser->press('Sign in');
        };
        $in(strtolower($name).'@beside.saltmere.example');
        $browser->waitFor('.library');
        // Her time zone is kept as the page opens; that is answered only when somebody else has come in, and says that she has not.
        Studio::data()->prepare('update people set zone = null where email = ?')->execute([strtolower($name).'@beside.saltmere.example']);
        $browser->tools('Page.addScriptToEvaluateOnNewDocument', ['source' => 'const real = window.fetch; window.late = 0; window.fetch = (what, how) => String(what).endsWith("/api/me/zone") && window.late === 0 ? (window.late = 1, new Promise((come) => { window.tell = () => { window.late = 2; come(new Response(JSON.stringify({ code: "signed_out", message: "Sign in first.", field: null }), { status: 401, headers: { "Content-Type": "application/json" } })) } })) : real(what, how)']);
        $in(strtolower($other).'@beside.saltmere.example');
        $browser->waitFor('.library')->waitUntil(fn (): bool => $browser->script('return window.late') === 1, 'the zone to be on its way')->script('window.tell()');
        usleep(500_000);
        expect($browser->script('return [window.late, location.pathname, document.querySelector(".library") !== null]'))->toBe([2, '/', true])->and($browser->script('return document.body.innerText'))->toContain($other);
    } finally {
        $browser->quit();
    }
});
