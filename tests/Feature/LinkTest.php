<?php

declare(strict_types=1);

use App\Links\PublicAddress;
use App\Links\UnreachablePage;
use App\Models\FactRecord;
use App\Models\MapRecord;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Link\HowFar;
use ChalkTree\Link\Link;
use ChalkTree\Link\ToldHowFar;
use ChalkTree\Map\Ids;
use Tests\Support\Pages\Site;

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
    $this->map = $this->mapOf($this->tove);
    $this->lead = fn ($map, string $at, string $to): string => tap(Ids::next(), fn (string $id) => $this->sendEdits($map, [['id' => Ids::next(), 'name' => 'row.set', 'type' => 'link', 'row' => $id, 'fields' => ['at' => $at, 'to' => $to]]])->assertOk()->assertJsonPath('edits.0.status', 'done'));
});

/** A site that stands in for the network, as the demo has one. */
function site(): Site
{
    static $site = null;
    if ($site === null) {
        $site = new Site;
        register_shutdown_function($site->stop(...));
    }
    config(['chalk.demo' => true, 'chalk.stand_in' => $site->address]);

    return $site;
}

it('tells what a topic is before one goes there, and what a map is', function () {
    $willow = $this->id($this->map, 'Willow');
    $this->sendEdits($this->map, [['id' => Ids::next(), 'name' => 'topic.note', 'topics' => [$willow], 'note' => str_repeat('Bends well. ', 60)]])->assertOk();
    $card = $this->getJson("/api/maps/{$this->map->id}/topics/{$willow}/card")->assertOk()->json();
    expect($card)->toMatchArray(['map' => $this->map->id, 'topic' => $willow, 'title' => 'Willow', 'isCut' => true, 'below' => 0])
        ->and($card['trail'])->not->toBe([])->and(mb_strlen($card['note']))->toBe(400)
        ->and($this->getJson("/api/maps/{$this->map->id}/card")->assertOk()->json())->toMatchArray(['topic' => $this->map->root, 'trail' => [], 'isCut' => false]);
    $this->getJson("/api/maps/{$this->map->id}/topics/".Ids::next().'/card')->assertNotFound();
    $theirs = $this->mapOf($this->person('ines@saltmere.example'));
    $this->getJson("/api/maps/{$theirs->id}/card")->assertNotFound();
    $this->getJson("/api/maps/{$theirs->id}/topics/{$theirs->root}/card")->assertNotFound();
});

it('tells which topics of one\'s other maps lead here, and nobody else’s', function () {
    $other = $this->mapOf($this->tove);
    $here = $this->id($this->map, 'Willow');
    $link = ($this->lead)($other, $this->id($other, 'Boats'), "map:{$this->map->id}/{$here}");
    ($this->lead)($other, $this->id($other, 'Boats'), 'https://saltmere.example');
    $theirs = $this->mapOf($this->person('ines@saltmere.example'));
    FactRecord::query()->insert(['map_id' => $theirs->id, 'topic_id' => $this->id($theirs, 'Boats'), 'field' => 'link.to', 'text' => "map:{$this->map->id}/{$here}"]);
    $pointing = "/api/maps/{$this->map->id}/topics/{$here}/pointing";
    expect($this->getJson($pointing)->assertOk()->json('pointing'))->toBe([['map' => $other->id, 'mapTitle' => 'Festival', 'topic' => $this->id($other, 'Boats'), 'title' => 'Boats', 'isInNote' => false]]);
    $this->sendEdits($other, [['id' => Ids::next(), 'name' => 'row.remove', 'type' => 'link', 'rows' => [$link]]])->assertOk();
    expect($this->getJson($pointing)->json('pointing'))->toBe([]);
    $this->getJson("/api/maps/{$theirs->id}/topics/{$theirs->root}/pointing")->assertNotFound();
});

