<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Slip;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\SlipParts;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Look\TopicLook;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Advances;
use ChalkTree\Text\Direction;
use ChalkTree\Text\Wrapper;
use Tests\Support\Chance;

it('finds in which direction a text is read by its first letter', function (string $text, bool $is) {
    expect(Direction::isRightToLeft($text))->toBe($is);
})->with([
    ['', false], ['Harbour', false], ['12 – 14', false], ['שלום', true], ['مرحبا', true], ['12 שלום', true], ['(«שלום» harbour)', true],
    ['Harbour שלום', false], ['Ça va', false], ['港', false], ['🏮 שלום', true], ['🏮', false], ['ꟻ', false],
]);

/** @return array<string, array{float, float}> where each run begins and ends, by its text */
function runsOf(string $markdown, float $limit = 1000.0): array
{
    $runs = [];
    foreach ((new Wrapper(new Advances))->wrap($markdown, 16, $limit) as $line) {
        foreach ($line->parts as $part) {
            $runs[trim($part['run']->text)] = [$part['x'], $part['x'] + $part['w']];
        }
    }

    return $runs;
}

it('places the runs of a line as they are read', function () {
    $runs = runsOf('שלום **עולם** נמל');
    expect($runs['שלום'][0])->toBeGreaterThan($runs['עולם'][1] - 0.01)->and($runs['עולם'][0])->toBeGreaterThan($runs['נמל'][1] - 0.01)->and($runs['נמל'][0])->toEqualWithDelta(0.0, 0.01);
    // English words in a Hebrew line follow each other as in English, and the other way round.
    $runs = runsOf('שלום **two** *words*');
    expect($runs['שלום'][0])->toBeGreaterThan($runs['words'][1] - 0.01)->and($runs['words'][0])->toBeGreaterThan($runs['two'][1] - 0.01);
    $runs = runsOf('Two **שלום** *עולם* end');
    expect($runs['Two'][1])->toBeLessThan($runs['עולם'][0] + 0.01)->and($runs['עולם'][1])->toBeLessThan($runs['שלום'][0] + 0.01)->and($runs['שלום'][1])->toBeLessThan($runs['end'][0] + 0.01);
});

it('places every run of any line within the line and beside all others', function (int $seed) {
    $chance = new Chance($seed);
    $words = array_map(fn (): string => sprintf($chance->pick(['%s', '**%s**', '*%s*', '~~%s~~']), $chance->pick(['שלום', 'עולם', 'نمو', 'lantern', 'pier', '12', '…'])), range(1, $chance->int(1, 14)));
    foreach ((new Wrapper(new Advances))->wrap(implode(' ', $words), 15, $chance->int(60, 400)) as $line) {
        $parts = $line->parts;
        usort($parts, fn (array $a, array $b): int => $a['x'] <=> $b['x']);
        $at = 0.0;
        foreach ($parts as $part) {
            expect($part['x'])->toEqualWithDelta($at, 0.01);
            $at = $part['x'] + $part['w'];
        }
        expect($at)->toEqualWithDelta($line->width, 0.01);
    }
})->with(range(1, 30));

/** @param  array<string, mixed>  $look */
function hebrew(array $look): TopicMap
{
    $map = NewMap::from(new TopicDraft('Map', children: [new TopicDraft('שלום עולם', caption: 'Pier')]));
    $map->put(TopicLook::fromFields((string) array_key_first($map->children($map->sheet()->root)), $look));

    return $map;
}

it('begins such a title at the right, unless it was said where', function (array $look, bool $isRight) {
    $map = hebrew(['width' => 300] + $look);
    $slip = array_values(array_filter(Layout::of($map, new View)->slips(), fn (Slip $slip): bool => $slip->level === 1))[0];
    $span = null;
    foreach ((new SlipParts)->of($slip) as $part) {
        if ($part->part === 'title') {
            expect($part->what['rtl'] ?? false)->toBeTrue();
            $span = $part->what['spans'][0];
        }
        if ($part->part === 'caption') {
            expect($part->what)->not->toHaveKey('rtl');
        }
    }
    expect($span['x'] > $slip->w / 2)->toBe($isRight);
    $svg = (new SvgWriter)->write(Layout::of($map, new View)->scene(), 'Map');
    expect($svg)->toContain('direction="rtl"')->toContain('<tspan x="'.round($span['x'] + $span['w'], 2).'"');
})->with([[[], true], [['align' => 'start'], true], [['align' => 'right'], true], [['align' => 'left'], false]]);
