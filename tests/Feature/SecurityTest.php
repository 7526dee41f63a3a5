<?php

declare(strict_types=1);

use App\Account\TimeCodes;
use App\Models\Block;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Share;
use App\Models\SignIn;
use App\Sharing\Role;
use App\Sharing\Shares;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Testing\TestResponse;

/* One's own account: name, address, password, codes, where one is signed in, all that is kept, and leaving. */

beforeEach(function () {
    config(['chalk.limits' => false]);
    $this->tove = $this->person();
    /** Signs in as a browser of its own would, which then is the one that asks. */
    $this->signIn = function (string $password = 'a long password', string $email = 'tove@saltmere.example'): TestResponse {
        $this->flushSession();
        auth()->forgetUser();

        return $this->postJson('/api/sign-in', ['email' => $email, 'password' => $password]);
    };
    $this->session = fn (): array => session()->all();
    /** Goes on as a browser whose session was kept. */
    $this->as = function (array $session): void {
        auth()->forgetGuards();
        $this->flushSession();
        $this->withSession($session);
    };
    $this->link = function (string $email): array {
        preg_match('~/confirm-address\?(\S+)~', (string) DB::table('letters')->where('recipient', $email)->orderByDesc('id')->value('text'), $m);
        parse_str($m[1] ?? '', $link);

        return $link;
    };
    /** Turns codes on; gives the secret, and the codes that are written down. */
    $this->codes = function (): array {
        $begun = $this->postJson('/api/me/two-factor', ['password' => 'a long password'])->assertOk()->json();
        $codes = $this->putJson('/api/me/two-factor', ['code' => TimeCodes::at($begun['secret'], now()->getTimestamp() - 30)])->assertOk()->json('codes');

        return [$begun['secret'], $codes];
    };
});

it('changes a name, and a password, which ends all other sessions', function () {
    ($this->signIn)()->assertOk();
    $this->getJson('/api/me/account')->assertOk();
    $other = ($this->session)();
    ($this->signIn)()->assertOk();
    $answer = $this->putJson('/api/me/name', ['name' => '  Tove Brill '])->assertOk();
    expectShape('AccountAnswer', json_decode($answer->getContent()));
    expect($answer->json('name'))->toBe('Tove Brill')->and($this->getJson('/api/me')->json('person.name'))->toBe('Tove Brill');
    $this->putJson('/api/me/name', ['name' => ' '])->assertUnprocessable();
    $this->putJson('/api/me/password', ['password' => 'wrong', 'next' => 'another long one'])->assertUnprocessable()->assertJsonPath('field', 'password');
    $this->putJson('/api/me/password', ['password' => 'a long password', 'next' => 'short'])->assertUnprocessable()->assertJsonPath('field', 'next');
    $this->putJson('/api/me/password', ['password' => 'a long password', 'next' => 'another long one'])->assertOk();
    $this->getJson('/api/maps')->assertOk();
    expect(Hash::check('another long one', $this->tove->fresh()->password))->toBeTrue();
    ($this->as)($other);
    $this->getJson('/api/maps')->assertUnauthorized();
    ($this->signIn)()->assertUnprocessable();
    ($this->signIn)('another long one')->assertOk();
});

