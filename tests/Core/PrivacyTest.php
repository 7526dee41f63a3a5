<?php

declare(strict_types=1);

use ChalkTree\Arrange\ConnectorPhrase;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Attach\AttachedFile;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\CrossLink\Score;
use ChalkTree\CrossLink\Sentences;
use ChalkTree\Draw\BoardWriter;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Draw\Thumbnail;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Clipping;
use ChalkTree\Exchange\Formats;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Link\Link;
use ChalkTree\Link\SeeAlso;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\ContentName;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Number\Numbers;
use ChalkTree\Print\Worksheet;
use ChalkTree\Privacy\PrivateBranch;
use ChalkTree\Ring\Ring;
use ChalkTree\Ring\RingMember;
use ChalkTree\Show\Deck;
use ChalkTree\Show\Decks;
use ChalkTree\Show\SaidLines;
use ChalkTree\Show\Slide;
use ChalkTree\Show\SlideBoard;
use ChalkTree\Show\SlideOutline;
use ChalkTree\Show\SlideSheet;
use ChalkTree\Show\SlideTopics;
use ChalkTree\Show\SlideWriter;
use ChalkTree\Sign\Legend;
use ChalkTree\Sign\Tag;
use ChalkTree\Sign\TopicTags;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

const SECRET = 'Quillwort';

/**
 * A random map in which some branches are private, everything about them says the secret, and what is not private leads to
 * them where it can.
 *
 * @return array{TopicMap, list<string>} with the topics that are marked or have the tag
 */
function mapWithSecrets(Chance $chance): array
{
    $map = RandomMaps::map($chance, $chance->int(8, 70), notes: true);
    $map->put($tag = Tag::fromFields(Ids::next(), ['name' => SECRET, 'private' => true]));
    $ids = array_values(array_diff(array_map(strval(...), array_keys($map->all())), [$map->root()->id]));
    $tops = array_values(array_unique([$chance->pick($ids), $chance->pick($ids), $chance->pick($ids)]));
    foreach ($tops as $id) {
        $map->put($chance->yes(50) ? PrivateBranch::fromFields($id, ['held' => true]) : TopicTags::fromFields($id, [])->having([$tag->id]));
    }
    $held = array_map(strval(...), array_keys(Outgoing::held($map)));
    foreach ($held as $i => $id) {
        $map->put($map->topic($id)->with(['title' => SECRET." {$i}", 'caption' => SECRET, 'note' => 'Nobody knows of '.SECRET]));
        $map->put(ConnectorPhrase::fromFields($id, ['phrase' => SECRET]));
        $map->put(AttachedFile::fromFields(Ids::next(), ['at' => $id, 'name' => SECRET.'.pdf', 'source' => ContentName::of(hash('sha256', SECRET)), 'bytes' => 9]));
        $map->put(Link::fromFields(Ids::next(), ['at' => $id, 'to' => 'https://saltmere.example/'.SECRET, 'title' => SECRET]));
        if (($other = $chance->pick($ids)) !== $id) {
            $map->put(CrossLink::fromFields(Ids::next(), ['from' => $id, 'to' => $other, 'phrase' => SECRET]));
            $map->put(SeeAlso::fromFields(Ids::next(), ['one' => $other, 'other' => $id]));
        }
    }
    $map->put($ring = Ring::fromFields(Ids::next(), ['name' => SECRET]));
    $map->put(RingMember::fromFields(Ids::next(), ['topic' => $held[0], 'ring' => $ring->id]));
    // Slides of what is private, by itself and with others; one says so.
    $map->put($deck = Deck::fromFields(Ids::next(), ['name' => 'Lesson']));
    $map->put($own = Deck::fromFields(Ids::next(), ['name' => SECRET, 'of' => $held[0], 'makes' => 'each']));
    foreach ([[$held[0]], [$held[0], $map->root()->id], [$map->root()->id]] as $i => $topics) {
        $map->put(Slide::fromFields(Ids::next(), ['deck' => $deck->id, 'rank' => "a{$i}", 'topics' => SlideTopics::branches($topics, $topics)->with($topics[0], folded: $i > 1 ? false : null)->text(), 'way' => $chance->pick([null, 'trail', 'all']), 'at' => $topics[0]] + ($i === 0 ? ['title' => SECRET, 'notes' => SECRET] : [])));
    }
    $map->put(Decks::slide($own->id, 'a0', $held[0], null)->with(['notes' => SECRET]));
    $open = array_values(array_diff($ids, $held));
    if ($open !== []) {
        $one = $map->topic($chance->pick($open));
        $map->put($one->with(['note' => 'Before. ['.SECRET.' [draft]](https://chalk.example/maps/'.Ids::next()."/topics/{$held[0]}) and https://chalk.example/maps/x/topics/{$held[0]} after."]));
        $map->put(Link::fromFields(Ids::next(), ['at' => $one->id, 'to' => 'map:'.Ids::next()."/{$held[0]}", 'title' => SECRET]));
        // What somebody says to nobody else.
        $two = $map->topic($chance->pick($open));
        $map->put($two->with(['note' => trim("{$two->note}\n\nSaid aloud {{".SECRET.' to myself}}.')]));
    }

    return [$map, $tops];
}

