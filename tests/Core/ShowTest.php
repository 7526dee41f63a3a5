<?php

declare(strict_types=1);

use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Draw\Paints;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Privacy\PrivateBranch;
use ChalkTree\Refusal;
use ChalkTree\Ring\Ring;
use ChalkTree\Ring\RingMember;
use ChalkTree\Show\Deck;
use ChalkTree\Show\Decks;
use ChalkTree\Show\SaidLines;
use ChalkTree\Show\Slide;
use ChalkTree\Show\SlideBoard;
use ChalkTree\Show\SlideOutline;
use ChalkTree\Show\SlidePages;
use ChalkTree\Show\SlideSheet;
use ChalkTree\Show\SlideTopics;
use ChalkTree\Show\SlideWriter;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

beforeEach(function () {
    $this->map = NewMap::from(new TopicDraft('Tides', children: [
        new TopicDraft('Moon', note: 'It pulls at the water.', children: [new TopicDraft('New', children: [new TopicDraft('Springs')]), new TopicDraft('Full')]),
        new TopicDraft('Sun', children: [new TopicDraft('Noon')]),
        new TopicDraft('Shore', note: 'What one sees.', children: [new TopicDraft('Weed'), new TopicDraft('Shells')]),
    ]), arrangement: 'rightward');
    $this->id = fn (string $title): string => (string) array_search($title, array_map(fn ($topic): string => $topic->title, $this->map->everything()), true);
    $this->make = fn (string $name, array $with): Changes => Edits::apply(Edits::read($name, $with), $this->map);
    $this->deck = function (string $of = 'Tides', string $makes = 'children', bool $inStep = false): Deck {
        ($this->make)('deck.make', ['as' => $id = Ids::next(), 'title' => 'Lesson', 'of' => ($this->id)($of), 'makes' => $makes, 'inStep' => $inStep]);

        return $this->map->row('deck', $id);
    };
    $this->slides = fn (Deck $deck): array => Decks::slides($this->map, $this->map->row('deck', $deck->id));
    $this->titles = fn (Deck $deck): array => array_map(fn (Slide $slide): string => $slide->titleIn($this->map), ($this->slides)($deck));
    $this->seen = fn (Slide $slide): string => implode(' ', array_map(fn (string $id): string => $this->map->topic($id)->title, $slide->seen($this->map)));
    $this->slide = function (array $titles, array $with = []): Slide {
        ($this->make)('slide.add', ['as' => $id = Ids::next(), 'deck' => Ids::next(), 'topics' => array_map($this->id, $titles)]);
        $with === [] ?: ($this->make)('row.set', ['type' => 'slide', 'row' => $id, 'fields' => $with]);

        return $this->map->row('slide', $id);
    };
    $this->put = function (Slide $slide, string $how, string ...$titles): Slide {
        ($this->make)('slide.put', ['slide' => $slide->id, 'topics' => array_map($this->id, $titles), 'how' => $how]);

        return $this->map->row('slide', $slide->id);
    };
});

it('makes a slide of each branch, level, note or topic', function (string $makes, array $titles, array $seen) {
    $deck = ($this->deck)('Tides', $makes);
    expect(($this->titles)($deck))->toBe($titles)->and(array_map($this->seen, ($this->slides)($deck)))->toBe($seen);
})->with([
    ['children', ['Moon', 'Sun', 'Shore'], ['Moon New Springs Full', 'Sun Noon', 'Shore Weed Shells']],
    ['levels', ['Tides', 'Tides', 'Tides', 'Tides'], ['Tides', 'Tides Moon Sun Shore', 'Tides Moon New Full Sun Noon Shore Weed Shells', 'Tides Moon New Springs Full Sun Noon Shore Weed Shells']],
    ['noted', ['Moon', 'Shore'], ['Moon New Springs Full', 'Shore Weed Shells']],
    ['each', ['Tides', 'Moon', 'New', 'Springs', 'Full', 'Sun', 'Noon', 'Shore', 'Weed', 'Shells'], ['Tides Moon Sun Shore', 'Moon New Full', 'New Springs', 'Springs', 'Full', 'Sun Noon', 'Noon', 'Shore Weed Shells', 'Weed', 'Shells']],
]);

