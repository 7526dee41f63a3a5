<?php

declare(strict_types=1);

use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Reading;
use ChalkTree\Digest\Digest;
use ChalkTree\Digest\DigestGroup;
use ChalkTree\Digest\DigestLine;
use ChalkTree\Digest\DigestText;
use ChalkTree\Digest\Gathering;
use ChalkTree\Edit\Arguments;
use ChalkTree\Exchange\Formats;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\TopicMap;
use ChalkTree\Privacy\PrivateBranch;
use ChalkTree\Task\Task;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomFacts;

/* Lists that a topic gathers. */

/** A plan with to-dos of two people, and a digest at its end. */
function gatheringMap(string $words = 'not done', array $fields = []): TopicMap
{
    $map = Outline::map("Festival\n\tLanterns\n\t\tGlue paper\n\t\tBend willow\n\tBoats\n\t\tPaint hull\n\t\tBuy rope\n\tOpen things");
    foreach (['Glue paper' => ['who' => "Ines\nMarit", 'by' => '2026-12-01'], 'Bend willow' => ['who' => 'Oskar', 'progress' => 40], 'Paint hull' => ['who' => 'Ines', 'by' => '2026-11-20'], 'Buy rope' => ['progress' => 100]] as $title => $task) {
        $map->put(Task::fromFields(Outline::id($map, $title), ['is' => true] + $task));
    }
    $asked = Reading::of($words, new Moment($map, A_DAY))->asked;
    $map->put(Digest::fromFields(Outline::id($map, 'Open things'), ['when' => $asked === null ? null : json_encode($asked)] + $fields));

    return $map;
}

/** @return array<string, list<string>> titles by head */
function gatheredIn(TopicMap $map, string $title = 'Open things'): array
{
    $digest = $map->row(Digest::type(), Outline::id($map, $title));
    $groups = Gathering::in(new Moment($map, A_DAY), $digest)->groups();

    return array_combine(array_column($groups, 'title'), array_map(fn (DigestGroup $group): array => array_map(fn (DigestLine $line): string => implode(' | ', [$line->title, ...$line->told]), $group->lines), $groups));
}

it('gathers what is asked for, from the map or from the branch where it stands', function () {
    expect(gatheredIn(gatheringMap()))->toBe(['' => ['Glue paper', 'Bend willow', 'Paint hull']]);
    $map = gatheringMap(fields: ['from' => 'branch']);
    $map->put($map->topic(Outline::id($map, 'Open things'))->with(['parent' => Outline::id($map, 'Boats')]));
    expect(gatheredIn($map))->toBe(['' => ['Paint hull']]);
});

it('puts lines under heads and in order, and tells of each what is wanted', function (array $fields, array $found) {
    expect(gatheredIn(gatheringMap(fields: $fields)))->toBe($found);
})->with([
    'by person, a topic of two under both' => [['by' => 'who'], ['Ines' => ['Glue paper', 'Paint hull'], 'Marit' => ['Glue paper'], 'Oskar' => ['Bend willow']]],
    'by branch, as those stand in the map' => [['by' => 'branch'], ['Lanterns' => ['Glue paper', 'Bend willow'], 'Boats' => ['Paint hull']]],
    'by the topic above, as those stand in the map, whichever line comes first' => [['by' => 'above', 'order' => 'by'], ['Lanterns' => ['Glue paper', 'Bend willow'], 'Boats' => ['Paint hull']]],
    'by day, what has none last' => [['order' => 'by'], ['' => ['Paint hull', 'Glue paper', 'Bend willow']]],
    'by the time in which it is due' => [['by' => 'by'], ['Before today' => ['Paint hull'], 'Next week' => ['Glue paper'], 'None' => ['Bend willow']]],
    'by how it stands, with what is told' => [['by' => 'progress', 'tells' => 'who progress'], ['Open' => ['Glue paper | Ines, Marit | 0 %', 'Paint hull | Ines | 0 %'], 'Under way' => ['Bend willow | Oskar | 40 %']]],
    'by what this map does not have' => [['by' => 'tags', 'order' => 'field:01m8emwhys1zzj17qap82hjbdf'], ['' => ['Glue paper', 'Bend willow', 'Paint hull']]],
]);

it('offers to tick what is to be done, and not what stands above it', function () {
    $map = gatheringMap('text lanterns or text paper');
    $lines = Gathering::in(new Moment($map, A_DAY), $map->row(Digest::type(), Outline::id($map, 'Open things')))->groups()[0]->lines;
    expect(array_column($lines, 'progress', 'title'))->toBe(['Lanterns' => null, 'Glue paper' => 0]);
});

