<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Ring\Ring;
use ChalkTree\Ring\RingMember;
use ChalkTree\Ring\RingOutline;
use ChalkTree\Ring\Rings;
use Tests\Support\Chance;

beforeEach(function () {
    $this->map = NewMap::from(new TopicDraft('Class', children: [
        new TopicDraft('Boats', children: [new TopicDraft('Ferry', children: [new TopicDraft('slow')]), new TopicDraft('Barge'), new TopicDraft('Raft'), new TopicDraft('Dinghy')]),
        new TopicDraft('Light', children: [new TopicDraft('Lantern'), new TopicDraft('Candle')]),
        new TopicDraft('Water', children: [new TopicDraft('Tide'), new TopicDraft('Rain')]),
    ]), arrangement: 'rightward');
    $this->id = fn (string $title): string => (string) array_search($title, array_map(fn ($topic): string => $topic->title, $this->map->everything()), true);
    $this->make = fn (string $name, array $with): Changes => Edits::apply(Edits::read($name, $with), $this->map);
    $this->draw = function (string ...$titles): string {
        $ring = Ids::next();
        ($this->make)('ring.draw', ['topics' => array_map($this->id, $titles), 'as' => $ring]);

        return $ring;
    };
    /** The titles of what each ring goes around, as the map has it. */
    $this->around = fn (?TopicMap $map = null): array => array_values(array_map(function (array $topics) use ($map): string {
        $titles = array_map(fn (string $id): string => ($map ?? $this->map)->topic($id)->title, $topics);
        sort($titles);

        return implode(', ', $titles);
    }, Rings::of($map ?? $this->map)->members));
});

/** Whether a point is inside loops, a hole being outside. */
function isWithin(array $loops, float $x, float $y): bool
{
    $isIn = false;
    foreach ($loops as $loop) {
        foreach ($loop as $n => [$x1, $y1]) {
            [$x0, $y0] = $loop[($n + count($loop) - 1) % count($loop)];
            if (($y0 > $y) !== ($y1 > $y) && $x < ($x1 - $x0) * ($y - $y0) / ($y1 - $y0) + $x0) {
                $isIn = ! $isIn;
            }
        }
    }

    return $isIn;
}

/** The loops of a path without round corners. */
function loopsOf(string $d): array
{
    return array_map(fn (string $loop): array => array_map(fn (array $m): array => [(float) $m[1], (float) $m[2]], (function () use ($loop) {
        preg_match_all('/Q(-?[\d.]+) (-?[\d.]+) /', $loop, $found, PREG_SET_ORDER);

        return $found;
    })()), array_filter(explode('Z', $d)));
}

it('leads a line around some rectangles and keeps all others out', function (int $seed) {
    $chance = new Chance($seed);
    $boxes = [];
    // On a board of squares, so that none lies over another.
    foreach (array_slice(array_unique(array_map(fn (): int => $chance->int(0, 99), range(1, 40))), 0, $chance->int(2, 30)) as $at) {
        [$x, $y] = [($at % 10) * 120.0 + $chance->int(0, 20), intdiv($at, 10) * 60.0 + $chance->int(0, 10)];
        $boxes[] = [$x, $y, $x + $chance->int(30, 80), $y + $chance->int(20, 34)];
    }
    $own = array_slice($boxes, 0, $chance->int(1, min(6, count($boxes))));
    $strangers = array_slice($boxes, count($own));
    $loops = RingOutline::around($own, $strangers, 12.0);
    foreach ($own as [$a, $b, $c, $d]) {
        foreach ([[$a, $b], [$c, $b], [$a, $d], [$c, $d], [($a + $c) / 2, ($b + $d) / 2]] as [$x, $y]) {
            expect(isWithin($loops, $x + ($x === $a ? 0.5 : -0.5), $y + ($y === $b ? 0.5 : -0.5)))->toBeTrue();
        }
    }
    foreach ($strangers as [$a, $b, $c, $d]) {
        foreach ([[$a, $b], [$c, $b], [$a, $d], [$c, $d], [($a + $c) / 2, ($b + $d) / 2]] as [$x, $y]) {
            expect(isWithin($loops, $x, $y))->toBeFalse();
        }
    }
    // One line, but for what is enclosed; it turns at right angles.
    $points = array_merge(...$loops);
    $outer = array_filter($loops, fn (array $loop): bool => ! isWithin(array_values(array_filter($loops, fn (array $other): bool => $other !== $loop)), $loop[0][0] + 0.01, $loop[0][1] + 0.01));
    expect(count($outer))->toBe(1);
    foreach ($loops as $loop) {
        foreach ($loop as $n => [$x, $y]) {
            [$px, $py] = $loop[($n + count($loop) - 1) % count($loop)];
            expect(($x === $px) !== ($y === $py))->toBeTrue();
        }
    }
})->with(range(1, 40));

