<?php

declare(strict_types=1);

use App\Models\Person;
use App\Pictures\KeptPictures;
use App\Store\MapAnswers;
use ChalkTree\Edit\Edits;
use ChalkTree\Feature;
use ChalkTree\Features;
use ChalkTree\Map\Ids;
use ChalkTree\Picture\PictureFile;
use Illuminate\Testing\TestResponse;
use Tests\Support\Photos;
use Tests\Support\Schooled;
use Tests\Support\Sends;

/** @return list<array{method: string, path: string, body: string, after: string}> every request on the page */
function examples(): array
{
    preg_match_all('/```http\n(\S+) (\S+)\n(?:\n(.*?)\n)?```\n([^\n]*)/s', (string) file_get_contents(dirname(__DIR__, 2).'/docs/protocol.md'), $m, PREG_SET_ORDER);

    return array_map(fn (array $one): array => ['method' => $one[1], 'path' => $one[2], 'body' => $one[3], 'after' => $one[4]], $m);
}

it('answers every request on the page about the protocol as the page says', function () {
    $tove = $this->person();
    $named = 0;
    foreach (examples() as $example) {
        $this->flushSession();
        // One of them takes the account away.
        $this->actingAs(($tove = $this->person())->fresh());
        $map = $this->mapOf($tove);
        $fill = fn (string $text): string => strtr($text, ['{map}' => $map->id, '{topic}' => $this->id($map, 'Lanterns'), '{edit}' => Ids::next(), '{hash}' => str_contains($example['path'], '/files/') ? Sends::kept($map, Sends::pdf())->hash : app(KeptPictures::class)->add($map, PictureFile::read(Photos::png()))->hash, '{handOver}' => str_contains($example['path'], '{handOver}') ? madeFor($map) : '', '{published}' => str_contains($example['path'], '{published}') ? app(App\Publishing\PublishedPages::class)->publish($map, 'A page', null, ChalkTree\HandOver\Choices::fromFields('', []), true)->id : '', '{upload}' => Sends::whole($tove, str_repeat('a plan ', 50))->id, '{fresh}' => Ids::next(), '{address}' => str_contains($example['path'], '/calendars/') ? basename(app(App\Calendars\SecretCalendars::class)->make($map), '.ics') : '', '{folder}' => app(App\Library\Folders::class)->make($tove, 'A folder', null)->id]);
        str_contains($example['path'], '/digest') ? $this->sendEdits($map, [['name' => 'row.set', 'type' => 'digest', 'topics' => [$this->id($map, 'Lanterns')], 'fields' => ['when' => '{"all":[]}']]])->assertOk() : null;
        str_contains($example['path'], '{wording}') ? $this->sendEdits($map, [['name' => 'row.set', 'type' => 'wording', 'row' => $wording = Ids::next(), 'fields' => ['at' => $this->id($map, 'Lanterns'), 'name' => 'First', 'text' => 'Dark.']]])->assertOk() : $wording = '';
        $about = sharedAbout($example['path'], $map, $tove);
        [$example['path'], $example['body']] = [strtr($example['path'], $about), strtr($example['body'], $about)];
        $isJson = str_starts_with($example['body'], '{');
        $fill = str_contains($example['path'], '{deck}') ? (function (string $text) use ($fill, $map): string {
            static $made = [];
            $made[$map->id] ??= $this->sendEdits($map, [['name' => 'slide.add', 'as' => $slide = Ids::next(), 'deck' => $deck = Ids::next(), 'topics' => [$map->root]]])->assertOk()->json('seq') > 0 ? ['{deck}' => $deck, '{slide}' => $slide] : [];

            return $fill(strtr($text, $made[$map->id]));
        })->bindTo($this) : $fill;
        $example['path'] = str_replace('{wording}', $wording, $example['path']);
        /** @var TestResponse $answer */
        $answer = $isJson
            ? $this->json($example['method'], $fill($example['path']), json_decode($fill($example['body']), true, 512, JSON_THROW_ON_ERROR))
            : $this->call($example['method'], $fill($example['path']), content: $example['body'], server: ['HTTP_ACCEPT' => 'application/json']);
        $wanted = match (true) {
            // Nothing outside can be reached from a test.
            str_contains($example['path'], 'reset-password'), str_contains($example['path'], 'register/finish'), str_contains($example['path'], '{map}/pages'), str_contains($example['path'], 'draft/returned'), str_contains($example['path'], 'confirm-address'), str_contains($example['path'], 'sign-in/code') => 422,
            str_contains($example['path'], '/demo'), str_contains($example['path'], '/openid') => 404,
            default => null,
        };
        $wanted === null ? expect($answer->getStatusCode())->toBeLessThan(300, $example['path']) : $answer->assertStatus($wanted);
        if (preg_match('/^Answers `(\w+Answer|ShownDeck|SlideDrawing|Afar|Speech|SpeechVoices)`/', $example['after'], $m) === 1) {
            expectShape($m[1], json_decode($answer->getContent()));
            $named++;
        }
        if ($answer->getStatusCode() >= 400) {
            expectShape('ErrorAnswer', $answer->json());
        }
    }
    expect($named)->toBeGreaterThanOrEqual(8);
});

