<?php

declare(strict_types=1);

namespace Tests\Support;

use ChalkTree\Arrange\Arrangements;
use ChalkTree\Arrange\BranchArrangement;
use ChalkTree\Arrange\BranchPhrases;
use ChalkTree\Arrange\ConnectorPhrase;
use ChalkTree\Attach\AttachedFile;
use ChalkTree\Brace\Brace;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Link\Link;
use ChalkTree\Link\SeeAlso;
use ChalkTree\Look\LevelLook;
use ChalkTree\Look\LookFields;
use ChalkTree\Look\Looks;
use ChalkTree\Look\MapLook;
use ChalkTree\Look\MixedChalk;
use ChalkTree\Look\NamedLook;
use ChalkTree\Look\TopicLook;
use ChalkTree\Map\ContentName;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\Rank;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Picture\TopicPicture;
use ChalkTree\Process\Steps;
use ChalkTree\Ring\Ring;
use ChalkTree\Ring\RingMember;
use ChalkTree\Shape\Shapes;
use ChalkTree\Show\Deck;
use ChalkTree\Show\Decks;
use ChalkTree\Show\Makes;
use ChalkTree\Show\PutOnSlide;
use ChalkTree\Show\Slide;
use ChalkTree\Sign\LegendPlace;
use ChalkTree\Sign\Meaning;
use ChalkTree\Sign\Stamp;
use ChalkTree\Sign\Tag;
use ChalkTree\Sign\TopicStamps;
use ChalkTree\Sign\TopicTags;
use ChalkTree\Text\TypeFace;
use ChalkTree\Walk\Stop;