it('makes room around siblings, so that nothing else lies inside, and its name in its line', function (string $arrangement) {
    $before = Layout::of($this->map, new View, $arrangement)->scene()->bounds();
    $ring = ($this->draw)('Barge', 'Raft');
    ($this->make)('row.set', ['type' => 'ring', 'row' => $ring, 'fields' => ['name' => 'no engine', 'chalk' => 'tide', 'fill' => 'tint', 'line' => 'dashed', 'corner' => 0]]);
    $scene = Layout::of($this->map, new View, $arrangement)->scene();
    $mark = $scene->marks["ring {$ring}"];
    $line = array_values(array_filter($mark->parts, fn ($part): bool => $part->part === 'line'))[0];
    $loops = loopsOf($line->what['d']);
    expect($loops)->toHaveCount(1)->and($loops[0])->toHaveCount(4)->and($mark->isUnder)->toBeTrue();
    foreach ($scene->boxes() as $id => $box) {
        $isOwn = in_array($this->map->topic((string) $id)->title, ['Barge', 'Raft'], true);
        foreach ([[0, 0], [1, 0], [0, 1], [1, 1]] as [$i, $j]) {
            expect(isWithin($loops, $box['x'] + $i * $box['w'], $box['y'] + $j * $box['h']))->toBe($isOwn, $this->map->topic((string) $id)->title);
        }
    }
    $after = $scene->bounds();
    expect($after['w'] + $after['h'])->toBeGreaterThan($before['w'] + $before['h'])
        ->and((new SvgWriter)->write($scene, 'x'))->toContain('no engine');
})->with(['rightward', 'leftward', 'top-down', 'bottom-up', 'stepped-list', 'both-sides']);

it('bends around strangers where its topics are no neighbours, and ends at what is shown', function () {
    $ring = ($this->draw)('Ferry', 'Raft', 'Rain');
    $scene = Layout::of($this->map, new View)->scene();
    $loops = loopsOf($scene->marks["ring {$ring}"]->parts[0]->what['d']);
    $boxes = $scene->boxes();
    foreach (['Ferry' => true, 'slow' => true, 'Raft' => true, 'Rain' => true, 'Barge' => false, 'Lantern' => false, 'Candle' => false, 'Tide' => false, 'Boats' => false, 'Class' => false] as $title => $isIn) {
        $box = $boxes[($this->id)($title)];
        expect(isWithin($loops, $box['x'] + $box['w'] / 2, $box['y'] + $box['h'] / 2))->toBe($isIn, $title);
    }
    $folded = Layout::of($this->map, View::folding([($this->id)('Boats')]))->scene();
    $loops = loopsOf($folded->marks["ring {$ring}"]->parts[0]->what['d']);
    $box = $folded->boxes()[($this->id)('Boats')];
    expect(isWithin($loops, $box['x'] + 1, $box['y'] + 1))->toBeTrue();
});