/** @return array<string, string> every form in which the core lets a map leave, by name */
function waysOut(TopicMap $map): array
{
    $leaving = Outgoing::of($map);
    $ways = [];
    foreach (array_diff(Formats::writable(), ['json']) as $format) {
        $ways[$format] = Formats::write($leaving, $format);
    }
    $scene = Layout::of($leaving, new View)->scene();
    $copy = Clipping::of($map, array_map(strval(...), array_keys($map->all())), false)->toArray();
    $alone = Clipping::of($map, array_map(strval(...), array_keys($map->all())), true)->toArray();
    $unpack = fn (array $copy): string => $copy['text'].$copy['markdown'].$copy['html'].json_encode($copy['leaving'])
        .preg_replace_callback('/data-chalk-tree="([^"]+)"/', fn (array $m): string => (string) base64_decode($m[1], true), $copy['html']);

    foreach (Decks::of($leaving) as $deck) {
        foreach (Decks::kept($leaving, $deck->id) as $i => $slide) {
            foreach (SlideBoard::WAYS as $way) {
                $board = SlideBoard::of($leaving, $slide, $way);
                $ways["slide {$i} of {$deck->id}, {$way}"] = (new SlideSheet(new SlideWriter))->write($board, $slide).$slide->titleIn($leaving).SaidLines::text($slide->saidIn($leaving)).json_encode($slide->fields()).serialize(SlideOutline::of($leaving, $board->seen, ''));
            }
        }
    }

    return $ways + [
        'decks' => implode(' ', array_map(fn (Deck $deck): string => $deck->text('name').$deck->text('of'), Decks::of($leaving))),
        'svg' => (new SvgWriter(BoardTheme::Day))->write($scene, 'Map'),
        'board of a page' => (new BoardWriter)->write($scene, $leaving, $scene->bounds()),
        'worksheet' => Formats::write(Worksheet::of($leaving, Choices::fromFields('', ['gapTopics' => true, 'gapPhrases' => true]), array_map(strval(...), array_keys($map->all())))[0], 'md').implode(' ', Worksheet::of($leaving, Choices::fromFields('', ['gapTopics' => true, 'gapPhrases' => true]), array_map(strval(...), array_keys($map->all())))[1]),
        'small picture' => (new Thumbnail(BoardTheme::Day))->ofMap($leaving),
        'marks' => json_encode(array_map(fn ($mark) => $mark->toArray(), $scene->marks), JSON_THROW_ON_ERROR),
        'sentences' => Sentences::of($leaving)->text().Sentences::of($leaving)->csv().Sentences::of($leaving)->tabbed(),
        'legend' => json_encode(Legend::onBoard($leaving)?->lines, JSON_THROW_ON_ERROR),
        'copy' => $unpack($copy), 'copy alone' => $unpack($alone),
        'a complete copy of what leaves' => Formats::write($leaving, 'json'),
    ];
}

