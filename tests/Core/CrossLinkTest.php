<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\CrossLink\MapMatch;
use ChalkTree\CrossLink\Score;
use ChalkTree\CrossLink\ScoreWeights;
use ChalkTree\CrossLink\Sentence;
use ChalkTree\CrossLink\Sentences;
use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\SceneMark;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\JsonReader;
use ChalkTree\Exchange\JsonWriter;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;
use ChalkTree\Route\KnownWays;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

beforeEach(function () {
    $this->map = NewMap::from(new TopicDraft('Festival', children: [
        new TopicDraft('Procession', children: [new TopicDraft('Route'), new TopicDraft('Band')]),
        new TopicDraft('Harbour', children: [new TopicDraft('Ferries'), new TopicDraft('Rowing guard')]),
    ]), [new TopicDraft('Rain')]);
    $this->ids = array_column(array_map(fn ($topic) => [$topic->title, $topic->id], array_values($this->map->all())), 1, 0);
    $this->make = fn (string $name, array $with): Changes => Edits::apply(Edits::read($name, $with), $this->map);
    $this->tie = function (string $from, string $to, array $fields = []): string {
        $id = Ids::next();
        ($this->make)('crosslink.tie', ['topics' => [$this->ids[$from]], 'to' => $this->ids[$to], 'as' => [$id]]);
        $fields === [] || ($this->make)('row.set', ['type' => 'crosslink', 'row' => $id, 'fields' => $fields]);

        return $id;
    };
    $this->links = fn (): array => array_values(array_map(fn (CrossLink $link): string => implode(' → ', array_map(fn (string $id): string => (string) array_search($id, $this->ids, true), $link->topics())).($link->text('phrase') === '' ? '' : ": {$link->text('phrase')}"), array_filter($this->map->rowsOf(CrossLink::class), $this->map->isLiving(...))));
    $this->marks = fn (View $view = new View): array => array_values(array_filter(Layout::of($this->map, $view)->scene()->marks, fn (SceneMark $mark): bool => $mark->type === 'crosslink'));
});

/** The points of a path as it is drawn, three pixels apart at most. */
function pointsOnPath(string $d): array
{
    preg_match_all('/([MLQC])([^MLQC]*)/', $d, $pieces, PREG_SET_ORDER);
    $points = [];
    foreach ($pieces as [, $sign, $numbers]) {
        $n = array_chunk(array_map(floatval(...), preg_split('/[ ,]+/', trim($numbers))), 2);
        $from = end($points) ?: $n[0];
        $control = [$from, ...$n];
        $steps = $sign === 'M' ? 1 : (int) ceil(array_sum(array_map(fn (int $i): float => hypot($control[$i][0] - $control[$i - 1][0], $control[$i][1] - $control[$i - 1][1]), range(1, count($control) - 1))) / 3) + 1;
        for ($i = 1; $i <= $steps; $i++) {
            // De Casteljau, whatever the degree.
            for ($row = $control; count($row) > 1; $row = array_map(fn (int $k): array => [$row[$k][0] + ($row[$k + 1][0] - $row[$k][0]) * $i / $steps, $row[$k][1] + ($row[$k + 1][1] - $row[$k][1]) * $i / $steps], range(0, count($row) - 2)));
            $points[] = $row[0];
        }
    }

    return $points;
}

/** Whether there is a way between two boxes, past all others, of at most so many pixels: by steps on a fine net. */
function hasWayAround(array $boxes, string $from, string $to, float $longest): bool
{
    $step = 6;
    $shut = [];
    foreach ($boxes as $id => $box) {
        if ($id !== $from && $id !== $to) {
            for ($i = (int) ceil(($box['x'] - 1) / $step); $i * $step <= $box['x'] + $box['w'] + 1; $i++) {
                for ($j = (int) ceil(($box['y'] - 1) / $step); $j * $step <= $box['y'] + $box['h'] + 1; $j++) {
                    $shut["{$i} {$j}"] = true;
                }
            }
        }
    }
    $middle = fn (array $box): array => [(int) round(($box['x'] + $box['w'] / 2) / $step), (int) round(($box['y'] + $box['h'] / 2) / $step)];
    [$a, $b] = [$middle($boxes[$from]), $middle($boxes[$to])];
    $queue = new SplPriorityQueue;
    $queue->insert([$a, 0.0], 0);
    $done = [];
    while (! $queue->isEmpty()) {
        [[$i, $j], $cost] = $queue->extract();
        if (isset($done["{$i} {$j}"])) {
            continue;
        }
        $done["{$i} {$j}"] = true;
        if ([$i, $j] === $b) {
            return true;
        }
        foreach ([[1, 0], [-1, 0], [0, 1], [0, -1], [1, 1], [1, -1], [-1, 1], [-1, -1]] as [$x, $y]) {
            $new = $cost + hypot($x, $y) * $step;
            $left = hypot($b[0] - $i - $x, $b[1] - $j - $y) * $step;
            if (! isset($shut[($i + $x).' '.($j + $y)], $done[($i + $x).' '.($j + $y)]) && ! isset($shut[($i + $x).' '.($j + $y)]) && $new + $left <= $longest) {
                $queue->insert([[$i + $x, $j + $y], $new], -$new - $left);
            }
        }
    }

    return false;
}

