<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\SlipParts;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\JsonReader;
use ChalkTree\Exchange\JsonWriter;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Sign\Legend;
use ChalkTree\Sign\LegendLine;
use ChalkTree\Sign\Meaning;
use ChalkTree\Sign\Sign;
use ChalkTree\Sign\Stamp;
use ChalkTree\Sign\Tag;
use ChalkTree\Sign\TopicStamps;
use ChalkTree\Sign\TopicTags;
use ChalkTree\Text\Advances;
use Tests\Support\RandomMaps;

beforeEach(function () {
    $this->map = NewMap::from(new TopicDraft('Story', children: [
        new TopicDraft('Crew', children: [new TopicDraft('Tove'), new TopicDraft('Ines')]),
        new TopicDraft('Gull'),
    ]));
    $this->ids = array_column(array_map(fn ($topic) => [$topic->title, $topic->id], array_values($this->map->all())), 1, 0);
    $this->make = fn (string $name, array $with): Changes => Edits::apply(Edits::read($name, $with), $this->map);
    $this->stamp = fn (array $titles, array $fields): Changes => ($this->make)('row.set', ['type' => 'stamps', 'topics' => array_map(fn (string $title): string => $this->ids[$title], $titles), 'fields' => $fields]);
    $this->tag = function (string $name, array $titles = []): string {
        $id = Ids::next();
        ($this->make)('row.set', ['type' => 'tag', 'row' => $id, 'fields' => ['name' => $name, 'chalk' => 'kelp']]);
        $titles === [] || ($this->make)('topic.tag', ['topics' => array_map(fn (string $title): string => $this->ids[$title], $titles), 'tag' => $id]);

        return $id;
    };
    $this->tagsOf = fn (string $title): array => array_map(fn (string $id): string => $this->map->rowsOf(Tag::class)[$id]->text('name'), ($this->map->rowsOf(TopicTags::class)[$this->ids[$title]] ?? null)?->tags() ?? []);
    $this->signsOf = fn (string $title): array => ($this->map->rowsOf(TopicStamps::class)[$this->ids[$title]] ?? null)?->signs() ?? [];
    $this->parts = fn (string $title, string $part): array => array_values(array_filter((new SlipParts)->of(Layout::of($this->map, new View)->slips()[$this->ids[$title]]), fn (Primitive $one): bool => $one->part === $part));
});

it('has stamps stand in one order, however they came', function () {
    ($this->stamp)(['Tove'], ['idea' => true]);
    ($this->stamp)(['Tove'], ['letter' => 'k', 'rank' => 3]);
    ($this->stamp)(['Tove'], ['done' => true]);
    ($this->stamp)(['Ines'], ['done' => true, 'idea' => true, 'rank' => 3, 'letter' => 'k']);
    expect(($this->signsOf)('Tove'))->toBe(['stamp:3', 'stamp:done', 'stamp:idea', 'stamp:K'])->and(($this->signsOf)('Ines'))->toBe(($this->signsOf)('Tove'));
});

it('takes stamps off again, and leaves nothing where none is left', function () {
    ($this->stamp)(['Tove', 'Ines'], ['idea' => true]);
    ($this->stamp)(['Tove'], ['idea' => false]);
    expect(($this->signsOf)('Tove'))->toBe([])->and(array_keys($this->map->rowsOf(TopicStamps::class)))->toBe([$this->ids['Ines']]);
});

it('refuses stamps that there are not', function (array $fields) {
    expect(fn () => ($this->stamp)(['Tove'], $fields))->toThrow(InvalidEdit::class);
})->with([[['rank' => 10]], [['rank' => 0]], [['letter' => 'ab']], [['letter' => '<']], [['letter' => '7']], [['letter' => '']], [['smile' => true]], [['idea' => 'yes']]]);

