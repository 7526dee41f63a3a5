<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Reading;
use ChalkTree\Edit\Arguments;
use ChalkTree\Filter\Filter;
use ChalkTree\Filter\Narrowed;
use ChalkTree\Filter\Showing;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Rule\LookRule;
use Tests\Support\Chance;
use Tests\Support\RandomFacts;
use Tests\Support\RandomMaps;

/* Maps narrowed to the topics of which something holds. */

/** @return array<string, string|null> what is shown in a view, each topic with what it hangs on */
function shownIn(TopicMap $map, View $view): array
{
    $root = $view->scope ?? $map->sheet()->root;
    $shown = [$root => null] + ($view->scope === null ? array_map(fn ($topic): null => null, $view->loose($map)) : []);
    for ($stack = array_map(strval(...), array_keys($shown)); $stack !== [];) {
        $at = array_pop($stack);
        foreach (array_map(strval(...), array_keys($view->below($map, $at))) as $id) {
            expect($shown)->not->toHaveKey($id);
            $shown[$id] = $at;
            $stack[] = $id;
        }
    }

    return $shown;
}

it('shows what it hits, with what is above it, with what is below it, or alone', function () {
    $map = committee();
    foreach (['Lanterns' => 'Autumn', 'Paper lantern' => 'Lanterns', 'Wick' => 'Paper lantern', 'Boats' => 'Winter'] as $title => $parent) {
        done($map, 'topic.add', ['topic' => ['id' => Ids::next(), 'title' => $title], 'parent' => titled($map, $parent)]);
    }
    $now = new Moment($map, A_DAY);
    $titles = function (string $text, Showing $showing, ?string $scope = null, array $folded = []) use ($map, $now): array {
        $narrowed = Narrowed::to($now, Reading::of($text, $now)->condition, $showing, $scope);
        $shown = shownIn($map, $narrowed->view(View::folding($folded, $scope)));

        return array_map(fn (string $id): string => $map->topic($id)->title.' < '.($shown[$id] === null ? '' : $map->topic($shown[$id])->title), array_map(strval(...), array_keys($shown)));
    };
    expect($titles('paper', Showing::Above))->toBe(['Committee < ', 'Autumn < Committee', 'Lanterns < Autumn', 'Paper lantern < Lanterns'])
        ->and($titles('paper', Showing::Below))->toBe(['Committee < ', 'Autumn < Committee', 'Lanterns < Autumn', 'Paper lantern < Lanterns', 'Wick < Paper lantern'])
        ->and($titles('paper or wick or boats', Showing::Only))->toBe(['Committee < ', 'Paper lantern < Committee', 'Boats < Committee', 'Wick < Paper lantern'])
        ->and($titles('paper', Showing::Dim))->toHaveCount(7)
        ->and($titles('nowhere', Showing::Above))->toBe(['Committee < '])
        ->and($titles('wick', Showing::Above, titled($map, 'Lanterns')))->toBe(['Lanterns < ', 'Paper lantern < Lanterns', 'Wick < Paper lantern'])
        // A fold above a hit does not hide it; one below is as it was.
        ->and($titles('paper', Showing::Below, null, [titled($map, 'Autumn'), titled($map, 'Paper lantern')]))->toBe(['Committee < ', 'Autumn < Committee', 'Lanterns < Autumn', 'Paper lantern < Lanterns']);
});

it('keeps what one is working at, though it is no hit any more', function () {
    $map = committee();
    $now = new Moment($map, A_DAY);
    $narrowed = Narrowed::to($now, Reading::of('autumn', $now)->condition, kept: [titled($map, 'Winter')]);
    expect($narrowed->hits)->toBe([titled($map, 'Autumn'), titled($map, 'Winter')])
        ->and(Narrowed::to($now, null, kept: [titled($map, 'Winter')])->hits)->toBe([]);
});

