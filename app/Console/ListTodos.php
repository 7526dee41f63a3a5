<?php

declare(strict_types=1);

namespace App\Console;

use App\Store\Facts;
use ChalkTree\Task\Todos;

/** Prints the to-dos of a map: id, progress, who, by when and title, a line each, tabs between. */
final class ListTodos extends MapCommand
{
    protected $signature = 'map:todos {id} {--owner=}';

    protected $description = 'Prints the to-dos of a map: id, progress, who, by when and title, a line each, tabs between.';

    public function handle(Facts $facts): int
    {
        foreach (Todos::of($facts->moment($this->record(), $this->owner())) as $todo) {
            $this->put(implode("\t", [$todo['topic'], $todo['progress'], implode(', ', $todo['who']), $todo['by'] ?? '', $todo['title']])."\n");
        }

        return self::SUCCESS;
    }
}
