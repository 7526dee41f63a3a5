<?php

declare(strict_types=1);

use ChalkTree\CrossLink\CrossLink;
use ChalkTree\CrossLink\MapMatch;
use ChalkTree\CrossLink\Score;
use ChalkTree\CrossLink\ScoreWeights;
use ChalkTree\CrossLink\Sentence;
use ChalkTree\CrossLink\Sentences;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;

beforeEach(fn () => festivalToTie($this));

/** A concept map of these propositions, each "topic | phrase | topic". */
function conceptMap(string ...$propositions): TopicMap
{
    $titles = array_values(array_unique(array_merge(...array_map(fn (string $one): array => [explode(' | ', $one)[0], explode(' | ', $one)[2]], $propositions))));
    $map = NewMap::from(new TopicDraft('Why?'), array_map(fn (string $title): TopicDraft => new TopicDraft($title), $titles));
    $ids = array_column(array_map(fn ($topic): array => [$topic->title, $topic->id], array_values($map->all())), 1, 0);
    foreach ($propositions as $one) {
        [$from, $phrase, $to] = explode(' | ', $one);
        $map->put(CrossLink::fromFields(Ids::next(), ['from' => $ids[$from], 'to' => $ids[$to], 'phrase' => $phrase]));
    }

    return $map;
}

it('reads a concept map out, one proposition a line, with articles and spaces right', function () {
    $map = conceptMap('a boat | has a | hull', 'a boat | has  a | air bubble', 'a boat | is an | ship', 'hull | holds the | a crew', 'air | lowers | density', 'hour | is a | honest hour', 'stone | is a | unit of weight', 'what? |  | why!');
    expect(explode("\n", trim(Sentences::of($map)->text())))->toBe([
        'A boat has a hull.', 'A boat has an air bubble.', 'A boat is a ship.', 'Hull holds a crew.', 'Air lowers density.', 'Hour is an honest hour.', 'Stone is a unit of weight.', 'What? … why!',
    ])->and(Sentences::of($map)->tabbed())->toContain("a boat\thas a\tair bubble\n")->toContain("what?\t\twhy!\n");
});

it('points out what is said twice, phrases that are missing, topics tied to nothing, and chains', function () {
    $map = conceptMap('a | makes | b', 'A | MAKES | B', 'b |  | c', 'c | makes | d', 'd | makes | e', 'e | makes | a');
    $sentences = Sentences::of($map);
    expect(array_map(fn (Sentence $one): bool => $one->isRepeated, $sentences->all))->toContain(true)
        ->and(count(array_filter($sentences->all, fn (Sentence $one): bool => $one->isRepeated)))->toBe(2)
        ->and(count(array_filter($sentences->all, fn (Sentence $one): bool => $one->isMissingPhrase())))->toBe(1)
        ->and($sentences->loose)->toBe([]);
    ($this->tie)('Rain', 'Route', ['phrase' => 'floods']);
    expect(Sentences::of($this->map)->loose)->toBe([]);
    ($this->make)('topic.add', ['topic' => ['title' => 'Wind'], 'parent' => null, 'x' => 0, 'y' => 400]);
    expect(array_map(fn (string $id): string => $this->map->topic($id)->title, Sentences::of($this->map)->loose))->toBe(['Wind']);
    $titles = fn (TopicMap $map): array => array_map(fn (array $chain): string => implode('', array_map(fn (string $id): string => $map->topic($id)->title, $chain)), Sentences::of($map)->chains);
    expect($titles(conceptMap('a | x | b', 'b | x | c', 'c | x | d', 'd | x | e')))->toBe(['abcde'])
        ->and($titles(conceptMap('a | x | b', 'b | x | c', 'c | x | d', 'a | x | d')))->toBe([])
        ->and($titles(conceptMap('a | x | b', 'b | x | c', 'c | x | a')))->toBe([])
        ->and($titles(conceptMap('a | x | b', 'b | x | c')))->toBe([])
        ->and($titles(conceptMap('z | x | a', 'y | x | a', 'a | x | b', 'b | x | c', 'c | x | d', 'd | x | e', 'd | x | f')))->toBe(['abcd']);
});