it('tells what a page is, with its picture, and asks there once', function () {
    $site = site();
    $before = count($site->asked());
    $ask = fn (array $more = []) => $this->postJson("/api/maps/{$this->map->id}/pages", ['address' => "{$site->address}/away"] + $more)->assertOk()->json();
    $page = $ask();
    expect($page)->toMatchArray(['address' => "{$site->address}/page", 'title' => 'Tides & times', 'description' => 'Of the week', 'framed' => true]);
    $this->get("/api/maps/{$this->map->id}/pictures/{$page['picture']}/small")->assertOk();
    expect($ask())->toBe($page)->and(array_slice($site->asked(), $before))->toBe(['/away', '/page', '/picture.png']);
    expectShape('PageAnswer', $page);
    $ask(['again' => true]);
    expect($site->asked())->toHaveCount($before + 6);
    expect($this->postJson("/api/maps/{$this->map->id}/pages", ['address' => "{$site->address}/framed"])->json())->toMatchArray(['title' => 'Alone', 'framed' => false, 'picture' => null])
        ->and($this->postJson("/api/maps/{$this->map->id}/pages", ['address' => "{$site->address}/table.pdf"])->json())->toMatchArray(['title' => 'table.pdf', 'description' => 'application/pdf', 'picture' => null])
        ->and($this->postJson("/api/maps/{$this->map->id}/pages", ['address' => "{$site->address}/large"])->json('title'))->toBe('Large')
        ->and($this->postJson("/api/maps/{$this->map->id}/pages", ['address' => "{$site->address}/bomb"])->json('title'))->toBe('Bomb')
        // What a page says of itself stays text, and its picture is asked for within the same bounds.
        ->and($this->postJson("/api/maps/{$this->map->id}/pages", ['address' => "{$site->address}/evil"])->json())->toMatchArray(['title' => '<img src=x onerror=alert(1)>', 'picture' => null]);
    $theirs = $this->mapOf($this->person('ines@saltmere.example'));
    $this->postJson("/api/maps/{$theirs->id}/pages", ['address' => "{$site->address}/page"])->assertNotFound();
});

it('follows no page to where it may not go, nor for ever', function (string $path, string $sentence) {
    $site = site();
    $this->postJson("/api/maps/{$this->map->id}/pages", ['address' => $site->address.$path])->assertUnprocessable()->assertJsonPath('code', 'unreachable');
    expect($this->postJson("/api/maps/{$this->map->id}/pages", ['address' => $site->address.$path])->json('message'))->toContain($sentence);
})->with([
    'round and round' => ['/round', 'again and again'], 'to another server of this machine' => ['/inside', 'usual ports'], 'to a file' => ['/file', 'not the address of a page'],
    'not there' => ['/none', 'no such page'], 'headers without end' => ['/headers', 'cannot be reached'],
]);

it('gives up on a page that does not answer', function () {
    $site = new Site;
    config(['chalk.demo' => true, 'chalk.stand_in' => $site->address]);
    try {
        expect($this->postJson("/api/maps/{$this->map->id}/pages", ['address' => "{$site->address}/slow"])->assertUnprocessable()->json('message'))->toContain('too long');
    } finally {
        $site->stop();
    }
});

it('asks at no address that is not open to everyone', function (string $address) {
    config(['chalk.demo' => true, 'chalk.stand_in' => 'http://127.0.0.1:9']);
    $this->postJson("/api/maps/{$this->map->id}/pages", ['address' => $address])->assertUnprocessable();
    expect($this->postJson("/api/maps/{$this->map->id}/pages", ['address' => $address])->json('code'))->toBeIn(['unreachable', 'invalid']);
})->with([
    'http://127.0.0.1/', 'http://127.1/', 'http://2130706433/', 'http://0x7f000001/', 'http://0/', 'http://localhost/', 'http://[::1]/', 'http://[::ffff:127.0.0.1]/', 'http://[::ffff:7f00:1]/', 'http://10.0.0.1/', 'http://192.168.1.1/',
    'http://169.254.169.254/latest/', 'http://100.64.0.1/', 'http://[fe80::1]/', 'http://[fc00::1]/', 'http://[64:ff9b::7f00:1]/', 'http://[2002:7f00:1::]/', 'http://224.0.0.1/', 'https://saltmere.example:8443/', 'http://127.0.0.1:9@8.8.8.8/',
    'ftp://saltmere.example/', 'gopher://x/', "http://a\r\nHost: b/", 'http://münchen.example/', 'mailto:a@b.example', 'map:01m83j0ddjkkwewenw99dkn6ks',
]);

it('takes a name only where all that it stands for is open to everyone', function () {
    $addresses = new PublicAddress(fn (string $host): array => ['public.example' => ['93.184.215.14'], 'both.example' => ['93.184.215.14', '10.0.0.1'], 'six.example' => ['2606:2800:21f:cb07:6820:80da:af6b:8b2c']][$host] ?? []);
    expect($addresses->of('public.example', 443))->toBe('93.184.215.14')
        ->and($addresses->of('six.example', 80))->toBe('2606:2800:21f:cb07:6820:80da:af6b:8b2c')
        ->and(fn () => $addresses->of('both.example', 80))->toThrow(UnreachablePage::class, 'not open to everyone')
        ->and(fn () => $addresses->of('none.example', 80))->toThrow(UnreachablePage::class, 'Nothing is known')
        ->and(fn () => $addresses->of('public.example', 22))->toThrow(UnreachablePage::class, 'usual ports');
});

