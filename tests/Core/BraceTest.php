<?php

declare(strict_types=1);

use ChalkTree\Arrange\Arrangements;
use ChalkTree\Arrange\Connector;
use ChalkTree\Arrange\Growth;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Brace\Brace;
use ChalkTree\Brace\Braces;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\Exchange\JsonReader;
use ChalkTree\Exchange\JsonWriter;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;

beforeEach(function () {
    $this->map = NewMap::from(new TopicDraft('Class', children: [
        new TopicDraft('Ann'), new TopicDraft('Bo', children: [new TopicDraft('draws'), new TopicDraft('sings')]), new TopicDraft('Cy'), new TopicDraft('Di'),
    ]), arrangement: 'rightward');
    $this->id = fn (string $title): string => (string) array_search($title, array_map(fn ($topic): string => $topic->title, $this->map->everything()), true);
    $this->make = fn (string $name, array $with): Changes => Edits::apply(Edits::read($name, $with), $this->map);
    $this->draw = function (string ...$titles): string {
        $brace = Ids::next();
        ($this->make)('brace.draw', ['topics' => array_map($this->id, $titles), 'as' => $brace]);
        ($this->make)('topic.retitle', ['topic' => $brace, 'title' => 'The three']);

        return $brace;
    };
    /** What each brace spans, as "title: first, …, last". */
    $this->spans = function (): array {
        $braces = Braces::of($this->map);

        return array_values(array_map(fn (Brace $brace): string => $this->map->topic($brace->topic())->title.': '.implode(', ', array_map(
            fn (string $id): string => $this->map->topic($id)->title,
            $braces->spanned($brace, array_map(strval(...), array_keys($this->map->children((string) $this->map->topic($brace->topic())->parent)))),
        )), $braces->byTopic));
    };
});

it('draws a brace from the first chosen to the last, with an ordinary topic behind them', function () {
    $json = (new JsonWriter)->write($this->map);
    $brace = Ids::next();
    $changes = ($this->make)('brace.draw', ['topics' => [($this->id)('Cy'), ($this->id)('Ann')], 'as' => $brace]);
    expect(($this->spans)())->toBe([': Ann, Bo, Cy'])
        ->and(array_values(array_map(fn ($topic): string => $topic->title, $this->map->children($this->map->root()->id))))->toBe(['Ann', 'Bo', 'Cy', '', 'Di']);
    $changes->reversed()->applyTo($this->map, new Recorder($this->map));
    expect((new JsonWriter)->write($this->map))->toBe($json);
});

it('stands beyond what it spans, with its branch beyond itself, in every arrangement', function (string $arrangement) {
    $brace = ($this->draw)('Ann', 'Cy');
    ($this->make)('topic.add', ['parent' => $brace, 'topic' => ['title' => 'sail', 'children' => [['title' => 'far'], ['title' => 'near'], ['title' => 'home'], ['title' => 'abroad'], ['title' => 'twice']]]]);
    $scene = Layout::of($this->map, new View, $arrangement)->scene();
    $boxes = $scene->boxes();
    $slip = $scene->slips[$brace];
    expect($slip->brace)->not->toBeNull()->and(overlaps(array_values($boxes)))->toBe([])->and(Connector::path($slip))->toStartWith('M');
    [$x, $y] = [$boxes[$brace]['x'] + $slip->brace[0], $boxes[$brace]['y'] + $slip->brace[1]];
    $branch = array_map(fn ($topic): string => $topic->id, array_values($this->map->branch($brace)));
    foreach ($arrangement === 'free' ? [] : $boxes as $id => $box) {
        $isOf = in_array((string) $id, $branch, true);
        $isSpanned = in_array($this->map->topic((string) $id)->title, ['Ann', 'Bo', 'Cy', 'draws', 'sings'], true) && $scene->slips[$id]->growth === $slip->leaves;
        $isBeyond = match ($slip->leaves) {
            Growth::Right => $box['x'] > $x,
            Growth::Left => $x > $box['x'] + $box['w'],
            Growth::Down => $box['y'] > $y,
            Growth::Up => $y > $box['y'] + $box['h'],
        };
        expect(! ($isOf || $isSpanned) || $isBeyond === $isOf)->toBeTrue($this->map->topic((string) $id)->title);
    }
})->with(Arrangements::names());