/** Random maps, and random edits that may or may not fit them. */
final class RandomMaps
{
    public static function map(Chance $chance, int $topics, bool $notes = false, bool $loose = true): TopicMap
    {
        $root = new TopicDraft($chance->title());
        $tops = [$root];
        $all = [$root];
        for ($i = 1; $i < $topics; $i++) {
            $draft = new TopicDraft(
                $chance->title(),
                $chance->yes(15) ? trim($chance->words(4)) : '',
                $notes && $chance->yes(30) ? $chance->note() : '',
            );
            $chance->yes(2) && $loose ? $tops[] = $draft : $chance->pick(array_slice($all, -$chance->int(1, 60)))->children[] = $draft;
            $all[] = $draft;
        }

        $map = NewMap::from($root, array_slice($tops, 1), $chance->pick(['both-sides', 'rightward']), $chance->yes(50) ? 'A map' : null);
        foreach (array_keys($map->all()) as $id) {
            if ($chance->yes(5)) {
                $map->put(TopicLook::fromFields((string) $id, self::look($chance) + ['width' => $chance->int(60, 400)]));
            }
        }
        $tags = array_map(fn (string $name): Tag => Tag::fromFields(Ids::next(), ['name' => $name, 'chalk' => $chance->pick(['tide', 'coral'])]), ['by boat', 'paid', 'wet']);
        array_map($map->put(...), $tags);
        foreach (array_keys($map->all()) as $id) {
            if ($chance->yes(8)) {
                $map->put(TopicStamps::fromFields((string) $id, self::stamps($chance)));
                $map->put(TopicTags::fromFields((string) $id, [])->having(array_map(fn (Tag $tag): string => $tag->id, array_slice($tags, 0, $chance->int(1, 3)))));
            }
            if ($chance->yes(6)) {
                $map->put(TopicPicture::fromFields((string) $id, self::picture($chance)));
            }
        }
        $ids = array_map(strval(...), array_keys($map->all()));
        foreach (array_filter($ids, fn (): bool => $chance->yes(5)) as $id) {
            $map->put(AttachedFile::fromFields(Ids::next(), self::file($chance) + ['at' => $id]));
            $map->put(Link::fromFields(Ids::next(), ['at' => $id, 'to' => 'https://saltmere.example/'.$chance->int(1, 99), 'title' => $chance->word()]));
        }
        for ($i = count($ids) > 1 ? $chance->int(0, 3) : 0; $i > 0; $i--) {
            [$from, $to] = [$chance->pick($ids), $chance->pick($ids)];
            if ($from !== $to) {
                $map->put(CrossLink::fromFields(Ids::next(), ['from' => $from, 'to' => $to] + self::link($chance)));
            }
        }
        foreach ($chance->yes(40) ? $ids : [] as $id) {
            if ($chance->yes(30)) {
                $map->put(ConnectorPhrase::fromFields($id, ['phrase' => mb_substr($chance->words($chance->int(1, 6)), 0, 290).'?', 'judged' => $chance->pick([null, null, 'valid'])]));
            }
            if ($chance->yes(6)) {
                $map->put(BranchPhrases::fromFields($id, ['are' => $chance->pick(['asked', 'hidden'])]));
            }
        }
        if ($chance->yes(40)) {
            self::together($chance, $map, $ids);
        }
        if ($chance->yes(30)) {
            $map->put(LegendPlace::fromFields(Ids::next(), ['shown' => true]));
            $map->put(Meaning::of('stamp:idea', 'to be tried'));
        }
        if ($chance->yes(30)) {
            $map->put(MapLook::fromFields(Ids::next(), ['whole' => $chance->pick(Looks::names()), 'chalks' => $chance->pick(MapLook::CHALKS), 'mirrored' => $chance->yes(33)]));
            $map->put(LevelLook::fromFields(Ids::next(), ['level' => $chance->int(0, 3)] + self::look($chance)));
        }
        if ($chance->yes(30)) {
            [$deck, $slides] = Decks::madeOf($map, $chance->pick($ids), $chance->pick(Makes::cases()));
            $map->put($deck->with(['inStep' => $chance->yes(50)]));
            foreach (array_slice($slides, 0, 12) as $slide) {
                $map->put($slide->with(['way' => $chance->pick([null, 'trail', 'all']), 'notes' => $chance->yes(30) ? $chance->note() : '', 'title' => $chance->yes(30) ? $chance->word() : '']));
            }
        }

        foreach ($chance->yes(30) ? Rank::run(null, null, 3) : [] as $rank) {
            $map->put(Stop::fromFields($chance->pick($ids), ['rank' => $rank]));
        }
        if ($chance->yes(40)) {
            RandomFacts::put($chance, $map, $ids);
        }

        return $map;
    }

    /**
     * Rings around some topics, and braces over some siblings.
     *
     * @param  list<string>  $ids
     */
    private static function together(Chance $chance, TopicMap $map, array $ids): void
    {
        for ($i = $chance->int(0, 3); $i > 0; $i--) {
            $map->put($ring = Ring::fromFields(Ids::next(), ['name' => $chance->yes(60) ? $chance->word() : '', 'line' => $chance->pick([null, 'dashed']), 'fill' => $chance->pick([null, 'tint'])]));
            $siblings = array_map(strval(...), array_keys($map->children($chance->pick($ids))));
            foreach (array_unique($siblings !== [] && $chance->yes(60) ? array_slice($siblings, $chance->int(0, 1), $chance->int(1, 4)) : [$chance->pick($ids), $chance->pick($ids)]) as $id) {
                $map->put(RingMember::fromFields(Ids::next(), ['topic' => $id, 'ring' => $ring->id]));
            }
        }
        foreach (array_filter($ids, fn (): bool => $chance->yes(12)) as $parent) {
            $siblings = array_map(strval(...), array_keys($map->children($parent)));
            if (count($siblings) > 1) {
                $from = $chance->int(0, count($siblings) - 2);
                $to = $chance->int($from, count($siblings) - 2);
                $map->put(Brace::fromFields(Ids::next(), ['topic' => $siblings[count($siblings) - 1], 'first' => $siblings[$from], 'last' => $siblings[$to]]));
            }
        }
    }

