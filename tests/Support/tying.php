<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Draw\SceneMark;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;

/** A festival with five topics to be tied to each other, and how tests tie them and see what is tied. */
function festivalToTie(object $test): void
{
    $test->map = NewMap::from(new TopicDraft('Festival', children: [
        new TopicDraft('Procession', children: [new TopicDraft('Route'), new TopicDraft('Band')]),
        new TopicDraft('Harbour', children: [new TopicDraft('Ferries'), new TopicDraft('Rowing guard')]),
    ]), [new TopicDraft('Rain')]);
    $test->ids = array_column(array_map(fn ($topic) => [$topic->title, $topic->id], array_values($test->map->all())), 1, 0);
    $test->make = fn (string $name, array $with): Changes => Edits::apply(Edits::read($name, $with), $test->map);
    $test->tie = function (string $from, string $to, array $fields = []) use ($test): string {
        $id = Ids::next();
        ($test->make)('crosslink.tie', ['topics' => [$test->ids[$from]], 'to' => $test->ids[$to], 'as' => [$id]]);
        $fields === [] || ($test->make)('row.set', ['type' => 'crosslink', 'row' => $id, 'fields' => $fields]);

        return $id;
    };
    $test->links = fn (): array => array_values(array_map(fn (CrossLink $link): string => implode(' → ', array_map(fn (string $id): string => (string) array_search($id, $test->ids, true), $link->topics())).($link->text('phrase') === '' ? '' : ": {$link->text('phrase')}"), array_filter($test->map->rowsOf(CrossLink::class), $test->map->isLiving(...))));
    $test->marks = fn (View $view = new View): array => array_values(array_filter(Layout::of($test->map, $view)->scene()->marks, fn (SceneMark $mark): bool => $mark->type === 'crosslink'));
}