/** The rectangle of the words of a mark; null where it has none. */
function wordsOf(SceneMark $mark): ?array
{
    foreach ($mark->parts as $part) {
        if ($part->part === 'ground') {
            preg_match('/^M(\S+) (\S+)H(\S+)V(\S+)H/', $part->what['d'], $m);

            return array_map(floatval(...), array_slice($m, 1, 4));
        }
    }

    return null;
}

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

it('turns a cross-link round, and its bow stays where it is seen', function () {
    $id = ($this->tie)('Ferries', 'Route', ['phrase' => 'wait for', 'bendAt' => 300, 'bendBy' => 80]);
    $line = fn (): array => pointsOnPath(($this->marks)()[0]->parts[1]->what['d']);
    $before = $line();
    ($this->make)('crosslink.turn', ['links' => [$id]]);
    expect(($this->links)())->toBe(['Route → Ferries: wait for']);
    $boxes = Layout::of($this->map, new View)->scene()->boxes();
    [[$ax, $ay], [$bx, $by]] = array_map(fn (string $title): array => [$boxes[$this->ids[$title]]['x'] + $boxes[$this->ids[$title]]['w'] / 2, $boxes[$this->ids[$title]]['y'] + $boxes[$this->ids[$title]]['h'] / 2], ['Ferries', 'Route']);
    $length = hypot($bx - $ax, $by - $ay);
    $bend = [$ax + ($bx - $ax) * 0.3 - ($by - $ay) / $length * 80, $ay + ($by - $ay) * 0.3 + ($bx - $ax) / $length * 80];
    foreach ([$before, $line()] as $points) {
        expect(min(array_map(fn (array $point): float => hypot($point[0] - $bend[0], $point[1] - $bend[1]), $points)))->toBeLessThan(4.0);
    }
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

it('ends at what is shown of a folded branch, thinner, and says how many it stands for', function () {
    [$one, $two] = [($this->tie)('Ferries', 'Rain', ['phrase' => 'fear']), ($this->tie)('Rowing guard', 'Rain')];
    expect(array_column(($this->marks)(), 'id'))->toBe([$one, $two]);
    $folded = ($this->marks)(new View([$this->ids['Harbour'] => true]));
    $texts = array_map(fn (Primitive $part): string => implode('', array_column($part->what['spans'], 'text')), array_values(array_filter($folded[0]->parts, fn (Primitive $part): bool => $part->part === 'phrase')));
    expect($folded)->toHaveCount(1)->and($texts)->toBe(['2 cross-links'])
        ->and($folded[0]->parts[0]->touch)->toBe("crosslink:{$one} {$two}")
        ->and($folded[0]->parts[1]->what['thick'])->toBeLessThan(($this->marks)()[0]->parts[1]->what['thick']);
    $scene = Layout::of($this->map, new View([$this->ids['Harbour'] => true]))->scene();
    $box = $scene->boxes()[$this->ids['Harbour']];
    [$x, $y] = pointsOnPath($folded[0]->parts[1]->what['d'])[0];
    expect($x)->toBeGreaterThan($box['x'] - 8)->toBeLessThan($box['x'] + $box['w'] + 8)->and($y)->toBeGreaterThan($box['y'] - 8)->toBeLessThan($box['y'] + $box['h'] + 8);
    // Within one folded branch there is nothing to be seen of it.
    ($this->tie)('Ferries', 'Rowing guard');
    expect(($this->marks)(new View([$this->ids['Harbour'] => true])))->toHaveCount(1);
});

it('is not there inside a branch that one of its topics is not in', function () {
    ($this->tie)('Ferries', 'Rowing guard');
    ($this->tie)('Ferries', 'Rain');
    expect(($this->marks)(new View(scope: $this->ids['Harbour'])))->toHaveCount(1);
});

it('goes by the point to which it was bent', function () {
    foreach ([null, 'straight', 'corner'] as $form) {
        $id = ($this->tie)('Procession', 'Harbour', ['bendAt' => 500, 'bendBy' => 140, 'form' => $form]);
        $boxes = Layout::of($this->map, new View)->scene()->boxes();
        $middle = fn (string $title): array => [$boxes[$this->ids[$title]]['x'] + $boxes[$this->ids[$title]]['w'] / 2, $boxes[$this->ids[$title]]['y'] + $boxes[$this->ids[$title]]['h'] / 2];
        [[$ax, $ay], [$bx, $by]] = [$middle('Procession'), $middle('Harbour')];
        $length = hypot($bx - $ax, $by - $ay);
        $point = [($ax + $bx) / 2 - ($by - $ay) / $length * 140, ($ay + $by) / 2 + ($bx - $ax) / $length * 140];
        $mark = array_values(array_filter(($this->marks)(), fn (SceneMark $mark): bool => $mark->id === $id))[0];
        expect(min(array_map(fn (array $at): float => hypot($at[0] - $point[0], $at[1] - $point[1]), pointsOnPath($mark->parts[1]->what['d']))))->toBeLessThan(4.0);
        ($this->make)('row.remove', ['type' => 'crosslink', 'rows' => [$id]]);
    }
});

it('spreads out those that tie the same two', function () {
    $map = NewMap::from(new TopicDraft('Root'), [new TopicDraft('Left'), new TopicDraft('Right')]);
    [$left, $right] = array_keys($map->loose());
    foreach ([[$left, -500], [$right, 300]] as [$id, $x]) {
        $map->put($map->topic((string) $id)->with(['x' => $x, 'y' => 300]));
    }
    foreach (range(1, 4) as $n) {
        $map->put(CrossLink::fromFields(Ids::next(), ['from' => $n % 2 ? $left : $right, 'to' => $n % 2 ? $right : $left, 'phrase' => "way {$n}"]));
    }
    $middles = array_map(function (SceneMark $mark): array {
        $points = pointsOnPath($mark->parts[1]->what['d']);

        return $points[intdiv(count($points), 2)];
    }, array_values(Layout::of($map, new View)->scene()->marks));
    for ($i = 0; $i < 4; $i++) {
        for ($j = 0; $j < $i; $j++) {
            expect(hypot($middles[$i][0] - $middles[$j][0], $middles[$i][1] - $middles[$j][1]))->toBeGreaterThan(12.0);
        }
    }
});

it('goes around topics where there is a way, and lays no phrase on anything', function () {
    [$links, $through, $onText] = [0, 0, 0];
    foreach (range(1, 4) as $seed) {
        $chance = new Chance($seed);
        $map = RandomMaps::map($chance, 200);
        $ids = array_map(strval(...), array_keys($map->all()));
        foreach ($map->rowsOf(CrossLink::class) as $id => $link) {
            $map->drop('crosslink', (string) $id);
        }
        for ($i = 0; $i < 40; $i++) {
            [$from, $to] = [$chance->pick($ids), $chance->pick($ids)];
            $from === $to || $map->put(CrossLink::fromFields(Ids::next(), ['from' => $from, 'to' => $to] + array_diff_key(RandomMaps::link($chance), ['bendAt' => 0, 'bendBy' => 0])));
        }
        $scene = Layout::of($map, new View)->scene();
        $boxes = $scene->boxes();
        $marks = array_filter($scene->marks, fn (SceneMark $mark): bool => $mark->type === 'crosslink');
        $words = [];
        foreach ($marks as $mark) {
            $links++;
            [$from, $to] = $map->rowsOf(CrossLink::class)[$mark->id]->topics();
            $points = pointsOnPath($mark->parts[1]->what['d']);
            $hit = array_filter($boxes, function (array $box) use ($points, $from, $to): bool {
                $isOwn = in_array($box['id'], [$from, $to], true);
                foreach ($points as [$x, $y]) {
                    if (! $isOwn && $x > $box['x'] + 1 && $x < $box['x'] + $box['w'] - 1 && $y > $box['y'] + 1 && $y < $box['y'] + $box['h'] - 1) {
                        return true;
                    }
                }

                return false;
            });
            if ($hit !== []) {
                $straight = hypot(end($points)[0] - $points[0][0], end($points)[1] - $points[0][1]);
                // Those across so much board go straight; that there is a way is taken for granted.
                $through += $straight > 8_000 || hasWayAround($boxes, $from, $to, 2 * $straight) ? 1 : 0;
            }
            $at = wordsOf($mark);
            if ($at !== null) {
                $lies = fn (array $other): bool => $at[0] < $other[2] && $at[2] > $other[0] && $at[1] < $other[3] && $at[3] > $other[1];
                $onText += array_filter([...$words, ...array_map(fn (array $box): array => [$box['x'], $box['y'], $box['x'] + $box['w'], $box['y'] + $box['h']], $boxes)], $lies) === [] ? 0 : 1;
                $words[] = $at;
                $isFar = min(array_map(fn (array $point): float => hypot(max($at[0] - $point[0], 0, $point[0] - $at[2]), max($at[1] - $point[1], 0, $point[1] - $at[3])), $points)) > 16;
                expect($isFar && array_filter($mark->parts, fn (Primitive $part): bool => $part->part === 'leader') === [])->toBeFalse();
            }
        }
        foreach ($marks as $mark) {
            // No line runs over the words of another; over its own it is not seen.
            foreach ($marks as $other) {
                $at = $other === $mark ? null : wordsOf($other);
                if ($at !== null && array_filter($other->parts, fn (Primitive $part): bool => $part->part === 'leader') === []) {
                    expect(array_filter(pointsOnPath($mark->parts[1]->what['d']), fn (array $point): bool => $point[0] > $at[0] && $point[0] < $at[2] && $point[1] > $at[1] && $point[1] < $at[3]))->toBe([]);
                }
            }
        }
    }
    expect($links)->toBeGreaterThan(150)->and($through / $links)->toBeLessThanOrEqual(0.02)->and($onText)->toBe(0);
});

it('is drawn alike whether a branch was gone into before or not', function () {
    $chance = new Chance(5);
    $map = RandomMaps::map($chance, 120);
    $ids = array_map(strval(...), array_keys($map->all()));
    for ($i = 0; $i < 10; $i++) {
        [$from, $to] = [$chance->pick($ids), $chance->pick($ids)];
        $from === $to || $map->put(CrossLink::fromFields(Ids::next(), ['from' => $from, 'to' => $to, 'phrase' => 'ties']));
    }
    $anew = Layout::of($map, new View);
    $recalled = Layout::recalling(\ChalkTree\Arrange\Memory::of($anew->slips()), $map, new View, [$ids[7]]);
    expect(array_map(fn (SceneMark $mark): array => $mark->toArray(), $recalled->scene()->marks))->toEqual(array_map(fn (SceneMark $mark): array => $mark->toArray(), $anew->scene()->marks));
});

it('is drawn alike whether its way is known from before or found anew, whatever was edited', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, 60);
    $ids = array_map(strval(...), array_keys($map->all()));
    for ($i = 0; $i < 8; $i++) {
        [$from, $to] = [$chance->pick($ids), $chance->pick($ids)];
        $from === $to || $map->put(CrossLink::fromFields(Ids::next(), ['from' => $from, 'to' => $to] + RandomMaps::link($chance)));
    }
    $drawn = fn (KnownWays $ways): array => array_map(fn (SceneMark $mark): array => $mark->toArray(), Layout::of($map, new View)->scene($ways)->marks);
    $drawn($ways = new KnownWays);
    $recalled = 0;
    for ($i = 0; $i < 12; $i++) {
        try {
            Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $map)), $map);
        } catch (Refusal) {
            continue;
        }
        $before = unserialize($ways->kept() ?? 'a:0:{}');
        $drawn($ways = KnownWays::from($ways->kept()));
        $after = unserialize($ways->kept() ?? 'a:0:{}');
        $recalled += count(array_filter($after, fn (array $known, string $id): bool => ($before[$id] ?? null) === $known, ARRAY_FILTER_USE_BOTH));
        expect($drawn(KnownWays::from($ways->kept())))->toBe($drawn(new KnownWays));
    }
    expect($recalled)->toBeGreaterThan(0);
})->with([1, 2, 3, 4, 5]);