it('shows so many levels of a large branch as can be read', function () {
    $wide = NewMap::from(new TopicDraft('Sea', children: [
        new TopicDraft('Fish', children: array_map(fn (int $i): TopicDraft => new TopicDraft("Kind {$i}", children: array_map(fn (int $n): TopicDraft => new TopicDraft("Sort {$n}"), range(1, 9))), range(1, 6))),
        new TopicDraft('Boats', children: [new TopicDraft('Ferry', children: [new TopicDraft('Deck', children: [new TopicDraft('Bench')])])]),
        new TopicDraft('Sand', children: array_map(fn (int $i): TopicDraft => new TopicDraft("Grain {$i}"), range(1, 80))),
    ]));
    [, $slides] = Decks::madeOf($wide, $wide->root()->id);
    expect(array_map(fn (Slide $slide): array => [$slide->number('depth'), count($slide->seen($wide))], $slides))->toBe([[1, 7], [null, 4], [1, 81]]);
});

it('shows branches, topics alone, and leaves out what is said to be out, as the nearest above says', function () {
    $slide = ($this->slide)(['Moon', 'Shore']);
    expect(($this->seen)($slide))->toBe('Moon New Springs Full Shore Weed Shells');
    $slide = ($this->put)($slide, 'out', 'New');
    expect(($this->seen)($slide))->toBe('Moon Full Shore Weed Shells');
    expect(($this->seen)(($this->put)($slide, 'alone', 'Springs')))->toBe('Moon Springs Full Shore Weed Shells');
    $slide = ($this->put)($slide, 'alone', 'Shore');
    expect(($this->seen)($slide))->toBe('Moon Springs Full Shore');
    expect(($this->seen)(($this->put)($slide, 'fold', 'Moon')))->toBe('Moon Shore');
    expect(($this->seen)(($this->put)($slide, 'unfold', 'Moon')))->toBe('Moon Springs Full Shore');
    // Taken off and put on again, nothing more is said than at the beginning.
    $slide = ($this->put)(($this->put)($slide, 'out', 'Springs', 'Shore'), 'branch', 'New');
    expect(($this->seen)($slide))->toBe('Moon New Springs Full');
    // What goes takes along what was named below it.
    expect(($this->seen)(($this->put)(($this->put)($slide, 'alone', 'Springs'), 'out', 'Moon')))->toBe('');
    foreach (['Tides', 'Moon', 'Full', 'Springs'] as $title) {
        expect($slide->chosen()->has($this->map, ($this->id)($title)))->toBe($title !== 'Tides', $title);
    }
});

it('shows so many levels below each that is named', function () {
    expect(($this->seen)(($this->slide)(['Tides'], ['depth' => 1])))->toBe('Tides Moon Sun Shore');
    $slide = ($this->put)(($this->slide)(['Tides'], ['depth' => 1]), 'branch', 'New');
    expect(($this->seen)($slide))->toBe('Tides Moon New Springs Sun Shore');
});

it('is a slide of the chosen topics as they are folded, with one key, in a deck that comes with it', function () {
    ($this->make)('slide.add', ['as' => $id = Ids::next(), 'deck' => $deck = Ids::next(), 'topics' => array_map($this->id, ['Moon', 'New', 'Shore']), 'folded' => [($this->id)('New')]]);
    $slide = $this->map->row('slide', $id);
    expect(($this->seen)($slide))->toBe('Moon New Full Shore Weed Shells')->and($this->map->row('deck', $deck)->text('name'))->toBe('Slides')
        ->and($slide->titleIn($this->map))->toBe('Moon');
});