    /** @return array<string, scalar> how a cross-link is, without what it ties */
    public static function link(Chance $chance): array
    {
        return array_filter([
            'phrase' => $chance->yes(80) ? mb_substr($chance->words($chance->int(1, 6)), 0, 300) : null,
            'heads' => $chance->pick([null, null, 'none', 'both']),
            'form' => $chance->pick([null, null, 'straight', 'corner']),
            'chalk' => $chance->pick([null, 'tide', 'coral']),
            'thick' => $chance->pick([null, 1, 4]),
            'dash' => $chance->pick([null, null, 'dashed', 'dotted']),
            'weight' => $chance->pick([null, null, 'bold']),
        ] + ($chance->yes(15) ? ['bendAt' => $chance->int(100, 900), 'bendBy' => $chance->int(-200, 200)] : []), fn (mixed $value): bool => $value !== null);
    }

    /** @return array<string, scalar> some stamps */
    private static function stamps(Chance $chance): array
    {
        return [$chance->pick(Stamp::cases())->value => true, $chance->pick(Stamp::cases())->value => true, 'rank' => $chance->int(1, 9)] + ($chance->yes(30) ? ['letter' => 'K'] : []);
    }

    /** @return array<string, scalar|null> */
    private static function picture(Chance $chance): array
    {
        return ['source' => $chance->pick(['drawing:red-apple', 'file:'.str_repeat('ab', 32)]), 'place' => $chance->pick([null, ...TopicPicture::PLACES]), 'width' => $chance->pick([null, 20, 300]), 'wide' => $chance->int(1, 900), 'high' => $chance->int(1, 900)];
    }

    /** @return array<string, scalar|null> something of a look */
    private static function look(Chance $chance): array
    {
        return [
            'shape' => $chance->pick([null, ...Shapes::names()]), 'size' => $chance->pick([null, null, 9, 28]), 'face' => $chance->pick([null, ...TypeFace::names()]),
            'fill' => $chance->pick([null, 'none', 'tint:coral']), 'line' => $chance->pick([null, ...LookFields::LINES]), 'lineDash' => $chance->pick([null, 'dotted']),
            'caption' => $chance->pick([null, 'above']),
            'gap' => $chance->pick([null, 0, 60]), 'reach' => $chance->pick([null, 20, 90]),
        ];
    }