it('shows every hit once and nothing that has no reason to be there, and nothing overlaps', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(5, 60));
    $ids = array_map(strval(...), array_keys($map->all()));
    RandomFacts::put($chance, $map, $ids);
    $now = new Moment($map, A_DAY);
    $condition = Condition::read(new Arguments(RandomFacts::condition($chance, $ids)));
    $scope = $chance->yes(30) ? $chance->pick($ids) : null;
    $folded = array_filter($ids, fn (): bool => $chance->yes(20));
    $showing = $chance->pick(Showing::cases());
    $narrowed = Narrowed::to($now, $condition, $showing, $scope);
    $view = $narrowed->view(View::folding($folded, $scope));
    $shown = shownIn($map, $view);
    $top = $scope ?? $map->sheet()->root;
    foreach ($showing === Showing::Dim ? [] : $narrowed->hits as $hit) {
        expect($condition->holds($now, $hit))->toBeTrue()
            ->and($shown)->toHaveKey($hit)
            ->and($scope === null || $map->isWithin($hit, $scope))->toBeTrue();
    }
    $hits = array_flip($narrowed->hits);
    foreach ($showing === Showing::Dim ? [] : $shown as $id => $parent) {
        $isAbove = array_filter($narrowed->hits, fn (string $hit): bool => $map->isWithin($hit, (string) $id)) !== [];
        $isBelow = array_filter($narrowed->hits, fn (string $hit): bool => $map->isWithin((string) $id, $hit)) !== [];
        $isTop = $id === $top || ($parent === null && $isAbove);
        expect($isTop || isset($hits[$id]) || ($showing !== Showing::Only && $isAbove) || ($showing === Showing::Below && $isBelow))->toBeTrue("{$id} in {$showing->value}")
            ->and($parent === null || $map->isWithin((string) $id, $parent))->toBeTrue();
    }
    $scene = Layout::of($map, $view)->scene();
    expect(count($scene->slips))->toBe(count($shown));
    // Where what stands between is passed over, a topic hangs on another than its parent.
    $showing === Showing::Only ? expect(overlaps(array_values($scene->boxes())))->toBe([]) : checkScene($scene, $map);
})->with(range(1, 160));

it('is kept under a name as a row of the map, and asks for no topic that has gone', function () {
    $map = committee();
    $id = Ids::next();
    done($map, 'row.set', ['type' => 'filter', 'row' => $id, 'fields' => ['name' => 'Below autumn', 'when' => json_encode(['ask' => 'below', 'topic' => titled($map, 'Autumn')]), 'shows' => 'only']]);
    $filter = $map->row('filter', $id);
    expect($filter)->toBeInstanceOf(Filter::class)
        ->and($filter->condition()?->words(new Moment($map, A_DAY)))->toBe('below “Autumn”')
        ->and($filter->among(fn (string $topic): bool => false)->condition()?->words(new Moment($map, A_DAY)))->toBe('no topic')
        ->and($filter->among(fn (string $topic): bool => true))->toBe($filter);
});

it('lets filters and rules ask for a choice by the name that it is given', function () {
    $map = committee('source');
    $field = ChalkTree\Kind\ShippedKinds::fieldId('source-sort');
    $choice = $map->row('field', $field)->choices()[0];
    $when = json_encode(['any' => [['ask' => 'field', 'field' => $field, 'how' => 'is', 'than' => $choice], ['ask' => 'text', 'has' => $choice]]]);
    $rows = ['filter' => Ids::next(), 'rule' => Ids::next()];
    foreach ($rows as $type => $id) {
        done($map, 'row.set', ['type' => $type, 'row' => $id, 'fields' => ['name' => 'Sources', 'when' => $when]]);
    }
    $changes = done($map, 'choice.rename', ['field' => $field, 'from' => $choice, 'to' => 'Scroll']);
    foreach ([Filter::class => 'filter', LookRule::class => 'rule'] as $type) {
        expect($map->row($type, $rows[$type])->condition()?->words(new Moment($map, A_DAY)))->toBe("Sort of source is Scroll or text “{$choice}”");
    }
    $changes->reversed()->applyTo($map, new ChalkTree\Edit\Recorder($map));
    expect($map->row('filter', $rows['filter'])->text('when'))->toBe($when);
});
