<?php

declare(strict_types=1);

use App\Models\Folder;
use App\Models\MapRecord;
use ChalkTree\Map\Ids;
use Illuminate\Routing\Route as OneRoute;
use Illuminate\Support\Facades\Route;
use Tests\Support\Schooled;
use Tests\Support\Sends;

/** @return list<array{string, string}> method and address of every route of the API, about this map and this folder */
function everyRoute(MapRecord $map, Folder $folder): array
{
    $all = [];
    $api = array_filter(Route::getRoutes()->getRoutes(), fn (OneRoute $route): bool => str_starts_with($route->uri(), 'api/') && $route->uri() !== 'api/sign-out');
    $page = app(App\Publishing\PublishedPages::class)->publish($map, 'A page', null, ChalkTree\HandOver\Choices::fromFields('', []), false)->id;
    $deck = deckIn($map);
    $link = app(App\Viewing\ViewingLinks::class)->make($map, ['topic' => null, 'until' => null, 'password' => null, 'notes' => true, 'files' => true, 'copying' => true])->id;
    $school = Schooled::ids($map->person, $map) + ['{signIn}' => App\Models\SignIn::query()->create(['id' => Ids::next(), 'person_id' => $map->person->id, 'agent' => '', 'ip' => '', 'began' => 1, 'last' => time()])->id];
    foreach ($api as $route) {
        // Two sorts of things are called so.
        $ids = str_contains($route->uri(), 'handovers') ? array_diff_key($school, ['{handOut}' => 1]) : $school;
        foreach (array_diff($route->methods(), ['HEAD']) as $method) {
            $all[] = [$method, '/'.str_replace(['{map}', '{folder}', '{seq}', '{topic}', '{starter}', '{hash}', '{size}', '{colour}', '{format}', '{at}', '{upload}', '{handOver}', '{page}', '{published}', '{deck}', '{slide}', '{wording}', '{other}', '{asking}', '{share}', '{block}', '{comment}', '{link}'], [$map->id, $folder->id, '0', $map->root, 'plan', str_repeat('ab', 32), 'small', 'ffd84d', 'csv', '0', Sends::whole($map->person, 'a plan')->id, wanted($map)->id, '1', $page, ...$deck, $map->root, $map->id, '1', app(App\Sharing\Shares::class)->give($map->person, $map, 'oskar@saltmere.example', App\Sharing\Role::View)->id, app(App\Sharing\Shares::class)->block($map->person, 'nobody@saltmere.example')->id, app(App\Comments\Comments::class)->say($map, $map->person, Ids::next(), $map->root, null, 'Well?')->id, $link], strtr($route->uri(), $ids))];
        }
    }

    return $all;
}

const FIELDS_OF_ALL = [
    'since', 'edits', 'all', 'pane', 'folded', 'outlineFolded', 'chosen', 'scope', 'outlineScope', 'x', 'y', 'scale', 'title', 'starter', 'folder', 'favourite', 'name',
    'format', 'to', 'board', 'as', 'width', 'topic', 'parent', 'text', 'html', 'source', 'headings', 'before', 'show', 'words', 'map', 'fields', 'find', 'with', 'hits',
    'keys', 'email', 'token', 'password', 'id', 'edit', 'topics', 'lines', 'alone', 'hash', 'size', 'address', 'again', 'bytes', 'for', 'upload',
    'choices', 'preset', 'depth', 'what', 'order', 'numbered', 'paper', 'showing', 'way', 'at', 'deck', 'per', 'when', 'zone', 'filter', 'after', 'trail', 'table', 'branch', 'known', 'only', 'from', 'among', 'rows', 'by', 'mark', 'changed', 'drawn', 'role', 'resolved', 'until', 'notes', 'files', 'copying', 'listening', 'was', 'isOpen', 'names', 'team', 'code', 'word', 'question', 'due', 'byTeam', 'model', 'rubric', 'marks', 'state', 'how', 'copy', 'isLooked', 'isIn', 'next', 'in', 'caret',
];

/** @return array{string, string} the ids of a deck and of a slide in it */
function deckIn(MapRecord $map): array
{
    [$deck, $slide] = [Ids::next(), Ids::next()];
    app(App\Store\MapAnswers::class)->edit($map, $map->person ?? throw new RuntimeException, 0, [App\Store\EditBody::read(['name' => 'slide.add', 'as' => $slide, 'deck' => $deck, 'topics' => [$map->root]])]);

    return [$deck, $slide];
}

beforeEach(function () {
    config(['chalk.limits' => false]);
    $this->tove = $this->person();
    $this->map = $this->mapOf($this->tove);
    $this->folder = fn (): Folder => Folder::query()->where('person_id', $this->tove->id)->first() ?? Folder::query()->create(['id' => Ids::next(), 'person_id' => $this->tove->id, 'name' => 'Plans', 'parent' => null]);
    $this->ask = fn (string $method, string $address, array $body) => $method === 'GET' ? $this->getJson($address.'?'.http_build_query($body)) : $this->json($method, $address, $body);
});

it('answers every route, whatever is in a field, with no error of its own', function () {
    $this->actingAs($this->tove);
    $values = [[], 'x', 5, -1, 1.5, true, null, ['a' => ['b' => 1]], [[['x']]], str_repeat('é', 300), "\0", [null], ['__proto__' => 1], "\u{202e}x", 1e308];
    $failed = [];
    $asked = 0;
    foreach (everyRoute($this->map, ($this->folder)()) as [$method, $address]) {
        foreach ($values as $n => $value) {
            // One value in every field, and then the values mixed.
            foreach ([array_fill_keys(FIELDS_OF_ALL, $value), array_combine(FIELDS_OF_ALL, array_map(fn (int $field): mixed => $values[($field * 7 + $n) % count($values)], array_keys(FIELDS_OF_ALL)))] as $body) {
                $asked++;
                if (($this->ask)($method, $address, $body)->getStatusCode() >= 500) {
                    $failed[] = "{$method} {$address} ".json_encode($value);
                }
            }
        }
        MapRecord::query()->whereKey($this->map->id)->update(['trashed_at' => null, 'folder' => null]);
        ($this->folder)();
    }
    expect($failed)->toBe([])->and($asked)->toBeGreaterThan(1_000);
});

it('lets nobody through to somebody else’s map or folder, on any route', function (string $who) {
    $folder = ($this->folder)();
    if ($who === 'a stranger') {
        $this->actingAs($this->person('ines@saltmere.example'));
    }
    $answers = [];
    foreach (everyRoute($this->map, $folder) as [$method, $address]) {
        if (str_contains($address, $this->map->id) || str_contains($address, $folder->id)) {
            $answers[($this->ask)($method, $address, ['since' => 0, 'edits' => [], 'to' => 'json', 'show' => 'then', 'name' => 'Mine'])->getStatusCode()][] = "{$method} {$address}";
        }
    }
    expect(array_keys($answers))->toBe([$who === 'a stranger' ? 404 : 401])->and(count(array_merge(...array_values($answers))))->toBeGreaterThan(20)
        ->and($folder->fresh()?->name)->toBe('Plans');
})->with(['a stranger', 'nobody']);
