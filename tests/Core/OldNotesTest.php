<?php

declare(strict_types=1);

use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Kind\Kinds;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Paste\Clip;
use ChalkTree\Paste\FileNames;
use ChalkTree\Story\OldText;
use ChalkTree\Story\Passages;
use Tests\Support\Outline;
use Tests\Support\RandomMaps;

/* Old notes that come into a map: lists of files, texts, passages. */

it('knows the list of a folder however it was copied', function (string $text, ?array $names) {
    expect(FileNames::in($text))->toBe($names);
})->with([
    'bare' => ["Fog.txt\nThe mole, winter.md\n1999-03-04 Pilots.doc", ['Fog', 'The mole, winter', '1999-03-04 Pilots']],
    'paths' => ["/home/w/notes/Fog.txt\n/home/w/notes/Eel.txt\n/home/w/old notes/Oil.txt", ['Fog', 'Eel', 'Oil']],
    'paths with quotes' => ["\"C:\\Notes\\Fog.txt\"\r\n\"C:\\Notes\\Eel, smoked.txt\"\r\n\"C:\\Notes\\v1.2 Oil.rtf\"", ['Fog', 'Eel, smoked', 'v1.2 Oil']],
    'as a terminal lists them' => ["total 12\ndrwxr-xr-x 2 w w 4096 Mar  4 1999 old\n-rw-r--r-- 1 w w  201 Mar  4 1999 Fog.txt\n-rw-r--r--@ 1 w w 2.1K Nov 27 10:04 Eel and oil.txt\n-rw-r--r-- 1 w w 88 Mar  4 1999 Oil.md", ['Fog', 'Eel and oil', 'Oil']],
    'with day and size' => ["04/03/1999  10:04 AM   1,201 Fog.txt\n04/03/1999  10:05 AM   88 Eel.txt\n04/03/1999  10:06 AM   9 Oil.txt", ['Fog', 'Eel', 'Oil']],
    'too few' => ["Fog.txt\nEel.txt", null],
    'text' => ["Fog.txt\nThen we went home.\nEel.txt\nOil.txt", null],
    'endings of nothing' => ["e.g\ni.e\nthe end.so", null],
    'addresses' => ["https://saltmere.example/a.txt\nhttps://saltmere.example/b.txt\nhttps://saltmere.example/c.txt", null],
]);

it('makes a topic of each name that is pasted', function () {
    $clip = Clip::read("C:\\Notes\\Fog.txt\nC:\\Notes\\Eel *smoked*.txt\nC:\\Notes\\Oil_2.txt");
    expect(array_map(fn ($line): array => [$line->text, $line->level], $clip->lines))->toBe([['Fog', 0], ['Eel \*smoked\*', 0], ['Oil\_2', 0]]);
});

it('reads a text with its title and its day', function (string $name, ?string $changed, string $title, ?string $day) {
    $text = OldText::read($name, 'Fog came in.', $changed);
    expect([$text->title, $text->day, $text->note])->toBe([$title, $day, 'Fog came in.']);
})->with([
    ['1999-03-04 Fog.txt', '2026-01-01', 'Fog', '1999-03-04'],
    ['Fog_19990304.txt', null, 'Fog', '1999-03-04'],
    ['4.3.1999 Fog on the mole.txt', null, 'Fog on the mole', '1999-03-04'],
    ['Fog, 4 March 1999.txt', null, 'Fog', '1999-03-04'],
    ['notes/old\\Fog.txt', '2026-01-01', 'Fog', '2026-01-01'],
    ['Fog 1999-13-40.txt', null, 'Fog 1999-13-40', null],
    ['Fog 4 Marching 1999.txt', null, 'Fog 4 Marching 1999', null],
    ['Fog 4 lamps 1999.txt', null, 'Fog 4 lamps 1999', null],
    ['1999-03-04.txt', null, '1999-03-04', '1999-03-04'],
    ['20260230.txt', null, '20260230', null],
]);

it('joins lines that were broken to a width, and leaves those of poems and lists', function () {
    $wide = "The fog came in over the bar before the boats were in,\nand they rang the bell without a clapper, as one says,\nby hand.";
    expect(OldText::read('a.txt', "{$wide}\r\n\r\nRoses\r\nare red\r\n\r\n- oil\r\n- wicks", null)->note)
        ->toBe(str_replace("\n", ' ', $wide)."\n\nRoses\\\nare red\n\n- oil\n- wicks")
        ->and(OldText::read('a.md', "# Fog\nline\nline", null)->note)->toBe("# Fog\nline\nline");
});

