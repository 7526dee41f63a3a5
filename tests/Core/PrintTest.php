<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\Paints;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\HandOver\Choices;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Print\PictureSize;
use ChalkTree\Print\PrintLine;
use ChalkTree\Print\PrintPlan;
use ChalkTree\Print\SheetWriter;
use ChalkTree\Print\SmallestType;
use ChalkTree\Print\Worksheet;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

/** @param  array<string, mixed>  $said */
function choices(array $said): Choices
{
    return Choices::fromFields('', $said);
}

/** @return array<string, string> ids by title */
function idsOf(TopicMap $map): array
{
    return array_column(array_map(fn ($topic): array => [$topic->title, $topic->id], array_values($map->all())), 1, 0);
}

it('reckons how large a picture and its smallest type will be', function (array $frame, array $said, array $size, float $type) {
    $made = PictureSize::of(['x' => 0.0, 'y' => 0.0, 'w' => $frame[0], 'h' => $frame[1]], choices($said));
    expect([$made->width, $made->height, $made->dpi, $made->isBounded])->toBe($size)->and($made->type(10.0))->toBe($type);
})->with([
    'twice its size' => [[400.0, 200.0], [], [800, 400, 96, false], 20.0],
    'so many pixels' => [[400.0, 200.0], ['width' => 200], [200, 100, 96, false], 5.0],
    // 254 mm are ten inches, on which 400 pixels of the scene are 720 points.
    'so wide on paper' => [[400.0, 200.0], ['millimetres' => 254, 'dpi' => 100], [1000, 500, 100, false], 18.0],
    'on paper at 300 dots' => [[400.0, 200.0], ['millimetres' => 127], [1500, 750, 300, false], 9.0],
    'no more than 100 megapixels' => [[1000.0, 1000.0], ['width' => 20_000], [10_000, 10_000, 96, true], 100.0],
    'no side longer than can be drawn' => [[100.0, 10_000.0], ['width' => 500], [320, 32_000, 96, true], 32.0],
]);

it('covers all that is printed, and shows the same along the edges of neighbours', function () {
    $chance = new Chance(31);
    for ($i = 0; $i < 300; $i++) {
        $frame = ['x' => (float) $chance->int(-4_000, 4_000), 'y' => (float) $chance->int(-4_000, 4_000), 'w' => (float) $chance->int(60, 9_000), 'h' => (float) $chance->int(60, 9_000)];
        $said = $chance->yes(50) ? ['columns' => $chance->int(1, 5), 'rows' => $chance->int(1, 5)] : ['points' => $chance->int(4, 9)];
        $said += ['paper' => $chance->pick(['a3', 'a5', 'letter', 'legal', null]), 'overlap' => $chance->pick([null, 0, 25])] + ($chance->yes(50) ? [] : [$chance->pick(['landscape', 'upright']) => true]);
        try {
            $plan = PrintPlan::of($frame, 13.0, choices($said));
        } catch (InvalidEdit $refused) {
            expect($refused->getMessage())->toContain('100 sheets are the most');

            continue;
        }
        $whole = $plan->whole();
        expect($whole['x'])->toBeLessThanOrEqual($frame['x'] + 0.01)->and($whole['y'])->toBeLessThanOrEqual($frame['y'] + 0.01)
            ->and($whole['x'] + $whole['w'])->toBeGreaterThanOrEqual($frame['x'] + $frame['w'] - 0.01)->and($whole['y'] + $whole['h'])->toBeGreaterThanOrEqual($frame['y'] + $frame['h'] - 0.01)
            ->and(count($plan->sheets))->toBe($plan->columns * $plan->rows)->and($plan->sheet[0] > $plan->sheet[1])->toBe($plan->isAcross());
        foreach ($plan->sheets as $sheet) {
            // On paper everything has the same scale, and what the next sheet shows again is as wide as was said.
            expect(abs($sheet->frame['w'] * $plan->scale - $plan->room[0]))->toBeLessThan(0.001)->and(abs($sheet->frame['h'] * $plan->scale - $plan->room[1]))->toBeLessThan(0.001);
            if ($sheet->column > 0) {
                $before = $plan->sheets[$sheet->number - 2]->frame;
                expect(abs(($before['x'] + $before['w'] - $sheet->frame['x']) * $plan->scale - $plan->overlap))->toBeLessThan(0.001);
            }
        }
        if (isset($said['points'])) {
            expect($plan->type(13.0))->toBe((float) $said['points']);
            // No sheet too many.
            expect(($plan->columns - 1) * ($plan->room[0] - $plan->overlap) + ($plan->columns > 1 ? $plan->overlap : 0))->toBeLessThanOrEqual($frame['w'] * $plan->scale + 0.01);
        }
    }
});

