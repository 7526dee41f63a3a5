<?php

declare(strict_types=1);

use ChalkTree\Arrange\Connector;
use ChalkTree\Arrange\Growth;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Measurer;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\Slip;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\SlipData;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Face\NotePart;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Look\Chalk;
use ChalkTree\Look\Looks;
use ChalkTree\Look\StyleSheet;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Run;

/** The slips of a scene by their titles. */
function byTitle(Scene $scene): array
{
    $slips = [];
    foreach ($scene->slips as $slip) {
        $slips[$slip->topic->title] = $slip;
    }

    return $slips;
}

function kitchen(string $arrangement = 'rightward'): TopicMap
{
    return NewMap::from(new TopicDraft('Kitchen', children: [
        new TopicDraft('Bread', children: [
            new TopicDraft('Flour'),
            new TopicDraft('Salt'),
        ]),
        new TopicDraft('Soup', 'for twelve', 'Begin the evening before.', children: [
            new TopicDraft('Stock'),
        ]),
    ]), arrangement: $arrangement);
}

it('puts every child at the same reach from its parent', function () {
    $slips = byTitle(Layout::of(kitchen(), new View)->scene());
    $looks = Looks::standard();

    expect($slips['Bread']->x)->toBe($slips['Kitchen']->w + $looks->level(1)->spacing->reach)
        ->and($slips['Soup']->x)->toBe($slips['Bread']->x)
        ->and($slips['Flour']->x)->toBe($slips['Bread']->w + $looks->level(2)->spacing->reach)
        ->and($slips['Salt']->x)->toBe($slips['Flour']->x);
});

it('puts a parent in the middle of its children', function () {
    $boxes = Layout::of(kitchen(), new View)->scene();
    $slips = byTitle($boxes);
    $all = $boxes->boxes();
    $middle = fn (string $title): float => $all[$slips[$title]->topic->id]['y'] + $slips[$title]->h / 2;

    expect($middle('Bread'))->toBe(($middle('Flour') + $middle('Salt')) / 2)
        ->and($middle('Stock'))->toBe($middle('Soup'));
});

it('puts the middle of the root at the origin', function () {
    $root = byTitle(Layout::of(kitchen(), new View)->scene())['Kitchen'];

    expect($root->x)->toBe(-$root->w / 2)
        ->and($root->y)->toBe(-$root->h / 2);
});

it('mirrors what grows to the left', function () {
    $map = kitchen('both-sides');
    $slips = byTitle(Layout::of($map, new View)->scene());
    $left = array_filter($slips, fn (Slip $slip): bool => $slip->level === 1 && $slip->growth === Growth::Left);

    expect($left)->toHaveCount(1);
    foreach ($left as $slip) {
        expect($slip->x)->toBe(-Looks::standard()->level(1)->spacing->reach - $slip->w);
    }
});

it('gives branches the chalks in the order in which they were made, whatever order they stand in', function () {
    $map = kitchen();
    $before = byTitle(Layout::of($map, new View)->scene());
    $ids = array_keys($map->children($map->root()->id));
    $map->put($map->topic($ids[1])->with(['rank' => 'Zz']));
    $after = byTitle(Layout::of($map, new View)->scene());

    expect(array_keys($map->children($map->root()->id)))->toBe(array_reverse($ids))
        ->and($after['Bread']->chalk)->toBe($before['Bread']->chalk)
        ->and($after['Soup']->chalk)->toBe($before['Soup']->chalk)
        ->and($after['Bread']->chalk)->not->toBe($after['Soup']->chalk)
        ->and($after['Flour']->chalk)->toBe($after['Bread']->chalk);
});

it('sets levels smaller and smaller, and all deep ones alike', function () {
    $looks = Looks::standard();
    $sizes = array_map(fn (int $level): float => $looks->level($level)->type->size, range(0, 6));
    $sorted = $sizes;
    rsort($sorted);

    expect($sizes)->toBe($sorted)
        ->and($sizes[3])->toBe($sizes[6])
        ->and(min($sizes))->toBeGreaterThanOrEqual(14.0)
        ->and($looks->clamp(17))->toBe(3);
});

it('keeps room for a caption and for the sign of a note', function () {
    $slips = byTitle(Layout::of(kitchen(), new View)->scene());
    $bare = NewMap::from(new TopicDraft('Kitchen', children: [new TopicDraft('Soup')]));
    $plain = byTitle(Layout::of($bare, new View, 'rightward')->scene())['Soup'];

    expect($slips['Soup']->h)->toBeGreaterThan($plain->h + 14)
        ->and($slips['Soup']->w)->toBeGreaterThanOrEqual($plain->w + NotePart::ROOM);
});

