<?php

declare(strict_types=1);

use ChalkTree\Arrange\BranchArrangement;
use ChalkTree\Arrange\ConnectorPhrase;
use ChalkTree\Arrange\Growth;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Memory;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\View;
use ChalkTree\Brace\Brace;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Look\MapLook;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Ring\Ring;
use ChalkTree\Ring\RingMember;

beforeEach(function () {
    $leaves = fn (string ...$titles): array => array_map(fn (string $title): TopicDraft => new TopicDraft($title), $titles);
    $this->map = NewMap::from(new TopicDraft('Quay', children: [
        new TopicDraft('Ann', children: $leaves('ropes')), new TopicDraft('Bo'), new TopicDraft('Cy', children: $leaves('nets', 'sails')), new TopicDraft('Di'),
        new TopicDraft('The three', children: $leaves('one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine')),
        new TopicDraft('The two', children: $leaves('day', 'night')),
    ]), arrangement: 'rightward');
    $this->ids = array_column(array_map(fn ($topic): array => [$topic->title, $topic->id], array_values($this->map->all())), 1, 0);
    $this->brace = fn (string $topic, string $first, string $last) => $this->map->put(Brace::fromFields(Ids::next(), ['topic' => $this->ids[$topic], 'first' => $this->ids[$first], 'last' => $this->ids[$last]]));
    $this->ring = function (string ...$titles): string {
        $this->map->put($ring = Ring::fromFields(Ids::next(), ['name' => 'r']));
        foreach ($titles as $title) {
            $this->map->put(RingMember::fromFields(Ids::next(), ['topic' => $this->ids[$title], 'ring' => $ring->id]));
        }

        return $ring->id;
    };
    $this->scene = fn (string $arrangement = 'rightward', ?View $view = null): Scene => Layout::of($this->map, $view ?? new View, $arrangement)->scene();
    /** Left, top, right, bottom of a topic and all below it. */
    $this->branch = function (Scene $scene, string ...$titles): array {
        $boxes = [];
        foreach ($titles as $title) {
            foreach (array_keys($this->map->branch($this->ids[$title])) as $id) {
                $boxes[] = $scene->boxes()[$id];
            }
        }

        return [min(array_column($boxes, 'x')), min(array_column($boxes, 'y')), max(array_map(fn (array $box): float => $box['x'] + $box['w'], $boxes)), max(array_map(fn (array $box): float => $box['y'] + $box['h'], $boxes))];
    };
});

it('makes room beside what a brace spans where its branch is larger, and moves nothing else into it', function (string $arrangement) {
    ($this->brace)('The three', 'Ann', 'Bo');
    $scene = ($this->scene)($arrangement);
    [$left, $top, $right, $bottom] = ($this->branch)($scene, 'The three');
    foreach (['Cy', 'Di', 'The two'] as $other) {
        [$a, $b, $c, $d] = ($this->branch)($scene, $other);
        expect($a >= $right || $c <= $left || $b >= $bottom || $d <= $top)->toBeTrue($other);
    }
    $slip = $scene->slips[$this->ids['The three']];
    $box = $scene->boxes()[$this->ids['The three']];
    // In the middle of what it spans.
    [$x0, $y0, $x1, $y1] = $slip->brace;
    $isSideways = $slip->leaves->isSideways();
    expect(abs($isSideways ? ($y0 + $y1) / 2 - $box['h'] / 2 : ($x0 + $x1) / 2 - $box['w'] / 2))->toBeLessThan(1.0)->and(overlaps(array_values($scene->boxes())))->toBe([]);
})->with(['rightward', 'leftward', 'top-down', 'bottom-up', 'stepped-list']);

it('lets braces over the same siblings stand one beyond the other', function () {
    ($this->brace)('The three', 'Ann', 'Cy');
    ($this->brace)('The two', 'Bo', 'Cy');
    $scene = ($this->scene)();
    $at = fn (string $title): float => $scene->boxes()[$this->ids[$title]]['x'] + $scene->slips[$this->ids[$title]]->brace[0];
    [, , $right] = ($this->branch)($scene, 'The three');
    expect($at('The two'))->toBeGreaterThan($right)->and(overlaps(array_values($scene->boxes())))->toBe([]);
});

it('stands a brace beyond the line of a ring around what it spans', function () {
    ($this->brace)('The two', 'Bo', 'Cy');
    $ring = ($this->ring)('Bo', 'Cy');
    $scene = ($this->scene)();
    [$x, , $w] = $scene->marks["ring {$ring}"]->box;
    expect($scene->boxes()[$this->ids['The two']]['x'] + $scene->slips[$this->ids['The two']]->brace[0])->toBeGreaterThan($x + $w - 3);
});

it('grows to the other side on a mirrored board', function () {
    ($this->brace)('The two', 'Bo', 'Cy');
    $as = ($this->scene)();
    $this->map->put(MapLook::fromFields(Ids::next(), ['mirrored' => true]));
    $seen = ($this->scene)();
    $slip = $seen->slips[$this->ids['The two']];
    [$box, $other] = [$as->boxes()[$this->ids['The two']], $seen->boxes()[$this->ids['The two']]];
    expect($slip->leaves)->toBe(Growth::Left)->and(round(-$other['x'] - $other['w'], 2))->toBe(round($box['x'], 2))->and(round($other['y'], 2))->toBe(round($box['y'], 2));
});

