<?php

declare(strict_types=1);

use App\Live\Streams;
use App\Models\Folder;
use App\Models\LiveChannel;
use App\Models\MapRecord;
use App\Models\Person;
use App\Sharing\Access;
use App\Sharing\Presence;
use App\Sharing\Role;
use App\Sharing\Shares;
use App\Store\MapStore;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use Tests\Support\AsPerson;
use Tests\Support\Chance;
use Tests\Support\FakeHub;
use Tests\Support\RandomMaps;
use Tests\Support\SoakedBrowser;

/* What is told in every view, to whom, and from where it goes on. */

beforeEach(function () {
    config(['chalk.limits' => false]);
    $this->hub = FakeHub::begin();
    $this->owner = $this->person();
    $this->map = $this->mapOf($this->owner);
    $this->view = fn (array $more): array => $more + ['since' => $this->map->fresh()->seq, 'folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'showing' => false, 'filter' => null];
    $this->as = fn (Person $who): AsPerson => new AsPerson($this, $who);
    /** Lets somebody in, and gives the channel on which they listen in a view. */
    $this->join = function (string $name, Role $role, array $view = []): array {
        $person = $this->person("{$name}@saltmere.example");
        if (! $person->is($this->owner)) {
            app(Shares::class)->give($this->owner, $this->map, $person->email, $role);
        }
        $person->refresh();

        return [$person, fn (): string => ($this->listen)($person, $view)];
    };
    $this->listen = function (Person $who, array $view): string {
        if ($view !== []) {
            ($this->as)($who)->call('PUT', "/api/maps/{$this->map->id}/view", ($this->view)($view));
        }
        $this->flushSession();
        $this->actingAs($who->fresh());
        $way = (string) $this->get("/api/maps/{$this->map->id}/stream", ['Accept' => 'text/event-stream'])->assertOk()->headers->get('X-Accel-Redirect');

        return explode('/', $way)[2];
    };
});

it('tells in each view what is drawn there, folded, stepped into, in a typeface of one’s own, for who works in it and who looks', function (int $seed) {
    $chance = new Chance($seed);
    $this->map = app(MapStore::class)->create($this->owner, RandomMaps::map($chance, $chance->int(10, 30), notes: true));
    $now = fn (): TopicMap => app(MapStore::class)->load($this->map->fresh());
    $topics = array_map(strval(...), array_keys($now()->all()));
    $some = fn (int $most): array => array_values(array_unique(array_map(fn (int $n): string => $chance->pick($topics), range(1, $chance->int(1, $most)))));
    $views = [['folded' => $some(4)], ['scope' => $chance->pick($topics)], ['folded' => $some(3), 'scope' => $chance->pick($topics)], [], ['folded' => $some(3)], []];
    $people = [];
    foreach (['ines', 'bram', 'marit', 'oskar', 'lene', 'peer'] as $n => $name) {
        [$person, $begin] = ($this->join)($name, $n < 4 ? Role::Edit : Role::View, $views[$n]);
        if ($n === 3) {
            $person->forceFill(['face' => ChalkTree\Text\TypeFace::cases()[1]])->save();
        }
        $people[] = [$person->fresh(), $begin];
    }
    $all = [];
    foreach ($people as [$person, $begin]) {
        // All are let in by now, so nobody's stream ends.
        $channel = $begin();
        $browser = new SoakedBrowser(($this->as)($person), $this->map->id, $chance);
        $browser->open();
        $all[] = [$person, $browser, $channel];
    }
    expect(count(array_unique(array_column($all, 2))))->toBeGreaterThan(3);
    $editor = new SoakedBrowser(($this->as)($this->owner), $this->map->id, $chance);
    $editor->open();
    foreach (range(1, 25) as $turn) {
        $editor->edit(array_map(fn (): array => $chance->yes(10) ? ['name' => $chance->pick(['undo', 'redo'])] : RandomMaps::edit($chance, $now()), range(1, $chance->int(1, 3))));
        $editor->send(0);
        foreach ($all as [$person, $browser, $channel]) {
            array_map($browser->hear(...), $this->hub->take($channel));
            $fresh = new SoakedBrowser(($this->as)($person), $this->map->id, $chance);
            $fresh->open();
            expect($browser->contents())->toEqual($fresh->contents());
        }
    }
    foreach ($all as [, $browser]) {
        expect($browser->heard)->toBeGreaterThan(8);
    }
})->with([41, 42, 43, 44]);

it('answers who edits after they were told of others’ edits as if they had asked', function (int $seed) {
    $chance = new Chance($seed);
    $this->map = app(MapStore::class)->create($this->owner, RandomMaps::map($chance, $chance->int(10, 30)));
    $now = fn (): TopicMap => app(MapStore::class)->load($this->map->fresh());
    $all = [];
    foreach (['ines' => Role::Edit, 'bram' => Role::Edit, 'marit' => Role::Edit] as $name => $role) {
        $all[] = ($this->join)($name, $role);
    }
    $all = array_map(fn (array $one): array => [$one[0], new SoakedBrowser(($this->as)($one[0]), $this->map->id, $chance), $one[1]()], $all);
    array_walk($all, fn (array $one) => $one[1]->open());
    foreach (range(1, 40) as $turn) {
        [$person, $browser, $channel] = $chance->pick($all);
        $browser->edit([RandomMaps::edit($chance, $now())]);
        $browser->send(0);
        $news = $this->hub->take($channel);
        foreach ($all as [, $other]) {
            if ($chance->yes(80)) {
                array_map($other->hear(...), $news);
            }
        }
    }
    foreach ($all as [$person, $browser]) {
        $browser->send(0);
        $fresh = new SoakedBrowser(($this->as)($person), $this->map->id, $chance);
        $fresh->open();
        expect($browser->contents())->toEqual($fresh->contents());
    }
})->with([51, 52, 53]);

it('tells all of it anew to whoever is too far behind, and after a note was typed over many pauses', function () {
    [$ines, $begin] = ($this->join)('ines', Role::Edit);
    $channel = $begin();
    $browser = new SoakedBrowser(($this->as)($ines), $this->map->id, new Chance(1));
    $browser->open();
    // As if nobody had told for a long time.
    config(['chalk.live' => '']);
    $tove = ($this->as)($this->owner);
    foreach (range(1, 310) as $n) {
        $edits[] = ['id' => Ids::next(), 'name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => "Festival {$n}"];
    }
    $tove->call('POST', "/api/maps/{$this->map->id}/edits", ['since' => 0, 'edits' => $edits]);
    config(['chalk.live' => '/nowhere/live.sock']);
    app(Streams::class)->tell($this->map->id);
    [$message] = $this->hub->take($channel);
    expect($message['news']['scene']['reset'])->toBeTrue()->and(array_column($message['news']['rows'], 'type'))->toContain('map');
    $browser->hear($message);
    // Typing in pauses: those records become one as soon as something else is done.
    $step = Ids::next();
    foreach (['D', 'Da', 'Dar', 'Dark'] as $n => $note) {
        $tove->call('POST', "/api/maps/{$this->map->id}/edits", ['since' => 310 + $n, 'edits' => [['id' => Ids::next(), 'step' => $step, 'name' => 'topic.note', 'topics' => [$this->map->root], 'note' => $note]]]);
        array_map($browser->hear(...), $this->hub->take($channel));
    }
    $tove->call('POST', "/api/maps/{$this->map->id}/edits", ['since' => 314, 'edits' => [['id' => Ids::next(), 'name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'Feast']]]);
    array_map($browser->hear(...), $this->hub->take($channel));
    $fresh = new SoakedBrowser(($this->as)($ines), $this->map->id, new Chance(1));
    $fresh->open();
    expect($browser->contents())->toEqual($fresh->contents())->and($browser->contents()[0]["topic {$this->map->root}"]['note'])->toBe('Dark');
});

it('asks those who only look to ask, while all of the map is private, and goes on when it is no longer', function () {
    [$bram, $begin] = ($this->join)('bram', Role::View);
    $channel = $begin();
    ($this->as)($this->owner)->call('POST', "/api/maps/{$this->map->id}/edits", ['since' => 0, 'edits' => [['id' => Ids::next(), 'name' => 'row.set', 'type' => 'private', 'topics' => [$this->map->root], 'fields' => ['held' => true]]]]);
    expect($this->hub->take($channel))->toBe([['asks' => 1]])->and(($this->as)($bram)->ask('GET', "/api/maps/{$this->map->id}/edits?since=0")[0])->toBe(422);
    ($this->as)($this->owner)->call('POST', "/api/maps/{$this->map->id}/edits", ['since' => 1, 'edits' => [['id' => Ids::next(), 'name' => 'undo']]]);
    [$message] = $this->hub->take($channel);
    expect($message['news']['scene']['reset'])->toBeTrue()->and((string) json_encode($message['news']['rows']))->toContain('Lanterns');
});

it('tells a private topic’s coming and going to those who only look as if it were made and removed', function () {
    [, $begin] = ($this->join)('bram', Role::View);
    $channel = $begin();
    $lanterns = $this->id($this->map, 'Lanterns');
    ($this->as)($this->owner)->call('POST', "/api/maps/{$this->map->id}/edits", ['since' => 0, 'edits' => [['id' => Ids::next(), 'name' => 'row.set', 'type' => 'private', 'topics' => [$lanterns], 'fields' => ['held' => true]]]]);
    $news = $this->hub->take($channel)[0]['news'];
    $gone = array_column(array_filter($news['rows'], fn (array $row): bool => $row['fields'] === null && $row['type'] === 'topic'), 'id');
    expect($gone)->toHaveCount(3)->toContain($lanterns)->and($news['scene']['gone'])->toContain($lanterns)->and((string) json_encode($news))->not->toContain('Paper');
    // What is done in it meanwhile is nothing to them.
    ($this->as)($this->owner)->call('POST', "/api/maps/{$this->map->id}/edits", ['since' => 1, 'edits' => [['id' => Ids::next(), 'name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Paper'), 'title' => 'Silk']]]);
    $news = $this->hub->take($channel)[0]['news'];
    expect($news['rows'])->toBe([])->and($news['scene']['slips'])->toBe([])->and($news['seq'])->toBe(2);
    ($this->as)($this->owner)->call('POST', "/api/maps/{$this->map->id}/edits", ['since' => 2, 'edits' => [['id' => Ids::next(), 'name' => 'undo'], ['id' => Ids::next(), 'name' => 'undo']]]);
    $words = (string) json_encode($this->hub->take($channel)[0]['news']);
    expect($words)->toContain('Lanterns')->toContain('Paper')->toContain('Willow')->not->toContain('"private"');
});

it('knows by a few letters whether anybody may do something else, and by nothing else', function () {
    $print = fn (): string => app(Access::class)->fingerprint($this->map->fresh());
    $seen = [$print()];
    $changes = fn (callable $work): bool => [$work(), ! in_array($seen[] = $print(), array_slice($seen, 0, -1), true)][1];
    $shares = app(Shares::class);
    $folder = Folder::query()->create(['id' => Ids::next(), 'person_id' => $this->owner->id, 'name' => 'Plans', 'parent' => null]);
    $inner = Folder::query()->create(['id' => Ids::next(), 'person_id' => $this->owner->id, 'name' => 'Boats', 'parent' => $folder->id]);
    $other = $this->mapOf($this->owner);
    $before = $print();
    // Nothing of this is about who may open the map.
    $shares->give($this->owner, $other, 'ines@saltmere.example', Role::Edit);
    $this->actingAs($this->owner);
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'Feast']]);
    $shares->give($this->owner, $folder, 'bram@saltmere.example', Role::View);
    expect($print())->toBe($before);
    $share = null;
    expect($changes(function () use ($shares, &$share) {
        $share = $shares->give($this->owner, $this->map, 'ines@saltmere.example', Role::View);
    }))->toBeTrue()
        ->and($changes(fn () => $shares->change($share, Role::Edit)))->toBeTrue()
        // Into a folder within one that is shared.
        ->and($changes(fn () => MapRecord::query()->whereKey($this->map->id)->update(['folder' => $inner->id])))->toBeTrue()
        ->and($changes(fn () => $inner->update(['parent' => null])))->toBeTrue();
    $shares->end($share);
    expect($print())->toBe($before)
        ->and($changes(fn () => MapRecord::query()->whereKey($this->map->id)->update(['trashed_at' => now()])))->toBeTrue()
        ->and($changes(fn () => MapRecord::query()->whereKey($this->map->id)->update(['person_id' => $this->person('marit@saltmere.example')->id, 'trashed_at' => null])))->toBeTrue();
});

it('keeps who is there for as long as they say so, in one order, and loses nobody while many say something', function () {
    $presence = app(Presence::class);
    $people = array_map(fn (int $n): Person => $this->person("person{$n}@saltmere.example"), range(1, 60));
    foreach ($people as $person) {
        expect($presence->note($this->map, $person, $this->map->root, Presence::LISTENING))->toBeTrue();
    }
    expect($presence->note($this->map, $people[3], $this->map->root, Presence::LISTENING))->toBeFalse()
        ->and($presence->note($this->map, $people[3], null, Presence::LISTENING))->toBeTrue();
    $others = $presence->others($this->map, $people[0], true);
    expect(count($others))->toBe(49)->and(array_column($others, 'id'))->not->toContain($people[0]->id)->and(array_column($others, 'id'))->toBe(collect($others)->pluck('id')->sort()->values()->all())
        ->and(array_filter(array_column($presence->others($this->map, $people[0], false), 'at')))->toBe([])
        // Another map has nobody.
        ->and($presence->all($this->mapOf($this->owner), true))->toBe([]);
    // Who asks every two seconds is sooner thought to have gone.
    $presence->note($this->map, $people[1], null);
    $this->travel(Presence::ASKING + 1)->seconds();
    expect(array_column($presence->all($this->map, true), 'id'))->not->toContain($people[1]->id)->toContain($people[2]->id);
    $this->travel(Presence::LISTENING)->seconds();
    expect($presence->all($this->map, true))->toBe([])->and($presence->leave($this->map, $people[2]))->toBeFalse();
});

it('tells nothing where nobody listens, and costs nothing there', function () {
    $this->actingAs($this->owner);
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'Feast']])->assertOk();
    expect($this->hub->said)->toBe([])->and($this->hub->ended)->toBe([])->and(LiveChannel::query()->count())->toBe(0);
});

it('lets a map go with its channels', function () {
    [, $begin] = ($this->join)('ines', Role::Edit);
    $begin();
    $this->map->fresh()->delete();
    expect(LiveChannel::query()->count())->toBe(0);
    app(Streams::class)->tell($this->map->id);
    expect($this->hub->said)->toBe([]);
});