it('spans what comes between, and less where an end goes away', function () {
    ($this->draw)('Ann', 'Cy');
    ($this->make)('topic.add', ['after' => ($this->id)('Bo'), 'topic' => ['title' => 'Flo']]);
    expect(($this->spans)())->toBe(['The three: Ann, Bo, Flo, Cy']);
    $removed = ($this->make)('topic.remove', ['topics' => [($this->id)('Ann')]]);
    expect(($this->spans)())->toBe(['The three: Bo, Flo, Cy']);
    $removed->reversed()->applyTo($this->map, new Recorder($this->map));
    expect(($this->spans)())->toBe(['The three: Ann, Bo, Flo, Cy']);
    ($this->make)('topic.move', ['topics' => [($this->id)('Cy')], 'parent' => ($this->id)('Di')]);
    expect(($this->spans)())->toBe(['The three: Ann, Bo, Flo']);
    // Ends that change places are its ends still.
    ($this->make)('topic.move', ['topics' => [($this->id)('Ann')], 'after' => ($this->id)('Flo')]);
    expect(($this->spans)())->toBe(['The three: Flo, Ann']);
    ($this->make)('topic.remove', ['topics' => [($this->id)('Flo'), ($this->id)('Ann')]]);
    expect(($this->spans)())->toBe([])->and($this->map->rowsOf(Brace::class))->toBe([])->and(($this->id)('The three'))->not->toBe('');
});

it('is over nothing once its topic hangs elsewhere', function () {
    $brace = ($this->draw)('Ann', 'Cy');
    ($this->make)('topic.add', ['parent' => ($this->id)('Di'), 'topic' => ['title' => 'Eve']]);
    ($this->make)('topic.add', ['parent' => ($this->id)('Di'), 'topic' => ['title' => 'Flo']]);
    $moved = ($this->make)('topic.move', ['topics' => [$brace], 'parent' => ($this->id)('Di')]);
    expect(($this->spans)())->toBe([])->and($this->map->rowsOf(Brace::class))->toBe([]);
    $moved->reversed()->applyTo($this->map, new Recorder($this->map));
    expect(($this->spans)())->toBe(['The three: Ann, Bo, Cy']);
    // Into the trash and back it is one again.
    ($this->make)('topic.remove', ['topics' => [$brace]]);
    expect(($this->spans)())->toBe([]);
    ($this->make)('topic.restore', ['topics' => [$brace]]);
    expect(($this->spans)())->toBe(['The three: Ann, Bo, Cy']);
});

it('is dragged over more or fewer, and over nothing that it cannot span', function () {
    $brace = ($this->draw)('Bo', 'Cy');
    ($this->make)('brace.span', ['topic' => $brace, 'from' => ($this->id)('Di'), 'to' => ($this->id)('Ann')]);
    expect(($this->spans)())->toBe(['The three: Ann, Bo, Cy, Di']);
    ($this->make)('brace.span', ['topic' => $brace, 'from' => ($this->id)('Cy'), 'to' => ($this->id)('Cy')]);
    expect(($this->spans)())->toBe(['The three: Cy']);
    foreach ([['from' => ($this->id)('draws'), 'to' => ($this->id)('Cy')], ['from' => $brace, 'to' => ($this->id)('Cy')], ['from' => $this->map->root()->id, 'to' => ($this->id)('Cy')]] as $with) {
        expect(fn () => ($this->make)('brace.span', ['topic' => $brace] + $with))->toThrow(InvalidEdit::class);
    }
    expect(fn () => ($this->make)('brace.draw', ['topics' => [($this->id)('Ann'), ($this->id)('draws')], 'as' => Ids::next()]))->toThrow('A brace goes over topics that stand below the same one.')
        ->and(fn () => ($this->make)('brace.draw', ['topics' => [$brace], 'as' => Ids::next()]))->toThrow('A brace cannot go over another.')
        ->and(fn () => ($this->make)('brace.draw', ['topics' => [$this->map->root()->id], 'as' => Ids::next()]))->toThrow(InvalidEdit::class)
        ->and(fn () => ($this->make)('brace.span', ['topic' => ($this->id)('Ann'), 'from' => ($this->id)('Bo'), 'to' => ($this->id)('Cy')]))->toThrow('This brace is not in the map any more.');
});

it('is kept in our JSON, copied with what it spans, and a topic as any other in documents', function () {
    ($this->draw)('Ann', 'Cy');
    $again = (new JsonReader)->read((new JsonWriter)->write($this->map), 'Class');
    expect((new JsonWriter)->write($again))->toBe((new JsonWriter)->write($this->map))->and(Braces::of($again)->byTopic)->toHaveCount(1);
    ($this->make)('topic.copy', ['topics' => [($this->id)('Ann'), ($this->id)('Bo'), ($this->id)('Cy'), ($this->id)('The three')], 'parent' => ($this->id)('Di')]);
    expect(($this->spans)())->toBe(['The three: Ann, Bo, Cy', 'The three: Ann, Bo, Cy'])
        ->and(Formats::write($this->map, 'txt'))->toContain("\n\tThe three\n");
});
