<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Slip;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\SlipParts;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\JsonReader;
use ChalkTree\Exchange\JsonWriter;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Features;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Look\Chalk;
use ChalkTree\Look\Contrast;
use ChalkTree\Look\LookPlace;
use ChalkTree\Look\LookResolver;
use ChalkTree\Look\Looks;
use ChalkTree\Look\MapLook;
use ChalkTree\Look\TopicLook;
use ChalkTree\Look\WholeLook;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\Topic;
use ChalkTree\Refusal;
use ChalkTree\Shape\Shapes;
use ChalkTree\Text\TypeFace;
use Tests\Support\Chance;
use Tests\Support\Ties\SaidFeature;

beforeEach(function () {
    $this->map = NewMap::from(new TopicDraft('Harbour', children: [
        new TopicDraft('Quay', children: [new TopicDraft('Crane', children: [new TopicDraft('Hook')]), new TopicDraft('Rope')]),
        new TopicDraft('Ferry', children: [new TopicDraft('Deck')]),
    ]));
    $this->ids = array_column(array_map(fn ($topic) => [$topic->title, $topic->id], array_values($this->map->all())), 1, 0);
    $this->set = fn (string $type, string|array $which, array $fields) => Edits::apply(Edits::read('row.set', ['type' => $type, 'fields' => $fields] + (is_array($which) ? ['topics' => $which] : ['row' => $which])), $this->map);
    $this->slip = fn (string $title, View $view = new View): Slip => Layout::of($this->map, $view)->slips()[$this->ids[$title]];
});

/** Whether a point lies inside an outline, reckoned from the shape's own geometry and not from its code. */
function isInside(string $shape, float $w, float $h, float $x, float $y): bool
{
    $slack = 0.002;
    [$u, $v] = [abs($x - $w / 2), abs($y - $h / 2)];

    return match ($shape) {
        'oval', 'circle' => ($u / ($w / 2)) ** 2 + ($v / ($h / 2)) ** 2 <= 1 + $slack,
        'rhombus' => $u / ($w / 2) + $v / ($h / 2) <= 1 + $slack,
        'capsule' => $w >= $h ? hypot(max(0.0, $u - ($w - $h) / 2), $v) <= $h / 2 + $slack : hypot($u, max(0.0, $v - ($h - $w) / 2)) <= $w / 2 + $slack,
        default => $x >= -$slack && $y >= -$slack && $x <= $w + $slack && $y <= $h + $slack,
    };
}

/** Whether a point lies inside a polygon that an SVG path of lines draws. */
function isInPolygon(string $path, float $x, float $y): bool
{
    preg_match_all('/(-?[\d.]+) (-?[\d.]+)/', $path, $m, PREG_SET_ORDER);
    $points = array_map(fn (array $point): array => [(float) $point[1], (float) $point[2]], $m);
    $turns = [];
    foreach ($points as $i => [$ax, $ay]) {
        [$bx, $by] = $points[($i + 1) % count($points)];
        // Convex and clockwise, so inside is on the right of every edge.
        $turns[] = (($bx - $ax) * ($y - $ay) - ($by - $ay) * ($x - $ax)) / max(0.001, hypot($bx - $ax, $by - $ay));
    }

    return min($turns) >= -0.05;
}

