<?php

declare(strict_types=1);

use ChalkTree\Arrange\View;
use ChalkTree\Document\BlockMarkdown;
use ChalkTree\Document\Listing;
use ChalkTree\Document\NoteBlocks;
use ChalkTree\Document\OpenDocument;
use ChalkTree\Document\PandocReader;
use ChalkTree\Document\PandocWriter;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\DocumentMap;
use ChalkTree\HandOver\MapDocument;
use ChalkTree\HandOver\Selected;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

beforeEach(function () {
    $this->map = NewMap::from(new TopicDraft('Fair', children: [
        new TopicDraft('Stalls', 'twelve', "See ![the plan](file:x) and [the page](https://fair.example).\n\n| a | b |\n|---|---|\n| 1 | 2 |\n\nAfter.", [new TopicDraft('Soup'), new TopicDraft('Bread', children: [new TopicDraft('Rye')])]),
        new TopicDraft('Music'),
    ]), [new TopicDraft('Aside')]);
    $this->ids = array_column(array_map(fn ($topic): array => [$topic->title, $topic->id], array_values($this->map->all())), 1, 0);
    $this->text = fn (array $choices, ?string $branch = null, array $chosen = [], ?View $view = null): string => Formats::write(Selected::of($this->map, Choices::fromFields('', $choices), $branch, $chosen, $view ?? new View), 'txt');
});

it('takes the topics that were asked for, in the order that was', function () {
    expect(($this->text)([]))->toBe("Fair\n\tStalls\n\t\tSoup\n\t\tBread\n\t\t\tRye\n\tMusic\nAside\n")
        ->and(($this->text)(['depth' => 1]))->toBe("Fair\n\tStalls\n\tMusic\nAside\n")
        ->and(($this->text)(['depth' => 0]))->toBe("Fair\n")
        ->and(($this->text)(['order' => 'title']))->toBe("Fair\n\tMusic\n\tStalls\n\t\tBread\n\t\t\tRye\n\t\tSoup\nAside\n")
        ->and(($this->text)(['order' => 'reversed', 'depth' => 2]))->toBe("Fair\n\tMusic\n\tStalls\n\t\tBread\n\t\tSoup\nAside\n")
        ->and(($this->text)([], $this->ids['Stalls']))->toBe("Stalls\n\tSoup\n\tBread\n\t\tRye\n")
        ->and(($this->text)([], null, [$this->ids['Rye'], $this->ids['Bread'], $this->ids['Music']]))->toBe("Fair\n\tBread\n\t\tRye\n\tMusic\n")
        ->and(($this->text)(['what' => 'shown'], view: View::folding([$this->ids['Bread']])))->toBe("Fair\n\tStalls\n\t\tSoup\n\t\tBread\n\tMusic\nAside\n")
        ->and(($this->text)(['numbered' => true, 'depth' => 2]))->toBe("Fair\n\t1. Stalls\n\t\t1.1 Soup\n\t\t1.2 Bread\n\t2. Music\nAside\n");
});

it('leaves out and puts in what was chosen', function () {
    Edits::apply(Edits::read('row.set', ['type' => 'stamps', 'topics' => [$this->ids['Music']], 'fields' => ['done' => true]]), $this->map);
    $stalls = fn (array $choices): array => (fn ($topic): array => [$topic->title, $topic->caption, $topic->note])(Selected::of($this->map, Choices::fromFields('', $choices))->topic($this->ids['Stalls']));
    expect($stalls(['noNotes' => true, 'noCaptions' => true]))->toBe(['Stalls', '', ''])
        ->and($stalls(['noPictures' => true, 'noLinks' => true, 'noTables' => true])[2])->toBe("See  and the page.\n\nAfter.")
        ->and(Selected::of($this->map, Choices::fromFields('', ['stamps' => true]))->topic($this->ids['Music'])->title)->toBe('Music *(done)*');
});

it('leaves what is cut out of text, with what is below it, unless it is wanted', function () {
    Edits::apply(Edits::read('row.set', ['type' => 'stamps', 'topics' => [$this->ids['Bread'], $this->ids['Aside']], 'fields' => ['cut' => true]]), $this->map);
    $text = fn (array $choices, ?string $branch = null, array $chosen = [], bool $isText = true): string => Formats::write(Selected::of($this->map, Choices::fromFields('', $choices), $branch, $chosen, isText: $isText), 'txt');
    expect($text([]))->toBe("Fair\n\tStalls\n\t\tSoup\n\tMusic\n")
        ->and($text(['cut' => true]))->toBe($all = "Fair\n\tStalls\n\t\tSoup\n\t\tBread\n\t\t\tRye\n\tMusic\nAside\n")
        // A drawing shows what the board does.
        ->and($text([], isText: false))->toBe($all)
        // What is asked for by itself comes.
        ->and($text([], $this->ids['Bread']))->toBe("Bread\n\tRye\n")
        ->and($text([], chosen: [$this->ids['Bread']]))->toBe("Fair\n\tBread\n\t\tRye\n");
});