it('changes the address once a letter was opened there, and takes along what is shared', function () {
    $ines = $this->person('ines@saltmere.example');
    [$map, $second] = [$this->mapOf($ines), $this->mapOf($ines)];
    app(Shares::class)->give($ines, $map, 'tove@saltmere.example', Role::Edit);
    app(Shares::class)->give($ines, $second, 'tove@saltmere.example', Role::View);
    app(Shares::class)->give($ines, $second, 'brill@saltmere.example', Role::Edit);
    Block::query()->create(['id' => ChalkTree\Map\Ids::next(), 'person_id' => $this->person('bram@saltmere.example')->id, 'email' => 'tove@saltmere.example']);
    ($this->signIn)()->assertOk();
    $this->putJson('/api/me/address', ['email' => 'brill@saltmere.example', 'password' => 'wrong'])->assertUnprocessable();
    $said = $this->putJson('/api/me/address', ['email' => ' Brill@Saltmere.example ', 'password' => 'a long password'])->assertOk()->json();
    expect($this->tove->fresh()->email)->toBe('tove@saltmere.example');
    $link = ($this->link)('brill@saltmere.example');
    $this->postJson('/api/confirm-address', ['token' => 'made up'])->assertUnprocessable()->assertJsonPath('code', 'link_spent');
    $this->postJson('/api/confirm-address', $link)->assertOk();
    $this->postJson('/api/confirm-address', $link)->assertUnprocessable();
    expect($this->tove->fresh()->email)->toBe('brill@saltmere.example')->and(Share::query()->where('email', 'tove@saltmere.example')->count())->toBe(0)
        ->and(Share::query()->where('email', 'brill@saltmere.example')->pluck('role', 'map_id')->map(fn (Role $role): string => $role->value)->all())->toEqual([$map->id => 'edit', $second->id => 'edit'])
        ->and(Block::query()->value('email'))->toBe('brill@saltmere.example')->and((string) DB::table('letters')->where('recipient', 'tove@saltmere.example')->orderByDesc('id')->value('text'))->toContain('brill@saltmere.example');
    // Nobody hears who has an account: the answer is the same, and whoever has one is told.
    expect($this->putJson('/api/me/address', ['email' => 'ines@saltmere.example', 'password' => 'a long password'])->assertOk()->json())->toBe($said)->and(($this->link)('ines@saltmere.example'))->toBe([]);
});

it('ends all that was begun with a password that was forgotten: sessions, and links for another address', function () {
    ($this->signIn)()->assertOk();
    $this->getJson('/api/maps')->assertOk();
    $this->putJson('/api/me/address', ['email' => 'brill@saltmere.example', 'password' => 'a long password'])->assertOk();
    $other = ($this->session)();
    $link = ($this->link)('brill@saltmere.example');
    ($this->as)($other);
    $this->getJson('/api/maps')->assertOk();
    // Whoever it is chooses another one by a letter, elsewhere.
    $this->flushSession();
    auth()->forgetUser();
    $this->postJson('/api/forgot-password', ['email' => 'tove@saltmere.example'])->assertOk();
    preg_match('~/reset-password\?\S+~', (string) DB::table('letters')->where('recipient', 'tove@saltmere.example')->orderByDesc('id')->value('text'), $m);
    parse_str((string) parse_url($m[0], PHP_URL_QUERY), $reset);
    $this->postJson('/api/reset-password', ['token' => $reset['token'], 'email' => $reset['email'], 'password' => 'another long one'])->assertOk()->assertJsonPath('person.name', 'Tove');
    $this->getJson('/api/maps')->assertOk();
    $own = ($this->session)();
    ($this->as)($other);
    $this->getJson('/api/maps')->assertUnauthorized();
    ($this->as)($own);
    $this->getJson('/api/maps')->assertOk();
    $this->postJson('/api/confirm-address', $link)->assertUnprocessable()->assertJsonPath('code', 'link_spent');
    expect($this->tove->fresh()->email)->toBe('tove@saltmere.example');
});

it('lets nobody try codes, or passwords once they are in, more often than some times, wherever they come from', function () {
    ($this->signIn)()->assertOk();
    for ($n = 0; $n < 10; $n++) {
        $this->putJson('/api/me/password', ['password' => "wrong {$n}", 'next' => 'another long one'])->assertUnprocessable();
    }
    $this->putJson('/api/me/password', ['password' => 'a long password', 'next' => 'another long one'])->assertTooManyRequests();
    $this->travel(2)->minutes();
    ($this->codes)();
    ($this->signIn)()->assertOk();
    $answers = [];
    for ($n = 0; $n < 40; $n++) {
        $answers[] = $this->withServerVariables(['REMOTE_ADDR' => "10.0.0.{$n}"])->postJson('/api/sign-in/code', ['code' => '000000'])->status();
    }
    expect(array_count_values($answers))->toBe([422 => 20, 429 => 20]);
    $this->travel(11)->minutes();
    ($this->signIn)()->assertOk();
    $this->postJson('/api/sign-in/code', ['code' => '000000'])->assertUnprocessable();
});