it('draws rings in each other so that no two lines lie on each other', function () {
    $inner = ($this->draw)('Barge', 'Raft');
    $outer = ($this->draw)('Barge', 'Raft', 'Dinghy');
    $around = ($this->draw)('Boats');
    $marks = Layout::of($this->map, new View)->scene()->marks;
    $box = fn (string $ring): array => (function (array $points): array {
        return [min(array_column($points, 0)), min(array_column($points, 1)), max(array_column($points, 0)), max(array_column($points, 1))];
    })(loopsOf($marks["ring {$ring}"]->parts[0]->what['d'])[0]);
    foreach ([[$inner, $outer], [$outer, $around]] as [$small, $large]) {
        [$a, $b] = [$box($small), $box($large)];
        expect($a[0] - $b[0])->toBeGreaterThan(4.0)->and($a[1] - $b[1])->toBeGreaterThan(4.0)->and($b[2] - $a[2])->toBeGreaterThan(4.0)->and($b[3] - $a[3])->toBeGreaterThan(4.0);
    }
    // Those around others are drawn first, so that their fill lies below.
    expect(array_keys($marks))->toBe(["ring {$outer}", "ring {$inner}", "ring {$around}"]);
    // A fill covers no line of another.
    ($this->make)('row.set', ['type' => 'ring', 'row' => $inner, 'fields' => ['fill' => 'tint']]);
    expect(array_keys(Layout::of($this->map, new View)->scene()->marks))->toBe(["ring {$inner}", "ring {$outer}", "ring {$around}"]);
});

it('goes with the last of its topics and comes back with it', function () {
    $ring = ($this->draw)('Barge', 'Raft');
    [$barge, $raft] = [($this->id)('Barge'), ($this->id)('Raft')];
    ($this->make)('topic.remove', ['topics' => [$barge, $raft]]);
    expect(($this->around)())->toBe([])->and(Layout::of($this->map, new View)->scene()->marks)->toBe([]);
    ($this->make)('topic.restore', ['topics' => [$raft]]);
    expect(($this->around)())->toBe(['Raft']);
    ($this->make)('topic.restore', ['topics' => [$barge]]);
    expect(($this->around)())->toBe(['Barge, Raft']);
    // Of one from which all are taken out nothing is left, until that is undone.
    $out = ($this->make)('ring.put', ['topics' => [($this->id)('Barge'), ($this->id)('Raft')], 'ring' => $ring, 'out' => true]);
    expect($this->map->rowsOf(Ring::class))->toBe([]);
    $out->reversed()->applyTo($this->map, new Recorder($this->map));
    expect(($this->around)())->toBe(['Barge, Raft']);
    $removed = ($this->make)('row.remove', ['type' => 'ring', 'rows' => [$ring]]);
    expect($this->map->rowsOf(RingMember::class))->toBe([]);
    $removed->reversed()->applyTo($this->map, new Recorder($this->map));
    expect(($this->around)())->toBe(['Barge, Raft']);
});

it('takes in what is written in any script, and more than fits into a line', function (string $name) {
    $ring = ($this->draw)('Barge', 'Raft');
    ($this->make)('row.set', ['type' => 'ring', 'row' => $ring, 'fields' => ['name' => $name]]);
    $mark = Layout::of($this->map, new View)->scene()->marks["ring {$ring}"];
    $lines = array_values(array_filter($mark->parts, fn ($part): bool => $part->part === 'name'));
    [$x, $y, $w, $h] = $mark->box;
    expect($lines)->not->toBe([]);
    foreach ($lines as $line) {
        foreach ($line->what['spans'] as $span) {
            expect($span['x'])->toBeGreaterThanOrEqual($x)->and($span['x'] + $span['w'])->toBeLessThanOrEqual($x + $w + 0.2)
                ->and($line->what['y'])->toBeGreaterThan($y)->and($line->what['y'])->toBeLessThan($y + $h);
        }
    }
})->with(['no engine', 'סירות בלי מנוע', '没有发动机的船 🚣', str_repeat('boats that have neither engine nor sail ', 4)]);

