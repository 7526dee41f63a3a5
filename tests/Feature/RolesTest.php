<?php

declare(strict_types=1);

use App\Models\Folder;
use App\Models\Person;
use App\Models\Share;
use App\Pictures\KeptPictures;
use App\Sharing\Role;
use App\Sharing\Shares;
use ChalkTree\Map\Ids;
use ChalkTree\Picture\PictureFile;
use Illuminate\Routing\Route as OneRoute;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Tests\Support\Photos;
use Tests\Support\Schooled;
use Tests\Support\Sends;

/*
 * Every route of the API for every role: who may is told here by hand, and a route that is not told of fails. The rest
 * is asked: whoever may is answered as the owner is, whoever may not learns no more than they may.
 */

/** What a route is for: who has at least this role of the map in its address. */
const ROUTES_OF_MAPS = [
    'view' => [
        'GET maps/{map}', 'GET maps/{map}/edits', 'GET maps/{map}/stream', 'PUT maps/{map}/here', 'DELETE maps/{map}/here', 'PUT maps/{map}/view', 'PUT maps/{map}/place', 'GET maps/{map}/card', 'GET maps/{map}/topics/{topic}/card', 'POST maps/{map}/find', 'POST maps/{map}/filter', 'POST maps/{map}/filter/among', 'POST maps/{map}/copy', 'GET maps/{map}/legend', 'GET maps/{map}/sentences.{format}',
        'GET maps/{map}/pictures/{hash}/{size}', 'GET maps/{map}/files/{hash}', 'GET maps/{map}/files/{hash}/preview', 'POST maps/{map}/duplicate', 'POST maps/{map}/handovers', 'GET maps/{map}/plan', 'GET maps/{map}/export',
        'GET maps/{map}/decks/{deck}', 'GET maps/{map}/decks/{deck}/slides/{slide}', 'GET maps/{map}/decks/{deck}/slides/{slide}/afar', 'GET maps/{map}/decks/{deck}/slides/{slide}/picture', 'GET maps/{map}/picture', 'GET maps/{map}/shares', 'POST maps/{map}/take', 'GET maps/{map}/hand-out',
    ],
    'comment' => ['GET maps/{map}/comments', 'POST maps/{map}/comments', 'PUT maps/{map}/comments/seen'],
    'edit' => [
        'POST maps/{map}/pictures', 'POST maps/{map}/clip/document', 'POST maps/{map}/beside/file', 'POST maps/{map}/draft/returned', 'POST maps/{map}/notes/read', 'POST maps/{map}/table/file', 'POST maps/{map}/edits', 'POST maps/{map}/rehearsal', 'POST maps/{map}/tries',
        'GET maps/{map}/topics/{topic}/look', 'POST maps/{map}/clip', 'POST maps/{map}/clip/picture', 'GET maps/{map}/topics/{topic}/facts', 'GET maps/{map}/topics/{topic}/digest', 'GET maps/{map}/topics/{topic}/digest/copy', 'POST maps/{map}/topics/{topic}/digest/letter',
        'GET maps/{map}/todos', 'DELETE maps/{map}/topics/{topic}/reminder', 'GET maps/{map}/rules', 'POST maps/{map}/hits', 'GET maps/{map}/draft', 'GET maps/{map}/draft/days', 'GET maps/{map}/draft/hand', 'GET maps/{map}/draft/threads',
        'GET maps/{map}/draft/shape', 'POST maps/{map}/passages', 'GET maps/{map}/draft/checks', 'GET maps/{map}/draft/threads.{format}', 'GET maps/{map}/draft/shape.{format}', 'GET maps/{map}/topics/{topic}/reading', 'POST maps/{map}/draft/words', 'GET maps/{map}/wordings/{wording}',
        'POST maps/{map}/table', 'GET maps/{map}/table/file', 'GET maps/{map}/topics/{topic}/pointing', 'POST maps/{map}/topics/{topic}/own-map', 'POST maps/{map}/pages', 'GET maps/{map}/sentences', 'GET maps/{map}/files', 'POST maps/{map}/files',
        'GET maps/{map}/history', 'PUT maps/{map}/history/{seq}/name', 'GET maps/{map}/history/{seq}', 'GET maps/{map}/history/{seq}/picture', 'GET maps/{map}/history/{seq}/branch/{topic}', 'GET maps/{map}/beside/{other}', 'GET maps/{map}/trash', 'GET maps/{map}/ideas', 'PUT maps/{map}/ideas', 'DELETE maps/{map}/ideas',
    ],
    'owner' => [
        'PATCH maps/{map}', 'DELETE maps/{map}', 'POST maps/{map}/restore', 'GET maps/{map}/calendar', 'POST maps/{map}/calendar', 'DELETE maps/{map}/calendar', 'DELETE maps/{map}/files/{hash}', 'DELETE maps/{map}/trash', 'GET maps/{map}/published', 'POST maps/{map}/published',
        'GET maps/{map}/links', 'POST maps/{map}/links', 'POST maps/{map}/shares', 'PUT maps/{map}/offer', 'DELETE maps/{map}/asks/{asking}',
    ],
];

