<?php

declare(strict_types=1);

use ChalkTree\Draft\WordsWritten;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;
use ChalkTree\Text\WordCount;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomMaps;

/* How many words an edit has brought into a map. */

function wordsOfAll(TopicMap $map): int
{
    return array_sum(array_map(fn (Topic $topic): int => $topic->removed === null ? WordCount::of($topic->note) : 0, array_values($map->everything())));
}

it('tells with each edit how many words more or fewer there are, and with its undo the contrary', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(3, 30), notes: true);
    $words = wordsOfAll($map);
    for ($i = 0; $i < 40; $i++) {
        try {
            $changes = Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $map)), $map, 5);
        } catch (Refusal) {
            continue;
        }
        $by = WordsWritten::by($map, $changes);
        expect(wordsOfAll($map))->toBe($words + $by);
        if ($chance->yes(30)) {
            $back = $changes->reversed();
            $back->applyTo($map, new Recorder($map));
            expect(WordsWritten::by($map, $back))->toBe(-$by)->and(wordsOfAll($map))->toBe($words);
        }
        $words = wordsOfAll($map);
    }
})->with(range(1, 25));

it('takes what only moves for nothing written', function () {
    $map = Outline::map("Novel\n\tQuay\n\tFog");
    [$quay, $fog] = [Outline::id($map, 'Quay'), Outline::id($map, 'Fog')];
    expect(WordsWritten::by($map, done($map, 'topic.note', ['topics' => [$quay], 'note' => 'The mole lay dark.'])))->toBe(4)
        ->and(WordsWritten::by($map, done($map, 'topic.note', ['topics' => [$quay], 'note' => 'The mole lay dark. {{how dark?}}'])))->toBe(0)
        ->and(WordsWritten::by($map, done($map, 'topic.note', ['topics' => [$fog], 'note' => 'Fog came.'])))->toBe(2)
        ->and(WordsWritten::by($map, done($map, 'topic.join', ['topics' => [$quay, $fog]])))->toBe(0)
        ->and(WordsWritten::by($map, done($map, 'topic.retitle', ['topic' => $quay, 'title' => 'Pier'])))->toBe(0)
        ->and(WordsWritten::by($map, done($map, 'topic.remove', ['topics' => [$quay]])))->toBe(-6);
});
