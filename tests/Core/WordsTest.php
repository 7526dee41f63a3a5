<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Touched;
use ChalkTree\Arrange\View;
use ChalkTree\Ask\Columns;
use ChalkTree\Ask\Moment;
use ChalkTree\Draw\SlipData;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Table\Total;
use ChalkTree\Text\WordCount;
use ChalkTree\Words\Words;
use ChalkTree\Words\WordsShown;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomMaps;

/* How many words notes have. */

/** A plan of two chapters with notes. */
function chapters(): TopicMap
{
    $map = Outline::map("Story\n\tChapter one\n\t\tAt the quay\n\t\tIn the fog\n\tChapter two");
    foreach (['Chapter one' => 'What it is about.', 'At the quay' => "Ines waits.\n\nThe **boat** is late.", 'In the fog' => 'Nobody answers.'] as $title => $note) {
        done($map, 'topic.note', ['topics' => [Outline::id($map, $title)], 'note' => $note]);
    }

    return $map;
}

/** What stands on a topic below its title. */
function belowTitle(TopicMap $map, string $title): array
{
    $data = (new SlipData)->of(Layout::of($map, new View)->slips()[Outline::id($map, $title)]);

    return array_values(array_map(fn (array $part): string => implode('', array_column($part['spans'], 'text')), array_filter($data['parts'], fn (array $part): bool => $part['part'] === 'facts')));
}

it('counts words as writers do', function (string $note, int $words) {
    expect(WordCount::of($note))->toBe($words);
})->with([
    'nothing' => ['', 0],
    'blanks and signs' => [" \n— … ** ## - \n", 0],
    'hyphens and apostrophes within one' => ["Don't walk the half-mile", 4],
    'what is formatted within a word' => ['un**believ**able *truly*', 2],
    'a dash between two' => ['fog—then nothing – at all', 5],
    'numbers' => ['At 7.30 on 12/11', 5],
    'a link by its text, not its address' => ['See [the long pier](https://saltmere.example/a-b/c_(d)) now', 5],
    'lists and headings' => ["# One\n\n- two\n- three\n\n1. four", 5],
    'other scripts' => ['Привет мир שלום', 3],
    'signs of a script without blanks' => ['海と boat', 3],
    'signs without end before a letter' => [str_repeat('-', 300_000).'a '.str_repeat('](', 100_000), 1],
    'letters that are put together' => ["e\u{0301}te\u{0301} a\u{0300}", 2],
]);

it('sums up the words below each topic, and keeps them apart from its own', function () {
    $map = chapters();
    $now = new Moment($map);
    expect([Words::own($map, Outline::id($map, 'Chapter one')), Words::below($now, Outline::id($map, 'Chapter one'))])->toBe([4, 8])
        ->and([Words::own($map, $map->root()->id), Words::below($now, $map->root()->id)])->toBe([0, 12])
        ->and(Words::below($now, Outline::id($map, 'Chapter two')))->toBe(0);
});

it('is a column of tables, with totals', function () {
    $map = chapters();
    $column = Columns::of($now = new Moment($map))['words'];
    $ids = array_map(strval(...), array_keys($map->all()));
    expect(array_map($column->inCell(...), [Outline::id($map, 'At the quay'), Outline::id($map, 'Chapter two')]))->toBe([['6'], []])
        ->and($column->below(Outline::id($map, 'Chapter one')))->toBe('8')
        ->and(Total::Sum->of($now, $column, $ids))->toBe('12')
        ->and(Total::Most->of($now, $column, $ids))->toBe('6')
        ->and($column->typing)->toBeNull();
});

it('shows them on topics where that is wanted, and takes them off again', function () {
    $map = chapters();
    expect(belowTitle($map, 'Chapter one'))->toBe([]);
    $shown = done($map, 'row.set', ['type' => 'words', 'row' => $row = Ids::next(), 'fields' => ['shown' => true]]);
    expect(belowTitle($map, 'Chapter one'))->toBe(['4 words, 8 below'])->and(belowTitle($map, 'Story'))->toBe(['12 words below'])->and(belowTitle($map, 'In the fog'))->toBe(['2 words'])->and(belowTitle($map, 'Chapter two'))->toBe([]);
    $hidden = done($map, 'row.set', ['type' => 'words', 'row' => $row, 'fields' => ['shown' => false]]);
    expect(belowTitle($map, 'Chapter one'))->toBe([]);
    foreach ([$hidden, $shown] as $changes) {
        $changes->reversed()->applyTo($map, new Recorder($map));
    }
    expect($map->rowsOf(WordsShown::class))->toBe([]);
});

it('counts up from note to note what counting all of them would', function (int $seed) {
    $chance = new Chance(81_000 + $seed);
    $map = RandomMaps::map($chance, $chance->int(5, 40), loose: false);
    $map->put(WordsShown::fromFields(Ids::next(), ['shown' => true]));
    $layout = Layout::of($map, $view = new View);
    foreach (range(1, 15) as $_) {
        $map = clone $map;
        $changes = done($map, 'topic.note', ['topics' => [$chance->pick(array_map(strval(...), array_keys($map->all())))], 'note' => $chance->words($chance->int(0, 9))]);
        $layout->draw($map, $view, Touched::by($map, $changes));
    }
    $anew = Layout::of($map, $view)->slips();
    $data = new SlipData;
    $counted = 0;
    foreach ($layout->slips() as $id => $slip) {
        expect($data->of($slip))->toEqual($data->of($anew[$id]));
        $counted += Words::below(new Moment($map), (string) $id) > 0 ? 1 : 0;
    }
    expect($counted)->toBeGreaterThan(0);
})->with(range(1, 6));

it('counts what stands between blanks and dashes and has a letter or a digit', function (int $seed) {
    $chance = new Chance(82_000 + $seed);
    $pieces = [];
    $wanted = 0;
    for ($i = $chance->int(1, 60); $i > 0; $i--) {
        $piece = $chance->pick(['lantern', 'Évora', "don't", 'half-hour', '**bold**', '7', '12:30', '—', '–', '…', '#', '-', '...', '>', 'ще', 'שלום', '_so_', 'e.g.', '&']);
        $pieces[] = $piece;
        $wanted += preg_match('/[\p{L}\p{N}]/u', $piece);
    }
    $note = '';
    foreach ($pieces as $piece) {
        $note .= $piece.$chance->pick([' ', "\n", '  ', "\t", ' — ', '—', "\u{00A0} "]);
    }
    expect(WordCount::of($note))->toBe($wanted)
        // Two notes have as many words as both together, and a link as many as its text.
        ->and(WordCount::of("{$note}\n\n{$note}"))->toBe(2 * $wanted)
        ->and(WordCount::of('[lantern year](https://saltmere.example/'.$chance->int(1, 99).'/a_(b)) '.$note))->toBe($wanted + 2);
})->with(range(1, 25));