it('keeps every line of text inside the outline, whatever the shape, the face and the text', function (string $shape) {
    $chance = new Chance(abs(crc32($shape)));
    for ($i = 0; $i < 120; $i++) {
        $draft = new TopicDraft($chance->yes(20) ? $chance->words(60) : $chance->title(), $chance->yes(30) ? trim($chance->words(8)) : '', $chance->yes(30) ? 'A note' : '');
        $map = NewMap::from(new TopicDraft('Root', children: [$draft]));
        $id = array_keys($map->all())[1];
        $map->put(TopicLook::fromFields($id, ['shape' => $shape, 'face' => $chance->pick(TypeFace::names()), 'size' => $chance->pick([null, 8, 14, 33, 90]),
            'width' => $chance->yes(30) ? $chance->int(60, 500) : null, 'align' => $chance->pick([null, 'left', 'centre', 'right']), 'weight' => $chance->pick([null, 'bold'])]));
        $slip = Layout::of($map, new View)->slips()[$id];
        $parts = array_map(fn ($part) => $part->toArray(), (new SlipParts)->of($slip));
        $outline = $slip->look->box->shape()->outline($slip->w, $slip->h, $slip->look->box->corner);
        foreach (array_filter($parts, fn (array $part): bool => isset($part['spans'])) as $line) {
            foreach ($line['spans'] as $span) {
                foreach ([$span['x'], $span['x'] + $span['w']] as $x) {
                    foreach ([$line['y'] - 0.76 * $line['size'], $line['y'] + 0.24 * $line['size']] as $y) {
                        $isIn = in_array($shape, ['hexagon', 'slanted'], true) ? isInPolygon($outline, $x, $y) : isInside($shape, $slip->w, $slip->h, $x, $y);
                        expect($isIn)->toBeTrue("{$shape} {$slip->w} x {$slip->h}: {$x}, {$y} of “{$span['text']}”");
                    }
                }
            }
        }
    }
})->with(Shapes::names());

it('meets every shape at its edge with spine and connector', function (string $shape, string $arrangement) {
    $map = NewMap::from(new TopicDraft('Root', children: [new TopicDraft('A topic of some words', children: [new TopicDraft('One'), new TopicDraft('Two, which is longer'), new TopicDraft('Three')]), new TopicDraft('Other')]), arrangement: $arrangement);
    foreach (array_keys($map->all()) as $id) {
        $map->put(TopicLook::fromFields((string) $id, ['shape' => $shape]));
    }
    $layout = Layout::of($map, new View);
    foreach ($layout->slips() as $slip) {
        if ($slip->parent === null || $slip->route === []) {
            continue;
        }
        $parent = $layout->slips()[$slip->parent];
        [$x, $y] = array_slice($slip->route, -2);
        [$px, $py] = [$slip->route[0] + $slip->x, $slip->route[1] + $slip->y];
        foreach ([[$slip, $x, $y], [$parent, $px, $py]] as [$at, $ax, $ay]) {
            $outline = $at->look->box->shape()->outline($at->w, $at->h, $at->look->box->corner);
            // A little towards the middle is inside, a little away from it is not.
            [$mx, $my] = [$at->w / 2 - $ax, $at->h / 2 - $ay];
            $far = max(1.0, hypot($mx, $my));
            $in = fn (float $by): bool => in_array($shape, ['hexagon', 'slanted'], true)
                ? isInPolygon($outline, $ax + $mx / $far * $by, $ay + $my / $far * $by)
                : isInside($shape, $at->w, $at->h, $ax + $mx / $far * $by, $ay + $my / $far * $by);
            expect($in(1.5))->toBeTrue()->and($in(-1.5))->toBeFalse();
        }
    }
})->with(Shapes::names())->with(['both-sides', 'top-down', 'stepped-list']);

