<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Draw\Thumbnail;
use ChalkTree\Draw\WindowWriter;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Clipping;
use ChalkTree\Exchange\Formats;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Look\Chalk;
use ChalkTree\Look\MapLook;
use ChalkTree\Look\MixedChalk;
use ChalkTree\Look\NamedLook;
use ChalkTree\Look\Palette;
use ChalkTree\Look\TopicLook;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;

beforeEach(function () {
    $this->map = NewMap::from(new TopicDraft('Festival', children: [new TopicDraft('Quay', children: [new TopicDraft('Rope')]), new TopicDraft('Ferry')]));
    $this->id = fn (string $title): string => array_key_first(array_filter($this->map->all(), fn ($topic): bool => $topic->title === $title));
    [$this->signal, $this->loud] = [Ids::next(), Ids::next()];
    $this->do = fn (string $name, array $more) => Edits::apply(Edits::read($name, $more), $this->map);
    ($this->do)('row.set', ['type' => 'mixed-chalk', 'row' => $this->signal, 'fields' => ['name' => 'Signal', 'day' => '#b00020', 'slate' => '#ff8090']]);
    ($this->do)('row.set', ['type' => 'named-look', 'row' => $this->loud, 'fields' => ['name' => 'Loud', 'size' => 30, 'fill' => "tint:{$this->signal}"]]);
});

it('draws a branch in a chalk mixed for the map, wherever it is drawn', function () {
    ($this->do)('row.set', ['type' => 'look', 'topics' => [($this->id)('Quay')], 'fields' => ['chalk' => $this->signal]]);
    $layout = Layout::of($this->map, new View);
    expect($layout->slips()[($this->id)('Rope')]->chalk)->toBe($this->signal)
        ->and((new SvgWriter)->write($layout->scene(), 'x'))->toContain('fill="#b00020"')
        ->and((new SvgWriter(BoardTheme::Slate))->write($layout->scene(), 'x'))->toContain('fill="#ff8090"')
        ->and((new Thumbnail)->write($layout->scene()))->toContain('#b00020')
        ->and((new WindowWriter)->write($layout->scene(), ['x' => -500, 'y' => -500, 'w' => 1000, 'h' => 1000], 1.0))->toContain("--{$this->signal}:#b00020")->toContain("var(--{$this->signal})");
    // Stepped into, it is the same.
    expect(Layout::of($this->map, new View(scope: ($this->id)('Rope')))->slips()[($this->id)('Rope')]->chalk)->toBe($this->signal);
});

it('goes back to what was before where a mixed chalk is gone', function () {
    $was = Layout::of($this->map, new View)->slips()[($this->id)('Rope')]->chalk;
    ($this->do)('row.set', ['type' => 'look', 'topics' => [($this->id)('Quay')], 'fields' => ['chalk' => $this->signal, 'edge' => "chalk:{$this->signal}"]]);
    ($this->do)('row.remove', ['type' => 'mixed-chalk', 'rows' => [$this->signal]]);
    $layout = Layout::of($this->map, new View);
    expect($layout->slips()[($this->id)('Rope')]->chalk)->toBe($was)
        ->and((new SvgWriter)->write($layout->scene(), 'x'))->toContain('stroke="'.Chalk::Mussel->line(BoardTheme::Day).'"');
});

it('is mirrored if anything said of the map says so', function () {
    [$first, $later] = [Ids::next(), Ids::next()];
    foreach ([[$first, ['mirrored' => true]], [$later, ['whole' => 'card-box']]] as [$row, $fields]) {
        ($this->do)('row.set', ['type' => 'map-look', 'row' => $row, 'fields' => $fields]);
    }
    $isLeft = fn (): bool => Layout::of($this->map, new View)->slips()[($this->id)('Quay')]->x < 0;
    expect($isLeft())->toBeTrue();
    ($this->do)('row.set', ['type' => 'map-look', 'row' => $first, 'fields' => ['mirrored' => false]]);
    expect($isLeft())->toBeFalse();
});

it('is the one chalk for all where that is wanted', function () {
    ($this->do)('row.set', ['type' => 'map-look', 'row' => Ids::next(), 'fields' => ['chalks' => 'one', 'chalk' => $this->signal]]);
    expect(array_unique(array_map(fn ($slip): string => $slip->chalk, array_filter(Layout::of($this->map, new View)->slips(), fn ($slip): bool => $slip->level > 0))))->toHaveCount(1)->toContain($this->signal);
});

