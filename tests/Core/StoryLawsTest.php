<?php

declare(strict_types=1);

use ChalkTree\Document\PandocWriter;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\HandOver\Selected;
use ChalkTree\Map\TopicMap;
use ChalkTree\Sign\TopicStamps;
use ChalkTree\Story\EditorChanges;
use ChalkTree\Story\ReturnedText;
use ChalkTree\Story\Story;
use ChalkTree\Story\StoryChecks;
use ChalkTree\Story\StoryDocument;
use ChalkTree\Story\StoryFinding;
use ChalkTree\Story\StoryScene;
use ChalkTree\Story\StoryShape;
use ChalkTree\Story\ThreadGrid;
use ChalkTree\Text\Asides;
use ChalkTree\Text\WordCount;
use Tests\Support\RandomMaps;

/* What holds of every story, whatever stands in it. */

const WHO = ['Ida Marsh', 'Jonas Brill', 'Wren', 'Tilda Roe'];

const WHERE = ['The mole', 'The net loft', 'The chandlery'];

/** A paragraph of some words, among them names, with what formats text. */
function anyParagraph(): string
{
    $words = ['fog', 'water', 'lamp', 'nobody', '*said*', '**never**', 'Ida', 'Brill', 'Marsh', 'Wren', 'Tilda’s', 'mole', '“light”', 'it’s', 'so—so', '`rope`', '[bell](https://saltmere.example)'];

    return ucfirst(implode(' ', array_map(fn (): string => $words[mt_rand(0, count($words) - 1)], range(1, mt_rand(2, 14))))).'.'.(mt_rand(0, 6) === 0 ? ' {{is it so, Wren?}}' : '');
}

/** A story of some chapters and scenes, with who is where and when, threads, and some of it cut. */
function anyStory(int $seed): TopicMap
{
    mt_srand($seed);
    $scene = fn (int $chapter, int $n): TopicDraft => new TopicDraft("Scene {$chapter}.{$n}", note: mt_rand(0, 5) === 0 ? '' : implode("\n\n", array_map(fn (): string => anyParagraph(), range(1, mt_rand(1, 4)))));
    $chapters = array_map(fn (int $c): TopicDraft => new TopicDraft("Chapter {$c}", note: mt_rand(0, 3) === 0 ? anyParagraph() : '', children: array_map(fn (int $n): TopicDraft => $scene($c, $n), range(1, mt_rand(1, 4)))), range(1, mt_rand(2, 5)));
    $map = storyMap(new TopicDraft('A story', children: [...$chapters, new TopicDraft('People', children: array_map(fn (string $who): TopicDraft => new TopicDraft($who), WHO)), new TopicDraft('Places', children: array_map(fn (string $where): TopicDraft => new TopicDraft($where), WHERE))]));
    ofKind($map, 'character', ...WHO);
    ofKind($map, 'place', ...WHERE);
    $titles = array_values(array_map(fn ($topic): string => $topic->title, array_filter($map->all(), fn ($topic): bool => str_starts_with($topic->title, 'Scene'))));
    ofKind($map, 'scene', ...$titles);
    ofKind($map, 'chapter', ...array_map(fn (TopicDraft $chapter): string => $chapter->title, $chapters));
    foreach ($titles as $title) {
        $said = array_filter([
            'viewpoint' => mt_rand(0, 1) === 0 ? WHO[mt_rand(0, 3)] : '', 'place' => mt_rand(0, 1) === 0 ? WHERE[mt_rand(0, 2)] : '', 'story-day' => mt_rand(0, 1) === 0 ? '1911-10-'.mt_rand(10, 30) : '',
            'in-scene' => implode(', ', array_filter(WHO, fn (): bool => mt_rand(0, 2) === 0)), 'threads' => mt_rand(0, 2) === 0 ? 'The lamp' : '', 'closes' => mt_rand(0, 6) === 0 ? 'The lamp' : '', 'tension' => mt_rand(0, 1) === 0 ? (string) mt_rand(1, 5) : '',
        ], fn (string $value): bool => $value !== '');
        fillIn($map, $title, $said);
        if (mt_rand(0, 9) === 0) {
            done($map, 'row.set', ['type' => 'stamps', 'topics' => [titled($map, $title)], 'fields' => ['cut' => true]]);
        }
    }

    return $map;
}

/** What of a story leaves, as a document of it is made. */
function leaving(TopicMap $map): TopicMap
{
    return Selected::of(Outgoing::of($map), Choices::fromFields('', []), isText: true);
}

