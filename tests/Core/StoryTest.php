<?php

declare(strict_types=1);

use ChalkTree\Map\Ids;
use ChalkTree\Map\MissingTopic;
use ChalkTree\Story\Cast;
use ChalkTree\Story\Story;
use ChalkTree\Story\StoryChecks;
use ChalkTree\Story\StoryFinding;
use ChalkTree\Story\StoryScene;

/** What is found of a story, as sentences. */
function found(ChalkTree\Map\TopicMap $map, ?string $sort = null): array
{
    $all = StoryChecks::of($map, Story::of($map, $map->sheet()->root), Cast::of($map), A_DAY);

    return array_values(array_map(fn (StoryFinding $finding): string => $finding->words, array_filter($all, fn (StoryFinding $finding): bool => $sort === null || $finding->sort === $sort)));
}

it('tells scenes in their order, with their chapters, without what is cut', function () {
    $map = lampStory();
    $told = fn (string $branch): array => array_map(fn (StoryScene $scene): string => "{$map->topic($scene->chapter ?? '')->title}: {$scene->title}", Story::of($map, $branch)->scenes);
    expect($told($map->sheet()->root))->toBe(['One: The mole', 'One: The loft', 'Two: The storm', 'Two: The morning'])
        ->and($told(titled($map, 'Two')))->toBe(['The storm: The storm', 'The morning: The morning'])
        ->and(array_values(Story::of($map, $map->sheet()->root)->chapters))->toBe(['One', 'Two']);
    done($map, 'row.set', ['type' => 'stamps', 'topics' => [titled($map, 'The storm'), titled($map, 'One')], 'fields' => ['cut' => true]]);
    expect($told($map->sheet()->root))->toBe(['Two: The morning']);
});

it('takes what has nothing below it for scenes where none is called so', function () {
    $map = lampStory();
    done($map, 'kind.give', ['topics' => array_map(fn (string $title): string => titled($map, $title), ['The mole', 'The loft', 'The storm', 'The morning']), 'kind' => null, 'today' => A_DAY]);
    expect(array_map(fn (StoryScene $scene): string => $scene->title, Story::of($map, $map->sheet()->root)->scenes))->toBe(['The mole', 'The loft', 'The storm', 'The morning']);
});

it('refuses a branch that is not there', function () {
    Story::of(lampStory(), Ids::next());
})->throws(MissingTopic::class);

it('knows who is meant by a name', function () {
    $cast = Cast::of(lampStory());
    expect(array_column($cast->members, 'names', 'title'))->toBe([
        'Ida Marsh, keeper of the lamps' => ['Ida Marsh', 'Ida', 'Marsh'], 'Jonas Brill' => ['Jonas Brill', 'Jonas', 'Brill'], 'Wren' => ['Wren'],
        'The Old Mole' => ['The Old Mole', 'Old Mole'], 'The net loft' => ['The net loft', 'net loft'], 'Salt Bell' => ['Salt Bell'],
    ])
        ->and(array_keys($cast->byName('place')))->toBe(['the old mole', 'old mole', 'the net loft', 'net loft'])
        ->and($cast->byName('character')['brill']->title)->toBe('Jonas Brill');
});

it('shows who is in which scene, by text, field, link and viewpoint', function () {
    $map = lampStory();
    fillIn($map, 'The mole', ['viewpoint' => 'Ida Marsh, keeper of the lamps', 'in-scene' => 'ida, A stranger']);
    fillIn($map, 'The morning', ['in-scene' => 'Jonas Brill', 'place' => 'old mole']);
    done($map, 'row.set', ['type' => 'see-also', 'row' => Ids::next(), 'fields' => ['one' => titled($map, 'The loft'), 'other' => titled($map, 'Wren')]]);
    done($map, 'topic.note', ['topics' => [titled($map, 'The morning')], 'note' => 'Still. [She](/maps/'.Ids::next().'/topics/'.titled($map, 'Wren').')']);
    $grid = gridOf($map, 'people');
    expect(array_column($grid->columns, 'title'))->toBe(['The mole', 'The loft', 'The storm', 'The morning'])
        ->and(cellsOf($grid, 'Ida Marsh, keeper of the lamps'))->toBe([0 => '2fts', 2 => '1'])
        ->and(cellsOf($grid, 'Jonas Brill'))->toBe([0 => '1', 2 => '1', 3 => 'f'])
        ->and(cellsOf($grid, 'Wren'))->toBe([1 => 't', 3 => 't'])
        ->and(cellsOf($grid, 'A stranger'))->toBe([0 => 'f'])
        ->and(cellsOf(gridOf($map, 'places'), 'The Old Mole'))->toBe([3 => 'f'])
        ->and(cellsOf(gridOf($map, 'objects'), 'Salt Bell'))->toBe([1 => '1']);
});