it('can be frozen however many lines it has', function () {
    $lines = array_map(fn (int $n): DigestLine => new DigestLine('', '01m8emwhys1zzj17qap82hjbdf', str_repeat('ü', 200), array_fill(0, 3, str_repeat('x', 150)), [str_repeat('y', 100)], 0), range(1, Gathering::MOST));
    expect(Digest::read(new Arguments(['lines' => DigestGroup::write([new DigestGroup('', $lines)])])))->toHaveKey('lines');
});

it('gathers neither itself nor another digest, and nothing where nothing is asked', function () {
    $map = gatheringMap('text things or text paper');
    expect(gatheredIn($map))->toBe(['' => ['Glue paper']])->and(gatheredIn(gatheringMap('  ')))->toBe([]);
});

it('gathers just the topics of which its condition holds, each in reading order', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance);
    $now = new Moment($map, A_DAY);
    $at = $chance->pick(idsIn($map));
    $when = RandomFacts::condition($chance, idsIn($map), 2);
    $columns = array_keys(ChalkTree\Ask\Columns::of($now));
    $map->put($digest = Digest::fromFields($at, ['when' => json_encode($when), 'by' => $chance->pick($columns), 'tells' => implode(' ', array_slice($columns, 0, 6))]));
    $gathering = Gathering::in(new Moment($map, A_DAY), $digest);
    $told = array_merge([], ...array_map(fn (DigestGroup $group): array => array_column($group->lines, 'topic'), $gathering->groups()));
    $wanted = array_values(array_filter(idsIn($map), fn (string $id): bool => $map->row(Digest::type(), $id) === null && $digest->condition()->holds(new Moment($map, A_DAY), $id)));

    expect(array_values(array_unique($told)))->toEqualCanonicalizing($wanted)->and($gathering->count())->toBe(count($wanted));
    // What is kept of it is read as it was.
    expect(DigestGroup::read(DigestGroup::write($gathering->groups())))->toEqual($gathering->groups());
})->with(range(1, 40));

it('is a clean list in text, Markdown and HTML', function () {
    $groups = [new DigestGroup('Ines & co', [new DigestLine('', 'x', 'Glue *paper* <b>', ['Lanterns'], ['by 1 Dec'], 0), new DigestLine('', 'y', '', [], [], 100), new DigestLine('', 'z', 'Thought', [], [], null)])];
    $text = new DigestText('Open', $groups, withTrail: true);
    expect($text->plain())->toBe("Open\n\nInes & co\n- ☐ Glue *paper* <b> · by 1 Dec · Lanterns\n- ☑ Untitled\n- Thought\n")
        ->and($text->markdown())->toContain("## Ines & co\n\n- [ ] Glue \\*paper\\*")->toContain("- [x] Untitled\n- Thought\n")
        ->and($text->html())->toContain('<h3>Ines &amp; co</h3><ul><li>☐ Glue *paper* &lt;b&gt; <small>by 1 Dec · Lanterns</small></li>')
        ->and((new DigestText('Open', $groups, withTrail: false))->plain())->not->toContain('Lanterns');
});

it('tells nothing private when it leaves, frozen or not', function () {
    $map = gatheringMap(fields: ['frozen' => A_DAY]);
    $id = Outline::id($map, 'Open things');
    $digest = $map->row(Digest::type(), $id);
    $map->put($digest->with(['lines' => DigestGroup::write(Gathering::in(new Moment($map, A_DAY), $digest)->groups())]));
    $map->put(PrivateBranch::fromFields(Outline::id($map, 'Boats'), ['held' => true]));
    $left = Outgoing::of($map);
    expect(Formats::write($left, 'json'))->not->toContain('Paint hull')->toContain('Glue paper')
        ->and(gatheredIn($left))->toBe(['' => ['Glue paper', 'Bend willow']])
        // It stays with the person.
        ->and($map->row(Digest::type(), $id)->text('lines'))->toContain('Paint hull');
});

it('keeps no lines of another form', function (string $json) {
    expect(DigestGroup::read($json))->toBeNull();
})->with(['{', '1', '[1]', '[{"title": "A"}]', '[{"title": 1, "lines": []}]', '[{"title": "A", "lines": [{"map": "", "topic": "no", "title": "", "trail": [], "told": [], "progress": null}]}]',
    '[{"title": "A", "lines": [{"map": "", "topic": "01m8emwhys1zzj17qap82hjbdf", "title": "", "trail": [[]], "told": [], "progress": null}]}]', '[{"title": "A", "lines": [{"map": "", "topic": "01m8emwhys1zzj17qap82hjbdf", "title": "", "trail": [], "told": [], "progress": 101}]}]']);