it('holds a bounded number', function () {
    for ($i = 0; $i < CrossLink::MOST; $i++) {
        $this->map->put(CrossLink::fromFields(Ids::next(), ['from' => $this->ids['Route'], 'to' => $this->ids['Rain']]));
    }
    expect(fn () => ($this->tie)('Band', 'Rain'))->toThrow(InvalidEdit::class, 'at most 500')
        ->and(fn () => ($this->make)('row.set', ['type' => 'crosslink', 'row' => Ids::next(), 'fields' => ['from' => $this->ids['Band'], 'to' => $this->ids['Rain']]]))->toThrow(InvalidEdit::class, 'at most 500');
});

/** A concept map of these propositions, each "topic | phrase | topic". */
function conceptMap(string ...$propositions): TopicMap
{
    $titles = array_values(array_unique(array_merge(...array_map(fn (string $one): array => [explode(' | ', $one)[0], explode(' | ', $one)[2]], $propositions))));
    $map = NewMap::from(new TopicDraft('Why?'), array_map(fn (string $title): TopicDraft => new TopicDraft($title), $titles));
    $ids = array_column(array_map(fn ($topic): array => [$topic->title, $topic->id], array_values($map->all())), 1, 0);
    foreach ($propositions as $one) {
        [$from, $phrase, $to] = explode(' | ', $one);
        $map->put(CrossLink::fromFields(Ids::next(), ['from' => $ids[$from], 'to' => $ids[$to], 'phrase' => $phrase]));
    }

    return $map;
}