function storyOf(TopicMap $map): Story
{
    return Story::of($map, $map->sheet()->root);
}

it('tells each scene that is not cut once, in the order in which the map is read', function (int $seed) {
    $map = anyStory($seed);
    $told = array_map(fn (StoryScene $scene): string => $scene->topic, storyOf($map)->scenes);
    $wanted = array_map(fn ($topic): string => $topic->id, array_values(array_filter($map->branch($map->sheet()->root), fn ($topic): bool => str_starts_with($topic->title, 'Scene') && ! TopicStamps::isCut($map, $topic->id))));
    expect($told)->toBe($wanted);
    foreach (storyOf($map)->scenes as $scene) {
        expect($map->topic((string) $scene->chapter)->title)->toBe('Chapter '.explode('.', substr($scene->title, 6))[0]);
    }
})->with(range(1, 12));

it('counts by chapters what it counts by scenes', function (string $rows, int $seed) {
    $map = anyStory($seed);
    [$byScene, $byChapter] = [gridOf($map, $rows), gridOf($map, $rows, isByChapter: true)];
    expect(array_sum(array_column($byChapter->columns, 'scenes')))->toBe(count($byScene->columns));
    $named = fn (ThreadGrid $grid): array => array_map(fn ($row): array => [$row->name, $row->named(), $row->cells !== []], $grid->rows());
    expect($named($byChapter))->toBe($named($byScene));
    foreach ($byScene->rows() as $row) {
        expect(count($row->cells) + $row->gap())->toBeLessThanOrEqual(count($byScene->columns));
        foreach ($row->cells as $cell) {
            expect($cell->isThere())->toBeTrue();
        }
    }
})->with(['people', 'places', 'threads'])->with(range(1, 6));

it('tells the same again when an edit was taken back', function (int $seed) {
    $map = anyStory($seed);
    $before = [gridOf($map, 'people')->toArray(), StoryShape::of($map, storyOf($map))->scenes, RandomMaps::contents($map)];
    $scenes = storyOf($map)->scenes;
    $changes = done($map, 'topic.move', ['topics' => [(string) $scenes[0]->chapter], 'parent' => $map->sheet()->root, 'after' => (string) end($scenes)->chapter]);
    expect(array_column(gridOf($map, 'people')->columns, 'topic'))->not->toBe(array_column($before[0]['columns'], 'topic'));
    $changes->reversed()->applyTo($map, new Recorder($map));
    expect([gridOf($map, 'people')->toArray(), StoryShape::of($map, storyOf($map))->scenes, RandomMaps::contents($map)])->toEqual($before);
})->with(range(1, 8));

it('finds only scenes that are told, and somebody only at places that differ', function (int $seed) {
    $map = anyStory($seed);
    $scenes = array_column(storyOf($map)->scenes, null, 'topic');
    expect($scenes)->not->toBe([]);
    foreach (StoryChecks::of($map, storyOf($map), \ChalkTree\Story\Cast::of($map), A_DAY) as $finding) {
        expect(StoryFinding::SORTS)->toContain($finding->sort)->and(array_diff($finding->topics, array_keys($scenes)))->toBe([]);
        [$one, $other] = [$scenes[$finding->topics[0]], $scenes[$finding->topics[1] ?? $finding->topics[0]]];
        match ($finding->sort) {
            'two-places' => expect($one->place)->not->toBe($other->place)->and($one->day)->toBe($other->day),
            'no-viewpoint' => expect($one->viewpoint)->toBeNull(),
            'told-late' => expect($one->day.$one->time <= $other->day.$other->time)->toBeTrue(),
            'after-end' => expect($other->closes)->not->toBe([]),
            default => expect($one->threads)->not->toBe([]),
        };
    }
})->with(range(1, 20));

it('sums up in its shape the words that its manuscript has', function (int $seed) {
    $map = anyStory($seed);
    $shape = array_sum(array_column(StoryShape::of($map, storyOf($map))->scenes, 'words'));
    $chapters = array_sum(array_map(fn (string $topic): int => WordCount::of($map->topic($topic)->note), array_map(strval(...), array_keys(storyOf($map)->chapters))));
    $markdown = StoryDocument::markdown(StoryDocument::of(leaving($map), 'book', '', 'en', A_DAY));
    $text = implode("\n\n", array_filter(explode("\n\n", $markdown), fn (string $one): bool => ! str_starts_with($one, '#') && $one !== '· · ·'));
    expect(WordCount::of($text))->toBe($shape + $chapters)->and($markdown)->not->toContain('{{');
})->with(range(1, 12));

