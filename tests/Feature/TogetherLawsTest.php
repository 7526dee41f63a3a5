<?php

declare(strict_types=1);

use App\Models\EditRecord;
use App\Models\Person;
use App\Sharing\Access;
use App\Sharing\Role;
use App\Sharing\Shares;
use App\Store\MapStore;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\TreeCheck;
use Tests\Support\AsPerson;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;
use Tests\Support\SoakedBrowser;

/*
 * Several people in one map: at random they edit what they last saw of it, take back, stay away, lose answers and send
 * again, and its owner clears the trash. In the end all have the same, and what was answered as made was made once.
 */

/** Somebody in the map, and what they know of it. */
final class Participant
{
    public TopicMap $known;

    public int $away = 0;

    public function __construct(public readonly Person $person, public readonly SoakedBrowser $browser)
    {
    }
}

beforeEach(function () {
    config(['chalk.limits' => false]);
    $this->owner = $this->person();
    $this->now = fn (): TopicMap => app(MapStore::class)->load($this->map->fresh());
    $this->join = function (string $name, ?Role $role, Chance $chance): Participant {
        $person = $this->person("{$name}@saltmere.example");
        $role === null ?: app(Shares::class)->give($this->owner, $this->map, $person->email, $role);
        $one = new Participant($person, new SoakedBrowser(new AsPerson($this, $person), $this->map->id, $chance));
        $one->browser->open();
        $one->known = ($this->now)();

        return $one;
    };
});

it('brings five who work in one map to the same, whatever they lose, repeat and miss', function (int $seed) {
    $chance = new Chance($seed);
    $this->map = app(MapStore::class)->create($this->owner, RandomMaps::map($chance, $chance->int(6, 24), notes: true));
    $all = [($this->join)('tove', null, $chance)];
    foreach (['ines', 'bram', 'marit', 'oskar'] as $name) {
        $all[] = ($this->join)($name, Role::Edit, $chance);
    }
    foreach (range(1, 90) as $turn) {
        $one = $chance->pick($all);
        if ($one->away > 0) {
            // Offline they go on all the same.
            $one->away--;
        }
        if (count($one->browser->waiting) < 30) {
            $one->browser->edit(array_map(fn (): array => $chance->yes(12) ? ['name' => $chance->pick(['undo', 'redo'])] : RandomMaps::edit($chance, $one->known), range(1, $chance->int(1, 4))));
        }
        if ($one->away === 0) {
            $one->browser->send(25);
            $one->known = $one->browser->waiting === [] ? ($this->now)() : $one->known;
            $one->away = $chance->yes(15) ? $chance->int(2, 8) : 0;
        }
        if ($chance->yes(4)) {
            (new AsPerson($this, $this->owner))->call('DELETE', "/api/maps/{$this->map->id}/trash");
        }
    }
    for ($i = 0; $i < 40 && ($i < 2 || array_filter($all, fn (Participant $one): bool => $one->browser->waiting !== []) !== []); $i++) {
        array_walk($all, fn (Participant $one) => $one->browser->send(0));
    }
    $fresh = ($this->join)('marit', null, $chance)->browser->contents();
    $made = [];
    foreach ($all as $one) {
        [$rows, $slips] = $one->browser->contents();
        expect($rows)->toEqual($fresh[0])->and($slips)->toEqual($fresh[1])->and($one->browser->waiting)->toBe([]);
        array_push($made, ...$one->browser->made);
        foreach ($one->browser->refused as $refusal) {
            expect($refusal['message'])->toEndWith('.')->not->toContain('break the map')->and($refusal['code'])->toMatch('/^[a-z_]+$/');
        }
    }
    $kept = EditRecord::query()->where('map_id', $this->map->id)->pluck('edit_id')->all();
    expect(count($made))->toBeGreaterThan(40)->and(array_sum(array_map(fn (Participant $one): int => $one->browser->lost, $all)))->toBeGreaterThan(5)
        // What was answered as made stands in the log, and once.
        ->and(array_diff(array_unique($made), $kept))->toBe([])->and($kept)->toBe(array_values(array_unique($kept)))
        ->and(TreeCheck::problems(($this->now)()))->toBe([]);
})->with([1, 2, 3, 4, 5, 6]);

