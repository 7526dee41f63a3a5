<?php

declare(strict_types=1);

use App\Live\Streams;
use App\Models\LiveChannel;
use App\Models\Person;
use App\Sharing\Role;
use App\Sharing\Shares;
use App\Store\MapStore;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\TopicMap;
use Illuminate\Http\Client\Factory;
use Illuminate\Support\Facades\Http;
use Tests\Support\AsPerson;
use Tests\Support\Chance;
use Tests\Support\FakeHub;
use Tests\Support\RandomMaps;
use Tests\Support\SoakedBrowser;

/* What those who have a map open are told without asking. */

beforeEach(function () {
    config(['chalk.limits' => false]);
    $this->hub = FakeHub::begin();
    [$this->tove, $this->ines, $this->bram, $this->marit] = array_map(fn (string $name): Person => $this->person("{$name}@saltmere.example"), ['tove', 'ines', 'bram', 'marit']);
    $this->map = $this->mapOf($this->tove);
    app(Shares::class)->give($this->tove, $this->map, $this->ines->email, Role::Edit);
    app(Shares::class)->give($this->tove, $this->map, $this->bram->email, Role::View);
    app(Shares::class)->give($this->tove, $this->map, $this->marit->email, Role::Comment);
    $this->be = function (Person $who): void {
        $this->flushSession();
        $this->actingAs($who->fresh());
    };
    /** The two channels on which somebody listens. */
    $this->listen = function (Person $who, string $pane = 'first'): array {
        ($this->be)($who);
        $answer = $this->get("/api/maps/{$this->map->id}/stream?pane={$pane}", ['Accept' => 'text/event-stream'])->assertOk()->assertHeader('Content-Type', 'text/event-stream; charset=utf-8');
        expect(preg_match('~^/-live/([0-9a-f]{32})/([0-9a-f]{32})$~D', (string) $answer->headers->get('X-Accel-Redirect'), $m))->toBe(1);

        return [$m[1], $m[2]];
    };
    $this->retitle = function (Person $who, string $title): void {
        ($this->be)($who);
        $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => $title]], $this->map->fresh()->seq)->assertJsonPath('edits.0.status', 'done');
    };
});

it('hands whoever may open a map on to one channel for all who see it alike, and nobody else to any', function () {
    $own = ($this->listen)($this->tove);
    expect(($this->listen)($this->ines))->toBe($own)->and(($this->listen)($this->tove, 'second'))->toBe($own);
    $looks = ($this->listen)($this->bram);
    $comments = ($this->listen)($this->marit);
    // They see the same of the map, and not the same of the people in it.
    expect($looks[0])->not->toBe($own[0])->and($comments[0])->toBe($looks[0])->and(count(array_unique([$own[1], $looks[1], $comments[1]])))->toBe(3);
    ($this->be)($this->ines);
    $this->putJson("/api/maps/{$this->map->id}/view", ['since' => 0, 'folded' => [$this->id($this->map, 'Lanterns')], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'showing' => false, 'filter' => null])->assertOk();
    expect(($this->listen)($this->ines)[0])->not->toBe($own[0]);
    ($this->be)($this->person('oskar@saltmere.example'));
    $this->getJson("/api/maps/{$this->map->id}/stream")->assertNotFound();
    auth()->forgetUser();
    $this->flushSession();
    $this->getJson("/api/maps/{$this->map->id}/stream")->assertUnauthorized();
    ($this->be)($this->tove);
    // Whoever takes no events is handed on to none.
    $this->getJson("/api/maps/{$this->map->id}/stream")->assertNoContent()->assertHeaderMissing('X-Accel-Redirect');
    config(['chalk.live' => '']);
    $this->get("/api/maps/{$this->map->id}/stream", ['Accept' => 'text/event-stream'])->assertNoContent()->assertHeaderMissing('X-Accel-Redirect');
});

it('tells all who listen what changed, once for each view, in the shape of the wire', function () {
    [[$own], [$cut]] = [($this->listen)($this->tove), ($this->listen)($this->bram)];
    ($this->retitle)($this->ines, 'Feast');
    [$whole, $left] = [$this->hub->take($own), $this->hub->take($cut)];
    expect($whole)->toHaveCount(1)->and($left)->toHaveCount(1);
    foreach ([$whole[0], $left[0]] as $message) {
        expect($message['news'])->toMatchArray(['since' => 0, 'seq' => 1])->and(array_column($message['news']['scene']['slips'], 'id'))->toContain($this->map->root)->and((string) json_encode($message['news']['rows']))->toContain('Feast');
    }
    // Nothing is told twice, and what was undone is told too.
    app(Streams::class)->tell($this->map->id);
    expect($this->hub->said)->toBe([]);
    ($this->be)($this->ines);
    $this->sendEdits($this->map, [['name' => 'undo']], 1);
    expect($this->hub->take($own)[0]['news']['seq'])->toBe(2)->and((string) json_encode($this->hub->take($cut)))->toContain('Festival');
});

