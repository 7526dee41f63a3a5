<?php

declare(strict_types=1);

use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Exchange\JsonReader;
use ChalkTree\Exchange\JsonWriter;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;

beforeEach(fn () => festivalToTie($this));

it('ties topics to another, loose ones too, several times over', function () {
    ($this->tie)('Route', 'Rain', ['phrase' => 'is flooded by']);
    ($this->tie)('Route', 'Rain');
    ($this->make)('crosslink.tie', ['topics' => [$this->ids['Band'], $this->ids['Ferries']], 'to' => $this->ids['Rain'], 'as' => [Ids::next(), Ids::next()]]);
    expect(($this->links)())->toBe(['Route → Rain: is flooded by', 'Route → Rain', 'Band → Rain', 'Ferries → Rain']);
});

it('unties what was tied when asked to take turns, whichever way round it was', function () {
    $turn = fn (string $from, string $to): Changes => ($this->make)('crosslink.tie', ['topics' => [$this->ids[$from]], 'to' => $this->ids[$to], 'as' => [Ids::next()], 'turns' => true]);
    $turn('Route', 'Rain');
    expect(($this->links)())->toBe(['Route → Rain']);
    $turn('Rain', 'Route');
    expect(($this->links)())->toBe([]);
});

it('ties nothing to itself, and not what is not there', function () {
    $tie = fn (string $from, string $to): Changes => ($this->make)('crosslink.tie', ['topics' => [$from], 'to' => $to, 'as' => [Ids::next()]]);
    expect(fn () => $tie($this->ids['Rain'], $this->ids['Rain']))->toThrow(InvalidEdit::class, 'to itself')
        ->and(fn () => $tie($this->ids['Rain'], Ids::next()))->toThrow(\ChalkTree\Refusal::class);
    $id = ($this->tie)('Route', 'Rain');
    expect(fn () => ($this->make)('row.set', ['type' => 'crosslink', 'row' => $id, 'fields' => ['from' => $this->ids['Rain']]]))->toThrow(InvalidEdit::class, 'to itself')
        ->and(fn () => ($this->make)('crosslink.tie', ['topics' => [$this->ids['Band']], 'to' => $this->ids['Rain'], 'as' => [$id]]))->toThrow(InvalidEdit::class, 'already')
        ->and(($this->links)())->toBe(['Route → Rain']);
});

it('puts a topic in between: the phrase stays with the first part, the look with both', function () {
    $id = ($this->tie)('Ferries', 'Route', ['phrase' => 'wait for', 'chalk' => 'coral', 'dash' => 'dotted', 'bendAt' => 300, 'bendBy' => 80]);
    $as = Ids::next();
    ($this->make)('crosslink.splice', ['link' => $id, 'topic' => $this->ids['Rain'], 'as' => $as]);
    expect(($this->links)())->toBe(['Ferries → Rain: wait for', 'Rain → Route']);
    $second = $this->map->rowsOf(CrossLink::class)[$as];
    expect($second->look())->toBe(['chalk' => 'coral', 'dash' => 'dotted'])->and($second->number('bendBy'))->toBeNull()
        ->and(fn () => ($this->make)('crosslink.splice', ['link' => $as, 'topic' => $this->ids['Rain'], 'as' => Ids::next()]))->toThrow(InvalidEdit::class, 'already');
});

it('changes many at once', function () {
    $links = [($this->tie)('Ferries', 'Route'), ($this->tie)('Rain', 'Band')];
    $changes = ($this->make)('row.set', ['type' => 'crosslink', 'rows' => $links, 'fields' => ['chalk' => 'kelp', 'heads' => 'both']]);
    expect(array_map(fn (CrossLink $link): array => $link->look(), array_values($this->map->rowsOf(CrossLink::class))))->toBe([['heads' => 'both', 'chalk' => 'kelp'], ['heads' => 'both', 'chalk' => 'kelp']]);
    $changes->reversed()->applyTo($this->map, new Recorder($this->map));
    expect(($this->map->rowsOf(CrossLink::class)[$links[0]])->look())->toBe([]);
});

it('goes with its topics into the trash and comes back with them', function () {
    ($this->tie)('Ferries', 'Route', ['phrase' => 'wait for']);
    ($this->make)('topic.remove', ['topics' => [$this->ids['Harbour']]]);
    expect(($this->links)())->toBe([])->and(($this->marks)())->toBe([]);
    ($this->make)('topic.restore', ['topics' => [$this->ids['Harbour']]]);
    expect(($this->links)())->toBe(['Ferries → Route: wait for']);
});

