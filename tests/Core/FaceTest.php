<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\SlipParts;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Face\NotePart;
use ChalkTree\Face\NoteSort;
use ChalkTree\Look\TopicLook;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Picture\TopicPicture;
use ChalkTree\Shape\Shapes;
use ChalkTree\Sign\Stamp;
use ChalkTree\Sign\Tag;
use ChalkTree\Sign\TopicStamps;
use ChalkTree\Sign\TopicTags;
use ChalkTree\Text\TypeFace;
use Tests\Support\Chance;

/**
 * Where something is drawn in a box, from its top left corner.
 *
 * @return array{float, float, float, float}|null left, top, right, bottom; null for paper, spine and the like
 */
function room(Primitive $part): ?array
{
    if ($part->part === 'picture') {
        [$x, $y, $w, $h] = $part->what['box'];

        return [$x, $y, $x + $w, $y + $h];
    }
    if (in_array($part->part, ['stamp-room', 'note-sign'], true) || ($part->part === 'tag' && isset($part->what['d']))) {
        // All of these begin at their left and go to the right and down by what is said.
        preg_match('/^M([-\d.]+) ([-\d.]+)/', $part->what['d'], $m);
        [$x, $y] = [(float) $m[1], (float) $m[2]];
        if ($part->part === 'note-sign') {
            return [$x, $y, $x + 11, $y + 10];
        }
        preg_match($part->part === 'tag' ? '/h([-\d.]+)l([-\d.]+) ([-\d.]+)/' : '/h([-\d.]+)v([-\d.]+)/', $part->what['d'], $m);

        return $part->part === 'tag' ? [$x, $y, $x + $m[1] + $m[2], $y + 2 * $m[3]] : [$x, $y, $x + $m[1], $y + $m[2]];
    }
    if (in_array($part->part, ['title', 'caption'], true) && isset($part->what['spans'])) {
        $last = $part->what['spans'][count($part->what['spans']) - 1];

        // Letters that stand on the line are lower than the type is large.
        return [$part->what['spans'][0]['x'], $part->what['y'] - 0.7 * $part->what['size'], $last['x'] + $last['w'], $part->what['y'] + 0.1 * $part->what['size']];
    }

    return null;
}

it('gives everything in a box room of its own, inside the outline', function (int $seed) {
    $chance = new Chance($seed);
    $map = NewMap::from(new TopicDraft('Root', children: array_map(fn (): TopicDraft => new TopicDraft(
        $chance->yes(15) ? '' : $chance->words($chance->int(1, 14)), $chance->yes(40) ? $chance->words($chance->int(1, 9)) : '', $chance->yes(40) ? 'A note.' : '',
    ), range(1, 12))));
    $tags = array_map(fn (int $n): Tag => Tag::fromFields(Ids::next(), ['name' => $chance->words($chance->int(1, 4)).$n]), range(1, 6));
    array_map($map->put(...), $tags);
    foreach (array_map(strval(...), array_keys($map->all())) as $id) {
        if ($chance->yes(60)) {
            $map->put(TopicStamps::fromFields($id, array_fill_keys(array_map(fn (): string => $chance->pick(Stamp::cases())->value, range(1, $chance->int(1, 9))), true) + ['rank' => 4]));
        }
        if ($chance->yes(60)) {
            $map->put(TopicTags::fromFields($id, [])->having(array_map(fn (Tag $tag): string => $tag->id, array_slice($tags, 0, $chance->int(1, 6)))));
        }
        if ($chance->yes(70)) {
            $map->put(TopicPicture::fromFields($id, ['source' => 'drawing:fish', 'place' => $chance->pick([null, ...TopicPicture::PLACES]), 'width' => $chance->pick([null, 14, 320]), 'wide' => $chance->int(1, 9), 'high' => $chance->int(1, 9)]));
        }
        $map->put(TopicLook::fromFields($id, [
            'shape' => $chance->pick([null, ...Shapes::names()]), 'size' => $chance->pick([null, 9, 30]), 'face' => $chance->pick(TypeFace::names()), 'align' => $chance->pick([null, 'left', 'centre', 'right']),
            'caption' => $chance->pick([null, 'above']), 'width' => $chance->pick([null, null, 260]),
        ]));
    }
    $seen = 0;
    foreach (Layout::of($map, new View)->slips() as $slip) {
        $rooms = array_values(array_filter(array_map(fn (Primitive $part): ?array => ($room = room($part)) === null ? null : [$part->part, $room], (new SlipParts)->of($slip))));
        foreach ($rooms as $i => [$what, [$left, $top, $right, $bottom]]) {
            $seen++;
            // A width that a person set holds for text; what cannot be wrapped may be wider.
            expect(min($left, $top))->toBeGreaterThanOrEqual(-0.5, "{$what} of {$slip->topic->title}")
                ->and($bottom)->toBeLessThanOrEqual($slip->h + 0.5, $what)->and($right)->toBeLessThanOrEqual($slip->w + 0.5, $what);
            foreach (array_slice($rooms, $i + 1) as [$other, [$l, $t, $r, $b]]) {
                expect($left < $r - 0.5 && $l < $right - 0.5 && $top < $b - 0.5 && $t < $bottom - 0.5)->toBeFalse("{$what} over {$other} of “{$slip->topic->title}”");
            }
        }
    }
    expect($seen)->toBeGreaterThan(30);
})->with(range(1, 60));

it('tells by its sign what sort of note a topic has', function (string $note, NoteSort $sort) {
    expect(NoteSort::of($note))->toBe($sort)->and((new NotePart($sort))->key())->toBe($sort->value)->and($sort->lines())->toStartWith('h11');
})->with([
    ['Read at the table.', NoteSort::Short], [str_repeat('Long. ', 300), NoteSort::Long],
    ["| a | b |\n| --- | :-: |\n| 1 | 2 |", NoteSort::Table], ["a | b\n--|--\n1 | 2", NoteSort::Table], ['either | or', NoteSort::Short], ["a | b\n\n---\n", NoteSort::Short],
    ['![Quay](quay.png)', NoteSort::Picture], ['not a picture ![', NoteSort::Short],
]);