it('keeps room beside a folded branch for its tally marks', function () {
    $map = kitchen();
    $ids = array_keys($map->children($map->root()->id));
    $slips = byTitle(Layout::of($map, View::folding($ids))->scene());

    expect($slips['Bread']->hidden)->toBe(2)
        ->and($slips['Bread']->right)->toBe(40.0)
        ->and($slips)->not->toHaveKey('Flour');
});

it('puts loose topics below the tree, each with its branch, clear of everything', function () {
    $map = NewMap::from(
        new TopicDraft('Root', children: [new TopicDraft('A'), new TopicDraft('B')]),
        [new TopicDraft('Loose', children: [new TopicDraft('Below it')]), new TopicDraft('Another')],
    );
    $scene = Layout::of($map, new View)->scene();
    $boxes = $scene->boxes();
    $slips = byTitle($scene);
    $bottom = max(array_map(fn (string $title): float => $boxes[$slips[$title]->topic->id]['y'] + $slips[$title]->h, ['Root', 'A', 'B']));

    expect($slips['Loose']->parent)->toBeNull()
        ->and($boxes[$slips['Loose']->topic->id]['y'])->toBeGreaterThan($bottom)
        ->and($boxes[$slips['Another']->topic->id]['y'])->toBeGreaterThan($boxes[$slips['Loose']->topic->id]['y'])
        ->and($slips['Below it']->parent)->toBe($slips['Loose']->topic->id);
});

it('shows as many whole levels as fit an overview', function (int $most, int $shown) {
    $map = NewMap::from(new TopicDraft('Root', children: array_map(
        fn (int $i): TopicDraft => new TopicDraft("Branch {$i}", children: array_map(fn (int $n): TopicDraft => new TopicDraft("Leaf {$n}"), range(1, 5))),
        range(1, 4),
    )));

    expect(Layout::of($map, View::overview($map, $most))->scene()->slips)->toHaveCount($shown);
})->with([
    'everything' => [25, 25],
    'two levels' => [24, 5],
    'still two levels' => [5, 5],
    'the root alone' => [4, 1],
]);

it('gives lines with baselines inside the box, and runs that begin where the one before ends', function () {
    $map = NewMap::from(new TopicDraft('Root', children: [
        new TopicDraft("plain **bold** and *slanted* words that go on over the end of the line\nand a second one", 'with a caption'),
    ]));
    $scene = Layout::of($map, new View)->scene();
    $slip = $scene->slips[array_key_first($map->children($map->root()->id))];
    $data = (new SlipData)->of($slip);
    $last = 0.0;
    $lines = fn (string $part): array => array_values(array_filter($data['parts'], fn (array $one): bool => $one['part'] === $part));
    foreach ([...$lines('title'), ...$lines('caption')] as $line) {
        expect($line['y'])->toBeGreaterThan($last)->toBeLessThan($slip->h);
        $last = $line['y'];
        $x = $line['spans'][0]['x'];
        foreach ($line['spans'] as $part) {
            expect($part['x'])->toEqualWithDelta($x, 0.05)
                ->and($part['x'] + $part['w'])->toBeLessThanOrEqual($slip->w);
            $x += $part['w'];
        }
    }
    $marks = array_unique(array_merge(...array_map(fn (array $line): array => array_column($line['spans'], 'marks'), $lines('title'))));

    expect($lines('caption'))->toHaveCount(1)
        ->and($marks)->toContain(Run::BOLD | Run::ITALIC)
        ->and(count($lines('title')))->toBeGreaterThanOrEqual(3);
});

/** The first span of a title, as it goes over the wire. */
function titleSpan(array $slip): array
{
    return array_values(array_filter($slip['parts'], fn (array $part): bool => $part['part'] === 'title'))[0]['spans'][0];
}

it('marks the runs whose width is a guess', function () {
    $map = NewMap::from(new TopicDraft('Café', children: [new TopicDraft('灯笼')]));
    $scene = Layout::of($map, new View)->scene();
    $data = new SlipData;
    $parts = array_map(fn (Slip $slip): array => titleSpan($data->of($slip)), byTitle($scene));

    expect($parts['Café'])->not->toHaveKey('guess')
        ->and($parts['灯笼']['guess'])->toBeTrue();
});

it('ranges text in a branch that grows left beside its spine', function () {
    $map = NewMap::from(new TopicDraft('Root', children: [new TopicDraft('i', side: ChalkTree\Map\Side::Left, sideHeld: true)]));
    $slip = Layout::of($map, new View)->scene()->slips[array_key_first($map->children($map->root()->id))];
    $part = titleSpan((new SlipData)->of($slip));
    $look = Looks::standard()->level(1);

    expect($slip->growth)->toBe(Growth::Left)
        ->and($part['x'] + $part['w'])->toEqualWithDelta($slip->w - $look->box->spine - $look->box->padX, 0.1);
});