it('puts slides where they are wanted, whatever the order was', function (int $seed) {
    $chance = new Chance($seed);
    $deck = ($this->deck)('Tides', 'each');
    $wanted = array_map(fn (Slide $slide): string => $slide->id, ($this->slides)($deck));
    for ($i = 0; $i < 25; $i++) {
        $moved = array_values(array_unique([$chance->pick($wanted), $chance->pick($wanted)]));
        $rest = array_values(array_diff($wanted, $moved));
        $after = $chance->pick([null, ...$rest]);
        ($this->make)('slide.move', ['slides' => $moved, 'deck' => $deck->id, 'after' => $after]);
        array_splice($rest, $after === null ? 0 : (int) array_search($after, $rest, true) + 1, 0, $moved);
        expect(array_map(fn (Slide $slide): string => $slide->id, ($this->slides)($deck)))->toBe($wanted = $rest);
    }
})->with([1, 2, 3]);

it('keeps a deck in step with its branch, and its own order and words', function () {
    $deck = ($this->deck)(inStep: true);
    [$moon, $sun, $shore] = ($this->slides)($deck);
    ($this->make)('slide.move', ['slides' => [$shore->id], 'deck' => $deck->id, 'after' => null]);
    ($this->make)('row.set', ['type' => 'slide', 'row' => $sun->id, 'fields' => ['notes' => 'Warm.']]);
    expect(($this->titles)($deck))->toBe(['Shore', 'Moon', 'Sun']);
    // What is new comes after what stands before it in the map.
    $added = ($this->make)('topic.add', ['topic' => ['title' => 'Wind'], 'after' => ($this->id)('Moon')]);
    expect(($this->titles)($deck))->toBe(['Shore', 'Moon', 'Wind', 'Sun']);
    ($this->make)('topic.add', ['topic' => ['title' => 'First'], 'before' => ($this->id)('Moon')]);
    expect(($this->titles)($deck))->toBe(['First', 'Shore', 'Moon', 'Wind', 'Sun']);
    // What goes takes its slide along, and it comes back as it was.
    ($this->make)('topic.remove', ['topics' => [$id = ($this->id)('Sun')]]);
    expect(($this->titles)($deck))->toBe(['First', 'Shore', 'Moon', 'Wind']);
    ($this->make)('topic.restore', ['topics' => [$id]]);
    expect(($this->titles)($deck))->toBe(['First', 'Shore', 'Moon', 'Wind', 'Sun'])->and($this->map->row('slide', $sun->id)->text('notes'))->toBe('Warm.');
    ($this->make)('topic.move', ['topics' => [$id], 'parent' => ($this->id)('Shore')]);
    expect(($this->titles)($deck))->toBe(['First', 'Shore', 'Moon', 'Wind'])->and(count(Decks::kept($this->map, $deck->id)))->toBe(5);
    ($this->make)('topic.retitle', ['topic' => ($this->id)('Moon'), 'title' => 'The Moon']);
    expect(($this->titles)($deck)[2])->toBe('The Moon')->and(array_filter($added->all, fn ($change): bool => $change->type === 'slide'))->toHaveCount(1);
});

it('makes no slide anew that was taken out of a deck in step, but hides it', function () {
    $deck = ($this->deck)(inStep: true);
    ($this->make)('slide.remove', ['slides' => [($this->slides)($deck)[1]->id]]);
    ($this->make)('topic.caption', ['topics' => [($this->id)('Sun')], 'caption' => 'far']);
    expect(array_map(fn (Slide $slide): string => $slide->titleIn($this->map), Decks::shown($this->map, $deck)))->toBe(['Moon', 'Shore'])
        ->and(($this->titles)($deck))->toBe(['Moon', 'Sun', 'Shore']);
    ($this->make)('row.set', ['type' => 'deck', 'row' => $deck->id, 'fields' => ['inStep' => false]]);
    ($this->make)('slide.remove', ['slides' => [($this->slides)($deck)[1]->id]]);
    expect(($this->titles)($deck))->toBe(['Moon', 'Shore']);
});