it('has every paragraph of every scene in its manuscript once, in order', function (int $seed) {
    $map = anyStory($seed);
    $paragraphs = [];
    $chapter = null;
    foreach (storyOf($map)->scenes as $scene) {
        foreach ([...($scene->chapter === $chapter ? [] : [(string) $scene->chapter]), $scene->topic] as $topic) {
            array_push($paragraphs, ...EditorChanges::paragraphs(Asides::without($map->topic($topic)->note)));
        }
        $chapter = $scene->chapter;
    }
    $returned = ReturnedText::read((new PandocWriter)->write(StoryDocument::of(leaving($map), 'manuscript', 'Wren', 'en', A_DAY)));
    expect(array_column($returned->paragraphs, 'text'))->toBe(array_map(fn (string $one): string => trim(\ChalkTree\Document\BlockMarkdown::write(\ChalkTree\Document\NoteBlocks::read($one))), $paragraphs));
})->with(range(1, 12));

it('finds no change in a manuscript that comes back as it went out', function (int $seed, string $form) {
    $map = anyStory($seed);
    $returned = ReturnedText::read((new PandocWriter)->write(StoryDocument::of(leaving($map), $form, 'Wren', 'en', A_DAY)));
    $its = EditorChanges::of($map, storyOf($map), $returned);
    expect($its->changes)->toBe([])->and($its->same)->toBe(count($returned->paragraphs));
})->with(range(1, 12))->with(['manuscript', 'book']);

it('finds no change in what is more than paragraphs', function (string $note) {
    $map = anyStory(3);
    $scene = storyOf($map)->scenes[0]->topic;
    done($map, 'topic.note', ['topics' => [$scene], 'note' => "Before.\n\n{$note}\n\nAfter."]);
    $returned = ReturnedText::read((new PandocWriter)->write(StoryDocument::of(leaving($map), 'book', '', 'en', A_DAY)));
    expect(array_map(fn (array $one): array => [$one['sort'], $one['was'], $one['is']], EditorChanges::of($map, storyOf($map), $returned)->changes))->toBe([]);
})->with([
    'a quote' => ['> She said so.'], 'a list' => ["- oil\n- wicks"], 'a numbered list' => ["1. oil\n2. wicks"], 'lines' => ["Roses\\\nare red"], 'a footnote' => ['The mole.^[Of stone.]'],
    'signs' => ['5 * 3 is # 15 and _so_ on'], 'a heading' => ['## Within'], 'right to left' => ['שלום עולם'], 'signs of Chinese' => ['燈塔 很 亮'], 'a face' => ['It is 🙂 so'],
]);

it('brings a random manuscript that was changed by hand to what was wanted, change by change', function (int $seed) {
    $map = anyStory($seed);
    mt_srand(1000 + $seed);
    $blocks = json_decode((new PandocWriter)->write(StoryDocument::of(leaving($map), 'book', '', 'en', A_DAY)), true);
    $change = function (array $blocks) use (&$change): array {
        $changed = [];
        foreach ($blocks as $block) {
            if (($block['t'] ?? '') === 'Div') {
                $block['c'][1] = $change($block['c'][1]);
                $changed[] = $block;

                continue;
            }
            $what = ($block['t'] ?? '') === 'Para' ? mt_rand(0, 8) : 9;
            if ($what !== 0) {
                $changed[] = $what === 1 ? ['t' => 'Para', 'c' => [...$block['c'], ['t' => 'Space'], ['t' => 'Str', 'c' => 'Indeed.']]] : $block;
            }
            if ($what === 2) {
                $changed[] = ['t' => 'Para', 'c' => [['t' => 'Str', 'c' => 'Quite'], ['t' => 'Space'], ['t' => 'Str', 'c' => 'new'.mt_rand(0, 99).'.']]];
            }
        }

        return $changed;
    };
    $blocks['blocks'] = $change($blocks['blocks']);
    $returned = ReturnedText::read(json_encode($blocks, JSON_THROW_ON_ERROR));
    foreach (array_reverse(EditorChanges::of($map, storyOf($map), $returned)->changes) as $one) {
        done($map, 'text.revise', array_intersect_key($one, array_flip(['topic', 'was', 'is', 'after', 'at'])));
    }
    expect(array_map(fn (array $one): array => [$one['sort'], $one['was'], $one['is']], EditorChanges::of($map, storyOf($map), $returned)->changes))->toBe([]);
})->with(range(1, 25));
