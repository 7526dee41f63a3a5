<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Draw\BoardWriter;
use ChalkTree\Draw\Paints;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\HandOver\DocumentLines;
use ChalkTree\HandOver\Noted;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Link\Link;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Look\MixedChalk;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Paste\ClipLine;
use ChalkTree\Picture\TopicPicture;
use ChalkTree\Privacy\PrivateBranch;
use ChalkTree\Ring\Ring;
use ChalkTree\Ring\RingMember;
use ChalkTree\Sign\Tag;
use ChalkTree\Sign\TopicTags;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

/** The whole board of a map as a page has it, as a tree of elements. */
function boardOf(TopicMap $map): DOMXPath
{
    $scene = Layout::of($map, new View)->scene();
    $document = new DOMDocument;
    expect($document->loadXML((new BoardWriter)->write($scene, $map, $scene->bounds())))->toBeTrue();
    $path = new DOMXPath($document);
    $path->registerNamespace('s', 'http://www.w3.org/2000/svg');

    return $path;
}

/** @return list<string> */
function valuesOf(DOMXPath $path, string $query): array
{
    return array_map(fn (DOMNode $node): string => $node->nodeValue ?? '', iterator_to_array($path->query($query)));
}

it('says of everything on the board of a page whose it is, so that branches fold', function (int $seed) {
    $map = Outgoing::of(RandomMaps::map(new Chance($seed), 60));
    $board = boardOf($map);
    $scene = Layout::of($map, new View)->scene();
    $slips = valuesOf($board, '//s:g/@data-t');
    expect($slips)->toEqualCanonicalizing(array_map(strval(...), array_keys($scene->slips)));
    foreach ($board->query('//s:g[@data-t]') as $slip) {
        $id = $slip->getAttribute('data-t');
        $parent = $scene->slips[$id]->parent;
        expect($slip->getAttribute('data-p'))->toBe($parent ?? '')
            ->and(array_map(floatval(...), explode(' ', $slip->getAttribute('data-b'))))->toEqual([$scene->slips[$id]->w, $scene->slips[$id]->h])
            ->and($slip->getAttribute('data-o') !== '')->toBe(in_array($id, array_map(fn ($one): ?string => $one->parent, $scene->slips), true));
    }
    // What is between topics goes with them: only such as are on the board are named.
    foreach (valuesOf($board, '//@data-of') as $ends) {
        foreach (explode(' ', $ends) as $end) {
            expect($map->has($end))->toBeTrue();
        }
    }
    expect(array_diff(valuesOf($board, '//s:path/@data-t'), $slips))->toBe([]);
})->with(range(1, 25));

it('names both ends of a cross-link, and all that a ring goes around', function () {
    $map = NewMap::from(new TopicDraft('Boats', children: [new TopicDraft('Hull'), new TopicDraft('Mast'), new TopicDraft('Keel')]));
    [$hull, $mast, $keel] = array_map(strval(...), array_keys($map->children($map->root()->id)));
    $map->put(CrossLink::fromFields(Ids::next(), ['from' => $hull, 'to' => $keel, 'phrase' => 'rests on']));
    $map->put($ring = Ring::fromFields(Ids::next(), ['name' => 'Wood']));
    foreach ([$hull, $mast] as $topic) {
        $map->put(RingMember::fromFields(Ids::next(), ['topic' => $topic, 'ring' => $ring->id]));
    }
    $board = boardOf($map);
    expect(valuesOf($board, '//s:g[@data-of and not(@data-all)]/@data-of'))->toBe(["{$hull} {$keel}"])
        ->and(array_map(function (string $ends): array {
            $all = explode(' ', $ends);
            sort($all);

            return $all;
        }, valuesOf($board, '//s:g[@data-all]/@data-of')))->toBe([[min($hull, $mast), max($hull, $mast)]]);
});

it('gives a page every colour that its board is drawn in', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, 40);
    $map->put(MixedChalk::fromFields(Ids::next(), ['name' => 'Rope', 'day' => '#8a6d3b', 'slate' => '#e0c088']));
    $scene = Layout::of($map, new View)->scene();
    preg_match_all('/var\((--[\w-]+)\)/', (new BoardWriter)->write($scene, $map, $scene->bounds()), $used);
    foreach ([Paints::white(), Paints::ink(), Paints::board(BoardTheme::Slate), Paints::on('', BoardTheme::Contrast)] as $paints) {
        preg_match_all('/(--[\w-]+):(#[0-9a-f]{6});/', $paints->css($scene->palette), $given);
        expect(array_diff(array_unique($used[1]), $given[1]))->toBe([])->and(count($given[1]))->toBe(count(array_unique($given[1])));
    }
})->with(range(1, 8));