/** What is its owner's alone, whatever else is shared: for all others it is not there. */
const ROUTES_OF_ONE = [
    'PATCH folders/{folder}', 'DELETE folders/{folder}', 'GET folders/{folder}/shares', 'POST folders/{folder}/shares', 'PUT uploads/{upload}/{at}', 'GET uploads/{upload}', 'DELETE uploads/{upload}', 'GET handovers/{handOver}', 'GET handovers/{handOver}/file', 'GET handovers/{handOver}/pages/{page}', 'DELETE handovers/{handOver}',
    'PATCH published/{published}', 'DELETE published/{published}', 'DELETE blocks/{block}', 'DELETE links/{link}', 'POST links/{link}/letter',
    'GET classes/{schoolClass}', 'PATCH classes/{schoolClass}', 'DELETE classes/{schoolClass}', 'POST classes/{schoolClass}/pupils', 'GET classes/{schoolClass}/archive', 'POST classes/{schoolClass}/hand-outs', 'PATCH pupils/{pupil}', 'DELETE pupils/{pupil}',
    'GET hand-outs/{handOut}', 'PATCH hand-outs/{handOut}', 'DELETE hand-outs/{handOut}', 'POST hand-outs/{handOut}/parts', 'POST hand-outs/{handOut}/words', 'GET hand-outs/{handOut}/table.csv', 'GET hand-outs/{handOut}/over',
    'PUT copies/{copy}/state', 'PUT copies/{copy}/marks', 'PUT copies/{copy}/shown', 'PUT copies/{copy}/in', 'DELETE me/sign-ins/{signIn}',
];

/** What anybody signed in may, each about what is their own. */
const ROUTES_OF_ANYBODY = [
    'POST maps/import', 'PUT me/keys', 'PUT me/face', 'PUT me/zone', 'PUT me/calm', 'GET maps', 'POST maps', 'GET looks', 'GET chalks/{colour}', 'GET kinds', 'GET reminders', 'GET stamps', 'GET speech', 'POST speech', 'GET drawings', 'GET starters', 'GET starters/{starter}/picture',
    'DELETE trash', 'POST uploads', 'POST folders', 'GET quick', 'POST meant', 'POST find', 'POST replace', 'POST asks', 'GET blocks', 'POST blocks', 'GET told', 'GET classes', 'POST classes',
    'GET me/account', 'PUT me/name', 'PUT me/address', 'PUT me/password', 'POST me/two-factor', 'PUT me/two-factor', 'DELETE me/two-factor', 'POST me/recovery', 'DELETE me/sign-ins', 'GET me/data', 'DELETE me',
];

