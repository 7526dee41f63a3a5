<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\TopicMap;

/** Draws a map as it would be after some edits, for looking at them before they are made; nothing is kept. */
final readonly class Tries
{
    /** Topics in a picture; more cannot be told apart in so small a one. */
    private const MOST_IN_PICTURE = 40;

    /** Topics on the board; a larger map is not drawn just to try. */
    private const MOST_ON_BOARD = 3000;

    /** Values in all edits together. */
    private const MOST_NAMED = 20_000;

    public function __construct(private MapStore $store)
    {
    }

    /**
     * @param  list<mixed>  $tries  the bodies of edits, for each picture
     * @param  View|null  $view  as the board is seen; null for small pictures of the whole or of one branch
     * @param  string|null  $branch  the topic at the head of that branch
     * @return array{scenes: list<array<string, mixed>>} "TriesAnswer" in the wire schema
     */
    public function of(MapRecord $record, array $tries, ?View $view, ?string $branch): array
    {
        $this->bound($tries);
        $map = $this->store->load($record);
        if ($view !== null && count($map->all()) > self::MOST_ON_BOARD) {
            throw new InvalidEdit('This map is too large to try something on all of it.', 'board');
        }
        $branch = $branch !== null && $map->topic($branch, 'branch')->id !== $map->sheet()->root ? $branch : null;

        return ['scenes' => array_map(fn (mixed $edits): array => $this->scene($map, is_array($edits) ? array_values($edits) : [], $view, $branch), $tries)];
    }

    /**
     * One edit may name every topic of the largest map, and many edits no more than that together.
     *
     * @param  list<mixed>  $tries
     */
    private function bound(array $tries): void
    {
        $topics = 0;
        array_walk_recursive($tries, function () use (&$topics): void {
            $topics++;
        });
        if ($topics > self::MOST_NAMED) {
            throw new InvalidEdit('This is too much to try at once.', 'tries');
        }
    }

    /**
     * @param  list<mixed>  $edits
     * @return array<string, mixed>
     */
    private function scene(TopicMap $map, array $edits, ?View $view, ?string $branch): array
    {
        $tried = clone $map;
        foreach ($edits as $body) {
            $edit = EditBody::read($body);
            if ($edit->isPrepared()) {
                throw new InvalidEdit('This cannot be tried.', 'tries');
            }
            Edits::apply($edit->edit(), $tried);
        }

        return (new SceneBoard(null, $view ?? View::overview($tried, self::MOST_IN_PICTURE, $branch)))->news($tried, []);
    }
}