    /** The body of an edit as it comes over the wire, mostly one that can be done. */
    public static function edit(Chance $chance, TopicMap $map): array
    {
        $ids = array_map(fn (Topic $topic): string => $topic->id, array_values($map->everything()));
        $tops = array_map(fn (Topic $topic): string => $topic->id, [$map->root(), ...array_values($map->loose()), ...array_values($map->parked())]);
        // Now and then such as do not belong together: the root, loose and parked ones, or one with what stands above it.
        $one = fn (): array => match ($chance->int(1, 8)) {
            1 => [$chance->pick($tops)],
            2, 3 => [$at = $chance->pick($ids), ...array_slice(array_map(fn (Topic $above): string => $above->id, $map->ancestors($at)), 0, 2)],
            default => [$chance->pick($ids)],
        };
        $some = fn (): array => array_values(array_unique(array_merge(...array_map(fn (): array => $one(), range(1, $chance->int(1, 3))))));
        $place = fn (): array => match ($chance->int(1, 5)) {
            1 => ['before' => $chance->pick($ids)],
            2 => ['after' => $chance->pick($ids)],
            3 => ['parent' => $chance->pick($ids), 'first' => true],
            4 => $chance->yes(10) ? ['parent' => null] : ['parent' => $chance->pick($ids)],
            default => ['parent' => $chance->pick($ids)],
        };

        $parked = [...array_map(strval(...), array_keys($map->parked())), Ids::next()];

        $tags = [Ids::next(), ...array_keys($map->rowsOf(Tag::class))];

        $links = [Ids::next(), ...array_map(strval(...), array_keys($map->rowsOf(CrossLink::class)))];

        $rings = [Ids::next(), ...array_map(strval(...), array_keys($map->rowsOf(Ring::class)))];
        $braces = [$chance->pick($ids), ...array_values(array_map(fn (Brace $brace): string => $brace->topic(), $map->rowsOf(Brace::class)))];
        $below = array_map(strval(...), array_keys($map->children((string) $map->root()->id)));
        $siblings = $below === [] || $chance->yes(10) ? [$chance->pick($ids)] : [$chance->pick($below), $chance->pick($below)];

        return match ($chance->int(1, 53)) {
            50, 51, 52, 53 => RandomFacts::edit($chance, $map, $ids, $some()),
            49 => self::showing($chance, $map, $some()),
            48 => self::lead($chance, $map, $ids, $some()),
            47 => self::step($chance, $map, $ids, $links),
            41 => $chance->pick([
                ['name' => 'row.set', 'type' => 'stamps', 'topics' => $some(), 'fields' => self::stamps($chance)],
                ['name' => 'row.set', 'type' => 'stamps', 'topics' => $some(), 'fields' => ['done' => false, 'rank' => null]],
                ['name' => 'topic.tag', 'topics' => $some(), 'tag' => $chance->pick($tags), 'off' => $chance->yes(30)],
                ['name' => 'row.set', 'type' => 'tag', 'row' => $chance->pick($tags), 'fields' => ['name' => $chance->pick(['paid', 'Wet', 'new', 'old'])]],
                ['name' => 'tag.join', 'tag' => $chance->pick($tags), 'into' => $chance->pick($tags)],
                ['name' => 'sign.mean', 'sign' => $chance->pick(['stamp:idea', 'stamp:3', 'chalk:tide', 'shape:oval']), 'means' => $chance->pick([null, 'to be tried'])],
                ['name' => 'row.set', 'type' => 'legend', 'row' => array_key_first($map->rowsOf(LegendPlace::class)) ?? Ids::next(), 'fields' => ['shown' => $chance->yes(70), 'x' => $chance->pick([null, 40])]],
            ]),
            42 => $chance->pick([
                ['name' => 'row.set', 'type' => 'picture', 'topics' => $some(), 'fields' => self::picture($chance)],
                ['name' => 'picture.move', 'topic' => $chance->pick([...$ids, ...array_keys($map->rowsOf(TopicPicture::class))]), 'to' => $chance->pick($ids)],
            ]),
            43, 44 => $chance->pick([
                ['name' => 'crosslink.tie', 'topics' => $tied = $some(), 'to' => $chance->pick($ids), 'as' => array_map(fn (): string => Ids::next(), $tied), 'turns' => $chance->yes(30)],
                ['name' => 'crosslink.turn', 'links' => [$chance->pick($links)]],
                ['name' => 'crosslink.splice', 'link' => $chance->pick($links), 'topic' => $chance->pick($ids), 'as' => Ids::next()],
                ['name' => 'row.set', 'type' => 'crosslink', 'row' => $chance->pick($links), 'fields' => self::link($chance) + ['from' => $chance->pick($ids), 'to' => $chance->pick($ids)]],
                ['name' => 'row.set', 'type' => 'crosslink', 'rows' => $links, 'fields' => ['chalk' => 'kelp']],
                ['name' => 'row.remove', 'type' => 'crosslink', 'rows' => [$chance->pick($links)]],
                ['name' => 'row.set', 'type' => 'phrase', 'topics' => $some(), 'fields' => ['phrase' => $chance->words($chance->int(0, 5))]],
                ['name' => 'row.set', 'type' => 'phrases', 'topics' => $some(), 'fields' => ['are' => $chance->pick([null, 'asked', 'hidden'])]],
            ]),
            45, 46 => $chance->pick([
                ['name' => 'ring.draw', 'topics' => $some(), 'as' => Ids::next()],
                ['name' => 'ring.put', 'topics' => $some(), 'ring' => $chance->pick($rings), 'out' => $chance->yes(50)],
                ['name' => 'row.set', 'type' => 'ring', 'row' => $chance->pick($rings), 'fields' => ['name' => $chance->word(), 'corner' => $chance->int(0, 40)]],
                ['name' => 'row.remove', 'type' => 'ring', 'rows' => [$chance->pick($rings)]],
                ['name' => 'brace.draw', 'topics' => $siblings, 'as' => Ids::next()],
                ['name' => 'brace.draw', 'topics' => $siblings, 'as' => Ids::next()],
                ['name' => 'brace.span', 'topic' => $chance->pick($braces), 'from' => $chance->pick($siblings), 'to' => $chance->pick($ids)],
                ['name' => 'topic.copy', 'topics' => [$chance->pick($ids)]] + $place(),
            ]),
            1, 2, 3, 4 => ['name' => 'topic.add', 'topic' => ['id' => Ids::next(), 'title' => self::title($chance), 'children' => $chance->yes(20) ? [['title' => $chance->word()], ['children' => [['note' => 'n']]]] : []]] + $place(),
            5 => ['name' => 'topic.retitle', 'topic' => $chance->pick($ids), 'title' => self::title($chance)],
            6 => ['name' => 'topic.caption', 'topics' => $some(), 'caption' => $chance->word()],
            7 => ['name' => 'topic.note', 'topics' => $some(), 'note' => $chance->note()],
            8, 9 => ['name' => 'topic.move', 'topics' => $some()] + $place(),
            10 => ['name' => 'topic.remove', 'topics' => $some()],
            11 => ['name' => 'topic.restore', 'topics' => [$chance->pick([...array_map(fn (Topic $t): string => $t->id, $map->removedTops()), Ids::next()])]],
            12 => ['name' => 'topic.side', 'topics' => $some(), 'side' => $chance->pick(['left', 'right', null])],
            13 => $chance->pick([
                ['name' => 'row.set', 'type' => 'look', 'topics' => $some(), 'fields' => ['width' => $chance->pick([null, 80, 300])] + self::look($chance) + ['chalk' => $chance->pick([null, 'kelp'])]],
                ['name' => 'row.set', 'type' => 'look', 'topics' => $some(), 'fields' => ['width' => null, 'chalk' => 'ember']],
                ['name' => 'row.set', 'type' => 'level-look', 'row' => Ids::next(), 'fields' => ['level' => $chance->int(0, 3)] + self::look($chance)],
                ['name' => 'row.set', 'type' => 'map-look', 'row' => array_key_first($map->rowsOf(MapLook::class)) ?? Ids::next(), 'fields' => ['whole' => $chance->pick(Looks::names()), 'mirrored' => $chance->yes(30)]],
                ['name' => 'row.set', 'type' => 'mixed-chalk', 'row' => $chance->pick([Ids::next(), ...array_keys($map->rowsOf(MixedChalk::class))]), 'fields' => ['name' => $chance->word(), 'day' => $chance->pick(['#225566', '#ffee00']), 'slate' => '#88ccee']],
                ['name' => 'row.set', 'type' => 'look', 'topics' => $some(), 'fields' => ['chalk' => $chance->pick([Ids::next(), ...array_keys($map->rowsOf(MixedChalk::class))]), 'named' => $chance->pick([null, ...array_keys($map->rowsOf(NamedLook::class))])]],
                ['name' => 'row.set', 'type' => 'named-look', 'row' => Ids::next(), 'fields' => ['name' => 'Loud', 'fill' => 'tint:'.$chance->pick(['kelp', ...array_keys($map->rowsOf(MixedChalk::class))])] + self::look($chance)],
                ['name' => 'row.set', 'type' => 'arrangement', 'topics' => $some(), 'fields' => ['name' => $chance->pick([null, ...Arrangements::names()]), 'head' => $chance->pick([null, 'left']), 'sides' => $chance->pick([null, 'above', 'below']), 'goes' => $chance->pick([null, 'order']), 'day' => $chance->pick([null, 'by', 'done']), 'runs' => $chance->pick([null, 'across'])]],
            ]),
            14, 15 => ['name' => 'topic.add', 'topic' => ['title' => $chance->title()], 'parent' => null, 'x' => $chance->int(-600, 600), 'y' => $chance->int(-400, 400)],
            16 => ['name' => 'topic.move', 'topics' => $some(), 'parent' => null, 'x' => $chance->int(-600, 600), 'y' => $chance->int(-400, 400)],
            17, 39 => ['name' => 'topic.park', 'topics' => $some()],
            40 => ['name' => 'topic.join', 'topics' => $some()],
            18, 19 => ['name' => 'topic.bring-back', 'topics' => [$chance->pick($parked)]],
            20 => ['name' => 'topic.copy', 'topics' => $some()] + $place(),
            21 => ['name' => 'topic.add-many', 'topics' => [['title' => $chance->title()], ['title' => 'b', 'children' => [['title' => 'c']]]]] + $place(),
            22 => ['name' => 'topic.wrap', 'topics' => $some(), 'as' => [Ids::next(), Ids::next(), Ids::next()], 'title' => $chance->word(), 'each' => $chance->yes(50)],
            23 => ['name' => 'topic.dissolve', 'topics' => $some()],
            24 => ['name' => 'topic.lift', 'topics' => $some()],
            25 => ['name' => 'level.dissolve', 'topics' => $some(), 'whole' => $chance->yes(80)],
            26 => ['name' => 'topic.break', 'topics' => $some(), 'by' => $chance->pick(['lines', 'sentences']), 'below' => $chance->yes(30)],
            27 => ['name' => 'topic.break', 'topics' => $some(), 'by' => 'separator', 'separator' => $chance->pick([' ', 'a', '-'])],
            28 => ['name' => 'topic.join', 'topics' => $some(), 'glue' => $chance->pick([' ', '', ', '])],
            29 => ['name' => 'text.send', 'topics' => $some()] + $chance->pick([['from' => 'title', 'to' => 'note'], ['from' => 'note', 'to' => 'title'], ['from' => 'caption', 'to' => 'title'], ['from' => 'note', 'to' => 'caption']]),
            30 => ['name' => 'text.append', 'topics' => $some(), 'to' => $chance->pick($ids)],
            31 => ['name' => 'branch.sort', 'topics' => $some(), 'by' => $chance->pick(['title', 'length', 'subtopics', 'changed', 'reverse', 'shuffle']), 'deep' => $chance->yes(50), 'down' => $chance->yes(50), 'seed' => 7],
            32 => $chance->pick([['name' => 'branch.empties', 'topics' => $some()], ['name' => 'branch.duplicates', 'topics' => $some()], ['name' => 'branch.duplicates', 'topics' => [$map->root()->id]], ['name' => 'text.tidy', 'topics' => $some(), 'way' => $chance->pick(['spaces', 'lower', 'upper', 'words', 'begin']), 'deep' => true]]),
            33 => ['name' => 'branch.number', 'topics' => $some(), 'numbering' => $chance->pick([null, '1', '1.1*', 'A,1,a', 'I,i*']), 'from' => $chance->int(0, 30)],
            34 => ['name' => 'topic.apart', 'topics' => $some(), 'x' => $chance->int(0, 120), 'y' => $chance->int(-90, 90), 'deep' => $chance->yes(20)],
            35 => ['name' => 'topic.split', 'topic' => $chance->pick($ids), 'first' => $chance->title(), 'second' => $chance->word(), 'as' => Ids::next()],
            36 => $chance->pick([
                ['name' => 'text.replace', 'find' => ['text' => $chance->word()], 'with' => $chance->word()],
                ['name' => 'topic.paste', 'as' => 'branches', 'lines' => [['level' => 0, 'text' => $chance->word()], ['level' => 3, 'text' => $chance->word()], ['level' => 1, 'text' => 'z']]] + $place(),
            ]),
            default => $chance->pick([['name' => 'map.balance'], ['name' => 'map.arrange', 'arrangement' => $chance->pick(['both-sides', 'rightward'])], ['name' => 'map.rename', 'title' => $chance->word()]]),
        };
    }