it('draws connectors thick at the parent and thin at the child', function () {
    $map = kitchen();
    $scene = Layout::of($map, new View)->scene();
    foreach ($scene->slips as $slip) {
        if ($slip->parent === null) {
            expect(Connector::path($slip, Looks::standard()->level(0)))->toBe('');

            continue;
        }
        preg_match_all('/-?\d+(?:\.\d+)?/', Connector::path($slip, Looks::standard()->level($slip->level)), $m);
        $n = array_map(floatval(...), $m[0]);

        expect($n)->toHaveCount(16)
            ->and($n[15] - $n[1])->toBeGreaterThan($n[9] - $n[7])
            ->and($n[9] - $n[7])->toBeGreaterThan(1.0);
    }
});

it('measures a title the same whether it makes its lines or not', function (string $title) {
    $map = NewMap::from(new TopicDraft($title));
    $slip = Layout::of($map, new View)->scene()->slips[$map->root()->id];
    $measurer = new Measurer(new ChalkTree\Text\Wrapper(new ChalkTree\Text\Advances));
    $look = Looks::standard()->level(0);
    $widest = max(array_map(fn ($line): float => $line->width, $measurer->lines($slip)));

    expect($slip->h)->toBe(2 * ceil((count($measurer->lines($slip)) * $look->type->line + 2 * $look->box->padY) / 2))
        ->and($slip->w)->toBe(2 * ceil(max($widest + 2 * $look->box->padX, 56) / 2));
})->with(['', 'short', 'a title that is far too long to stand on one line of the plate', "two\nlines", '**bold**', '漢字漢字漢字漢字漢字漢字漢字漢字漢字漢字', 'well-known-by-everyone-in-the-harbour-town-of-saltmere', '  spaced  out  ']);

/** The contrast of two colours by WCAG 2.2. */
function contrast(string $a, string $b): float
{
    $light = function (string $colour): float {
        $parts = array_map(fn (string $hex): float => hexdec($hex) / 255, str_split(ltrim($colour, '#'), 2));
        $linear = array_map(fn (float $c): float => $c <= 0.04045 ? $c / 12.92 : (($c + 0.055) / 1.055) ** 2.4, $parts);

        return 0.2126 * $linear[0] + 0.7152 * $linear[1] + 0.0722 * $linear[2];
    };
    [$x, $y] = [$light($a), $light($b)];

    return (max($x, $y) + 0.05) / (min($x, $y) + 0.05);
}

it('keeps text and chalk readable on every board', function (BoardTheme $board) {
    $colours = $board->colours();
    expect(contrast($colours['ink'], $colours['board']))->toBeGreaterThan(7)
        ->and(contrast($colours['ink'], $colours['slip']))->toBeGreaterThan(7)
        ->and(contrast($colours['soft'], $colours['slip']))->toBeGreaterThan(4.5)
        ->and(contrast($colours['soft'], $colours['board']))->toBeGreaterThan(4.5)
        ->and(contrast($colours['plateInk'], $colours['plate']))->toBeGreaterThan(7)
        ->and(contrast($colours['link'], $colours['slip']))->toBeGreaterThan(4.5)
        ->and(contrast($colours['ink'], $colours['code']))->toBeGreaterThan(4.5);
    foreach (Chalk::cases() as $chalk) {
        expect(contrast($chalk->line($board), $colours['board']))->toBeGreaterThan(3, "{$chalk->value} on the board")
            ->and(contrast($colours['ink'], $chalk->tint($board)))->toBeGreaterThan(7, "ink on {$chalk->value}")
            ->and(contrast($colours['soft'], $chalk->tint($board)))->toBeGreaterThan(4.5, "captions on {$chalk->value}")
            ->and(contrast($colours['link'], $chalk->tint($board)))->toBeGreaterThan(4.5, "links on {$chalk->value}");
    }
})->with(BoardTheme::cases());

it('tells neighbouring chalks apart by lightness too', function (BoardTheme $board) {
    $chalks = Chalk::cases();
    foreach ($chalks as $i => $chalk) {
        $next = $chalks[($i + 1) % count($chalks)];
        expect(contrast($chalk->line($board), $next->line($board)))->toBeGreaterThan(1.05, "{$chalk->value} beside {$next->value}");
    }
    expect($chalks)->toHaveCount(10)
        ->and(array_unique(array_map(fn (Chalk $chalk): string => $chalk->line($board), $chalks)))->toHaveCount(10);
})->with(BoardTheme::cases());

it('hands every colour to the browser as a variable', function () {
    $css = StyleSheet::css();
    foreach (BoardTheme::cases() as $board) {
        expect($css)->toContain("[data-board={$board->value}]");
    }
    foreach (Chalk::cases() as $chalk) {
        expect(substr_count($css, "--{$chalk->value}:"))->toBe(count(BoardTheme::cases()))
            ->and(substr_count($css, "--{$chalk->value}-tint:"))->toBe(count(BoardTheme::cases()));
    }
    expect($css)->toContain('--plate-ink:')->not->toContain('plateInk');
});