it('turns the paper so that the drawing is larger, unless it is told how', function () {
    $wide = ['x' => 0.0, 'y' => 0.0, 'w' => 2000.0, 'h' => 500.0];
    expect(PrintPlan::of($wide, 10.0, choices([]))->isAcross())->toBeTrue()
        ->and(PrintPlan::of($wide, 10.0, choices(['upright' => true]))->isAcross())->toBeFalse()
        ->and(PrintPlan::of(['w' => 500.0, 'h' => 2000.0] + $wide, 10.0, choices([]))->sheet)->toBe([210.0, 297.0])
        ->and(PrintPlan::of($wide, 10.0, choices(['paper' => 'legal', 'landscape' => true]))->sheet)->toBe([355.6, 215.9]);
    expect(fn () => PrintPlan::of($wide, 10.0, choices(['points' => 96])))->toThrow(InvalidEdit::class, 'sheets');
});

it('finds the smallest type that is drawn', function () {
    $map = NewMap::from(new TopicDraft('Harbour', children: [new TopicDraft('Quay', 'a caption'), new TopicDraft('Ferry')]));
    $drawn = function () use ($map): float {
        preg_match_all('/font-size="([\d.]+)"/', (new SvgWriter)->write(Layout::of($map, new View)->scene(), 'x'), $m);

        return min(array_map(floatval(...), $m[1]));
    };
    $smallest = fn (): float => SmallestType::of(Layout::of($map, new View)->scene());
    expect($first = $smallest())->toBe($drawn())->toBeGreaterThan(8.0);
    // Without the caption the titles are the smallest; an index is smaller still.
    Edits::apply(Edits::read('topic.caption', ['topics' => [idsOf($map)['Quay']], 'caption' => '']), $map);
    expect($titles = $smallest())->toBe($drawn())->toBeGreaterThan($first);
    Edits::apply(Edits::read('topic.retitle', ['topic' => idsOf($map)['Ferry'], 'title' => 'Ferry <sub>2</sub>']), $map);
    expect($smallest())->toBe($drawn())->toBeLessThan($titles);
});

it('draws in black and white where ink is to be saved, and every other way in its colours', function () {
    $chance = new Chance(5);
    for ($i = 0; $i < 12; $i++) {
        $scene = Layout::of(RandomMaps::map($chance, 40), new View)->scene();
        $svg = (new SvgWriter(Paints::ink()))->write($scene, 'x');
        preg_match_all('/#([0-9a-f]{6})\b/', $svg, $m);
        // Grey at most: the same in red, green and blue.
        expect(array_filter(array_unique($m[1]), fn (string $colour): bool => substr($colour, 0, 2) !== substr($colour, 2, 2) || substr($colour, 2, 2) !== substr($colour, 4, 2)))->toBe([]);
        $document = new DOMDocument;
        expect($document->loadXML($svg))->toBeTrue();
    }
    $scene = Layout::of(NewMap::from(new TopicDraft('Harbour', children: [new TopicDraft('Quay')])), new View)->scene();
    $white = (new SvgWriter(Paints::white()))->write($scene, 'x');
    expect($white)->toContain('fill="#ffffff"')->not->toContain(BoardTheme::Day->colours()['board'])
        ->and((new SvgWriter(Paints::on('slate', BoardTheme::Day)))->write($scene, 'x'))->toContain(BoardTheme::Slate->colours()['board'])
        ->and((new SvgWriter(Paints::on('', BoardTheme::Mint)))->write($scene, 'x'))->toContain(BoardTheme::Mint->colours()['board'])
        ->and((new SvgWriter(Paints::ink()))->write($scene, 'x'))->toContain('stroke="#000000"');
});