it('draws every stamp within its square, in a form of its own', function () {
    $drawn = [];
    foreach (Sign::stamps() as $sign) {
        $parts = Sign::stamp($sign, 100.0, 50.0, 16.0, new Advances);
        $drawn[] = serialize(array_map(fn (Primitive $part): array => array_diff_key($part->toArray(), ['stroke' => 1, 'fill' => 1]), $parts));
        foreach ($parts as $part) {
            if (! isset($part->what['d'])) {
                continue;
            }
            // Follows the pen from point to point; control points of curves may lie outside.
            [$x, $y] = [0.0, 0.0];
            preg_match_all('/([A-Za-z])([^A-Za-z]*)/', $part->what['d'], $steps, PREG_SET_ORDER);
            $begin = [0.0, 0.0];
            foreach ($steps as $i => [, $command, $numbers]) {
                // A closed path goes on from where it began.
                [$x, $y] = $command === 'z' ? $begin : [$x, $y];
                $n = array_map(floatval(...), preg_split('/\s+/', trim($numbers), flags: PREG_SPLIT_NO_EMPTY));
                foreach (match ($command) {
                    'M', 'm', 'l' => array_chunk($n, 2),
                    'h' => array_map(fn (float $by): array => [$by, 0.0], $n),
                    'v' => array_map(fn (float $by): array => [0.0, $by], $n),
                    'c' => array_map(fn (array $curve): array => array_slice($curve, 4), array_chunk($n, 6)),
                    'a' => array_map(fn (array $arc): array => array_slice($arc, 5), array_chunk($n, 7)),
                    default => [],
                } as [$dx, $dy]) {
                    [$x, $y] = $i === 0 ? [$dx, $dy] : [$x + $dx, $y + $dy];
                    expect($x)->toBeBetween(100.0, 116.0, $sign)->and($y)->toBeBetween(50.0, 66.0, $sign);
                    $begin = strtolower($command) === 'm' ? [$x, $y] : $begin;
                }
            }
        }
    }
    expect(count(array_unique($drawn)))->toBe(count(Sign::stamps()))->and(count($drawn))->toBe(count(Stamp::cases()) + 10);
});

it('draws stamps before the title and tags below it, and makes room for both', function () {
    $bare = Layout::of($this->map, new View)->slips()[$this->ids['Tove']];
    ($this->stamp)(['Tove'], ['idea' => true, 'done' => true]);
    ($this->tag)('by boat', ['Tove']);
    $slip = Layout::of($this->map, new View)->slips()[$this->ids['Tove']];
    $title = ($this->parts)('Tove', 'title')[0]->what;
    expect($slip->w)->toBeGreaterThan($bare->w + 30)->and($slip->h)->toBeGreaterThan($bare->h + 15)
        ->and(($this->parts)('Tove', 'stamp'))->toHaveCount(2)->and(($this->parts)('Tove', 'stamp-room')[1]->touch)->toBe('stamp:idea')
        ->and(($this->parts)('Tove', 'tag')[1]->what['spans'][0]['text'])->toBe('by boat')->and(($this->parts)('Tove', 'tag')[1]->what['y'])->toBeGreaterThan($title['y'] + 10);
});

it('puts a tag on several topics and takes it off', function () {
    $tag = ($this->tag)('brave', ['Tove', 'Ines']);
    ($this->make)('topic.tag', ['topics' => [$this->ids['Tove']], 'tag' => $tag, 'off' => true]);
    expect(($this->tagsOf)('Tove'))->toBe([])->and(($this->tagsOf)('Ines'))->toBe(['brave']);
    ($this->make)('topic.tag', ['topics' => [$this->ids['Ines']], 'tag' => $tag]);
    expect(($this->tagsOf)('Ines'))->toBe(['brave'])
        ->and(fn () => ($this->make)('topic.tag', ['topics' => [$this->ids['Ines']], 'tag' => Ids::next()]))->toThrow(InvalidEdit::class);
});

it('renames and recolours a tag for all topics at once, and hides it', function () {
    $tag = ($this->tag)('brave', ['Tove', 'Ines']);
    ($this->make)('row.set', ['type' => 'tag', 'row' => $tag, 'fields' => ['name' => 'fearless', 'chalk' => 'coral']]);
    foreach (['Tove', 'Ines'] as $title) {
        expect(($this->parts)($title, 'tag')[1]->what['spans'][0]['text'])->toBe('fearless')->and(($this->parts)($title, 'tag')[0]->fill)->toBe('tint:coral');
    }
    ($this->make)('row.set', ['type' => 'tag', 'row' => $tag, 'fields' => ['hidden' => true]]);
    expect(($this->parts)('Tove', 'tag'))->toBe([])->and(($this->tagsOf)('Tove'))->toBe(['fearless']);
});