it('says only that there is something to whoever has narrowed the map, or is told too much at once', function () {
    ($this->be)($this->ines);
    $this->putJson("/api/maps/{$this->map->id}/view", ['since' => 0, 'folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'showing' => false, 'filter' => ['text' => 'text Boats', 'shows' => 'above']])->assertOk();
    [[$own], [$narrowed]] = [($this->listen)($this->tove), ($this->listen)($this->ines)];
    ($this->retitle)($this->tove, 'Feast');
    expect($this->hub->take($narrowed))->toBe([['asks' => 1]])->and($this->hub->take($own)[0])->toHaveKey('news');
    $lines = implode("\n", array_map(fn (int $n): string => "Line {$n} of a long list", range(1, 1500)));
    $this->sendEdits($this->map, [['name' => 'topic.paste', 'as' => 'branches', 'parent' => $this->map->root, 'lines' => array_map(fn (string $line): array => ['level' => 0, 'text' => $line], explode("\n", $lines))]], 1)->assertJsonPath('edits.0.status', 'done');
    expect($this->map->fresh()->seq)->toBe(2)->and($this->hub->take($own))->toBe([['asks' => 2]]);
});

it('ends all streams of a map as soon as anybody may do something else in it, and begins anew for those who may', function (callable $change) {
    [[$own], [$cut]] = [($this->listen)($this->tove), ($this->listen)($this->bram)];
    ($this->be)($this->tove);
    $change->call($this);
    expect($this->hub->ended)->toEqualCanonicalizing([$own, $cut])->and(LiveChannel::query()->count())->toBe(0);
})->with([
    'access is taken back' => [fn () => $this->deleteJson('/api/shares/'.app(Shares::class)->of($this->map)->where('email', 'bram@saltmere.example')->value('id'))->assertOk()],
    'a role is another' => [fn () => $this->patchJson('/api/shares/'.app(Shares::class)->of($this->map)->where('email', 'bram@saltmere.example')->value('id'), ['role' => 'edit'])->assertOk()],
    'somebody is let in' => [fn () => $this->postJson("/api/maps/{$this->map->id}/shares", ['email' => 'new@saltmere.example', 'role' => 'view'])->assertOk()],
    'somebody is blocked' => [fn () => $this->postJson('/api/blocks', ['email' => 'bram@saltmere.example'])->assertOk()],
    'it is thrown away' => [fn () => $this->deleteJson("/api/maps/{$this->map->id}")->assertOk()],
    'the folder is shared' => [function () {
        $folder = $this->postJson('/api/folders', ['name' => 'Plans', 'parent' => null])->assertCreated()->json('id');
        $this->patchJson("/api/maps/{$this->map->id}", ['folder' => $folder])->assertOk();
        expect(LiveChannel::query()->count())->toBe(2);
        $this->postJson("/api/folders/{$folder}/shares", ['email' => 'new@saltmere.example', 'role' => 'view'])->assertOk();
    }],
]);

it('lets nobody go on listening behind whoever begins anew', function () {
    [$own] = ($this->listen)($this->tove);
    // As if what tells of it had not come to it yet.
    LiveChannel::query()->update(['access' => 'as it was before']);
    ($this->listen)($this->ines);
    expect($this->hub->ended)->toBe([$own]);
});

it('forgets channels that nobody listens to, but not those of whoever has just begun', function () {
    [$own] = ($this->listen)($this->tove);
    $this->hub->listening[$own] = 0;
    ($this->retitle)($this->tove, 'Feast');
    expect(LiveChannel::query()->count())->toBe(1)->and($this->hub->said)->toBe([])
        // What nobody hears counts as told: whoever comes asks for what was before.
        ->and(LiveChannel::query()->value('seq'))->toBe(1);
    LiveChannel::query()->update(['opened' => time() - 60]);
    ($this->retitle)($this->tove, 'Feasts');
    expect(LiveChannel::query()->count())->toBe(0)->and($this->hub->ended)->toBe([$own]);
});

it('tells who is there and where, to each as much as they may know, and when they go', function () {
    [[, $own], [, $looks], [, $comments]] = [($this->listen)($this->tove), ($this->listen)($this->bram), ($this->listen)($this->marit)];
    $boats = $this->id($this->map, 'Boats');
    ($this->be)($this->ines);
    $this->putJson("/api/maps/{$this->map->id}/here", ['at' => $boats])->assertNoContent();
    $here = ['id' => $this->ines->id, 'name' => 'Ines', 'at' => $boats, 'in' => null, 'caret' => null];
    expect($this->hub->take($own))->toBe([['others' => [$here], 'talk' => 0]])
        ->and($this->hub->take($looks))->toEqual([['others' => [['at' => null] + $here]]])
        ->and($this->hub->take($comments))->toEqual([['others' => [['at' => null] + $here], 'talk' => 0]]);
    // The same again is news to nobody.
    $this->putJson("/api/maps/{$this->map->id}/here", ['at' => $boats])->assertNoContent();
    expect($this->hub->said)->toBe([]);
    // Whoever listens says so twice a minute, whoever asks every two seconds.
    $this->travel(20)->seconds();
    ($this->be)($this->tove);
    expect($this->getJson("/api/maps/{$this->map->id}/edits?since=0")->json('others'))->toBe([$here]);
    ($this->be)($this->ines);
    $this->putJson("/api/maps/{$this->map->id}/here", ['at' => 'nowhere'])->assertUnprocessable();
    // Where within a text somebody writes, for those who work in it.
    $this->putJson("/api/maps/{$this->map->id}/here", ['at' => $boats, 'in' => 'note', 'caret' => 12])->assertNoContent();
    expect($this->hub->take($own))->toEqual([['others' => [['in' => 'note', 'caret' => 12] + $here], 'talk' => 0]])->and($this->hub->take($looks))->toEqual([['others' => [['at' => null] + $here]]]);
    foreach ([['in' => 'map', 'caret' => 1], ['in' => 'note', 'caret' => -1], ['in' => 'note', 'caret' => 'x'], ['in' => ['note']]] as $wrong) {
        $this->putJson("/api/maps/{$this->map->id}/here", ['at' => $boats] + $wrong)->assertUnprocessable();
    }
    $this->deleteJson("/api/maps/{$this->map->id}/here")->assertNoContent();
    expect($this->hub->take($own))->toBe([['others' => [], 'talk' => 0]]);
});

it('tells that something was said, to those who may hear it', function () {
    [[, $own], [, $looks]] = [($this->listen)($this->tove), ($this->listen)($this->bram)];
    ($this->be)($this->marit);
    $this->postJson("/api/maps/{$this->map->id}/comments", ['id' => ChalkTree\Map\Ids::next(), 'topic' => $this->id($this->map, 'Boats'), 'parent' => null, 'text' => 'How many?'])->assertSuccessful();
    expect($this->hub->take($own)[0]['talk'])->toBe(1)->and($this->hub->take($looks)[0])->not->toHaveKey('talk');
});

it('brings all who listen to what those see who open the map anew, and never tells who only looks of anything private', function (int $seed) {
    $chance = new Chance($seed);
    $this->map = app(MapStore::class)->create($this->tove, RandomMaps::map($chance, $chance->int(6, 24), notes: true));
    app(Shares::class)->give($this->tove, $this->map, $this->ines->email, Role::Edit);
    app(Shares::class)->give($this->tove, $this->map, $this->bram->email, Role::View);
    $now = fn (): TopicMap => app(MapStore::class)->load($this->map->fresh());
    $browser = fn (Person $who): SoakedBrowser => new SoakedBrowser(new AsPerson($this, $who), $this->map->id, $chance);
    $all = [];
    foreach ([$this->ines, $this->bram] as $who) {
        $one = $browser($who);
        $one->open();
        $all[] = [$who, $one, ($this->listen)($who)[0]];
    }
    $editor = $browser($this->tove);
    $editor->open();
    $looked = 0;
    foreach (range(1, 40) as $turn) {
        $topics = array_map(strval(...), array_keys($now()->all()));
        $editor->edit([$chance->yes(25) ? ['name' => 'row.set', 'type' => 'private', 'topics' => [$chance->pick($topics)], 'fields' => ['held' => $chance->yes(70) ? true : null]] : ($chance->yes(10) ? ['name' => 'undo'] : RandomMaps::edit($chance, $now()))]);
        $editor->send(0);
        if ($chance->yes(5)) {
            (new AsPerson($this, $this->tove))->call('DELETE', "/api/maps/{$this->map->id}/trash");
        }
        try {
            $seen = Outgoing::of($now());
        } catch (NothingLeaves) {
            $seen = null;
        }
        foreach ($all as [$who, $one, $channel]) {
            foreach ($this->hub->take($channel) as $message) {
                if ($who->is($this->bram)) {
                    $words = (string) json_encode($message);
                    foreach (array_diff(array_map(strval(...), array_keys($now()->rows()['topic'])), $seen === null ? [] : array_map(strval(...), array_keys($seen->all()))) as $private) {
                        // That it is not there any more is all that is said of it.
                        expect(str_contains((string) json_encode(array_filter($message['news']['rows'] ?? [], fn (array $row): bool => $row['fields'] !== null)), $private))->toBeFalse()
                            ->and(str_contains((string) json_encode([$message['news']['scene']['slips'] ?? [], $message['news']['scene']['marks'] ?? []]), $private))->toBeFalse();
                    }
                    $looked += strlen($words) > 0 ? 1 : 0;
                }
                $one->hear($message);
            }
            if ($who->is($this->bram) && $seen === null) {
                continue;
            }
            $fresh = $browser($who);
            $fresh->open();
            expect($one->contents())->toEqual($fresh->contents());
        }
    }
    expect($all[0][1]->heard)->toBeGreaterThan(15)->and($all[1][1]->heard)->toBeGreaterThan(10)->and($looked)->toBeGreaterThan(10);
})->with([21, 22, 23, 24]);

it('computes so many views of a map, and lets whoever sees it in yet another one ask', function () {
    $own = ($this->listen)($this->tove)[0];
    foreach (range(1, 39) as $n) {
        LiveChannel::query()->insert(['name' => str_pad((string) $n, 32, '0', STR_PAD_LEFT)] + LiveChannel::query()->find($own)->getAttributes());
    }
    ($this->be)($this->ines);
    $this->putJson("/api/maps/{$this->map->id}/view", ['since' => 0, 'folded' => [$this->id($this->map, 'Lanterns')], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'showing' => false, 'filter' => null])->assertOk();
    $asks = ($this->listen)($this->ines)[0];
    ($this->retitle)($this->tove, 'Feast');
    expect($this->hub->take($asks))->toBe([['asks' => 1]])->and($this->hub->take($own)[0])->toHaveKey('news');
});

it('loses no edit and keeps nobody waiting where the web server cannot be reached, or answers something else', function (callable $answer) {
    Http::swap(new Factory);
    if ($answer() !== null) {
        Http::fake(fn () => $answer());
    }
    ($this->listen)($this->tove);
    ($this->retitle)($this->ines, 'Feast');
    ($this->be)($this->ines);
    $this->putJson("/api/maps/{$this->map->id}/here", ['at' => null])->assertNoContent();
    expect($this->topics($this->map)->root()->title)->toBe('Feast')
        // It counts as told: whoever listens asks when they begin anew.
        ->and(LiveChannel::query()->value('seq'))->toBe(1);
})->with([
    'nobody there' => [fn () => null],
    'a failure' => [fn () => Http::response('no room', 500)],
    'something else' => [fn () => Http::response('<html>hello</html>')],
    'an odd number' => [fn () => Http::response(['subscribers' => 'many'])],
]);

it('says in the page whether the server tells of itself, and whether what is opened is kept on the device', function (bool $live, bool $offline) {
    config(['chalk.live' => $live ? '/nowhere/live.sock' : '', 'chalk.offline' => $offline]);
    $page = (string) $this->get('/')->assertOk()->getContent();
    expect(preg_match('~id="bounds">(.*?)</script>~s', $page, $m))->toBe(1)->and(json_decode($m[1], true))->toMatchArray(['live' => $live, 'offline' => $offline])
        // Nothing about where it is told.
        ->and($page)->not->toContain('nowhere');
})->with([[true, true], [true, false], [false, true]]);

it('has one channel for each view, however it is said, and another for anything that is seen otherwise', function () {
    [$lanterns, $boats] = [$this->id($this->map, 'Lanterns'), $this->id($this->map, 'Boats')];
    $in = function (array $view): string {
        ($this->be)($this->ines);
        $this->putJson("/api/maps/{$this->map->id}/view", $view + ['since' => 0, 'folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'showing' => false, 'filter' => null])->assertOk();

        return ($this->listen)($this->ines)[0];
    };
    $whole = $in([]);
    $both = $in(['folded' => [$lanterns, $boats]]);
    expect($in(['folded' => [$boats, $lanterns]]))->toBe($both)
        // What is only in the outline, or only chosen, is seen nowhere on the board.
        ->and($in(['outlineFolded' => [$boats], 'outlineScope' => $boats, 'chosen' => $lanterns]))->toBe($whole);
    $others = [$whole, $both, $in(['scope' => $lanterns]), $in(['showing' => true]), $in(['filter' => ['text' => 'text Boats', 'shows' => 'dim']])];
    expect(count(array_unique($others)))->toBe(5);
    $this->putJson('/api/me/face', ['face' => 'dyslexic'])->assertStatus(422);
    $this->putJson('/api/me/face', ['face' => ChalkTree\Text\TypeFace::cases()[1]->value])->assertOk();
    expect($others)->not->toContain($in([]));
    $this->travel(1)->days();
    expect([...$others, ($this->listen)($this->tove)[0]])->toHaveCount(6)->and($others)->not->toContain(($this->listen)($this->tove)[0]);
});