it('follows levels, notes and all topics of a branch too', function () {
    [$levels, $noted, $each] = [($this->deck)('Shore', 'levels', true), ($this->deck)('Tides', 'noted', true), ($this->deck)('Shore', 'each', true)];
    ($this->make)('topic.add', ['topic' => ['title' => 'Brown'], 'parent' => ($this->id)('Weed')]);
    expect(count(($this->slides)($levels)))->toBe(3)->and(($this->titles)($each))->toBe(['Shore', 'Weed', 'Brown', 'Shells']);
    ($this->make)('topic.note', ['topics' => [($this->id)('Sun')], 'note' => 'Hot']);
    expect(($this->titles)($noted))->toBe(['Moon', 'Sun', 'Shore']);
    ($this->make)('topic.note', ['topics' => [($this->id)('Moon')], 'note' => '']);
    expect(($this->titles)($noted))->toBe(['Sun', 'Shore']);
    ($this->make)('topic.remove', ['topics' => [($this->id)('Brown')]]);
    expect(count(($this->slides)($levels)))->toBe(2);
    // A branch that is moved there brings all its levels, and takes them away again.
    ($this->make)('topic.move', ['topics' => [($this->id)('Moon')], 'parent' => ($this->id)('Shells')]);
    expect(array_map(fn (Slide $slide): ?int => $slide->number('depth'), ($this->slides)($levels)))->toBe([0, 1, 2, 3, 4]);
    ($this->make)('topic.move', ['topics' => [($this->id)('Moon')], 'parent' => ($this->id)('Tides')]);
    expect(count(($this->slides)($levels)))->toBe(2);
});

it('copies a slide as one\'s own, with the words that were seen', function () {
    $deck = ($this->deck)(inStep: true);
    ($this->make)('slide.copy', ['slide' => ($this->slides)($deck)[0]->id, 'as' => $id = Ids::next()]);
    $copy = $this->map->row('slide', $id);
    expect(($this->titles)($deck))->toBe(['Moon', 'Moon', 'Sun', 'Shore'])->and($copy->saidIn($this->map))->toBe('It pulls at the water.')->and($copy->text('of'))->toBe('');
    ($this->make)('slide.remove', ['slides' => [$id]]);
    expect($this->map->row('slide', $id))->toBeNull();
});

it('removes a deck with its slides and leaves the topics', function () {
    $deck = ($this->deck)();
    $other = ($this->deck)('Shore');
    $edit = ($this->make)('deck.remove', ['deck' => $deck->id]);
    expect($this->map->rowsOf(Slide::class))->toHaveCount(2)->and(count($this->map->all()))->toBe(10)->and(Decks::of($this->map)[0]->id)->toBe($other->id);
    $edit->reversed()->applyTo($this->map, new Recorder($this->map));
    expect(($this->titles)($deck))->toBe(['Moon', 'Sun', 'Shore']);
});

it('says no where there is nothing to make, and changes nothing', function (string $name, array $with, string $why) {
    $ids = ['MOON' => ($this->id)('Moon'), 'SPRINGS' => ($this->id)('Springs'), 'NEW' => Ids::next()];
    $with = array_map(fn ($one) => is_string($one) ? ($ids[$one] ?? $one) : (is_array($one) ? array_map(fn (string $id): string => $ids[$id] ?? $id, $one) : $one), $with);
    expect(fn () => ($this->make)($name, $with))->toThrow(Refusal::class, $why)->and($this->map->rowsOf(Slide::class))->toBe([])->and($this->map->rowsOf(Deck::class))->toBe([]);
})->with([
    ['deck.make', ['as' => 'NEW', 'title' => 'x', 'of' => 'SPRINGS'], 'nothing below this topic'],
    ['deck.make', ['as' => 'NEW', 'title' => 'x', 'of' => 'SPRINGS', 'makes' => 'noted'], 'has a note'],
    ['deck.make', ['as' => 'NEW', 'title' => '  '], 'name'],
    ['slide.add', ['as' => 'NEW', 'deck' => 'NEW', 'topics' => ['NEW']], 'topic'],
    ['slide.move', ['slides' => ['NEW'], 'deck' => 'NEW', 'after' => null], 'deck is not in the map'],
    ['slide.put', ['slide' => 'NEW', 'topics' => ['MOON'], 'how' => 'branch'], 'slide is not in the map'],
    ['slide.put', ['slide' => 'NEW', 'topics' => ['MOON'], 'how' => 'upside'], 'how'],
    ['row.set', ['type' => 'slide', 'row' => 'NEW', 'fields' => 'x'], 'fields'],
]);