it('reads other encodings, and refuses what is no text', function () {
    expect(OldText::read('a.txt', "\xFF\xFE".mb_convert_encoding('Löschen', 'UTF-16LE', 'UTF-8'), null)->note)->toBe('Löschen')
        ->and(OldText::read('a.txt', "L\xF6schen", null)->note)->toBe('Löschen');
    foreach (["a\0b", '', " \n ", str_repeat('a', 1_048_577), str_repeat('a', 3_000_000)] as $bytes) {
        expect(fn () => OldText::read('a.txt', $bytes, null))->toThrow(UnreadableFile::class);
    }
});

it('brings notes in with their days, as one edit that is taken back', function () {
    $map = NewMap::from(new TopicDraft('Old notes'));
    $before = RandomMaps::contents($map);
    [$fog, $eel] = [Ids::next(), Ids::next()];
    $changes = done($map, 'notes.bring', ['parent' => $map->sheet()->root, 'notes' => [['id' => $fog, 'title' => 'Fog', 'note' => 'One hears the bell.', 'day' => '1999-03-04'], ['id' => $eel, 'title' => 'Eel', 'note' => 'Over alder.']]]);
    expect(Outline::of($map))->toBe("Old notes\n\tFog || One hears the bell.\n\tEel || Over alder.\n")
        ->and(Kinds::values($map, $fog))->toBe([ShippedKinds::fieldId('date') => '1999-03-04'])
        ->and($map->topic($eel)->note)->toBe('Over alder.');
    $changes->reversed()->applyTo($map, new Recorder($map));
    expect(RandomMaps::contents($map))->toBe($before);
});

it('refuses notes that are none', function (array $arguments) {
    done(NewMap::from(new TopicDraft('Old')), 'notes.bring', $arguments);
})->throws(ChalkTree\Refusal::class)->with([
    [['parent' => null, 'notes' => []]],
    [['parent' => null, 'notes' => [['id' => '01m8j50er6d3tzentjw1q27kdk', 'title' => 'a', 'note' => '', 'day' => 'yesterday']]]],
    [['parent' => null, 'notes' => [['id' => '01m8j50er6d3tzentjw1q27kdk', 'title' => 'a', 'note' => '', 'more' => 1]]]],
    [['parent' => null, 'notes' => array_fill(0, 101, ['id' => '01m8j50er6d3tzentjw1q27kdk', 'title' => 'a', 'note' => ''])]],
]);

it('finds the passages that are marked by a word', function () {
    $notes = ['Diary' => "LAMP: She says the number.\n\nNothing of it here.\n\nWe met on the mole. #lamp", 'Letter' => "#lamp\n\nThe whole of this.\n\nNot this.", 'Other' => 'The lamplight, and lamps.', 'Walk' => 'A lamp was lit.'];
    $map = NewMap::from(new TopicDraft('Old', children: array_map(fn (string $title, string $note): TopicDraft => new TopicDraft($title, note: $note), array_keys($notes), $notes)));
    $found = fn (): array => array_map(fn (array $one): array => [$one['title'], $one['text'], $one['isLifted']], Passages::of($map, 'lamp', $map->sheet()->root)->all);
    expect($found())->toBe([['Diary', 'She says the number.', false], ['Diary', 'We met on the mole.', false], ['Letter', 'The whole of this.', false], ['Walk', 'A lamp was lit.', false]]);
    done($map, 'topic.add', ['parent' => $map->sheet()->root, 'topic' => ['title' => 'Lifted', 'note' => 'She says the number. {{from [Diary](/maps/01m8j50er6d3tzentjw1q27kdk/topics/'.titled($map, 'Diary').')}}']]);
    expect(array_column($found(), 2))->toBe([true, false, false, false]);
    expect(Passages::of($map, '.*', $map->sheet()->root)->all)->toBe([]);
});

it('looks for passages in linear time, whatever stands in notes', function () {
    $blank = 'a'.str_repeat(' ', 300_000).'b lamp';
    $source = new TopicDraft('Source', note: "#lamp one\n\n{$blank}");
    $map = NewMap::from(new TopicDraft('Old', children: [$source, ...array_map(fn (int $n): TopicDraft => new TopicDraft("Note {$n}", note: "lamp {$n}\n\n".str_repeat("lamp and water\n\n", 60)), range(1, 200))]));
    $passages = Passages::of($map, 'lamp', $map->sheet()->root);
    expect($passages->all)->toHaveCount(Passages::MOST)->and($passages->hasMore)->toBeTrue()->and($passages->all[0]['text'])->toBe('one');
});