it('shows of a map as it left once all but what has become private since', function (int $seed) {
    $chance = new Chance($seed);
    $now = RandomMaps::map($chance, 40, notes: true);
    $then = Formats::read(Formats::write(Outgoing::of($now), 'json'), 'frozen.json');
    $written = Formats::write($then, 'json');
    expect(Formats::write(Outgoing::since($then, $now), 'json'))->toBe(Formats::write(Outgoing::of($then), 'json'));
    // The map goes on: topics are moved, taken out, retitled, and some become private.
    for ($i = 0; $i < 12; $i++) {
        try {
            Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $now)), $now);
        } catch (ChalkTree\Refusal) {
            continue;
        }
    }
    $ids = array_values(array_diff(array_map(strval(...), array_keys($now->all())), [$now->root()->id]));
    $held = array_slice($ids, 0, $chance->int(1, 6));
    foreach ($held as $id) {
        $now->put(PrivateBranch::fromFields($id, ['held' => true]));
    }
    $tag = Tag::fromFields(Ids::next(), ['name' => 'secret', 'chalk' => 'tide', 'private' => true]);
    $now->put($tag);
    foreach (array_slice($ids, -2) as $id) {
        $now->put(TopicTags::fromFields($id, [])->having([$tag->id]));
    }
    $shown = Outgoing::since($then, $now);
    foreach (array_keys(Outgoing::held($now)) as $id) {
        expect($shown->has((string) $id))->toBeFalse();
        expect(str_contains(Formats::write($shown, 'json'), (string) $id))->toBeFalse();
    }
    foreach ($shown->all() as $topic) {
        expect($then->has($topic->id))->toBeTrue();
    }
    expect(Formats::write($then, 'json'))->toBe($written);
    $now->put(PrivateBranch::fromFields($then->root()->id, ['held' => true]));
    expect(fn () => Outgoing::since($then, $now))->toThrow(NothingLeaves::class);
})->with(range(1, 30));

it('cuts a map down to what has notes, and what stands above that', function (int $seed) {
    $map = RandomMaps::map(new Chance($seed), 50, notes: true);
    $noted = Noted::of($map);
    foreach ($map->all() as $topic) {
        $wanted = $topic->parent === null && $topic->id === $map->root()->id || array_filter($map->branch($topic->id), fn ($one): bool => trim($one->note) !== '') !== [];
        expect($noted->has($topic->id))->toBe($wanted);
    }
    foreach ($noted->all() as $topic) {
        expect($topic->parent === null || $noted->has($topic->parent))->toBeTrue();
    }
})->with(range(1, 20));

it('reads a document as lines that lose nothing: captions, pictures and links are in the notes', function () {
    $map = NewMap::from(new TopicDraft('Fair', children: [new TopicDraft('Stalls', 'twelve *of* them', "Along the **quay**.\n\n- one", [new TopicDraft(''), new TopicDraft("Two\nlines")])]), [new TopicDraft('Aside')]);
    $stalls = (string) array_key_first($map->children($map->root()->id));
    $map->put(TopicPicture::fromFields($stalls, ['source' => 'file:'.str_repeat('a', 64), 'wide' => 4, 'high' => 3, 'about' => 'a [lamp]']));
    $map->put(Link::fromFields(Ids::next(), ['at' => $stalls, 'to' => 'https://fair.example/a', 'title' => 'The site']));
    $map->put(Link::fromFields(Ids::next(), ['at' => $stalls, 'to' => 'map:'.Ids::next(), 'title' => 'Another map']));
    $lines = DocumentLines::of($map);
    expect(array_map(fn (ClipLine $line): array => [$line->level, $line->text, $line->how], $lines))
        ->toBe([[0, 'Fair', 'first'], [1, 'Stalls', 'document'], [2, '…', 'document'], [2, "Two\nlines", 'document'], [0, 'Aside', 'document']])
        ->and($lines[0]->note)->toBe('')->and($lines[1]->note)->toContain('twelve \*of\* them')->toContain('](file:'.str_repeat('a', 64).')')->toContain('a \[lamp')->toContain('[The site](<https://fair.example/a>)')->toContain("Along the **quay**.\n\n- one")->not->toContain('Another map')
        ->and($lines[1]->toArray())->toHaveKey('note')->and($lines[0]->toArray())->not->toHaveKey('note');
});

it('reads any map as lines with all its titles, in their order and with their levels', function (int $seed) {
    $map = RandomMaps::map(new Chance($seed), 45, notes: true);
    $lines = DocumentLines::of($map);
    $titles = array_map(fn (ClipLine $line): string => $line->text, $lines);
    expect(count($lines))->toBe(count([...array_values($map->branch($map->root()->id)), ...array_merge([], ...array_map(fn ($loose): array => array_values($map->branch($loose->id)), array_values($map->loose())))]));
    foreach ($lines as $i => $line) {
        // A level deeper at most than the line before.
        expect($line->level)->toBeLessThanOrEqual($i === 0 ? 0 : $lines[$i - 1]->level + 1);
    }
    foreach ($map->branch($map->root()->id) as $topic) {
        expect(in_array($topic->title, $titles, true) || trim($topic->title) === '' || in_array('…', $titles, true))->toBeTrue();
        expect($topic->note === '' || array_filter($lines, fn (ClipLine $line): bool => str_contains($line->note, trim($topic->note))) !== [])->toBeTrue();
    }
})->with(range(1, 15));