    /**
     * Something done with decks and slides, and with the stops of a walk.
     *
     * @param  non-empty-list<string>  $some
     */
    private static function showing(Chance $chance, TopicMap $map, array $some): array
    {
        $decks = [...array_map(strval(...), array_keys($map->rowsOf(Deck::class))), Ids::next()];
        $slides = [...array_map(strval(...), array_keys($map->rowsOf(Slide::class))), Ids::next()];

        return $chance->pick([
            ['name' => 'deck.make', 'as' => Ids::next(), 'title' => $chance->word(), 'of' => $chance->pick([null, $some[0]]), 'makes' => $chance->pick(Makes::cases())->value, 'inStep' => $chance->yes(60)],
            ['name' => 'deck.make', 'as' => Ids::next(), 'title' => $chance->word(), 'of' => $map->root()->id, 'makes' => $chance->pick(Makes::cases())->value, 'inStep' => true],
            ['name' => 'slide.add', 'as' => Ids::next(), 'deck' => $chance->pick($decks), 'topics' => $some, 'after' => $chance->pick([null, ...$slides])],
            ['name' => 'slide.move', 'slides' => array_values(array_unique([$chance->pick($slides), $chance->pick($slides)])), 'deck' => $chance->pick($decks), 'after' => $chance->pick([null, ...$slides])],
            ['name' => 'slide.copy', 'slide' => $chance->pick($slides), 'as' => Ids::next()],
            ['name' => 'slide.remove', 'slides' => [$chance->pick($slides)]],
            ['name' => 'slide.put', 'slide' => $chance->pick($slides), 'topics' => $some, 'how' => $chance->pick(PutOnSlide::ways())],
            ['name' => 'row.set', 'type' => 'slide', 'row' => $chance->pick($slides), 'fields' => ['title' => $chance->word(), 'hidden' => $chance->yes(50)]],
            ['name' => 'deck.remove', 'deck' => $chance->pick($decks)],
            ['name' => 'stop.put', 'topics' => $some],
            ['name' => 'stop.put', 'topics' => $some, 'after' => $chance->pick([null, ...array_map(strval(...), array_keys($map->rowsOf(Stop::class)))])],
            ['name' => 'stop.remove', 'topics' => $some],
        ]);
    }