it('reads a concept map out, one proposition a line, with articles and spaces right', function () {
    $map = conceptMap('a boat | has a | hull', 'a boat | has  a | air bubble', 'a boat | is an | ship', 'hull | holds the | a crew', 'air | lowers | density', 'hour | is a | honest hour', 'stone | is a | unit of weight', 'what? |  | why!');
    expect(explode("\n", trim(Sentences::of($map)->text())))->toBe([
        'A boat has a hull.', 'A boat has an air bubble.', 'A boat is a ship.', 'Hull holds a crew.', 'Air lowers density.', 'Hour is an honest hour.', 'Stone is a unit of weight.', 'What? … why!',
    ])->and(Sentences::of($map)->tabbed())->toContain("a boat\thas a\tair bubble\n")->toContain("what?\t\twhy!\n");
});

it('points out what is said twice, phrases that are missing, topics tied to nothing, and chains', function () {
    $map = conceptMap('a | makes | b', 'A | MAKES | B', 'b |  | c', 'c | makes | d', 'd | makes | e', 'e | makes | a');
    $sentences = Sentences::of($map);
    expect(array_map(fn (Sentence $one): bool => $one->isRepeated, $sentences->all))->toContain(true)
        ->and(count(array_filter($sentences->all, fn (Sentence $one): bool => $one->isRepeated)))->toBe(2)
        ->and(count(array_filter($sentences->all, fn (Sentence $one): bool => $one->isMissingPhrase())))->toBe(1)
        ->and($sentences->loose)->toBe([]);
    ($this->tie)('Rain', 'Route', ['phrase' => 'floods']);
    expect(Sentences::of($this->map)->loose)->toBe([]);
    ($this->make)('topic.add', ['topic' => ['title' => 'Wind'], 'parent' => null, 'x' => 0, 'y' => 400]);
    expect(array_map(fn (string $id): string => $this->map->topic($id)->title, Sentences::of($this->map)->loose))->toBe(['Wind']);
    $titles = fn (TopicMap $map): array => array_map(fn (array $chain): string => implode('', array_map(fn (string $id): string => $map->topic($id)->title, $chain)), Sentences::of($map)->chains);
    expect($titles(conceptMap('a | x | b', 'b | x | c', 'c | x | d', 'd | x | e')))->toBe(['abcde'])
        ->and($titles(conceptMap('a | x | b', 'b | x | c', 'c | x | d', 'a | x | d')))->toBe([])
        ->and($titles(conceptMap('a | x | b', 'b | x | c', 'c | x | a')))->toBe([])
        ->and($titles(conceptMap('a | x | b', 'b | x | c')))->toBe([])
        ->and($titles(conceptMap('z | x | a', 'y | x | a', 'a | x | b', 'b | x | c', 'c | x | d', 'd | x | e', 'd | x | f')))->toBe(['abcd']);
});