/** What is there for those who are not signed in. */
const ROUTES_OF_NOBODY = ['GET me', 'GET calendars/{address}.ics', 'POST register', 'POST register/finish', 'POST sign-in', 'POST demo', 'POST sign-out', 'POST forgot-password', 'POST reset-password', 'POST join', 'GET ideas/{code}', 'POST ideas/{code}', 'POST sign-in/code', 'POST confirm-address', 'GET openid', 'GET openid/back'];

/** What is there for the pupils of a class alone, and what is not, though they are signed in. */
const ROUTES_OF_PUPILS = ['GET pupil'];

const ROUTES_OF_ACCOUNTS = [
    'POST maps/import', 'POST maps', 'POST folders', 'POST asks', 'POST blocks', 'GET classes', 'POST classes', 'POST maps/{map}/duplicate', 'POST maps/{map}/take', 'POST maps/{map}/topics/{topic}/own-map', 'PUT maps/{map}/ideas', 'DELETE maps/{map}/ideas',
    'GET me/account', 'PUT me/name', 'PUT me/address', 'PUT me/password', 'POST me/two-factor', 'PUT me/two-factor', 'DELETE me/two-factor', 'POST me/recovery', 'DELETE me/sign-ins', 'GET me/data', 'DELETE me', 'DELETE me/sign-ins/{signIn}',
];

/** What is told of by its own words below: a share is ended by who has it too, a comment taken away by who keeps the map. */
const ROUTES_OF_SHARES = ['PATCH shares/{share}', 'DELETE shares/{share}', 'PATCH comments/{comment}', 'PUT comments/{comment}/resolved', 'DELETE comments/{comment}', 'PUT ideas/{idea}'];

/** @return list<string> every route of the API as "GET maps/{map}" */
function routesOfAll(): array
{
    $api = array_filter(Route::getRoutes()->getRoutes(), fn (OneRoute $route): bool => str_starts_with($route->uri(), 'api/'));

    return array_merge(...array_values(array_map(fn (OneRoute $route): array => array_map(fn (string $method): string => $method.' '.substr($route->uri(), 4), array_values(array_diff($route->methods(), ['HEAD']))), $api)));
}