it('lets no slide be without a deck and a place', function () {
    ($this->make)('row.set', ['type' => 'slide', 'row' => $id = Ids::next(), 'fields' => ['title' => 'Nowhere']]);
    expect($this->map->row('slide', $id))->toBeNull();
    $deck = ($this->deck)();
    ($this->make)('row.set', ['type' => 'slide', 'row' => $id, 'fields' => ['title' => 'Somewhere', 'deck' => $deck->id]]);
    expect(($this->titles)($deck))->toBe(['Moon', 'Sun', 'Shore', 'Somewhere']);
    foreach (['a', '1', 'b0', 'a10', 'a1!', 'A'.str_repeat('0', 26)] as $rank) {
        expect(fn () => ($this->make)('row.set', ['type' => 'slide', 'row' => $id, 'fields' => ['rank' => $rank]]))->toThrow(InvalidEdit::class);
    }
    ($this->make)('row.remove', ['type' => 'deck', 'rows' => [$deck->id]]);
    expect($this->map->rowsOf(Slide::class))->toBe([]);
});

it('refuses a list of topics that is none', function (string $topics) {
    $slide = ($this->slide)(['Moon']);
    expect(fn () => ($this->make)('row.set', ['type' => 'slide', 'row' => $slide->id, 'fields' => ['topics' => $topics]]))->toThrow(InvalidEdit::class);
})->with(['Moon', '01', str_repeat('a', 26).'*', str_repeat('a', 26).'+ '.'../x', implode(' ', array_fill(0, SlideTopics::MOST + 1, str_repeat('b', 26).'+'))]);

it('reads back what is said of the topics of a slide', function (int $seed) {
    $chance = new Chance($seed);
    $all = SlideTopics::branches([]);
    for ($i = 0; $i < 12; $i++) {
        $all = $all->with(Ids::next(), $chance->pick([SlideTopics::BRANCH, SlideTopics::ALONE, SlideTopics::OUT, '']), $chance->yes(30), $chance->yes(30));
    }
    expect(SlideTopics::isRight($all->text()))->toBeTrue()->and(SlideTopics::read($all->text())->text())->toBe($all->text())->and(SlideTopics::read($all->text()))->toEqual($all);
})->with([1, 2, 3, 4]);

it('draws only these, with the trail, or all, and fits the frame to what is shown', function () {
    $slide = ($this->slide)(['New', 'Shore']);
    $board = fn (?string $way): SlideBoard => SlideBoard::of($this->map, $slide, $way);
    $drawn = fn (SlideBoard $board): int => preg_match_all('/<g data-t=/', (new SlideWriter)->write($board, $board->frame, 60));
    expect([$drawn($board('only')), $drawn($board('trail')), $drawn($board('all'))])->toBe([5, 7, 10]);
    foreach (SlideBoard::WAYS as $way) {
        ['x' => $x, 'y' => $y, 'w' => $w, 'h' => $h] = $board($way)->frame;
        foreach (array_intersect_key($board($way)->scene->boxes(), $board($way)->shown) as $box) {
            expect($box['x'] >= $x && $box['y'] >= $y && $x + $w >= $box['x'] + $box['w'] && $y + $h >= $box['y'] + $box['h'])->toBeTrue($way);
        }
    }
    // Alone they stand closer together than with all that is between them.
    expect($board('only')->frame['h'])->toBeLessThan($board('all')->frame['h'])->and($board('all')->key)->not->toBe($board('only')->key);
    $other = ($this->slide)(['Sun'], ['way' => 'all']);
    expect(SlideBoard::of($this->map, $other)->key)->toBe($board('all')->key);
});

it('puts a veil over the rest and nothing over what is shown', function () {
    $board = SlideBoard::of($this->map, ($this->slide)(['Sun']), 'all');
    $svg = (new SlideWriter(Paints::white()))->write($board, $board->frame, 80, 'black');
    [$rest, $shown] = explode('<rect class="veil"', $svg);
    expect($rest)->toContain('Moon')->not->toContain('Noon')->and($shown)->toContain('Noon', 'fill="#000000" fill-opacity="0.8"')->not->toContain('Moon');
});