it('refuses what is no colour, and no chalk', function (string $type, array $fields) {
    ($this->do)('row.set', ['type' => $type, 'row' => Ids::next(), 'topics' => [($this->id)('Quay')]] + ['fields' => $fields]);
})->throws(ChalkTree\Refusal::class)->with([
    ['mixed-chalk', ['day' => 'red']], ['mixed-chalk', ['day' => '#12345']], ['mixed-chalk', ['slate' => '#AABBCC']], ['mixed-chalk', ['day' => "#aabbcc\n"]], ['mixed-chalk', ['day' => '#aabbcc;}']], ['mixed-chalk', ['name' => '']],
    ['named-look', ['name' => 'x', 'fill' => 'tint:no-such']], ['map-look', ['chalk' => 'purple']], ['named-look', ['name' => 'x', 'fill' => 'board:'.'01h00000000000000000000000']],
]);

/** What is pasted from the clipboard into another map. */
function pastedInto(TopicMap $other, TopicMap $map, array $topics): TopicMap
{
    Edits::apply(Edits::read('topic.add-many', ['topics' => json_decode((string) json_encode(Clipping::of($map, $topics, false)->toArray()['topics']), true), 'parent' => $other->sheet()->root]), $other);

    return $other;
}

it('goes along with topics that are copied to another map, and with looks by name that call it', function () {
    ($this->do)('row.set', ['type' => 'look', 'topics' => [($this->id)('Rope')], 'fields' => ['named' => $this->loud]]);
    $other = pastedInto(NewMap::from(new TopicDraft('Other')), $this->map, [($this->id)('Quay')]);
    expect($other->rowsOf(NamedLook::class))->toHaveKeys([$this->loud])->toHaveCount(1)
        ->and($other->rowsOf(MixedChalk::class)[$this->signal]->fields())->toBe($this->map->rowsOf(MixedChalk::class)[$this->signal]->fields());
    $rope = array_values(array_filter(Layout::of($other, new View)->slips(), fn ($slip): bool => $slip->topic->title === 'Rope'))[0];
    expect($rope->look->type->size)->toBe(30.0)->and($rope->look->box->fill)->toBe("tint:{$this->signal}");
    // Once more, and what the other map says of it since then holds.
    Edits::apply(Edits::read('row.set', ['type' => 'mixed-chalk', 'row' => $this->signal, 'fields' => ['day' => '#00b020']]), $other);
    pastedInto($other, $this->map, [($this->id)('Rope')]);
    expect($other->rowsOf(MixedChalk::class))->toHaveCount(1)->and($other->rowsOf(MixedChalk::class)[$this->signal]->text('day'))->toBe('#00b020');
    // A branch that is taken out of the map has it too.
    expect(Formats::write(NewMap::from(TopicDraft::of($this->map, ($this->id)('Quay'))), 'json'))->toContain('#b00020')->toContain('"Loud"');
});

it('brings nothing along that is not called, and no more than a map holds', function () {
    expect(pastedInto(NewMap::from(new TopicDraft('Other')), $this->map, [($this->id)('Quay')])->rowsOf(NamedLook::class))->toBe([]);
    ($this->do)('row.set', ['type' => 'look', 'topics' => [($this->id)('Rope')], 'fields' => ['named' => $this->loud]]);
    $full = NewMap::from(new TopicDraft('Full'));
    for ($i = 0; $i < Bounds::MOST_OF_MAP; $i++) {
        $full->put(NamedLook::fromFields(Ids::next(), ['name' => "Look {$i}"]));
    }
    expect(pastedInto($full, $this->map, [($this->id)('Quay')])->rowsOf(NamedLook::class))->toHaveCount(Bounds::MOST_OF_MAP);
    // A made-up clip cannot change the look of the map into which it is pasted.
    $other = NewMap::from(new TopicDraft('Other'));
    [$was, $row] = [Ids::next(), Ids::next()];
    Edits::apply(Edits::read('topic.add-many', ['parent' => $other->sheet()->root, 'topics' => [['title' => 'x', 'was' => $was, 'rows' => [
        ['type' => 'look', 'id' => $was, 'fields' => ['named' => $row]], ['type' => 'map-look', 'id' => $row, 'fields' => ['whole' => 'wall-sheet']],
    ]]]]), $other);
    expect($other->rowsOf(MapLook::class))->toBe([])->and($other->rowsOf(TopicLook::class))->toHaveCount(1);
});

it('gives all colours of the set by name', function () {
    foreach (Chalk::cases() as $chalk) {
        expect((new Palette)->colours($chalk->value, BoardTheme::Day))->toBe(['line' => $chalk->line(BoardTheme::Day), 'tint' => $chalk->tint(BoardTheme::Day), 'text' => $chalk->text(BoardTheme::Day)]);
    }
});