it('knows the stand-in only in a demo, and only that very one', function () {
    config(['chalk.demo' => false, 'chalk.stand_in' => 'http://127.0.0.1:8001']);
    $addresses = new PublicAddress;
    expect(fn () => $addresses->of('127.0.0.1', 8001))->toThrow(UnreachablePage::class);
    config(['chalk.demo' => true]);
    expect($addresses->of('127.0.0.1', 8001))->toBe('127.0.0.1')
        ->and(fn () => $addresses->of('127.0.0.1', 8002))->toThrow(UnreachablePage::class)
        ->and(fn () => $addresses->of('127.0.0.2', 8001))->toThrow(UnreachablePage::class);
});

it('makes a map of a branch, which leads back, and takes nothing away', function () {
    $lanterns = $this->id($this->map, 'Lanterns');
    $id = Ids::next();
    $made = $this->postJson("/api/maps/{$this->map->id}/topics/{$lanterns}/own-map", ['id' => $id])->assertCreated()->json('id');
    // Asked again for want of an answer it is the same.
    expect($made)->toBe($id)->and($this->postJson("/api/maps/{$this->map->id}/topics/{$lanterns}/own-map", ['id' => $id])->json('id'))->toBe($id);
    $part = $this->topics(MapRecord::query()->findOrFail($made));
    $titles = fn ($map, string $top): array => array_map(fn ($topic): string => $topic->title, array_values($map->branch($top)));
    expect($titles($part, $part->sheet()->root))->toBe($titles($this->topics($this->map), $lanterns))
        ->and(array_map(fn (Link $link): array => [$link->at(), $link->to(), $link->text('title')], array_values($part->rowsOf(Link::class))))->toBe([[$part->sheet()->root, "map:{$this->map->id}/{$lanterns}", 'Festival']]);
    $this->postJson("/api/maps/{$this->map->id}/topics/{$this->map->root}/own-map", ['id' => Ids::next()])->assertUnprocessable();
    $this->postJson("/api/maps/{$this->map->id}/topics/".Ids::next().'/own-map', ['id' => Ids::next()])->assertStatus(422);
});

it('takes along what ties and dresses a branch, and leaves what ties it to the rest', function () {
    $lanterns = $this->id($this->map, 'Lanterns');
    $below = array_values(array_map(strval(...), array_keys($this->topics($this->map)->children($lanterns))));
    $edit = fn (array $with): array => ['id' => Ids::next()] + $with;
    $this->sendEdits($this->map, [
        $edit(['name' => 'row.set', 'type' => 'look', 'topics' => [$lanterns], 'fields' => ['shape' => 'capsule']]),
        $edit(['name' => 'row.set', 'type' => 'arrangement', 'topics' => [$lanterns], 'fields' => ['name' => 'stepped-list']]),
        $edit(['name' => 'crosslink.tie', 'topics' => [$below[0]], 'to' => $lanterns, 'as' => [Ids::next()]]),
        $edit(['name' => 'crosslink.tie', 'topics' => [$below[0]], 'to' => $this->id($this->map, 'Boats'), 'as' => [Ids::next()]]),
        $edit(['name' => 'row.set', 'type' => 'link', 'row' => Ids::next(), 'fields' => ['at' => $below[0], 'to' => 'https://saltmere.example/willow']]),
    ])->assertOk();
    $made = $this->postJson("/api/maps/{$this->map->id}/topics/{$lanterns}/own-map", ['id' => Ids::next()])->assertCreated()->json('id');
    $part = $this->topics(MapRecord::query()->findOrFail($made));
    $root = $part->sheet()->root;
    expect($part->sheet()->arrangement)->toBe('stepped-list')
        ->and($part->row('look', $root)?->fields()['shape'])->toBe('capsule')
        ->and(array_values(array_map(fn (CrossLink $link): string => $link->to(), $part->rowsOf(CrossLink::class))))->toBe([$root])
        ->and(array_values(array_map(fn (Link $link): string => $link->to(), $part->rowsOf(Link::class))))->toEqualCanonicalizing(['https://saltmere.example/willow', "map:{$this->map->id}/{$lanterns}"]);
    // Nothing of the map where it was has changed by that.
    expect($this->topics($this->map)->children($lanterns))->toHaveCount(count($below));
    $theirs = $this->mapOf($this->person('ines@saltmere.example'));
    $this->postJson("/api/maps/{$theirs->id}/topics/{$theirs->root}/own-map", ['id' => Ids::next()])->assertNotFound();
    $this->postJson("/api/maps/{$this->map->id}/topics/{$lanterns}/own-map", ['id' => $theirs->id])->assertUnprocessable();
    $this->postJson("/api/maps/{$this->map->id}/topics/{$lanterns}/own-map", ['id' => 'x'])->assertUnprocessable();
});