    /**
     * Something done with steps, of a process that is mostly there.
     *
     * @param  non-empty-list<string>  $ids
     * @param  non-empty-list<string>  $links
     */
    private static function step(Chance $chance, TopicMap $map, array $ids, array $links): array
    {
        $steps = [];
        foreach (array_keys($map->rowsOf(BranchArrangement::class)) as $head) {
            if ($map->has((string) $head) && Steps::isFlow($map, (string) $head)) {
                $steps = array_map(strval(...), array_keys($map->children((string) $head)));
            }
        }
        if (count($steps) < 2) {
            return ['name' => 'row.set', 'type' => 'arrangement', 'topics' => [$chance->pick($ids)], 'fields' => ['name' => 'flow']];
        }

        return $chance->pick([
            ['name' => 'crosslink.tie', 'topics' => [$chance->pick($steps)], 'to' => $chance->pick($steps), 'as' => [Ids::next()]],
            ['name' => 'crosslink.tie', 'topics' => [$chance->pick($steps)], 'to' => $chance->pick($steps), 'as' => [Ids::next()]],
            ['name' => 'flow.lift', 'topics' => [$chance->pick($steps)]],
            ['name' => 'flow.put', 'topic' => $chance->pick($chance->yes(30) ? $ids : $steps), 'link' => $chance->pick($links), 'as' => Ids::next()],
            ['name' => 'flow.shift', 'topic' => $chance->pick($steps), 'by' => $chance->pick([-1, 1]), 'as' => Ids::next()],
        ]);
    }