it('keeps settings under their names with the map, as rows that are undone and written like all others', function () {
    $row = ChalkTree\Map\Ids::next();
    $changes = Edits::apply(Edits::read('row.set', ['type' => 'hand-over', 'row' => $row, 'fields' => ['name' => 'For the printer', 'to' => 'pdf', 'depth' => 3, 'drawing' => true]]), $this->map);
    $again = Formats::read(Formats::write($this->map, 'json'), 'x.json');
    $kept = array_values($again->rowsOf(Choices::class));
    expect($kept)->toHaveCount(1)->and($kept[0]->text('name'))->toBe('For the printer')->and($kept[0]->number('depth'))->toBe(3)->and($kept[0]->flag('drawing'))->toBeTrue();
    $changes->reversed()->applyTo($this->map, new ChalkTree\Edit\Recorder($this->map));
    expect($this->map->rowsOf(Choices::class))->toBe([]);
});

it('reads notes as blocks and writes them as the same notes', function (int $seed) {
    $chance = new Chance($seed);
    $parts = ['Plain words.', "Two\nlines", '# Head', '- a'."\n".'- b', "1. one\n2. two", '> said', "```\ncode *x*\n```", '| a | b |'."\n".'| --- | --: |'."\n".'| 1 | **2** |', '---', '- [x] done'."\n".'- [ ] open', '![a *b*](file:abc)', 'So $a^2 + b$ is', '$$x$$', "- a\n  - b\n    - c", '\\# no head', '1986\\. A year', 'costs \\$5 and \\$6', "- a\n\n  more\n- b"];
    $note = implode("\n\n", array_map(fn (): string => $chance->pick($parts), range(1, $chance->int(1, 6))));
    $written = BlockMarkdown::write(NoteBlocks::read($note));
    expect(NoteBlocks::read($written))->toEqual(NoteBlocks::read($note), "{$note}\n=====\n{$written}");
})->with(range(1, 80));

it('makes a document of a map and the same map of the document', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(2, 50), notes: true);
    $choices = Choices::fromFields('', ['headings' => $chance->int(0, 6)]);
    $back = DocumentMap::of(PandocReader::read((new PandocWriter)->write(MapDocument::of($map, $choices))), 'x');
    $titles = fn (TopicMap $map): array => array_map(fn ($topic): string => ChalkTree\Text\InlineMarkdown::plain($topic->title), array_values($map->all()));
    expect($titles($back))->toBe($titles($map));
})->with(range(1, 30));

it('reads nothing but documents', function () {
    expect(fn () => PandocReader::read('{"blocks": '))->toThrow(UnreadableFile::class)
        ->and(fn () => OpenDocument::read('<office'))->toThrow(UnreadableFile::class)
        ->and(PandocReader::read('{"blocks": [1, null, {"t": 3}, {"t": "Para", "c": [{"t": "Str"}, 7, {"t": "Link", "c": 5}]}, {"t": "Table", "c": "x"}, {"t": "BulletList", "c": [[{"t": "Plain", "c": [{"t": "Str", "c": "a"}]}]]}]}')->blocks)->toContainOnlyInstancesOf(ChalkTree\Document\Block::class)
        ->and(fn () => OpenDocument::read('<!DOCTYPE x [<!ENTITY a "b">]><x>&a;</x>'))->toThrow(UnreadableFile::class);
    expect(NoteBlocks::read(str_repeat('> ', 500).'deep'))->not->toBe([])->and(NoteBlocks::read(str_repeat('- ', 300).'deep'))->each->toBeInstanceOf(Listing::class);
});

it('writes tables that come back, and keeps what spreadsheets take for formulas from being such', function () {
    $map = NewMap::from(new TopicDraft('Fair', children: [new TopicDraft('=SUM(A1)', "two\nlines", 'say "hi", they said', [new TopicDraft("'quoted")]), new TopicDraft('+1')]));
    $csv = Formats::write($map, 'csv');
    expect($csv)->toBe("level,number,title,caption,note\r\n0,,Fair,,\r\n1,,'=SUM(A1),\"two\nlines\",\"say \"\"hi\"\", they said\"\r\n2,,''quoted,,\r\n1,,'+1,,\r\n");
    $back = Formats::read($csv, 'fair.csv');
    expect(array_map(fn ($topic): array => [ChalkTree\Text\InlineMarkdown::plain($topic->title), $topic->caption, $topic->note], array_values($back->all())))
        ->toBe([['Fair', '', ''], ['=SUM(A1)', "two\nlines", 'say "hi", they said'], ["'quoted", '', ''], ['+1', '', '']]);
    $others = Formats::read("Name;Where;Price\nSoup;Quay;3,50\n;Bread;\n\nMusic;;\n", 'stalls.csv');
    expect(Formats::write($others, 'txt'))->toBe("stalls\n\tSoup\n\t\tBread\n\tMusic\n")
        ->and(array_values($others->all())[1]->note)->toBe("**Where:** Quay\n**Price:** 3,50");
    expect(fn () => Formats::read("level,title\nx,Soup\n", 'bad.csv'))->toThrow(UnreadableFile::class, 'no whole number');
});
