<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Attach\AttachedFile;
use ChalkTree\Attach\FileMedia;
use ChalkTree\Attach\FileSort;
use ChalkTree\Draw\SlipParts;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\Link\Address;
use ChalkTree\Link\HowFar;
use ChalkTree\Link\Link;
use ChalkTree\Link\TellHowFar;
use ChalkTree\Link\ToldHowFar;
use ChalkTree\Map\ContentName;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Picture\TopicPicture;
use Tests\Support\Sends;

function firstBelow(TopicMap $map): string
{
    return (string) array_key_first($map->children($map->root()->id));
}

/** A map with a topic that has so many files. */
function withFiles(string ...$names): TopicMap
{
    $map = NewMap::from(new TopicDraft('Tides', children: [new TopicDraft('Quay'), new TopicDraft('Mole')]));
    foreach ($names as $n => $name) {
        $map->put(AttachedFile::fromFields(Ids::next(), ['at' => firstBelow($map), 'source' => ContentName::of(hash('sha256', (string) $n)), 'name' => $name, 'bytes' => 10]));
    }

    return $map;
}

/** @return array<string, string> what is drawn in the box of the first topic below the root, by part */
function drawnAt(TopicMap $map): array
{
    $drawn = [];
    foreach ((new SlipParts)->of(Layout::of($map, new View)->slips()[firstBelow($map)]) as $part) {
        $drawn[$part->part] = $part->what['d'] ?? implode('', array_column($part->what['spans'] ?? [], 'text'));
    }

    return $drawn;
}

it('tells by the first bytes what opens in place, whatever a file is called', function (string $head, string $media) {
    expect(FileMedia::of($head))->toBe($media)->and(FileMedia::opens($media))->toBe($media !== FileMedia::BYTES);
})->with([
    'pdf' => ["%PDF-1.7\n", 'application/pdf'],
    'pdf after other bytes' => ["\n%PDF-1.7\n", FileMedia::BYTES],
    'png' => ["\x89PNG\r\n\x1a\n....", 'image/png'],
    'jpeg' => ["\xff\xd8\xff\xe0....", 'image/jpeg'],
    'gif' => ['GIF89a....', 'image/gif'],
    'webp' => ['RIFF....WEBPVP8 ', 'image/webp'],
    'wav' => [fn () => Sends::wav(), 'audio/wav'],
    'avi' => ['RIFF....AVI LIST', FileMedia::BYTES],
    'mp4' => ["\0\0\0\x20ftypisom\0\0\2\0", 'video/mp4'],
    'm4a' => ["\0\0\0\x20ftypM4A \0\0\2\0", 'audio/mp4'],
    'mov' => ["\0\0\0\x14ftypqt  \0\0\0\0", 'video/quicktime'],
    'heic' => ["\0\0\0\x18ftypheic\0\0\0\0", FileMedia::BYTES],
    'avif' => ["\0\0\0\x1cftypavif\0\0\0\0", 'image/avif'],
    'webm' => ["\x1a\x45\xdf\xa3\x9f\x42\x86\x81\x01\x42\xf7\x81\x01\x42\x82\x84webm", 'video/webm'],
    'another EBML file' => ["\x1a\x45\xdf\xa3\x9f\x42\x86\x81\x01\x42\xf7\x81\x01\x42\x82\x84else", FileMedia::BYTES],
    'ogg sound' => ["OggS\0\2\0\0\0\0\0\0\0\0....OpusHead", 'audio/ogg'],
    'ogg film' => ["OggS\0\2\0\0\0\0\0\0\0\0....\x80theora", 'video/ogg'],
    'flac' => ["fLaC\0\0\0\x22", 'audio/flac'],
    'mp3 with a tag' => ["ID3\x04\0\0", 'audio/mpeg'],
    'mp3' => ["\xff\xfb\x90\x64", 'audio/mpeg'],
    'utf-16 text' => ["\xff\xfe<\0h\0", FileMedia::BYTES],
    'html' => ['<!doctype html><script>', FileMedia::BYTES],
    'svg' => ['<svg xmlns="http://www.w3.org/2000/svg">', FileMedia::BYTES],
    'script' => ['#!/bin/sh', FileMedia::BYTES],
    'nothing' => ['', FileMedia::BYTES],
    'two bytes' => ["\xff\xfb", FileMedia::BYTES],
]);