it('keeps every word that five write into one note at once, whatever they lose, repeat and miss, and shows all of them the same in the end', function (int $seed) {
    $chance = new Chance($seed);
    $this->map = app(MapStore::class)->create($this->owner, RandomMaps::map($chance, 3));
    $root = $this->map->root;
    $all = $text = $words = [];
    foreach (['tove', 'ines', 'bram', 'marit', 'oskar'] as $n => $name) {
        $all[] = ($this->join)($name, $n === 0 ? null : Role::Edit, $chance);
        $text[] = (string) ($all[$n]->browser->contents()[0]["topic {$root}"]['note'] ?? '');
    }
    foreach (range(1, 60) as $turn) {
        $n = $chance->int(0, 4);
        $one = $all[$n];
        foreach (range(1, $chance->int(1, 4)) as $_) {
            // A word of its own, somewhere between the others; now and then a new line.
            $words[] = $word = "w{$n}x".count($words).'x';
            $parts = preg_split('/(?<=\s)/', $text[$n], -1, PREG_SPLIT_NO_EMPTY) ?: [];
            array_splice($parts, $chance->int(0, count($parts)), 0, [$word.$chance->pick([' ', ' ', "\n"])]);
            $now = trim(implode('', $parts));
            $one->browser->edit([['name' => 'topic.note', 'topics' => [$root], 'note' => $now, 'was' => $text[$n]]]);
            $text[$n] = $now;
        }
        if ($chance->yes(70)) {
            $one->browser->send(25);
        }
        // Whoever has nothing on its way sees what the others wrote.
        $text[$n] = $one->browser->waiting === [] ? (string) ($one->browser->contents()[0]["topic {$root}"]['note'] ?? '') : $text[$n];
    }
    for ($i = 0; $i < 40 && ($i < 2 || array_filter($all, fn (Participant $one): bool => $one->browser->waiting !== []) !== []); $i++) {
        array_walk($all, fn (Participant $one) => $one->browser->send(0));
    }
    $note = ($this->now)()->root()->note;
    foreach ($words as $word) {
        expect(substr_count($note, $word))->toBe(1, "{$word} in {$note}");
    }
    expect(count($words))->toBeGreaterThan(60)->and(array_sum(array_map(fn (Participant $one): int => $one->browser->lost, $all)))->toBeGreaterThan(3);
    foreach ($all as $one) {
        expect($one->browser->refused)->toBe([])->and($one->browser->contents()[0]["topic {$root}"]['note'])->toBe($note);
    }
})->with([31, 32, 33, 34, 35, 36]);

it('shows those who only look what may leave the map and nothing else, whatever is done in it and whoever comes and goes', function (int $seed) {
    $chance = new Chance($seed);
    $this->map = app(MapStore::class)->create($this->owner, RandomMaps::map($chance, $chance->int(6, 24), notes: true));
    $tove = ($this->join)('tove', null, $chance);
    $looking = [($this->join)('bram', Role::View, $chance), ($this->join)('marit', Role::Comment, $chance)];
    $shown = 0;
    foreach (range(1, 45) as $turn) {
        $topics = array_map(strval(...), array_keys(($this->now)()->all()));
        $tove->browser->edit([$chance->yes(30) ? ['name' => 'row.set', 'type' => 'private', 'topics' => [$chance->pick($topics)], 'fields' => ['held' => $chance->yes(70) ? true : null]] : RandomMaps::edit($chance, ($this->now)())]);
        $tove->browser->send(0);
        $one = $chance->pick($looking);
        if ($chance->yes(10)) {
            $share = app(Shares::class)->of($this->map)->where('email', $one->person->email)->first();
            $share === null ? app(Shares::class)->give($this->owner, $this->map, $one->person->email, Role::View) : app(Shares::class)->end($share);
        }
        $one->browser->send($chance->int(0, 30));
        if (app(Access::class)->role($one->person, $this->map->fresh()) === null) {
            expect($one->browser->status)->toBe(404);

            continue;
        }
        try {
            $left = Outgoing::of(($this->now)());
        } catch (NothingLeaves) {
            expect($one->browser->status)->toBe(422);

            continue;
        }
        $one->browser->send(0);
        [$rows, $slips] = $one->browser->contents();
        $seen = array_map(fn (string $key): string => explode(' ', $key)[1], array_filter(array_keys($rows), fn (string $key): bool => str_starts_with($key, 'topic ')));
        expect($seen)->toEqualCanonicalizing(array_map(strval(...), array_keys($left->all())))->and(array_diff(array_map(strval(...), array_keys($slips)), $seen))->toBe([]);
        $private = array_diff(array_map(strval(...), array_keys(($this->now)()->rows()['topic'])), $seen);
        $words = (string) json_encode([$rows, $slips]);
        foreach ($private as $id) {
            expect(str_contains($words, $id))->toBeFalse();
        }
        $fresh = new SoakedBrowser(new AsPerson($this, $one->person), $this->map->id, $chance);
        $fresh->open();
        expect([$rows, $slips])->toEqual($fresh->contents());
        $shown++;
    }
    expect($shown)->toBeGreaterThan(8)->and($tove->browser->made)->not->toBe([]);
})->with([11, 12, 13, 14]);