it('goes around no more than anybody can see, and keeps none that has nothing in it', function () {
    $many = array_map(fn (int $n): array => ['id' => Ids::next(), 'title' => "Boat {$n}"], range(1, 301));
    ($this->make)('topic.add-many', ['parent' => ($this->id)('Water'), 'topics' => $many]);
    expect(fn () => ($this->make)('ring.draw', ['topics' => array_column($many, 'id'), 'as' => Ids::next()]))->toThrow('A ring goes around at most 300 topics, each with all below it.');
    // As it is after the trash was emptied.
    $this->map->put(Ring::fromFields(Ids::next(), ['name' => 'left behind']));
    $ring = ($this->draw)('Barge');
    expect(array_map(strval(...), array_keys($this->map->rowsOf(Ring::class))))->toBe([$ring]);
    // Three hundred with strangers among them cost no more than three hundred lines.
    ($this->make)('ring.put', ['topics' => array_column(array_filter($many, fn (array $one, int $n): bool => $n % 2 === 0 && $n < 300, ARRAY_FILTER_USE_BOTH), 'id'), 'ring' => $ring]);
    expect(count(loopsOf(Layout::of($this->map, new View)->scene()->marks["ring {$ring}"]->parts[0]->what['d'])))->toBe(151);
});

it('takes topics in, once each, and refuses a ring that is gone', function () {
    $ring = ($this->draw)('Barge');
    ($this->make)('ring.put', ['topics' => [($this->id)('Rain'), ($this->id)('Barge'), ($this->id)('Rain')], 'ring' => $ring]);
    expect(($this->around)())->toBe(['Barge, Rain'])->and($this->map->rowsOf(RingMember::class))->toHaveCount(2);
    expect(fn () => ($this->make)('ring.put', ['topics' => [($this->id)('Rain')], 'ring' => Ids::next()]))->toThrow('This ring is not in the map any more.');
    expect(fn () => ($this->make)('ring.draw', ['topics' => [($this->id)('Rain')], 'as' => $ring]))->toThrow('There is a ring with this id already.');
});

it('goes along where all it goes around is copied, as a ring of its own, and nowhere else', function () {
    ($this->make)('row.set', ['type' => 'ring', 'row' => ($this->draw)('Barge', 'Raft'), 'fields' => ['name' => 'no engine']]);
    ($this->make)('topic.copy', ['topics' => [($this->id)('Barge')], 'parent' => ($this->id)('Light')]);
    expect(($this->around)())->toBe(['Barge, Raft']);
    ($this->make)('topic.copy', ['topics' => [($this->id)('Boats')], 'parent' => ($this->id)('Light')]);
    expect(($this->around)())->toBe(['Barge, Raft', 'Barge, Raft'])
        ->and(array_values(array_map(fn (Ring $ring): string => $ring->text('name'), $this->map->rowsOf(Ring::class))))->toBe(['no engine', 'no engine']);
});

it('is written into formats of lines and comes back', function (string $format) {
    ($this->make)('row.set', ['type' => 'ring', 'row' => ($this->draw)('Barge', 'Rain'), 'fields' => ['name' => 'no engine']]);
    ($this->make)('row.set', ['type' => 'ring', 'row' => ($this->draw)('Raft', 'Candle'), 'fields' => ['name' => 'no engine']]);
    ($this->draw)('Tide');
    $text = Formats::write($this->map, $format);
    $again = Formats::read($text, 'Class', $format);
    $around = ($this->around)($again);
    sort($around);
    expect($text)->toContain('○ ring: no engine')->and($around)->toBe(['Barge, Rain', 'Candle, Raft', 'Tide'])->and(count($again->all()))->toBe(13);
})->with(['opml', 'md', 'txt']);