it('goes by the map, then the level, a name, and the topic itself', function () {
    $mapLook = Ids::next();
    $size = fn (): array => array_map(fn (string $title): float => ($this->slip)($title)->look->type->size, ['Quay', 'Ferry', 'Crane']);
    expect($size())->toBe([17.0, 17.0, 15.0]);
    ($this->set)('map-look', $mapLook, ['size' => 30]);
    expect($size())->toBe([30.0, 30.0, 30.0]);
    ($this->set)('level-look', Ids::next(), ['level' => 1, 'size' => 40]);
    expect($size())->toBe([40.0, 40.0, 30.0]);
    $name = Ids::next();
    ($this->set)('named-look', $name, ['name' => 'Loud', 'size' => 50, 'slant' => 'slanted']);
    ($this->set)('look', [$this->ids['Quay']], ['named' => $name]);
    expect($size())->toBe([50.0, 40.0, 30.0])->and(($this->slip)('Quay')->look->type->slanted)->toBeTrue();
    ($this->set)('look', [$this->ids['Quay']], ['size' => 60]);
    expect($size())->toBe([60.0, 40.0, 30.0])->and(($this->slip)('Quay')->look->type->slanted)->toBeTrue();

    $resolver = new LookResolver(Looks::standard());
    $resolver->read($this->map);
    $why = $resolver->why($this->ids['Quay'], 1);
    expect($why['size'])->toBe(['value' => 60, 'place' => LookPlace::Topic, 'row' => $this->ids['Quay'], 'words' => ''])
        ->and($why['slant'])->toBe(['value' => 'slanted', 'place' => LookPlace::Named, 'row' => $name, 'words' => ''])
        ->and($resolver->why($this->ids['Ferry'], 1)['size']['place'])->toBe(LookPlace::Level)
        ->and($resolver->why($this->ids['Crane'], 2)['size'])->toBe(['value' => 30, 'place' => LookPlace::Map, 'row' => null, 'words' => '']);

    // A look by name that is not there any more says nothing.
    Edits::apply(Edits::read('row.remove', ['type' => 'named-look', 'rows' => [$name]]), $this->map);
    expect(($this->slip)('Quay')->look->type->slanted)->toBeFalse();
});

it('lets a feature say looks in their places, and yield to what was set by hand', function () {
    $feature = new SaidFeature;
    Features::add($feature);
    $feature->said = [
        [LookPlace::Rule, false, ['ink' => 'soft']],
        [LookPlace::Rule, true, ['size' => 99]],
        [LookPlace::Kind, false, ['size' => 33, 'face' => 'hand', 'weight' => 'regular']],
    ];
    ($this->set)('look', [$this->ids['Quay']], ['size' => 44, 'ink' => 'ink', 'weight' => 'bold']);
    $type = ($this->slip)('Quay')->look->type;
    expect([$type->size, $type->face, $type->bold, $type->ink])->toBe([44.0, TypeFace::Hand, true, 'soft'])
        ->and(($this->slip)('Rope')->look->type->size)->toBe(99.0);
    $feature->said = [];
});

it('grows all that belongs to a topic with its type', function () {
    $before = ($this->slip)('Crane');
    ($this->set)('look', [$this->ids['Crane']], ['size' => 30]);
    $after = ($this->slip)('Crane');
    expect($after->look->box->padX)->toBe(2 * $before->look->box->padX)
        ->and($after->look->box->widest)->toBe(2 * $before->look->box->widest)
        ->and($after->look->type->small)->toBe(24.0)
        ->and($after->w)->toBeGreaterThan(1.8 * $before->w);
});

it('shows everything in the face that a person asked for', function () {
    ($this->set)('look', [$this->ids['Quay']], ['face' => 'hand']);
    $faces = array_unique(array_map(fn (Slip $slip): string => $slip->look->type->face->value, Layout::of($this->map, new View(face: TypeFace::Weighted))->slips()));
    expect(array_values($faces))->toBe(['weighted']);
});

it('keeps the chalk of every topic when one steps in', function (string $chalks) {
    ($this->set)('map-look', Ids::next(), ['chalks' => $chalks, 'chalk' => 'dusk']);
    ($this->set)('look', [$this->ids['Crane']], ['chalk' => 'ember']);
    $of = fn (View $view): array => array_map(fn (Slip $slip): string => $slip->chalk, Layout::of($this->map, $view)->slips());
    $whole = $of(new View);
    expect($whole[$this->ids['Crane']])->toBe('ember')->and($whole[$this->ids['Hook']])->toBe('ember');
    foreach (['Quay', 'Crane', 'Ferry', 'Deck'] as $title) {
        foreach ($of(new View(scope: $this->ids[$title])) as $id => $chalk) {
            expect($chalk)->toBe($whole[$id]);
        }
    }
    $levels = array_map(fn (string $title): string => $whole[$this->ids[$title]], ['Quay', 'Ferry', 'Rope', 'Deck']);
    expect($levels)->toBe(match ($chalks) {
        'branch' => ['tide', 'ember', 'tide', 'ember'],
        'level' => ['tide', 'tide', 'ember', 'ember'],
        'one' => ['dusk', 'dusk', 'dusk', 'dusk'],
    });
})->with(MapLook::CHALKS);