it('sends no random bytes as anything that can run', function () {
    $random = new Random\Randomizer(new Random\Engine\Mt19937(12));
    $types = ['application/pdf', FileMedia::BYTES];
    for ($i = 0; $i < 2_000; $i++) {
        $media = FileMedia::of($random->getBytes($random->getInt(1, 40)));
        expect(in_array($media, $types, true) || preg_match('~^(image/(png|jpeg|gif|webp|avif)|(audio|video)/[a-z0-9]+)$~D', $media) === 1)->toBeTrue($media);
    }
});

it('tells the sort of a file by its ending', function (string $name, FileSort $sort) {
    expect(FileSort::ofName($name))->toBe($sort);
})->with([['a.PDF', FileSort::Page], ['a.b.webm', FileSort::Film], ['horn.Mp3', FileSort::Sound], ['x.jpeg', FileSort::Picture], ['x.docx', FileSort::Other], ['pdf', FileSort::Other], ['', FileSort::Other], ['.pdf', FileSort::Page]]);

it('draws a sheet on a topic with a file, with what tells its sort, and two where there are several', function () {
    $plain = drawnAt(withFiles('plan.docx'))['file-sign'];
    $page = drawnAt(withFiles('plan.pdf'))['file-sign'];
    $mixed = drawnAt(withFiles('plan.pdf', 'film.webm'))['file-sign'];
    expect(drawnAt(withFiles()))->not->toHaveKey('file-sign')
        ->and(strlen($page))->toBeGreaterThan(strlen($plain))->and($mixed)->not->toBe($plain)->and(drawnAt(withFiles('plan.pdf', 'more.pdf'))['file-sign'])->not->toBe($page);
    // A box has room for it.
    $width = fn (TopicMap $map): float => Layout::of($map, new View)->slips()[firstBelow($map)]->w;
    expect($width(withFiles('plan.pdf')))->toBeGreaterThan($width(withFiles()));
});

it('writes files to our format and reads them back the same', function () {
    $map = withFiles('plan.pdf', 'Ünïcode – film.webm');
    $back = Formats::read(Formats::write($map, 'json', []), 'x.json');
    expect(array_map(fn (AttachedFile $row): array => $row->fields(), $back->rowsOf(AttachedFile::class)))->toBe(array_map(fn (AttachedFile $row): array => $row->fields(), $map->rowsOf(AttachedFile::class)));
});

it('names what is in a file by its hash, in every row that does', function () {
    [$one, $two] = [hash('sha256', 'one'), hash('sha256', 'two')];
    foreach ([
        AttachedFile::fromFields(Ids::next(), ['at' => Ids::next(), 'source' => ContentName::of($one), 'name' => 'a']),
        Link::fromFields(Ids::next(), ['at' => Ids::next(), 'to' => ContentName::of($one)]),
        TopicPicture::fromFields(Ids::next(), ['source' => ContentName::of($one)]),
    ] as $row) {
        expect($row->content())->toBe($one)->and($row->naming($two)->content())->toBe($two)->and($row->naming($two)->id)->toBe($row->id);
    }
    expect(TopicPicture::fromFields(Ids::next(), ['source' => 'drawing:red-apple'])->content())->toBeNull()
        ->and(Link::fromFields(Ids::next(), ['at' => Ids::next(), 'to' => 'https://saltmere.example'])->content())->toBeNull()
        ->and(Address::isOne(ContentName::of($one)))->toBeTrue()->and(Address::isOne('file:///etc/passwd'))->toBeFalse()->and(Address::isOne('file:'.strtoupper($one)))->toBeFalse();
});

it('shows how far another map is where that is wanted and known', function () {
    $map = withFiles();
    $quay = firstBelow($map);
    expect(drawnAt($map))->not->toHaveKey('how-far');
    $map->put(HowFar::fromFields($quay, ['shown' => true]));
    expect(drawnAt($map))->not->toHaveKey('how-far');
    foreach ([[12, 7, '7 of 12 done'], [12, 0, '12 topics'], [1, 0, '1 topic'], [0, 0, '0 topics']] as [$of, $done, $said]) {
        Edits::apply(TellHowFar::read(new Arguments(['topic' => $quay, 'of' => $of, 'done' => $done])), $map);
        expect(drawnAt($map)['how-far'])->toBe($said)->and($map->row(ToldHowFar::type(), $quay)?->said())->toBe($said);
    }
    $map->put(HowFar::fromFields($quay, ['shown' => false]));
    expect(drawnAt($map))->not->toHaveKey('how-far');
});