    /**
     * Ways out of topics, and files at them.
     *
     * @param  non-empty-list<string>  $ids
     * @param  list<string>  $some
     */
    private static function lead(Chance $chance, TopicMap $map, array $ids, array $some): array
    {
        $row = fn (string $class): string => $chance->pick([Ids::next(), ...array_map(strval(...), array_keys($map->rowsOf($class)))]);

        return $chance->pick([
            ['name' => 'row.set', 'type' => 'link', 'row' => $row(Link::class), 'fields' => ['at' => $chance->pick($ids), 'to' => $chance->pick(['https://saltmere.example/tides', 'mailto:office@saltmere.example', ContentName::of(str_repeat('ab', 32)), 'map:'.Ids::next()]), 'title' => $chance->words(2)]],
            ['name' => 'row.set', 'type' => 'see-also', 'row' => $row(SeeAlso::class), 'fields' => ['one' => $chance->pick($ids), 'other' => $chance->pick($ids), 'oneWay' => $chance->yes(30)]],
            ['name' => 'row.set', 'type' => 'file', 'row' => $row(AttachedFile::class), 'fields' => self::file($chance) + ['at' => $chance->pick($ids)]],
            ['name' => 'row.set', 'type' => 'file', 'row' => $row(AttachedFile::class), 'fields' => $chance->pick([['name' => $chance->word()], ['name' => ''], ['source' => ContentName::of(str_repeat('cd', 32))]])],
            ['name' => 'row.remove', 'type' => 'file', 'rows' => [$row(AttachedFile::class)]],
            ['name' => 'row.remove', 'type' => 'link', 'rows' => [$row(Link::class)]],
            ['name' => 'row.set', 'type' => 'how-far', 'topics' => $some, 'fields' => ['shown' => $chance->yes(70)]],
            ['name' => 'link.tell', 'topic' => $chance->pick($ids), 'of' => $of = $chance->int(0, 40), 'done' => $chance->int(0, $of)],
        ]);
    }