it('undoes looks, keeps them in its own format, and copies them', function () {
    $before = (new JsonWriter)->write($this->map);
    $name = Ids::next();
    $done = [
        ($this->set)('named-look', $name, ['name' => 'Quiet', 'fill' => 'none', 'edge' => 'chalk:coral']),
        ($this->set)('level-look', Ids::next(), ['level' => 2, 'face' => 'reading', 'lineDash' => 'dotted']),
        ($this->set)('map-look', Ids::next(), ['whole' => 'card-box', 'chalks' => 'one']),
        ($this->set)('look', [$this->ids['Quay'], $this->ids['Rope']], ['named' => $name, 'shape' => 'hexagon', 'gap' => 90]),
    ];
    $json = (new JsonWriter)->write($this->map);
    expect((new JsonWriter)->write((new JsonReader)->read($json, '')))->toBe($json)
        ->and(count($this->map->living()))->toBe(5);
    $copied = Edits::apply(Edits::read('topic.copy', ['topics' => [$this->ids['Rope']], 'parent' => $this->ids['Ferry']]), $this->map);
    $looks = $this->map->rowsOf(TopicLook::class);
    expect($looks)->toHaveCount(3)->and(array_unique(array_map(fn (TopicLook $look): string => $look->text('shape'), array_values($looks))))->toBe(['hexagon']);
    foreach (array_reverse([...$done, $copied]) as $changes) {
        $recorder = new ChalkTree\Edit\Recorder($this->map);
        $changes->reversed()->applyTo($this->map, $recorder);
    }
    expect((new JsonWriter)->write($this->map))->toBe($before);
});

it('refuses what is no look', function (string $type, array $fields) {
    expect(fn () => ($this->set)($type, $type === 'look' ? [$this->ids['Quay']] : Ids::next(), $fields))->toThrow(InvalidEdit::class);
})->with([
    ['look', ['fill' => 'red']], ['look', ['fill' => 'chalk:"/><script>']], ['look', ['ink' => '#ff0000']], ['look', ['ink' => 'text:indigo']], ['look', ['edge' => 'slip:tide']], ['look', ['fill' => 'tint:']], ['look', ['size' => 7]], ['look', ['size' => 121]],
    ['look', ['shape' => 'star']], ['look', ['face' => 'Comic']], ['look', ['named' => 'x']], ['look', ['level' => 1]],
    ['level-look', ['level' => 4]], ['level-look', ['name' => 'x']], ['named-look', ['name' => '']], ['named-look', ['name' => "a\nb"]], ['named-look', ['name' => str_repeat('a', 61)]],
    ['map-look', ['whole' => 'none']], ['map-look', ['chalks' => 'rainbow']],
]);

it('takes only so many looks with a name', function () {
    for ($i = 0; $i < Bounds::MOST_OF_MAP; $i++) {
        ($this->set)('named-look', Ids::next(), ['name' => "Look {$i}"]);
    }
    expect(fn () => ($this->set)('named-look', Ids::next(), ['name' => 'One more']))->toThrow(InvalidEdit::class, 'A map holds at most 200 of this sort: look by name.');
});

it('has chalks and papers that can be told apart and read on every board', function (BoardTheme $board) {
    $colours = $board->colours();
    foreach (Chalk::cases() as $chalk) {
        expect(Contrast::ratio($chalk->line($board), $colours['board']))->toBeGreaterThanOrEqual(Contrast::LINE);
        foreach ([$colours['board'], $colours['slip'], ...array_map(fn (Chalk $other): string => $other->tint($board), Chalk::cases())] as $paper) {
            expect(Contrast::ratio($chalk->text($board), $paper))->toBeGreaterThanOrEqual(Contrast::TEXT)
                ->and(Contrast::ratio($colours['ink'], $paper))->toBeGreaterThanOrEqual(Contrast::TEXT);
        }
    }
    expect(Contrast::ratio($colours['plateInk'], $colours['plate']))->toBeGreaterThanOrEqual(Contrast::TEXT)
        ->and(Contrast::ratio('#000000', '#ffffff'))->toBe(21.0);
})->with(BoardTheme::cases());