it('draws of a frame what shows in it', function () {
    $map = NewMap::from(new TopicDraft('Root', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Topic {$n}", children: array_map(fn (int $k): TopicDraft => new TopicDraft("Below {$n} {$k}"), range(1, 8))), range(1, 30))));
    $scene = Layout::of($map, new View)->scene();
    $all = SvgWriter::around($scene);
    $frame = ['x' => $all['x'], 'y' => $all['y'], 'w' => $all['w'], 'h' => 400.0];
    $svg = (new SvgWriter)->write($scene, 'x', $frame, 'width="90mm"');
    $seen = array_filter($scene->boxes(), fn (array $box): bool => $box['y'] < $frame['y'] + $frame['h']);
    foreach (array_keys($seen) as $id) {
        expect($svg)->toContain('>'.$map->topic((string) $id)->title.'<');
    }
    expect(substr_count($svg, '<text'))->toBeLessThan(substr_count((new SvgWriter)->write($scene, 'x'), '<text') / 2)->and($svg)->toContain('width="90mm"');
});

it('says a line at the foot of each sheet, and marks where it is cut and where the next begins', function () {
    $map = NewMap::from(new TopicDraft('Harbour <1>', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Topic {$n}"), range(1, 20))));
    $scene = Layout::of($map, new View)->scene();
    $said = choices(['columns' => 2, 'rows' => 2, 'byline' => 'Wren & Tove']);
    $plan = PrintPlan::of(SvgWriter::around($scene, 0), SmallestType::of($scene), $said);
    $writer = new SheetWriter($plan, new SvgWriter(Paints::white(), null, false), PrintLine::of($said, 'Harbour <1>', '3 May 2026'), true);
    foreach ($plan->sheets as $sheet) {
        $document = new DOMDocument;
        expect($document->loadXML($svg = $writer->sheet($scene, $sheet)))->toBeTrue();
        expect($svg)->toContain('Wren &amp; Tove')->toContain('Harbour &lt;1&gt; · 3 May 2026')->toContain("{$sheet->number} / 4")
            ->and($document->documentElement?->getAttribute('width'))->toBe("{$plan->sheet[0]}mm")
            // Two strokes at each of four corners; dashed ones where a sheet lies to the right or below.
            ->and(substr_count($svg, 'stroke-width="0.25"/>'))->toBe(1)->and(str_contains($svg, 'stroke-dasharray="0.9 0.7"'))->toBe($sheet->column === 0 || $sheet->row === 0);
    }
    expect($writer->planOfSheets($scene, 'Harbour'))->toContain('4 sheets, 2 across and 2 down')->toContain('10 mm are on both');
    $bare = choices(['noMapName' => true, 'noDate' => true, 'noSheetNumber' => true]);
    expect(PrintLine::isEmpty($bare))->toBeTrue()->and(PrintLine::of($bare, 'Map', 'today')->words(1, 4))->toBe(['', '', ''])
        ->and(PrintPlan::of(SvgWriter::around($scene, 0), 10.0, $bare)->room[1])->toBeGreaterThan(PrintPlan::of(SvgWriter::around($scene, 0), 10.0, choices([]))->room[1]);
});

it('makes gaps of topics, phrases and words set bold, numbered as they are read, with the key to them', function () {
    $map = NewMap::from(new TopicDraft('Boats', children: [new TopicDraft('A **hull** of oak', children: [new TopicDraft('Keel')]), new TopicDraft('Water')]));
    $ids = idsOf($map);
    Edits::apply(Edits::read('row.set', ['type' => 'crosslink', 'row' => Ids::next(), 'fields' => ['from' => $ids['Water'], 'to' => $ids['Keel'], 'phrase' => 'carries']]), $map);
    Edits::apply(Edits::read('row.set', ['type' => 'phrase', 'topics' => [$ids['Keel']], 'fields' => ['phrase' => 'rests on a']]), $map);
    [$sheet, $key] = Worksheet::of($map, choices(['gapTopics' => true, 'gapPhrases' => true, 'gapWords' => true]), [$ids['Keel'], Ids::next()]);
    expect($key)->toBe([1 => 'hull', 2 => 'rests on a', 3 => 'Keel', 4 => 'carries']);
    $text = Formats::write($sheet, 'json');
    expect($text)->toContain('Boats')->not->toContain('hull')->not->toContain('Keel')->not->toContain('carries')->not->toContain('rests on')
        ->and($sheet->topic($ids['A **hull** of oak'])->title)->toBe('A 1 '.str_repeat('\_', 10).' of oak')
        ->and($sheet->topic($ids['Keel'])->title)->toBe('3 '.str_repeat('\_', 10))
        // The map itself is left as it was.
        ->and($map->topic($ids['Keel'])->title)->toBe('Keel');
    [$sheet, $key] = Worksheet::of($map, choices(['gapWords' => true]), [$ids['Keel']]);
    expect($key)->toBe([1 => 'hull'])->and($sheet->topic($ids['Keel'])->title)->toBe('Keel')->and(Worksheet::isWanted(choices(['noKey' => true])))->toBeFalse();
});

it('keeps every topic and every tie of any map that becomes a worksheet', function () {
    $chance = new Chance(77);
    for ($i = 0; $i < 25; $i++) {
        $map = RandomMaps::map($chance, 30);
        $some = array_values(array_map(strval(...), array_filter(array_keys($map->all()), fn (): bool => $chance->yes(30))));
        [$sheet, $key] = Worksheet::of($map, choices(['gapTopics' => true, 'gapPhrases' => true]), $some);
        expect(array_keys($sheet->all()))->toEqualCanonicalizing(array_keys($map->all()))
            ->and(count($sheet->living()))->toBe(count($map->living()) - count(array_filter($map->living(), fn ($row): bool => ! $sheet->isLiving($row))))
            ->and(array_keys($key))->toBe(count($key) === 0 ? [] : range(1, count($key)))->and(count($key))->toBeGreaterThanOrEqual(count($some));
        foreach ($some as $id) {
            expect($sheet->topic($id)->title)->toMatch('/^\d+ (\\\\_){10}/');
        }
    }
});