it('writes propositions as a table that no spreadsheet reckons with', function () {
    expect(Sentences::of(conceptMap('=1+1 | says "so" | b, c'))->csv())->toBe("from,phrase,to,sentence\r\n\"'=1+1\",\"says \"\"so\"\"\",\"b, c\",\"'=1+1 says \"\"so\"\" b, c.\"\r\n");
});

it('scores by the published method, and as the teacher marks', function () {
    $map = conceptMap('boats | have | hull', 'boats | carry | cargo', 'hull | holds | air', 'cargo | adds to | weight', 'air | lessens | weight', 'hull | such as | barge', 'hull |  | cargo');
    // Levels: hull and cargo, then air, weight and barge. From air to weight it goes across.
    expect(Score::of($map)->toArray())->toBe(['propositions' => 6, 'valid' => 5, 'levels' => 2, 'crossLinks' => 1, 'examples' => 1, 'score' => 5 + 10 + 10 + 1]);
    $link = fn (string $phrase): CrossLink => array_values(array_filter($map->rowsOf(CrossLink::class), fn (CrossLink $link): bool => $link->text('phrase') === $phrase))[0];
    $map->put($link('adds to')->with(['judged' => 'wrong']));
    // Weight is reached by air alone then, which goes across nothing.
    expect(Score::of($map)->toArray())->toBe(['propositions' => 6, 'valid' => 4, 'levels' => 3, 'crossLinks' => 0, 'examples' => 1, 'score' => 4 + 15 + 1]);
    $map->put($link('adds to')->with(['judged' => 'valid']));
    $map->put(ScoreWeights::fromFields(Ids::next(), ['level' => 0, 'cross' => 2]));
    expect(Score::of($map)->toArray()['score'])->toBe(5 + 0 + 2 + 1);
    // From the first level too it goes across.
    expect(Score::of(conceptMap('top | has | left', 'top | has | right', 'left | meets | right'))->crossLinks)->toBe(1);
    $twice = conceptMap('a | x | b', 'A | X | b', 'b | y | a');
    expect(Score::of($twice)->toArray()['propositions'])->toBe(2)->and(Score::of(conceptMap('a | x | b', 'b | y | a'))->toArray()['levels'])->toBe(1)
        ->and(Score::of($this->map)->toArray())->toBe(['propositions' => 0, 'valid' => 0, 'levels' => 0, 'crossLinks' => 0, 'examples' => 0, 'score' => 0]);
});