it('forgets a link for another address after a day, and once somebody else has that address', function () {
    ($this->signIn)()->assertOk();
    $this->putJson('/api/me/address', ['email' => 'brill@saltmere.example', 'password' => 'a long password'])->assertOk();
    $link = ($this->link)('brill@saltmere.example');
    $taken = $this->person('brill@saltmere.example');
    $this->postJson('/api/confirm-address', $link)->assertUnprocessable();
    $taken->delete();
    $this->travel(25)->hours();
    $this->postJson('/api/confirm-address', $link)->assertUnprocessable();
    expect($this->tove->fresh()->email)->toBe('tove@saltmere.example');
});

it('asks for a code besides the password, each of which holds once', function () {
    ($this->signIn)()->assertOk();
    $this->postJson('/api/me/two-factor', ['password' => 'wrong'])->assertUnprocessable();
    $begun = $this->postJson('/api/me/two-factor', ['password' => 'a long password'])->assertOk()->json();
    expect($begun['address'])->toBe("otpauth://totp/Chalk%20Tree%3Atove%40saltmere.example?secret={$begun['secret']}&issuer=Chalk+Tree&algorithm=SHA1&digits=6&period=30")->and($begun['secret'])->toMatch('/^[A-Z2-7]{32}$/');
    // Not before a code of it was shown.
    ($this->signIn)()->assertJsonPath('person.name', 'Tove');
    $this->putJson('/api/me/two-factor', ['code' => '000000'])->assertUnprocessable()->assertJsonPath('field', 'code');
    $codes = $this->putJson('/api/me/two-factor', ['code' => TimeCodes::at($begun['secret'], now()->getTimestamp() - 30)])->assertOk()->json('codes');
    expect($codes)->toHaveCount(10)->and(array_unique($codes))->toHaveCount(10)->and(json_encode(DB::table('people')->get()))->not->toContain($begun['secret'])->not->toContain($codes[0]);
    ($this->signIn)()->assertOk()->assertExactJson(['person' => null, 'wants' => 'code']);
    $this->getJson('/api/maps')->assertUnauthorized();
    $now = TimeCodes::at($begun['secret'], now()->getTimestamp());
    $this->postJson('/api/sign-in/code', ['code' => '12 34'])->assertUnprocessable();
    $this->postJson('/api/sign-in/code', ['code' => substr($now, 0, 3).' '.substr($now, 3)])->assertOk()->assertJsonPath('person.name', 'Tove');
    $this->getJson('/api/maps')->assertOk();
    // Used once, it is of no use to whoever looked over a shoulder.
    ($this->signIn)();
    $this->postJson('/api/sign-in/code', ['code' => $now])->assertUnprocessable();
    $this->postJson('/api/sign-in/code', ['code' => strtoupper($codes[3])])->assertOk();
    expect($this->getJson('/api/me/account')->json())->toMatchArray(['twoFactor' => true, 'recovery' => 9]);
    ($this->signIn)();
    $this->postJson('/api/sign-in/code', ['code' => $codes[3]])->assertUnprocessable();
    // New ones put an end to the old.
    $this->postJson('/api/sign-in/code', ['code' => $codes[4]])->assertOk();
    $new = $this->postJson('/api/me/recovery', ['password' => 'a long password'])->assertOk()->json('codes');
    ($this->signIn)();
    $this->postJson('/api/sign-in/code', ['code' => $codes[5]])->assertUnprocessable();
    $this->postJson('/api/sign-in/code', ['code' => $new[0]])->assertOk();
    $this->deleteJson('/api/me/two-factor', ['password' => 'a long password'])->assertOk()->assertJsonPath('twoFactor', false);
    ($this->signIn)()->assertJsonPath('person.name', 'Tove');
    $this->postJson('/api/me/recovery', ['password' => 'a long password'])->assertNotFound();
});

it('asks for the code also of who comes by a letter, and waits for it ten minutes', function () {
    ($this->signIn)();
    [$secret, $codes] = ($this->codes)();
    ($this->signIn)();
    $this->travel(11)->minutes();
    $this->postJson('/api/sign-in/code', ['code' => $codes[0]])->assertUnprocessable()->assertJsonPath('code', 'code_late');
    $this->flushSession();
    $this->postJson('/api/sign-in/code', ['code' => $codes[0]])->assertUnprocessable()->assertJsonPath('code', 'code_late');
    $token = Illuminate\Support\Facades\Password::createToken($this->tove->fresh());
    $this->postJson('/api/reset-password', ['email' => 'tove@saltmere.example', 'token' => $token, 'password' => 'yet another long one'])->assertOk()->assertExactJson(['person' => null, 'wants' => 'code']);
    $this->getJson('/api/maps')->assertUnauthorized();
});