it('is entered from the top where its branch takes the edge that faces the brace', function () {
    ($this->brace)('The two', 'Bo', 'Cy');
    $this->map->put(BranchArrangement::fromFields($this->ids['The two'], ['name' => 'leftward']));
    $scene = ($this->scene)();
    $slip = $scene->slips[$this->ids['The two']];
    expect($slip->enters)->toBe(Growth::Down)->and(array_slice($slip->route, -2))->toBe([$slip->w / 2, 0.0])->and(overlaps(array_values($scene->boxes())))->toBe([]);
    // The way touches nothing that is below it.
    foreach (['day', 'night'] as $title) {
        $child = $scene->slips[$this->ids[$title]];
        for ($i = 0; $i < count($slip->route) - 2; $i += 2) {
            [$ax, $ay, $bx, $by] = array_slice($slip->route, $i, 4);
            expect(max($ax, $bx) <= $child->x || min($ax, $bx) >= $child->x + $child->w || max($ay, $by) <= $child->y || min($ay, $by) >= $child->y + $child->h)->toBeTrue($title);
        }
    }
});

it('is not seen while its parent is folded, and has room for its own tally', function () {
    ($this->brace)('The three', 'Ann', 'Bo');
    expect(($this->scene)('rightward', View::folding([$this->map->root()->id]))->slips)->toHaveCount(1);
    $folded = ($this->scene)('rightward', View::folding([$this->ids['The three']]));
    expect($folded->slips[$this->ids['The three']]->hidden)->toBe(9)->and($folded->slips[$this->ids['The three']]->brace)->not->toBeNull()
        ->and($folded->slips[$this->ids['The three']]->right)->toBeGreaterThan(30.0);
});

it('makes no room for a ring whose topics are all shown elsewhere, and all of it again once they are back', function () {
    $plain = ($this->scene)()->bounds();
    $ring = ($this->ring)('Bo', 'Cy');
    $with = ($this->scene)()->bounds();
    expect($with['h'])->toBeGreaterThan($plain['h']);
    Edits::apply(Edits::read('topic.park', ['topics' => [$this->ids['Bo'], $this->ids['Cy']]]), $this->map);
    expect(($this->scene)()->marks)->toBe([]);
    foreach (['Bo', 'Cy'] as $title) {
        Edits::apply(Edits::read('topic.bring-back', ['topics' => [$this->ids[$title]]]), $this->map);
    }
    expect(($this->scene)()->bounds()['h'])->toBeGreaterThan($plain['h'])->and(array_keys(($this->scene)()->marks))->toBe(["ring {$ring}"]);
});

it('lets a phrase stand beside a folded topic, and where the connector comes in from the top', function () {
    $this->map->put(ConnectorPhrase::fromFields($this->ids['Cy'], ['phrase' => 'mends']));
    $folded = ($this->scene)('rightward', View::folding([$this->ids['Cy']]))->slips[$this->ids['Cy']];
    expect($folded->words)->not->toBeNull()->and($folded->words[0] + $folded->words[2])->toBeLessThan(0.0);
    $this->map->put(BranchArrangement::fromFields($this->ids['Cy'], ['name' => 'leftward']));
    $scene = ($this->scene)();
    $slip = $scene->slips[$this->ids['Cy']];
    // Above its box, in the middle, with the line going through.
    expect($slip->enters)->toBe(Growth::Down)->and($slip->words[1] + $slip->words[3])->toBeLessThan(0.0)->and($slip->words[0] + $slip->words[2] / 2)->toBe($slip->w / 2)
        ->and(overlaps(array_values($scene->boxes())))->toBe([]);
});

it('knows from memory what it would find anew, phrases in boxes too', function () {
    ($this->brace)('The two', 'Bo', 'Cy');
    ($this->ring)('Ann', 'Bo');
    foreach (['Ann', 'nets', 'one'] as $title) {
        $this->map->put(ConnectorPhrase::fromFields($this->ids[$title], ['phrase' => "leads to {$title}"]));
    }
    $view = new View;
    $memory = Memory::of(Layout::of($this->map, $view)->slips());
    foreach (['grid', 'rightward', 'fishbone', 'top-down'] as $arrangement) {
        $edit = Edits::read('row.set', ['type' => 'arrangement', 'topics' => [$this->map->root()->id], 'fields' => ['name' => $arrangement]]);
        $touched = [$this->map->root()->id];
        $layout = Layout::recalling($memory, $this->map, $view, $touched);
        Edits::apply($edit, $this->map);
        $change = $layout->draw($this->map, $view, $touched);
        $memory->learn($change->slips, $change->gone);
        $anew = Layout::of($this->map, $view);
        foreach ($anew->slips() as $id => $slip) {
            $known = $change->slips[$id] ?? null;
            expect($known === null || $known->sameAs($slip))->toBeTrue("{$arrangement}: {$slip->topic->title}");
        }
        expect($layout->scene()->bounds())->toEqual($anew->scene()->bounds());
    }
});