it('lets nothing private leave, in any form, and all else as if it had never been there', function (int $seed) {
    $chance = new Chance($seed);
    [$map, $tops] = mapWithSecrets($chance);
    $before = Formats::write($map, 'json');
    expect($before)->toContain(SECRET);
    foreach (waysOut($map) as $way => $written) {
        expect(str_contains($written, SECRET))->toBeFalse("{$way} of {$seed}");
        foreach (array_keys(Outgoing::held($map)) as $id) {
            expect(str_contains($written, (string) $id))->toBeFalse("{$way} of {$seed} names a private topic");
        }
    }
    expect(Formats::write($map, 'json'))->toBe($before);

    // The same as after taking them out by hand, and sweeping out what led there.
    $removed = clone $map;
    Edits::apply(Edits::read('topic.remove', ['topics' => $tops]), $removed);
    foreach ($map->rowsOf(Tag::class) as $tag) {
        if ($tag->flag('private')) {
            $removed->drop('tag', $tag->id);
        }
    }
    $leaving = Outgoing::of($map);
    expect(array_map(strval(...), array_keys($leaving->all())))->toBe(array_map(strval(...), array_keys($removed->all())))
        ->and(Numbers::of($leaving))->toBe(Numbers::of($removed))
        ->and(Score::of($leaving)->toArray())->toBe(Score::of($removed)->toArray());
})->with(range(1, 60));

it('leaves a map alone that has nothing private, but for its parking lot and its trash', function (int $seed) {
    $map = RandomMaps::map(new Chance($seed), 40, notes: true);
    expect(Formats::write(Outgoing::of($map), 'json'))->toBe(Formats::write($map, 'json'));
    $ids = array_map(strval(...), array_keys($map->all()));
    Edits::apply(Edits::read('topic.park', ['topics' => [$ids[1]]]), $map);
    Edits::apply(Edits::read('topic.remove', ['topics' => [end($ids)]]), $map);
    expect(Outgoing::of($map)->everything())->toEqual($map->all());
})->with(range(1, 12));

it('refuses to hand over what is all private, and says so', function () {
    $map = NewMap::from(new TopicDraft('Harbour', children: [new TopicDraft('Quay', children: [new TopicDraft('Crane')]), new TopicDraft('Ferry')]));
    [$harbour, $quay, $crane, $ferry] = array_map(strval(...), array_keys($map->all()));
    Edits::apply(Edits::read('row.set', ['type' => 'private', 'topics' => [$quay], 'fields' => ['held' => true]]), $map);
    expect(fn () => Outgoing::of($map, $quay))->toThrow(NothingLeaves::class)
        ->and(fn () => Outgoing::of($map, $crane))->toThrow(NothingLeaves::class)
        ->and(Formats::write(Outgoing::of($map, $ferry), 'txt'))->toBe("Harbour\n\tFerry\n");
    $copy = Clipping::of($map, [$crane, $ferry], false)->toArray();
    expect($copy['text'])->toBe("Ferry\n")->and($copy['topics'])->toHaveCount(2)->and($copy['leaving'])->toHaveCount(1);
    Edits::apply(Edits::read('row.set', ['type' => 'private', 'topics' => [$harbour], 'fields' => ['held' => true]]), $map);
    expect(fn () => Outgoing::of($map))->toThrow(NothingLeaves::class, 'nothing to hand over')
        ->and(Clipping::of($map, [$ferry], false)->toArray()['text'])->toBe('');
});

it('ends a brace at the neighbour of what is private', function () {
    $map = NewMap::from(new TopicDraft('Harbour', children: [new TopicDraft('Quay'), new TopicDraft('Ferry'), new TopicDraft('Crane'), new TopicDraft('Both')], side: null));
    [, $quay, $ferry, $crane, $both] = array_map(strval(...), array_keys($map->all()));
    $map->put(ChalkTree\Brace\Brace::fromFields(Ids::next(), ['topic' => $both, 'first' => $quay, 'last' => $crane]));
    $map->put(PrivateBranch::fromFields($crane, ['held' => true]));
    $braces = array_values(Outgoing::of($map)->rowsOf(ChalkTree\Brace\Brace::class));
    expect($braces)->toHaveCount(1)->and($braces[0]->first())->toBe($quay)->and($braces[0]->last())->toBe($ferry);
});