it('makes the codes of the standard', function (int $time, string $code) {
    // RFC 6238, appendix B, the last six of eight digits.
    $secret = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ';
    expect(TimeCodes::at($secret, $time))->toBe($code)->and(TimeCodes::step($secret, $code, $time, null))->toBe(intdiv($time, 30))->and(TimeCodes::step($secret, $code, $time + 30, null))->toBe(intdiv($time, 30))
        ->and(TimeCodes::step($secret, $code, $time + 90, null))->toBeNull()->and(TimeCodes::step($secret, $code, $time, intdiv($time, 30)))->toBeNull();
})->with([[59, '287082'], [1111111109, '081804'], [1111111111, '050471'], [1234567890, '005924'], [2000000000, '279037'], [20000000000, '353130']]);

it('tells where somebody is signed in, and ends it from elsewhere', function () {
    ($this->signIn)();
    $this->getJson('/api/maps', ['User-Agent' => 'Harbour office'])->assertOk();
    $office = ($this->session)();
    $this->travel(1)->minutes();
    ($this->signIn)();
    $told = $this->getJson('/api/me/account', ['User-Agent' => 'Phone'])->assertOk()->json('signIns');
    expect($told)->toHaveCount(2)->and($told[0]['isThis'])->toBeTrue()->and($told[1])->toMatchArray(['isThis' => false, 'ip' => '127.0.0.1']);
    // Nobody else's can be ended.
    $hers = SignIn::query()->create(['id' => ChalkTree\Map\Ids::next(), 'person_id' => $this->person('ines@saltmere.example')->id, 'agent' => '', 'ip' => '', 'began' => 1, 'last' => now()->getTimestamp()]);
    $this->deleteJson("/api/me/sign-ins/{$hers->id}")->assertNotFound();
    $phone = ($this->session)();
    $this->deleteJson("/api/me/sign-ins/{$told[1]['id']}")->assertOk()->assertJsonCount(1, 'signIns')->assertJsonPath('signIns.0.isThis', true);
    $remembered = $this->tove->fresh()->getRememberToken();
    ($this->as)($office);
    $this->getJson('/api/maps')->assertUnauthorized();
    ($this->as)($office);
    expect($this->getJson('/api/me')->json('person'))->toBeNull();
    ($this->as)($phone);
    $this->getJson('/api/maps')->assertOk();
    foreach ([1, 2, 3] as $n) {
        $this->travel(1)->minutes();
        ($this->signIn)();
        $this->getJson('/api/maps')->assertOk();
    }
    $this->deleteJson('/api/me/sign-ins')->assertOk()->assertJsonCount(1, 'signIns');
    expect(SignIn::query()->count())->toBe(2)->and($remembered)->not->toBe($this->tove->fresh()->getRememberToken());
    // Signing out ends it as well.
    $this->postJson('/api/sign-out')->assertOk();
    expect(SignIn::query()->where('person_id', $this->tove->id)->count())->toBe(0);
});