it('has whole-map looks that are different from each other', function () {
    $hashes = array_map(fn (WholeLook $whole): string => implode(' ', array_map(fn ($look): string => $look->hash, $whole->looks()->levels)), WholeLook::cases());
    expect(count($hashes))->toBeGreaterThan(6)->and(array_unique($hashes))->toHaveCount(count($hashes));
    foreach (WholeLook::cases() as $whole) {
        expect($whole->looks()->levels)->toHaveCount(Looks::DEEPEST + 1);
    }
});

it('draws connectors in every form, thin and thick, dashed or not at all', function () {
    $of = function (array $fields): array {
        ($this->set)('look', [$this->ids['Quay']], $fields);

        return SlipParts::connector(($this->slip)('Quay'))?->toArray() ?? [];
    };
    expect($of(['lineThick' => null])['d'])->toContain('C')
        ->and($of(['line' => 'straight'])['d'])->toMatch('/^M[^CHV]+Z$/')
        ->and($of(['line' => 'corner'])['d'])->toContain('H')
        ->and($of(['line' => 'none']))->toBe([])
        ->and($of(['line' => 'curve', 'lineDash' => 'dashed', 'lineThick' => 6, 'lineTaper' => 'even', 'lineChalk' => 'chalk:coral']))
        ->toMatchArray(['stroke' => 'chalk:coral', 'thick' => 6.0, 'dash' => '20 18']);
});

it('takes from a file only so many rows of the map', function () {
    $data = json_decode((new JsonWriter)->write($this->map), true);
    $data['rows'] = array_map(fn (): array => ['type' => 'level-look', 'id' => Ids::next(), 'fields' => ['level' => 1, 'size' => 20]], range(1, Bounds::MOST_OF_MAP + 1));
    expect(fn () => (new JsonReader)->read((string) json_encode($data), ''))->toThrow(UnreadableFile::class, 'at most 200');
});

it('lets every first-level branch keep its chalk, whatever comes and goes', function (int $seed) {
    $chance = new Chance(900 + $seed);
    $map = NewMap::from(new TopicDraft('Festival', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Branch {$n}", children: [new TopicDraft('a')]), range(1, 6))));
    $root = $map->sheet()->root;
    $start = (new JsonWriter)->write($map);
    $chalks = fn (): array => array_map(fn (Slip $slip): string => $slip->chalk, array_filter(Layout::of($map, new View)->slips(), fn (Slip $slip): bool => $slip->parent === $root));
    $done = [];
    for ($i = 0; $i < 30; $i++) {
        $before = $chalks();
        $first = array_map(strval(...), array_keys($map->children($root)));
        $id = $first === [] ? $root : $chance->pick($first);
        $gone = array_map(fn (Topic $topic): string => $topic->id, array_values($map->removedTops()));
        $edit = match ($chance->int(1, 6)) {
            1, 2 => ['topic.add', ['parent' => $root, 'first' => $chance->yes(50), 'topic' => ['title' => $chance->word()]]],
            3 => ['topic.remove', ['topics' => [$id]]],
            4 => ['topic.move', ['topics' => [$id], 'parent' => $chance->pick(array_map(strval(...), array_keys($map->all())))]],
            5 => $gone === [] ? ['topic.park', ['topics' => [$id]]] : ['topic.restore', ['topics' => [$chance->pick($gone)]]],
            default => ['topic.dissolve', ['topics' => [$id]]],
        };
        try {
            $done[] = Edits::apply(Edits::read(...$edit), $map);
        } catch (Refusal) {
            continue;
        }
        $now = $chalks();
        expect(array_diff_assoc(array_intersect_key($before, $now), $now))->toBe([], (string) json_encode($edit));
    }
    foreach (array_reverse($done) as $changes) {
        $changes->reversed()->applyTo($map, new Recorder($map));
    }
    expect((new JsonWriter)->write($map))->toBe($start);
})->with(range(1, 40));