it('adds up chapters, and tells gaps', function () {
    $map = lampStory();
    $grid = gridOf($map, 'people', isByChapter: true);
    expect(array_map(fn (array $column): array => [$column['title'], $column['scenes']], $grid->columns))->toBe([['One', 2], ['Two', 2]])
        ->and(cellsOf($grid, 'Jonas Brill'))->toBe([0 => '1', 1 => '1']);
    [$ida, $brill, $wren] = gridOf($map, 'people')->rows();
    expect([$ida->gap(), $ida->named(), $brill->gap(), $wren->gap(), $wren->named()])->toBe([1, 3, 1, 0, 0]);
    // A chapter that is moved leaves the gap that its scenes filled.
    done($map, 'topic.move', ['topics' => [titled($map, 'Two')], 'parent' => $map->sheet()->root, 'before' => titled($map, 'One')]);
    expect(array_keys(gridOf($map, 'people')->rows()[0]->cells))->toBe([0, 2]);
});

it('shows threads with their ends, and tags', function () {
    $map = lampStory();
    fillIn($map, 'The mole', ['threads' => 'who put out the lamp, The letter']);
    fillIn($map, 'The storm', ['closes' => 'Who put out the lamp']);
    done($map, 'row.set', ['type' => 'tag', 'row' => $tag = Ids::next(), 'fields' => ['name' => 'Quiet', 'chalk' => 'tide']]);
    done($map, 'topic.tag', ['topics' => [titled($map, 'The loft')], 'tag' => $tag]);
    $threads = gridOf($map, 'threads');
    expect(cellsOf($threads, 'Who put out the lamp'))->toBe([0 => 'f', 2 => 'fe'])
        ->and(cellsOf($threads, 'The letter'))->toBe([0 => 'f'])
        ->and(cellsOf(gridOf($map, 'tags'), 'Quiet'))->toBe([1 => 'f']);
});

it('holds what a grid tells together', function (string $rows, bool $isByChapter) {
    $map = lampStory();
    fillIn($map, 'The mole', ['viewpoint' => 'Wren', 'in-scene' => 'Brill', 'place' => 'net loft', 'closes' => 'A thread']);
    $answer = gridOf($map, $rows, $isByChapter)->toArray();
    expect($answer['columns'])->toHaveCount($isByChapter ? 2 : 4);
    foreach ($answer['rows'] as $row) {
        expect($row['named'])->toBe(array_sum(array_column($row['cells'], 'names')))->and($row['gap'])->toBeLessThan(max(1, count($answer['columns'])));
        foreach ($row['cells'] as $cell) {
            expect($cell['column'])->toBeLessThan(count($answer['columns']))->and($cell['names'] > 0 || $cell['isSaid'] || $cell['isTied'] || $cell['sees'] || $cell['ends'])->toBeTrue();
        }
    }
})->with(['people', 'places', 'objects', 'sources', 'threads', 'tags'])->with([true, false]);

it('finds nothing to say of a story of which nothing is said', function () {
    expect(found(lampStory()))->toBe([]);
});

it('finds somebody who is at two places at once, whatever they are called', function () {
    $map = lampStory();
    fillIn($map, 'The mole', ['story-day' => '1911-10-28', 'place' => 'The Old Mole', 'in-scene' => 'Brill, Wren']);
    fillIn($map, 'The loft', ['story-day' => '1911-10-28', 'place' => 'net loft', 'in-scene' => 'Jonas Brill']);
    expect(found($map, 'two-places'))->toBe(['Jonas Brill is at two places on Sat 28 Oct 1911: in “The mole” (The Old Mole) and in “The loft” (net loft).']);
    fillIn($map, 'The loft', ['time' => '21:00']);
    expect(found($map, 'two-places'))->toBe([]);
    fillIn($map, 'The loft', ['time' => '', 'place' => 'Old Mole']);
    expect(found($map, 'two-places'))->toBe([]);
});

it('finds scenes without a viewpoint, once anybody has one', function () {
    $map = lampStory();
    fillIn($map, 'The mole', ['viewpoint' => 'Wren']);
    expect(found($map, 'no-viewpoint'))->toBe(['“The loft” has no viewpoint.', '“The storm” has no viewpoint.', '“The morning” has no viewpoint.']);
});

it('finds threads that end open, and those that go on', function () {
    $map = lampStory();
    fillIn($map, 'The mole', ['threads' => 'The lamp, The letter']);
    fillIn($map, 'The loft', ['closes' => 'the lamp']);
    fillIn($map, 'The storm', ['threads' => 'The Lamp']);
    expect(found($map))->toBe(['The thread “The letter” ends open: “The mole” is its last scene.', 'The thread “The Lamp” ends in “The loft” and goes on in “The storm”.']);
});

it('finds what is told after something that comes later', function () {
    $map = lampStory();
    fillIn($map, 'The mole', ['story-day' => '1911-10-28', 'time' => '18:00']);
    fillIn($map, 'The loft', ['story-day' => '1911-10-28', 'time' => '9:00']);
    fillIn($map, 'The morning', ['story-day' => '1911-10-29']);
    expect(found($map))->toBe(['“The loft” (Sat 28 Oct 1911 09:00) is told after “The mole” (Sat 28 Oct 1911 18:00) and happens before it.']);
});