it('makes every edit on the page, and each request fits its shape', function () {
    $this->actingAs($tove = $this->person());
    $map = $this->mapOf($tove);
    $ids = ['{root}' => $map->root, '{topic}' => $this->id($map, 'Lanterns'), '{other}' => $this->id($map, 'Boats'), '{branch}' => $this->id($map, 'Willow'), '{new}' => Ids::next(), '{fresh}' => Ids::next(), '{split}' => Ids::next(), '{tag}' => Ids::next(), '{link}' => Ids::next(), '{ring}' => Ids::next(), '{brace}' => Ids::next(), '{second}' => Ids::next(), '{way}' => Ids::next(), '{onward}' => Ids::next(), '{attached}' => Ids::next(), '{deck}' => Ids::next(), '{slide}' => Ids::next(), '{slideCopy}' => Ids::next(), '{kind}' => Ids::next(), '{field}' => Ids::next(), '{choices}' => Ids::next(), '{entry}' => Ids::next(), '{again}' => Ids::next(), '{brought}' => Ids::next(), '{compared}' => Ids::next(), '{file}' => Sends::kept($map, 'a plan')->hash];
    preg_match_all('/```json edit\n(.*?)\n```/s', (string) file_get_contents(dirname(__DIR__, 2).'/docs/protocol.md'), $m);
    $seq = 0;
    foreach ($m[1] as $body) {
        $edit = json_decode(strtr($body, $ids), true, 512, JSON_THROW_ON_ERROR) + ['id' => Ids::next()];
        expectShape('EditsRequest', ['since' => $seq, 'edits' => [$edit]]);
        $answer = $this->sendEdits($map, [$edit], $seq)->assertOk();
        expect($answer->json('edits.0'))->toMatchArray(['status' => 'done'], $body.json_encode($answer->json('edits.0')));
        expectShape('EditsAnswer', json_decode($answer->getContent()));
        $seq = $answer->json('seq');
    }
    $shown = array_map(fn (string $body): string => json_decode(strtr($body, $ids), true)['name'], $m[1]);
    $ofFeatures = array_merge(...array_values(array_map(fn (Feature $feature): array => $feature->edits(), Features::all())));
    expect(array_values(array_unique($shown)))->toEqualCanonicalizing([...array_map(fn (string $class): string => $class::name(), [...Edits::ALL, ...$ofFeatures]), 'undo', 'redo', 'history.return']);
});

it('has every route on the page', function () {
    $shown = array_map(fn (array $one): string => $one['method'].' '.strtok(ltrim($one['path'], '/'), '?'), examples());
    foreach (app('router')->getRoutes() as $route) {
        if (str_starts_with($route->uri(), 'api/')) {
            $written = strtr($route->uri(), ['{starter}' => 'week-ahead', '{seq}' => '0', '{colour}' => 'ffd84d', '{size}' => 'small', '{format}' => 'csv', '{at}' => '0', '{other}' => '{map}', '{page}' => '1']);
            expect($shown)->toContain($route->methods()[0].' '.$written);
        }
    }
});