it('draws what is between topics only where all of them are shown', function () {
    $this->map->put(CrossLink::fromFields(Ids::next(), ['from' => ($this->id)('Moon'), 'to' => ($this->id)('Weed'), 'phrase' => 'wets']));
    $this->map->put($ring = Ring::fromFields(Ids::next(), ['name' => 'bright']));
    foreach (['Moon', 'Sun'] as $title) {
        $this->map->put(RingMember::fromFields(Ids::next(), ['topic' => ($this->id)($title), 'ring' => $ring->id]));
    }
    $drawn = function (array $titles): string {
        $board = SlideBoard::of($this->map, ($this->slide)($titles));

        return (new SlideWriter)->write($board, $board->frame, 60);
    };
    expect($drawn(['Moon', 'Shore']))->toContain('wets')->and($drawn(['Moon']))->not->toContain('wets')->and($drawn(['Moon', 'Sun']))->toContain('bright');
});

it('keeps a frame that was set by hand at its topic', function () {
    $slide = ($this->slide)(['Moon'], ['at' => ($this->id)('Moon'), 'left' => -100, 'top' => -50, 'wide' => 300, 'high' => 200]);
    $board = SlideBoard::of($this->map, $slide);
    $box = $board->scene->boxOf($this->map, ($this->id)('Moon'));
    expect($board->frame)->toBe(['x' => $box['x'] + $box['w'] / 2 - 100, 'y' => $box['y'] + $box['h'] / 2 - 50, 'w' => 300.0, 'h' => 200.0]);
});

it('has no answer in a file in which it is covered', function () {
    $slide = ($this->put)(($this->slide)(['Moon']), 'cover', 'Full');
    $board = SlideBoard::of($this->map, $slide);
    $file = (new SlideWriter(Paints::white()))->write($board, $board->frame, 0, covered: $slide->chosen()->covered());
    $screen = (new SlideWriter)->write($board, $board->frame, 0, covered: $slide->chosen()->covered());
    expect($file)->toContain('data-c')->not->toContain('Full')->and($screen)->toContain('data-c', 'Full');
    expect(json_encode(SlideOutline::of($this->map, $board->seen, 'Moon', $slide->chosen()->covered())))->not->toContain('Full')->toContain('Springs');
});

it('has its own title above the drawing, and none where the topic says it', function () {
    $sheet = function (Slide $slide): string {
        $board = SlideBoard::of($this->map, $slide);

        return (new SlideSheet(new SlideWriter(Paints::white())))->write($board, $slide);
    };
    $long = str_repeat('A very long title indeed ', 12);
    expect(substr_count($sheet(($this->slide)(['Sun'])), 'Sun'))->toBe(1)->and($sheet(($this->slide)(['Sun'], ['title' => 'Heat & light'])))->toContain('Heat &amp; light')
        ->and($sheet(($this->slide)(['Sun'], ['title' => $long])))->toContain(' …');
});

it('tells what is on a slide as lists of true text', function () {
    $board = SlideBoard::of($this->map, ($this->slide)(['Moon', 'Weed']));
    $listed = json_encode(SlideOutline::of($this->map, $board->seen, 'Moon'));
    expect(array_map(fn (string $title): bool => str_contains($listed, "\"{$title}\""), ['Moon', 'Springs', 'Weed', 'Sun']))->toBe([true, true, true, false]);
    $alone = SlideBoard::of($this->map, ($this->slide)(['Moon']));
    expect(json_encode(SlideOutline::of($this->map, $alone->seen, 'Moon')))->not->toContain('"Moon"');
});

