<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Moment;
use ChalkTree\Text\InlineMarkdown;

/** The to-dos of a map as a list, each with what is found of it and where it stands. */
final readonly class Todos
{
    /**
     * In reading order.
     *
     * @return list<array{topic: string, title: string, trail: string, progress: int, who: list<string>, by: string|null, state: string, found: list<string>}>
     */
    public static function of(Moment $now): array
    {
        $tasks = Tasks::at($now);
        $todos = [];
        foreach ($tasks->all() as $id) {
            $task = Tasks::task($now->map, $id);
            $above = array_map(fn ($topic): string => InlineMarkdown::oneLine($topic->title), array_reverse($now->map->ancestors($id)));
            $todos[] = [
                'topic' => $id,
                'title' => InlineMarkdown::oneLine($now->map->topic($id)->title),
                'trail' => implode(' › ', array_slice($above, 1)),
                'progress' => (int) round($tasks->progress($id) ?? 0.0),
                'who' => $task?->who() ?? [],
                'by' => ($task?->text('by') ?? '') === '' ? null : $task?->text('by'),
                'state' => $tasks->state($id) ?? 'open',
                'found' => array_map(fn (Finding $finding): string => $finding->value, $tasks->found($id)),
            ];
        }

        return $todos;
    }
}