beforeEach(function () {
    config(['chalk.limits' => false]);
    [$this->owner, $this->edit, $this->comment, $this->view, $this->stranger] = array_map(fn (string $name): Person => $this->person("{$name}@saltmere.example"), ['tove', 'ines', 'marit', 'bram', 'oskar']);
    $this->map = $this->mapOf($this->owner);
    $this->folder = Folder::query()->create(['id' => Ids::next(), 'person_id' => $this->owner->id, 'name' => 'Plans', 'parent' => null]);
    app(Shares::class)->give($this->owner, $this->map, $this->edit->email, Role::Edit);
    app(Shares::class)->give($this->owner, $this->map, $this->comment->email, Role::Comment);
    $this->share = app(Shares::class)->give($this->owner, $this->map, $this->view->email, Role::View);
    $topic = $this->id($this->map, 'Lanterns');
    $this->file = Sends::kept($this->map, Sends::pdf())->hash;
    $this->picture = app(KeptPictures::class)->add($this->map, PictureFile::read(Photos::png()))->hash;
    [$deck, $slide] = [Ids::next(), Ids::next()];
    $this->actingAs($this->owner);
    $this->sendEdits($this->map, [
        ['name' => 'slide.add', 'as' => $slide, 'deck' => $deck, 'topics' => [$this->map->root]],
        ['name' => 'row.set', 'type' => 'digest', 'topics' => [$topic], 'fields' => ['when' => '{"all":[]}']],
        ['name' => 'row.set', 'type' => 'wording', 'row' => $wording = Ids::next(), 'fields' => ['at' => $topic, 'name' => 'First', 'text' => 'Dark.']],
        ['name' => 'row.set', 'type' => 'picture', 'topics' => [$topic], 'fields' => ['source' => "file:{$this->picture}"]],
        ['name' => 'row.set', 'type' => 'file', 'row' => Ids::next(), 'fields' => ['at' => $topic, 'source' => "file:{$this->file}", 'name' => 'Plan.pdf', 'bytes' => 6]],
    ])->assertJsonMissing(['status' => 'refused']);
    auth()->forgetUser();
    $said = Ids::next();
    $this->said = app(App\Comments\Comments::class)->say($this->map, $this->comment, Ids::next(), $topic, null, 'Which paper?')->id;
    $this->address = fn (string $uri): string => '/api/'.strtr($uri, [
        '{map}' => $this->map->id, '{topic}' => $topic, '{other}' => $this->map->id, '{seq}' => '1', '{hash}' => str_contains($uri, 'pictures') ? $this->picture : $this->file, '{size}' => 'small', '{format}' => 'csv', '{deck}' => $deck, '{slide}' => $slide, '{wording}' => $wording, '{asking}' => (string) $this->stranger->id,
        '{folder}' => $this->folder->id, '{share}' => $this->share->id, '{comment}' => $this->said, '{colour}' => 'ffd84d', '{starter}' => 'week-ahead', '{at}' => '0', '{page}' => '1', '{address}' => str_repeat('ab', 24),
    ]);
    /** What some routes want, so that whoever may is answered. */
    $this->bodies = fn (string $route): array => [
        'POST maps/{map}/copy' => ['topics' => [$topic]],
        'POST maps/{map}/handovers' => ['to' => 'pdf', 'chosen' => []],
        'POST maps/{map}/find' => ['find' => ['words' => 'a', 'case' => false, 'whole' => false, 'pattern' => false]],
        'POST maps/{map}/filter' => ['text' => 'text a', 'scope' => null],
        'POST maps/{map}/filter/among' => ['text' => 'text a', 'among' => [$topic]],
        'POST maps/{map}/links' => ['topic' => null, 'until' => null, 'password' => null, 'notes' => true, 'files' => false, 'copying' => false],
        'POST maps/{map}/shares' => ['email' => 'new@saltmere.example', 'role' => 'view'],
        'POST maps/{map}/comments' => ['id' => $said, 'topic' => $topic, 'parent' => null, 'text' => 'Paper or willow?'],
        'PUT maps/{map}/offer' => ['email' => $this->edit->email],
        'PATCH maps/{map}' => ['folder' => null],
        'PUT maps/{map}/here' => ['at' => null],
    ][$route] ?? [];
    /** Asks as somebody, and takes back what it did. */
    $this->as = function (?Person $who, string $route, array $body = []): int {
        $this->flushSession();
        $who === null ? auth()->forgetUser() : $this->actingAs($who->fresh());
        [$method, $uri] = explode(' ', $route, 2);
        DB::beginTransaction();
        try {
            $body += ['since' => 0, 'edits' => [], 'to' => 'svg', 'topics' => [], 'show' => 'then', 'folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'choices' => [], 'topic' => null, 'board' => 'day', 'x' => 0, 'y' => 0, 'scale' => 1, 'name' => 'Mine', 'find' => ['text' => 'a'], 'fields' => ['title']];
            $body = ($this->bodies)($route) + $body;
            $address = ($this->address)($uri);

            return ($method === 'GET' ? $this->getJson($address.'?'.http_build_query(array_filter($body, is_scalar(...)))) : $this->json($method, $address, $body))->getStatusCode();
        } finally {
            DB::rollBack();
            auth()->forgetUser();
        }
    };
});

it('has every route in one of its lists, and no other', function () {
    expect(array_merge(...array_values(ROUTES_OF_MAPS), ...[ROUTES_OF_ONE, ROUTES_OF_ANYBODY, ROUTES_OF_NOBODY, ROUTES_OF_SHARES, ROUTES_OF_PUPILS]))->toEqualCanonicalizing(routesOfAll());
});

it('answers each role on each route of a map as it may, and nobody else at all', function (string $least) {
    $failed = [];
    $meant = 0;
    foreach (ROUTES_OF_MAPS[$least] as $route) {
        $owner = ($this->as)($this->owner, $route);
        $may = fn (string $role): int => Role::from($role)->isAtLeast(Role::from($least)) ? $owner : 403;
        $wanted = ['view' => $may('view'), 'comment' => $may('comment'), 'edit' => $may('edit'), 'stranger' => 404, 'nobody' => 401];
        $got = ['view' => ($this->as)($this->view, $route), 'comment' => ($this->as)($this->comment, $route), 'edit' => ($this->as)($this->edit, $route), 'stranger' => ($this->as)($this->stranger, $route), 'nobody' => ($this->as)(null, $route)];
        $meant += $owner < 300 ? 1 : 0;
        if ($got !== $wanted || in_array($owner, [401, 403, 410, 500], true)) {
            $failed[$route] = ['owner' => $owner] + $got;
        }
    }
    expect($failed)->toBe([])->and($meant)->toBeGreaterThan(intdiv(count(ROUTES_OF_MAPS[$least]), 3));
})->with(['view', 'comment', 'edit', 'owner']);

it('keeps a map in the trash from all but its owner, who is told where it is', function () {
    $this->map->update(['trashed_at' => now()]);
    foreach (array_merge(...array_values(ROUTES_OF_MAPS)) as $route) {
        $isKeeping = in_array($route, ['DELETE maps/{map}', 'POST maps/{map}/restore', 'GET maps/{map}/picture'], true);
        expect([$route, ($this->as)($this->edit, $route), ($this->as)($this->view, $route), ($this->as)($this->owner, $route)])->toBe([$route, 404, 404, $isKeeping ? 200 : 410]);
    }
});

it('has nothing of one person’s for another, whatever else is shared', function () {
    foreach (ROUTES_OF_ONE as $route) {
        foreach ([$this->edit, $this->view, $this->stranger] as $who) {
            DB::beginTransaction();
            $its = strtr($route, (str_starts_with($route, 'GET handovers') || str_starts_with($route, 'DELETE handovers') ? [] : Schooled::ids($this->owner, $this->map)) + ['{signIn}' => App\Models\SignIn::query()->create(['id' => Ids::next(), 'person_id' => $this->owner->id, 'agent' => '', 'ip' => '', 'began' => 1, 'last' => time()])->id] + ['{upload}' => Sends::whole($this->owner, 'a plan')->id, '{handOver}' => wanted($this->map)->id, '{published}' => app(App\Publishing\PublishedPages::class)->publish($this->map, 'A page', null, ChalkTree\HandOver\Choices::fromFields('', []), false)->id, '{link}' => app(App\Viewing\ViewingLinks::class)->make($this->map, ['topic' => null, 'until' => null, 'password' => null, 'notes' => true, 'files' => true, 'copying' => true])->id, '{block}' => app(Shares::class)->block($this->owner, 'nobody@saltmere.example')->id]);
            expect([$route, ($this->as)($who, $its)])->toBe([$route, 404])->and(($this->as)(null, $its))->toBe(401);
            DB::rollBack();
        }
    }
});

it('lets anybody signed in at what is their own, and nobody else', function () {
    foreach (ROUTES_OF_ANYBODY as $route) {
        expect([$route, ($this->as)(null, $route)])->toBe([$route, 401])->and([$route, in_array(($this->as)($this->stranger, $route), [401, 403, 404, 500], true)])->toBe([$route, false]);
    }
});

it('lets a share be changed by its owner, and ended by its owner and by who has it', function () {
    expect(array_map(fn (?Person $who): int => ($this->as)($who, 'PATCH shares/{share}', ['role' => 'edit']), [$this->owner, $this->view, $this->edit, $this->stranger, null]))->toBe([200, 403, 404, 404, 401])
        ->and(array_map(fn (?Person $who): int => ($this->as)($who, 'DELETE shares/{share}'), [$this->owner, $this->view, $this->edit, $this->stranger, null]))->toBe([200, 200, 404, 404, 401])
        ->and(Share::query()->whereKey($this->share->id)->exists())->toBeTrue();
});

it('lets a comment be changed by who said it, settled by all who may comment, and taken away by who said it or keeps the map', function () {
    $all = fn (string $route, array $body): array => array_map(fn (?Person $who): int => ($this->as)($who, $route, $body), [$this->owner, $this->edit, $this->comment, $this->view, $this->stranger, null]);
    expect($all('PATCH comments/{comment}', ['text' => 'Which willow?']))->toBe([403, 403, 200, 404, 404, 401])
        ->and($all('PUT comments/{comment}/resolved', ['resolved' => true]))->toBe([200, 200, 200, 404, 404, 401])
        ->and($all('DELETE comments/{comment}', []))->toBe([200, 403, 200, 404, 404, 401]);
});

it('lets an idea that waits be decided on by all who work in the map, and nobody else', function () {
    $idea = Schooled::ids($this->owner, $this->map)['{idea}'];
    expect(array_map(fn (?Person $who): int => ($this->as)($who, "PUT ideas/{$idea}", ['isIn' => true]), [$this->owner, $this->edit, $this->comment, $this->view, $this->stranger, null]))->toBe([200, 200, 404, 404, 404, 401]);
});

it('keeps what needs an account of one’s own from pupils, who work in their copy as who edits does, and nowhere else', function () {
    $ids = Schooled::ids($this->owner, $this->map) + ['{signIn}' => App\Models\SignIn::query()->create(['id' => Ids::next(), 'person_id' => $this->owner->id, 'agent' => '', 'ip' => '', 'began' => 1, 'last' => time()])->id];
    $pupil = Person::query()->whereNotNull('pupil_of')->firstOrFail();
    $its = App\Models\MapRecord::query()->whereKey(App\Models\HandOutCopy::query()->whereKey($ids['{copy}'])->value('map_id'))->firstOrFail();
    $marked = array_filter(Route::getRoutes()->getRoutes(), fn (OneRoute $route): bool => in_array('account', $route->gatherMiddleware(), true));
    expect(array_values(array_map(fn (OneRoute $route): string => $route->methods()[0].' '.substr($route->uri(), 4), $marked)))->toEqualCanonicalizing(ROUTES_OF_ACCOUNTS);
    $asked = fn (string $route): int => ($this->as)($pupil, strtr($route, ['{map}' => $its->id, '{other}' => $its->id] + $ids));
    $failed = [];
    foreach (ROUTES_OF_ACCOUNTS as $route) {
        $failed += $asked($route) === 403 ? [] : [$route => $asked($route)];
    }
    foreach (['view', 'comment', 'edit', 'owner'] as $least) {
        foreach (array_diff(ROUTES_OF_MAPS[$least], ROUTES_OF_ACCOUNTS) as $route) {
            $status = $asked($route);
            $failed += ($least === 'owner' ? $status === 403 : ! in_array($status, [401, 403, 500], true)) ? [] : [$route => $status];
        }
    }
    foreach (array_diff(ROUTES_OF_ONE, ['PUT copies/{copy}/in', 'DELETE me/sign-ins/{signIn}']) as $route) {
        $status = $asked($route);
        $failed += in_array($status, str_contains($route, '{copy}') ? [403] : [404], true) ? [] : [$route => $status];
    }
    expect($failed)->toBe([])->and([$asked('GET pupil'), $asked('PUT copies/{copy}/in'), ($this->as)($this->stranger, 'GET pupil'), ($this->as)(null, 'GET pupil'), ($this->as)($this->owner, 'GET pupil')])->toBe([200, 200, 404, 401, 404]);
});