it('reads what is said as lines, and reckons how long that takes', function () {
    expect(SaidLines::text("# Begin\n\nGood *evening*.\n\n- one\n  - two\n- [three](https://a.example)\n\n1. go\n2. stop\n\n| a | b |\n| - | - |\n| c | d |"))
        ->toBe("Begin\nGood evening.\n– one\n  – two\n– three\n1. go\n2. stop\na · b\nc · d");
    $slide = ($this->slide)(['Moon'], ['notes' => implode(' ', array_fill(0, 60, "don't"))]);
    expect($slide->secondsIn($this->map, 120))->toBe(30)->and($slide->secondsIn($this->map, 60))->toBe(60)
        ->and(($this->slide)(['Moon'])->secondsIn($this->map, 120))->toBe(5)->and(($this->slide)(['Moon'], ['seconds' => 90])->secondsIn($this->map, 120))->toBe(90);
    expect(($this->slides)(($this->deck)())[0]->saidIn($this->map))->toBe('It pulls at the water.');
});

it('lays out pages with all slides on them and all that is said', function (int $per, int $pages) {
    $slides = array_map(fn (int $n): array => ['sheet' => "<rect class=\"s{$n}\"/>", 'title' => "Slide {$n}", 'lines' => SaidLines::of(str_repeat("Word {$n} and more of it. ", $n === 3 ? 400 : 3)), 'seconds' => 65], range(1, 7));
    $made = (new SlidePages('text{}', 'Lesson'))->several($slides, $per);
    expect($made)->toHaveCount($pages);
    foreach (range(1, 7) as $n) {
        expect(substr_count(implode('', $made), "class=\"s{$n}\""))->toBe(1);
    }
    $noted = (new SlidePages('text{}', 'Lesson'))->noted($slides);
    expect(count($noted))->toBeGreaterThan(7)->and(implode('', $noted))->toContain('3, continued', '1:05')->and(substr_count(preg_replace('/<[^>]+>/', ' ', implode('', $noted)), 'Word'))->toBe(6 * 3 + 400);
})->with([[2, 4], [3, 3], [4, 2], [6, 2], [9, 1]]);

it('shows nothing private, and loses slides of which nothing else is left', function () {
    $deck = ($this->deck)();
    $mixed = ($this->slide)(['Moon', 'Sun'], ['at' => ($this->id)('Moon'), 'left' => 0, 'top' => 0, 'wide' => 90, 'high' => 90]);
    $this->map->put(PrivateBranch::fromFields($moon = ($this->id)('Moon'), ['held' => true]));
    $left = Outgoing::of($this->map);
    expect(array_map(fn (Slide $slide): string => $slide->titleIn($left), Decks::slides($left, $deck)))->toBe(['Sun', 'Shore'])
        ->and($left->row('slide', $mixed->id)->text('topics'))->not->toContain($moon)->and($left->row('slide', $mixed->id)->text('at'))->toBe('')
        ->and(($this->titles)($deck))->toBe(['Moon', 'Sun', 'Shore']);
    $this->map->put(PrivateBranch::fromFields(($this->id)('Tides'), []));
    $inner = ($this->deck)('Moon');
    expect(Outgoing::of($this->map)->row('deck', $inner->id))->toBeNull();
});

it('stays whole in random maps, whatever is done to decks and topics', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(10, 60), notes: true);
    for ($i = 0; $i < 60; $i++) {
        try {
            Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $map)), $map);
        } catch (Refusal) {
        }
    }
    // What is parked is on no board, and decks are shown of what leaves.
    $map = Outgoing::of($map);
    [$deck, $slides] = Decks::madeOf($map, $map->root()->id);
    foreach ([...array_merge(...array_map(fn (Deck $deck): array => Decks::slides($map, $deck), Decks::of($map))), ...$slides] as $slide) {
        foreach (SlideBoard::WAYS as $way) {
            $board = SlideBoard::of($map, $slide, $way);
            expect(array_diff_key($board->shown, $board->scene->slips))->toBe([])->and($board->frame['w'] > 0 && $board->frame['h'] > 0)->toBeTrue();
            expect(simplexml_load_string('<svg xmlns:xlink="x">'.(new SlideSheet(new SlideWriter(Paints::white())))->write($board, $slide).'</svg>'))->not->toBeFalse();
            expect(array_filter($board->seen, fn (string $id): bool => ! $slide->chosen()->has($map, $id)))->toBe([]);
        }
    }
    expect($deck->text('of'))->toBe($map->root()->id);
})->with(range(1, 12));