it('joins tags, by the edit as by giving one the name of another, and undoing parts them again', function (Closure $join) {
    [$old, $new] = [($this->tag)('brave', ['Tove', 'Gull']), ($this->tag)('bold', ['Tove', 'Ines'])];
    $before = RandomMaps::contents($this->map);
    $changes = $join($this->make, $new, $old);
    expect(array_map(fn (Tag $tag): string => $tag->sameness(), array_values($this->map->rowsOf(Tag::class))))->toBe(['brave'])
        ->and(($this->tagsOf)('Tove'))->toBe(['brave'])->and(($this->tagsOf)('Ines'))->toBe(['brave'])->and(($this->tagsOf)('Gull'))->toBe(['brave']);
    $changes->reversed()->applyTo($this->map, new Recorder($this->map));
    expect(RandomMaps::contents($this->map))->toEqual($before);
})->with([
    'edit' => [fn (Closure $make, string $new, string $old) => $make('tag.join', ['tag' => $new, 'into' => $old])],
    'name' => [fn (Closure $make, string $new, string $old) => $make('row.set', ['type' => 'tag', 'row' => $new, 'fields' => ['name' => ' Brave']])],
]);

it('takes tags and what stamps mean along to another map, and joins what has one name there', function () {
    ($this->tag)('brave', ['Tove']);
    ($this->stamp)(['Tove'], ['idea' => true]);
    ($this->make)('sign.mean', ['sign' => 'stamp:idea', 'means' => 'to be tried']);
    $drafts = array_map(fn (TopicDraft $draft): array => $draft->toArray(), TopicDraft::several($this->map, [$this->ids['Tove']]));
    $map = NewMap::from(new TopicDraft('Other', children: [new TopicDraft('There')]));
    $there = array_values($map->children($map->root()->id))[0]->id;
    $own = Ids::next();
    Edits::apply(Edits::read('row.set', ['type' => 'tag', 'row' => $own, 'fields' => ['name' => 'Brave']]), $map);
    Edits::apply(Edits::read('topic.tag', ['topics' => [$there], 'tag' => $own]), $map);
    Edits::apply(Edits::read('topic.add-many', ['topics' => $drafts, 'parent' => $map->root()->id]), $map);
    $tags = $map->rowsOf(Tag::class);
    $used = array_unique(array_merge(...array_map(fn (TopicTags $row): array => $row->tags(), array_values($map->rowsOf(TopicTags::class)))));
    expect($tags)->toHaveCount(1)->and($used)->toBe([array_key_first($tags)])->and($map->rowsOf(TopicTags::class))->toHaveCount(2)
        ->and($map->row(Meaning::type(), Meaning::idOf('stamp:idea'))?->fields()['means'])->toBe('to be tried');
});

it('has one meaning a sign, which can be taken out again', function () {
    ($this->make)('sign.mean', ['sign' => 'stamp:idea', 'means' => 'to be tried']);
    ($this->make)('sign.mean', ['sign' => 'stamp:idea', 'means' => ' tried  ']);
    expect($this->map->rowsOf(Meaning::class))->toHaveCount(1)->and(Legend::of($this->map)->lines[0]->means)->toBe('tried');
    ($this->make)('sign.mean', ['sign' => 'stamp:idea', 'means' => null]);
    ($this->make)('sign.mean', ['sign' => 'stamp:idea', 'means' => null]);
    expect($this->map->rowsOf(Meaning::class))->toBe([]);
});

it('refuses meanings of what is no sign', function (string $sign, ?string $means) {
    expect(fn () => ($this->make)('sign.mean', ['sign' => $sign, 'means' => $means]))->toThrow(InvalidEdit::class);
})->with([['idea', 'x'], ['stamp:smile', 'x'], ['stamp:0', 'x'], ['shape:star', 'x'], ['chalk:red', 'x'], ['stamp:idea', "a\nb"], ['stamp:idea', '  '], ['stamp:idea', str_repeat('x', 201)]]);

