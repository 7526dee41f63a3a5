<?php

declare(strict_types=1);

use App\Library\Exports;
use App\Library\Pictures;
use App\Library\Shelf;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\NewMap;

it('calls a map by its own name, else by its root, else untitled', function (?string $title, ?string $root, string $name) {
    expect(Shelf::title($title, $root))->toBe($name);
})->with([
    [null, 'Harbour', 'Harbour'],
    ['Plan', 'Harbour', 'Plan'],
    [null, "**Two**\nlines", 'Two lines'],
    [null, '', 'Untitled map'],
    [null, null, 'Untitled map'],
    [null, str_repeat('long ', 100), mb_strimwidth(str_repeat('long ', 100), 0, 200, '…')],
]);

it('lists a person’s maps, the latest changed first, and nobody else’s', function () {
    $tove = $this->person();
    $this->actingAs($tove);
    $first = $this->mapOf($tove, new TopicDraft('First'));
    usleep(5000);
    $second = $this->mapOf($tove, new TopicDraft('Second', children: [new TopicDraft('Below')]));
    $this->mapOf($this->person('ines@saltmere.example'));
    expect(array_column(app(Shelf::class)->list($tove), 'title'))->toBe(['Second', 'First'])
        ->and(array_column(app(Shelf::class)->list($tove), 'topics'))->toBe([2, 1]);

    usleep(5000);
    $this->sendEdits($first, [['name' => 'topic.caption', 'topics' => [$first->root], 'caption' => 'changed']]);
    $this->sendEdits($second, [['name' => 'nonsense']]);
    expect(array_column(app(Shelf::class)->list($tove), 'title'))->toBe(['First', 'Second']);
});

it('counts what is in a map, not what is in its trash', function () {
    $tove = $this->person();
    $this->actingAs($tove);
    $map = $this->mapOf($tove);
    $this->sendEdits($map, [['name' => 'topic.remove', 'topics' => [$this->id($map, 'Lanterns')]]]);

    expect(app(Shelf::class)->list($tove)[0]['topics'])->toBe(2);
});

it('makes a PNG of the width asked for, in the colours asked for', function (BoardTheme $board) {
    $scene = Layout::of(NewMap::from(new TopicDraft('Lantern', children: [new TopicDraft('灯笼'), new TopicDraft('🏮')])), new View)->scene();
    $picture = imagecreatefromstring(app(Pictures::class)->png($this->mapOf($this->person()), $scene, 'x', $board, 400));
    $corner = imagecolorat($picture, 2, 2);

    expect(imagesx($picture))->toBe(400)
        ->and(sprintf('#%06x', $corner & 0xFFFFFF))->toBe($board->colours()['board']);
})->with(BoardTheme::cases());

it('keeps a PNG of a huge map to a size that can be drawn', function () {
    $tall = NewMap::from(new TopicDraft('Tall', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Topic {$n}"), range(1, 900))), arrangement: 'rightward');
    $png = app(Pictures::class)->png($this->mapOf($this->person()), Layout::of($tall, new View)->scene(), 'x', BoardTheme::Day, 16_000);
    [$width, $height] = getimagesizefromstring($png);

    expect($width * $height)->toBeLessThanOrEqual(101_000_000)->and($height)->toBeGreaterThan(10_000);
});

it('knows the media type of everything it writes', function () {
    foreach (Exports::names() as $name) {
        expect(Exports::mime($name))->toMatch('~^[a-z]+/[a-z+.-]+$~');
    }
    expect(Exports::names())->toBe(['json', 'opml', 'ics', 'csv', 'md', 'txt', 'html', 'docx', 'odt', 'rtf', 'epub', 'pdf', 'svg', 'png', 'jpg', 'drawing', 'print', 'sheets', 'pptx', 'slides-pdf', 'slides-html', 'slides-png', 'zip']);
});