    /** @return array<string, scalar> a file, but where it is */
    private static function file(Chance $chance): array
    {
        return ['source' => ContentName::of(str_repeat($chance->pick(['ab', 'cd']), 32)), 'name' => $chance->word().$chance->pick(['.pdf', '.webm', '.wav', '.png', '.csv', '']), 'bytes' => $chance->int(0, 1_000_000)];
    }

    /** Often a word that other topics have too, so that there is something to merge, find and replace. */
    private static function title(Chance $chance): string
    {
        return $chance->yes(50) ? $chance->pick(['boat', 'Boat', 'quay', 'tide', '']) : $chance->title();
    }

    public static function read(array $body): Edit
    {
        return Edits::read($body['name'], array_diff_key($body, ['name' => 1]));
    }

    /** Everything in a map in a form that compares: rows by type and id, fields by name. */
    public static function contents(TopicMap $map): array
    {
        $contents = [];
        foreach ($map->rows() as $type => $rows) {
            foreach ($rows as $id => $row) {
                $contents[$type][$id] = $row->fields();
            }
        }
        array_walk($contents, fn (array &$rows) => ksort($rows));

        return array_filter($contents);
    }

    /** What a reader of a format should find again: per topic the text as drawn, the caption, the note, the depth. */
    public static function reading(TopicMap $map, bool $all = true): array
    {
        $depths = [];
        $lines = [];
        foreach ($map->all() as $id => $topic) {
            $depths[$id] = $topic->parent === null ? 0 : $depths[$topic->parent] + 1;
            $lines[] = $all
                ? [$depths[$id], \ChalkTree\Text\InlineMarkdown::runs($topic->title), $topic->caption, $topic->note]
                : [$depths[$id], trim(preg_replace('/\s+/u', ' ', \ChalkTree\Text\InlineMarkdown::plain($topic->title)))];
        }

        return $lines;
    }

    public static function sheet(TopicMap $map): Sheet
    {
        return $map->sheet();
    }
}