it('counts in the legend what is on topics of the map, chalks and shapes that mean something too', function () {
    ($this->stamp)(['Tove', 'Ines', 'Gull'], ['likes' => true]);
    ($this->stamp)(['Crew'], ['rank' => 1]);
    ($this->make)('sign.mean', ['sign' => 'stamp:likes', 'means' => 'is fond of Tove']);
    ($this->make)('sign.mean', ['sign' => 'chalk:tide', 'means' => 'on board']);
    ($this->make)('row.set', ['type' => 'look', 'topics' => [$this->ids['Gull']], 'fields' => ['shape' => 'oval']]);
    ($this->make)('sign.mean', ['sign' => 'shape:oval', 'means' => 'an animal']);
    ($this->make)('topic.remove', ['topics' => [$this->ids['Ines']]]);
    $lines = array_map(fn (LegendLine $line): array => [$line->sign, $line->words(), $line->count], Legend::of($this->map)->lines);
    expect($lines)->toBe([['stamp:1', 'first', 1], ['stamp:likes', 'is fond of Tove', 2], ['chalk:tide', 'on board', 2], ['shape:oval', 'an animal', 1]]);
});

it('stands on the board below everything, or where it was put, and in files', function () {
    ($this->stamp)(['Tove'], ['likes' => true]);
    ($this->make)('sign.mean', ['sign' => 'stamp:likes', 'means' => 'is fond of <Wren>']);
    expect(Layout::of($this->map, new View)->scene()->marks)->toBe([]);
    $row = Ids::next();
    ($this->make)('row.set', ['type' => 'legend', 'row' => $row, 'fields' => ['shown' => true]]);
    $scene = Layout::of($this->map, new View)->scene();
    [$x, $y, $w, $h] = $scene->marks["legend {$row}"]->box;
    foreach ($scene->boxes() as $box) {
        expect($box['y'] + $box['h'])->toBeLessThan($y)->and($box['x'])->toBeGreaterThanOrEqual($x);
    }
    expect($scene->bounds()['y'] + $scene->bounds()['h'])->toBe($y + $h);
    $svg = (new SvgWriter)->write($scene, 'Story');
    expect($svg)->toContain('is fond of &lt;Wren&gt;')->and($svg)->not->toContain('<Wren>');
    ($this->make)('row.set', ['type' => 'legend', 'row' => $row, 'fields' => ['x' => -400, 'y' => 77]]);
    expect(array_slice(Layout::of($this->map, new View)->scene()->marks["legend {$row}"]->box, 0, 2))->toBe([-400.0, 77.0]);
});

it('writes and reads signs with the map', function () {
    ($this->stamp)(['Tove'], ['likes' => true, 'rank' => 2, 'letter' => 'é']);
    ($this->tag)('brave', ['Tove']);
    ($this->make)('sign.mean', ['sign' => 'stamp:likes', 'means' => 'is fond of Tove']);
    ($this->make)('row.set', ['type' => 'legend', 'row' => Ids::next(), 'fields' => ['shown' => true, 'x' => 5]]);
    $again = (new JsonReader)->read((new JsonWriter)->write($this->map), '');
    expect(array_diff_key(RandomMaps::contents($again), ['topic' => 1]))->toEqual(array_diff_key(RandomMaps::contents($this->map), ['topic' => 1]));
});

it('places a caption above the title where its look says so', function () {
    ($this->make)('topic.caption', ['topics' => [$this->ids['Tove']], 'caption' => 'captain']);
    $below = [($this->parts)('Tove', 'caption')[0]->what['y'], ($this->parts)('Tove', 'title')[0]->what['y']];
    ($this->make)('row.set', ['type' => 'look', 'topics' => [$this->ids['Tove']], 'fields' => ['caption' => 'above']]);
    $above = [($this->parts)('Tove', 'caption')[0]->what['y'], ($this->parts)('Tove', 'title')[0]->what['y']];
    expect($below[0])->toBeGreaterThan($below[1])->and($above[0])->toBeLessThan($above[1]);
});