it('goes along inside what is copied', function () {
    ($this->tie)('Ferries', 'Rowing guard', ['phrase' => 'are slowed by']);
    ($this->tie)('Ferries', 'Rain');
    ($this->make)('topic.copy', ['topics' => [$this->ids['Harbour']], 'parent' => $this->map->root()->id]);
    expect(array_count_values(array_map(fn (CrossLink $link): string => $link->text('phrase'), $this->map->rowsOf(CrossLink::class))))->toBe(['are slowed by' => 2, '' => 1]);
});

it('has its phrases found and replaced', function () {
    ($this->tie)('Ferries', 'Route', ['phrase' => 'wait for the lanterns']);
    ($this->make)('text.replace', ['find' => ['text' => 'lanterns'], 'with' => 'lamps']);
    expect(($this->links)())->toBe(['Ferries → Route: wait for the lamps']);
});

it('comes back from our own format as it was', function () {
    ($this->tie)('Ferries', 'Route', ['phrase' => 'wait for', 'heads' => 'none', 'form' => 'corner', 'thick' => 5, 'bendAt' => 10, 'bendBy' => -4]);
    $read = (new JsonReader)->read((new JsonWriter)->write($this->map), '');
    expect(array_values(array_map(fn (CrossLink $link): array => array_diff_key($link->saying(), ['from' => 0, 'to' => 0]), $read->rowsOf(CrossLink::class))))->toBe([['phrase' => 'wait for', 'heads' => 'none', 'form' => 'corner', 'thick' => 5, 'bendAt' => 10, 'bendBy' => -4]]);
});

it('comes back from OPML, Markdown and text as marked lines', function () {
    ($this->tie)('Ferries', 'Route', ['phrase' => 'wait for: the']);
    ($this->tie)('Ferries', 'Rain');
    ($this->tie)('Rain', 'Festival', ['phrase' => 'spoils']);
    ($this->make)('topic.retitle', ['topic' => $this->ids['Band'], 'title' => 'Ferries']);
    ($this->tie)('Route', 'Band', ['phrase' => 'calls']);
    // What looks like one and says nothing stays a topic.
    ($this->make)('topic.add', ['parent' => $this->ids['Harbour'], 'topic' => ['title' => '→ nowhere: at all']]);
    $said = function (TopicMap $map): array {
        $title = fn (string $id): string => $map->topic($id)->title;
        $said = array_values(array_map(fn (CrossLink $link): string => "{$title($link->from())} | {$link->text('phrase')} | {$title($link->to())} below {$title((string) ($map->topic($link->to())->parent ?? $link->to()))}", $map->rowsOf(CrossLink::class)));
        sort($said);

        return $said;
    };
    foreach (['opml', 'md', 'txt'] as $format) {
        $written = ChalkTree\Exchange\Formats::write($this->map, $format);
        expect($written)->toContain('→ wait for: the: Route')->toMatch('/→ calls: Ferries .?\[1/');
        $read = ChalkTree\Exchange\Formats::read($written, "map.{$format}", title: 'All');
        expect(preg_replace('/ below (Festival|Rain|All)$/', '', $said($read)))->toBe(preg_replace('/ below (Festival|Rain|All)$/', '', $said($this->map)), $format)
            ->and(array_column(array_map(fn ($topic) => [$topic->title], array_values($read->all())), 0))->toContain('→ nowhere: at all');
    }
});

it('holds a bounded number', function () {
    for ($i = 0; $i < CrossLink::MOST; $i++) {
        $this->map->put(CrossLink::fromFields(Ids::next(), ['from' => $this->ids['Route'], 'to' => $this->ids['Rain']]));
    }
    expect(fn () => ($this->tie)('Band', 'Rain'))->toThrow(InvalidEdit::class, 'at most 500')
        ->and(fn () => ($this->make)('row.set', ['type' => 'crosslink', 'row' => Ids::next(), 'fields' => ['from' => $this->ids['Band'], 'to' => $this->ids['Rain']]]))->toThrow(InvalidEdit::class, 'at most 500');
});

it('goes on at the topic that others are joined into, unless it would tie that to itself', function () {
    ($this->tie)('Ferries', 'Rain', ['phrase' => 'fear']);
    ($this->tie)('Band', 'Ferries', ['phrase' => 'greets']);
    ($this->tie)('Ferries', 'Rowing guard');
    $changes = ($this->make)('topic.join', ['topics' => [$this->ids['Ferries'], $this->ids['Rowing guard']]]);
    expect(($this->links)())->toBe(['Ferries → Rain: fear', 'Band → Ferries: greets']);
    $changes->reversed()->applyTo($this->map, new Recorder($this->map));
    expect(($this->links)())->toHaveCount(3);
    ($this->make)('topic.join', ['topics' => [$this->ids['Band'], $this->ids['Ferries']]]);
    expect(($this->links)())->toBe(['Band → Rain: fear', 'Band → Rowing guard']);
});