it('opens large and awkward maps in the shape that the schema gives', function () {
    $tove = $this->person();
    $map = $this->mapOf($tove);
    $answer = json_decode(app(MapAnswers::class)->open($map, $tove));

    expectShape('OpenAnswer', $answer);
    expect(array_column($answer->rows, 'type'))->toContain('map', 'topic');
});

/** What examples about sharing name. */
function sharedAbout(string $path, App\Models\MapRecord $map, Person $tove): array
{
    $shares = app(App\Sharing\Shares::class);
    if (str_ends_with($path, '/take')) {
        // Of somebody else's, who offers it.
        $map->update(['person_id' => test()->person('bram@saltmere.example')->id, 'offered_to' => $tove->email]);
        $shares->give($map->fresh()->person, $map->fresh(), $tove->email, App\Sharing\Role::Edit);
    }

    $school = [];
    if (preg_match('~/(classes/|pupils/|hand-outs|copies/|ideas/|join|pupil$)~', $path) === 1) {
        // The part that comes later is one of those that are not given yet.
        str_ends_with($path, '/parts') ? test()->sendEdits($map, [['name' => 'row.set', 'type' => 'lock', 'topics' => [test()->id($map, 'Lanterns')], 'fields' => ['how' => 'later']]])->assertOk() : null;
        $school = Schooled::ids($tove, $map);
        if (str_ends_with($path, '/in') || str_ends_with($path, '/pupil')) {
            test()->actingAs(App\Models\Person::query()->whereNotNull('pupil_of')->latest('id')->firstOrFail());
        }
    }

    if (preg_match('~^/api/me(/|$)~', $path) === 1) {
        // As it was before the examples that came first.
        $tove = Person::query()->findOrFail($tove->id)->forceFill(['password' => 'a long password']);
        $tove->save();
        test()->actingAs($tove);
    }
    if (str_contains($path, 'two-factor') || str_contains($path, 'recovery')) {
        app(App\Account\TwoFactor::class)->end($tove = $tove->fresh());
        $secret = app(App\Account\TwoFactor::class)->begin($tove)['secret'];
        $code = App\Account\TimeCodes::at($secret, now()->getTimestamp());
        $school['{totp}'] = $code;
        str_contains($path, 'recovery') ? app(App\Account\TwoFactor::class)->confirm($tove, $code) : null;
        test()->actingAs($tove->fresh());
    }
    $school['{signIn}'] = App\Models\SignIn::query()->create(['id' => Ids::next(), 'person_id' => $tove->id, 'agent' => '', 'ip' => '', 'began' => 1, 'last' => time()])->id;

    return $school + array_filter([
        '{share}' => str_contains($path, '{share}') ? $shares->give($tove, $map, 'ines@saltmere.example', App\Sharing\Role::Edit)->id : null,
        '{block}' => str_contains($path, '{block}') ? $shares->block($tove, 'oskar@saltmere.example')->id : null,
        '{comment}' => str_contains($path, '{comment}') ? app(App\Comments\Comments::class)->say($map, $tove, Ids::next(), $map->root, null, 'Well?')->id : null,
        '{link}' => str_contains($path, '{link}') ? app(App\Viewing\ViewingLinks::class)->make($map, ['topic' => null, 'until' => null, 'password' => null, 'notes' => true, 'files' => true, 'copying' => true])->id : null,
        '{asking}' => str_contains($path, '{asking}') ? '1' : null,
    ], is_string(...));
}

/** A PDF of the map that is done. */
function madeFor(App\Models\MapRecord $map): string
{
    return test()->postJson("/api/maps/{$map->id}/handovers", ['to' => 'pdf', 'choices' => [], 'topic' => null, 'chosen' => [], 'board' => 'day'])->json('id');
}