it('hands over all that is kept of somebody, and nothing of anybody else’s', function () {
    $map = $this->mapOf($this->tove);
    $ines = $this->person('ines@saltmere.example');
    $hers = $this->mapOf($ines);
    app(Shares::class)->give($ines, $hers, 'tove@saltmere.example', Role::Edit);
    app(App\Comments\Comments::class)->say($hers, $this->tove, ChalkTree\Map\Ids::next(), $hers->root, null, 'Paper or willow?');
    app(App\Comments\Comments::class)->say($hers, $ines, ChalkTree\Map\Ids::next(), $hers->root, null, 'Not for others.');
    ($this->signIn)();
    $page = $this->postJson("/api/maps/{$map->id}/published", ['name' => 'For the site', 'topic' => null, 'choices' => [], 'isFrozen' => false])->assertCreated()->json('address');
    $this->sendEdits($map, [['name' => 'topic.retitle', 'topic' => $map->root, 'title' => 'Festival of lamps'], ['name' => 'topic.note', 'topics' => [$map->root], 'note' => 'Lamps by the quay.']]);
    $answer = $this->get('/api/me/data')->assertOk();
    file_put_contents($path = tempnam(sys_get_temp_dir(), 'data'), $answer->streamedContent());
    $zip = new ZipArchive;
    expect($zip->open($path))->toBeTrue()->and($zip->numFiles)->toBe(2);
    $told = json_decode((string) $zip->getFromName('account.json'), true);
    expect($told['address'])->toBe('tove@saltmere.example')->and($told['comments'][0]['text'])->toBe('Paper or willow?')->and($told['maps'])->toBe([['title' => 'Festival of lamps', 'file' => 'maps/1 Festival of lamps.zip', 'isInTrash' => false]])
        ->and($told['published'][0])->toMatchArray(['map' => $map->id, 'name' => 'For the site', 'address' => $page])->and($told['viewingLinks'])->toBe([])->and($told['askedToJoin'])->toBe([])->and($told['wordsByDay'][0])->toMatchArray(['map' => $map->id, 'words' => 4])
        // What is packed already is not packed again, which takes long where there is much.
        ->and($zip->statName('maps/1 Festival of lamps.zip')['comp_method'] ?? null)->toBe(ZipArchive::CM_STORE)
        ->and(json_encode($told))->not->toContain('Not for others')->not->toContain($this->tove->password);
    file_put_contents("{$path}.zip", (string) $zip->getFromName('maps/1 Festival of lamps.zip'));
    $inner = new ZipArchive;
    expect($inner->open("{$path}.zip"))->toBeTrue()->and($inner->getFromName('map.json'))->toContain('Lanterns');
    unlink($path);
    unlink("{$path}.zip");
});

it('says what leaving means, and takes an account away with what is its own', function () {
    $map = $this->mapOf($this->tove);
    $ines = $this->person('ines@saltmere.example');
    $hers = $this->mapOf($ines);
    app(Shares::class)->give($this->tove, $map, $ines->email, Role::View);
    app(Shares::class)->give($ines, $hers, 'tove@saltmere.example', Role::Edit);
    $class = app(App\Classroom\SchoolClasses::class)->make($this->tove, '7b');
    app(App\Classroom\SchoolClasses::class)->add($class, ['Ada', 'Bo']);
    app(App\Classroom\HandOuts::class)->give($class, $map, ['title' => '', 'question' => '', 'due' => null, 'byTeam' => false]);
    ($this->signIn)();
    expect($this->getJson('/api/me/account')->json('leaving'))->toBe(['maps' => 1, 'shared' => 3, 'classes' => 1, 'pupils' => 2]);
    $this->sendEdits($hers, [['name' => 'topic.retitle', 'topic' => $hers->root, 'title' => 'Feast']])->assertJsonPath('edits.0.status', 'done');
    $this->deleteJson('/api/me', ['password' => 'wrong'])->assertUnprocessable();
    $this->deleteJson('/api/me', ['password' => 'a long password'])->assertOk();
    $this->getJson('/api/maps')->assertUnauthorized();
    expect(Person::query()->pluck('email')->all())->toBe(['ines@saltmere.example'])->and(MapRecord::query()->pluck('id')->all())->toBe([$hers->id])->and(Share::query()->count())->toBe(0)->and(SignIn::query()->count())->toBe(0)
        ->and((string) DB::table('letters')->where('recipient', 'tove@saltmere.example')->orderByDesc('id')->value('subject'))->toBe('Your account is gone');
    // What was written in others' maps stays, and its history with it.
    $this->actingAs($ines);
    expect($this->getJson("/api/maps/{$hers->id}/history")->assertOk()->json('edits.0.person'))->toBe('Somebody who has left')->and($this->topics($hers)->root()->title)->toBe('Feast');
});

it('sends no more letters to new addresses than any other letters', function () {
    config(['chalk.limits' => true]);
    ($this->signIn)()->assertOk();
    $sent = array_map(fn (int $n): int => $this->putJson('/api/me/address', ['email' => "new{$n}@saltmere.example", 'password' => 'a long password'])->getStatusCode(), range(1, 41));
    expect(array_count_values($sent))->toBe([200 => 40, 429 => 1]);
});