it('does with steps over HTTP what the core does, tells it, and undoes it', function () {
    $edit = fn (array $with): array => ['id' => Ids::next()] + $with;
    [$a, $b, $c] = [Ids::next(), Ids::next(), Ids::next()];
    $root = $this->map->root;
    $this->sendEdits($this->map, [
        $edit(['name' => 'row.set', 'type' => 'arrangement', 'topics' => [$root], 'fields' => ['name' => 'flow']]),
        ...array_map(fn (string $id): array => $edit(['name' => 'topic.add', 'topic' => ['id' => $id, 'title' => "Step {$id}"], 'parent' => $root]), [$a, $b, $c]),
        $edit(['name' => 'crosslink.tie', 'topics' => [$a], 'to' => $b, 'as' => [Ids::next()]]),
        $edit(['name' => 'crosslink.tie', 'topics' => [$b], 'to' => $c, 'as' => [Ids::next()]]),
    ])->assertOk();
    $ways = fn (): array => array_values(array_map(fn (CrossLink $link): array => [$link->from(), $link->to()], $this->topics($this->map)->rowsOf(CrossLink::class)));
    $answer = $this->sendEdits($this->map, [$edit(['name' => 'flow.shift', 'topic' => $b, 'by' => 1, 'as' => Ids::next()])])->assertOk()->json();
    expect($ways())->toEqualCanonicalizing([[$a, $c], [$c, $b]]);
    // The chart is told anew where it is another: the ways as marks, the steps as slips.
    expect(array_column($answer['scene']['slips'], 'id'))->toContain($b, $c)->and(array_column($answer['scene']['marks'], 'type'))->toContain('crosslink');
    $this->getJson("/api/maps/{$this->map->id}/history")->assertOk()->assertSee('a step later');
    $this->sendEdits($this->map, [$edit(['name' => 'undo'])])->assertOk();
    expect($ways())->toEqualCanonicalizing([[$a, $b], [$b, $c]]);
    $refused = $this->sendEdits($this->map, [$edit(['name' => 'flow.shift', 'topic' => $a, 'by' => -1, 'as' => Ids::next()])])->assertOk()->json('edits.0');
    expect($refused)->toMatchArray(['status' => 'refused'])->and($refused['refusal']['message'])->toBe('There is no step on that side.');
    foreach ([['by' => 2], ['by' => 'x'], ['by' => null], ['topic' => Ids::next()], ['as' => '']] as $wrong) {
        expect($this->sendEdits($this->map, [$edit($wrong + ['name' => 'flow.shift', 'topic' => $b, 'by' => 1, 'as' => Ids::next()])])->json('edits.0.status'))->not->toBe('done');
    }
});

it('notes how far another map is without a step that anybody could undo, and leaves the history and the time alone', function () {
    $boats = $this->id($this->map, 'Boats');
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'how-far', 'topics' => [$boats], 'fields' => ['shown' => true]]])->assertOk();
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $boats, 'title' => 'Boats of the yard']])->assertOk();
    $this->sendEdits($this->map, [['name' => 'undo']])->assertOk();
    $changed = $this->map->fresh()?->updated_at;
    $told = fn (int $of, int $done) => $this->sendEdits($this->map, [['name' => 'link.tell', 'topic' => $boats, 'of' => $of, 'done' => $done]])->assertOk()->assertJsonPath('edits.0.status', 'done');
    $told(12, 7);
    $answer = $told(12, 8);
    // What was undone can still be redone, and what comes next to be undone is what a person did.
    expect($answer->json('redo'))->toContain('Boats')->and($this->map->fresh()?->updated_at)->toEqual($changed)
        ->and(array_filter(array_column($this->getJson("/api/maps/{$this->map->id}/history")->json('edits') ?? [], 'summary'), fn (string $said): bool => str_starts_with($said, 'Noted')))->toBe([]);
    $this->sendEdits($this->map, [['name' => 'redo']])->assertOk()->assertJsonPath('edits.0.status', 'done');
    $this->sendEdits($this->map, [['name' => 'undo']])->assertOk();
    $this->sendEdits($this->map, [['name' => 'undo']])->assertOk()->assertJsonPath('edits.0.status', 'done');
    expect($this->topics($this->map)->rowsOf(HowFar::class))->toBe([])->and($this->topics($this->map)->row(ToldHowFar::type(), $boats)?->said())->toBe('8 of 12 done');
    foreach ([['topic' => Ids::next(), 'of' => 1, 'done' => 1], ['topic' => $boats, 'of' => -1, 'done' => 0], ['topic' => $boats, 'of' => 1], ['topic' => $boats, 'of' => '1', 'done' => 0]] as $wrong) {
        $this->sendEdits($this->map, [['name' => 'link.tell'] + $wrong])->assertJsonPath('edits.0.status', 'refused');
    }
});