it('writes propositions as a table that no spreadsheet reckons with', function () {
    expect(Sentences::of(conceptMap('=1+1 | says "so" | b, c'))->csv())->toBe("from,phrase,to,sentence\r\n\"'=1+1\",\"says \"\"so\"\"\",\"b, c\",\"'=1+1 says \"\"so\"\" b, c.\"\r\n");
});

it('scores by the published method, and as the teacher marks', function () {
    $map = conceptMap('boats | have | hull', 'boats | carry | cargo', 'hull | holds | air', 'cargo | adds to | weight', 'air | lessens | weight', 'hull | such as | barge', 'hull |  | cargo');
    // Levels: hull and cargo, then air, weight and barge. From air to weight it goes across.
    expect(Score::of($map)->toArray())->toBe(['propositions' => 6, 'valid' => 5, 'levels' => 2, 'crossLinks' => 1, 'examples' => 1, 'score' => 5 + 10 + 10 + 1]);
    $link = fn (string $phrase): CrossLink => array_values(array_filter($map->rowsOf(CrossLink::class), fn (CrossLink $link): bool => $link->text('phrase') === $phrase))[0];
    $map->put($link('adds to')->with(['judged' => 'wrong']));
    // Weight is reached by air alone then, which goes across nothing.
    expect(Score::of($map)->toArray())->toBe(['propositions' => 6, 'valid' => 4, 'levels' => 3, 'crossLinks' => 0, 'examples' => 1, 'score' => 4 + 15 + 1]);
    $map->put($link('adds to')->with(['judged' => 'valid']));
    $map->put(ScoreWeights::fromFields(Ids::next(), ['level' => 0, 'cross' => 2]));
    expect(Score::of($map)->toArray()['score'])->toBe(5 + 0 + 2 + 1);
    // From the first level too it goes across.
    expect(Score::of(conceptMap('top | has | left', 'top | has | right', 'left | meets | right'))->crossLinks)->toBe(1);
    $twice = conceptMap('a | x | b', 'A | X | b', 'b | y | a');
    expect(Score::of($twice)->toArray()['propositions'])->toBe(2)->and(Score::of(conceptMap('a | x | b', 'b | y | a'))->toArray()['levels'])->toBe(1)
        ->and(Score::of($this->map)->toArray())->toBe(['propositions' => 0, 'valid' => 0, 'levels' => 0, 'crossLinks' => 0, 'examples' => 0, 'score' => 0]);
});

it('counts only telling cross-links where some are marked so', function () {
    $map = conceptMap('top | has | left', 'top | has | right', 'left | has | one', 'right | has | two', 'one | meets | two', 'two | meets | one');
    expect(Score::of($map)->crossLinks)->toBe(2);
    $link = array_values(array_filter($map->rowsOf(CrossLink::class), fn (CrossLink $link): bool => $link->text('phrase') === 'meets'))[0];
    $map->put($link->with(['telling' => true]));
    expect(Score::of($map)->crossLinks)->toBe(1);
});

it('is held against another map by the words of topics and phrases, in any order', function () {
    $model = conceptMap('displaced water | pushes back with | upthrust', 'the hull | is full of | air', 'steel | is denser than | water', 'a | b | c');
    $map = conceptMap('Water displaced | with: pushes back | an Upthrust', 'water | is denser than | steel', 'a hull | is full of | air', 'hull | is full of | air', 'x |  | y');
    $texts = fn (array $sentences): array => array_map(fn (Sentence $one): string => $one->text(), $sentences);
    $match = MapMatch::of($map, $model);
    expect($texts($match->there))->toBe(['Water displaced with: pushes back an Upthrust.', 'A hull is full of air.', 'Hull is full of air.'])
        ->and($texts($match->missing))->toBe(['Steel is denser than water.', 'A b c.'])
        ->and($texts($match->other))->toBe(['Water is denser than steel.']);
});