it('counts only telling cross-links where some are marked so', function () {
    $map = conceptMap('top | has | left', 'top | has | right', 'left | has | one', 'right | has | two', 'one | meets | two', 'two | meets | one');
    expect(Score::of($map)->crossLinks)->toBe(2);
    $link = array_values(array_filter($map->rowsOf(CrossLink::class), fn (CrossLink $link): bool => $link->text('phrase') === 'meets'))[0];
    $map->put($link->with(['telling' => true]));
    expect(Score::of($map)->crossLinks)->toBe(1);
});

it('is held against another map by the words of topics and phrases, in any order', function () {
    $model = conceptMap('displaced water | pushes back with | upthrust', 'the hull | is full of | air', 'steel | is denser than | water', 'a | b | c');
    $map = conceptMap('Water displaced | with: pushes back | an Upthrust', 'water | is denser than | steel', 'a hull | is full of | air', 'hull | is full of | air', 'x |  | y');
    $texts = fn (array $sentences): array => array_map(fn (Sentence $one): string => $one->text(), $sentences);
    $match = MapMatch::of($map, $model);
    expect($texts($match->there))->toBe(['Water displaced with: pushes back an Upthrust.', 'A hull is full of air.', 'Hull is full of air.'])
        ->and($texts($match->missing))->toBe(['Steel is denser than water.', 'A b c.'])
        ->and($texts($match->other))->toBe(['Water is denser than steel.']);
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
