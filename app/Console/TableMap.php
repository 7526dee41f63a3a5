<?php

declare(strict_types=1);

namespace App\Console;

use App\Store\MapStore;
use App\Store\Tables;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\TopicMap;
use ChalkTree\Table\Table;
use ChalkTree\Text\Sameness;

/** Prints a table as CSV, without what is private. */
final class TableMap extends MapCommand
{
    protected $signature = 'map:table {id} {name? : what the table is called; without it the topics below the root} {--owner=}';

    protected $description = 'Prints a table of a map as CSV, without what is private.';

    public function handle(Tables $tables, MapStore $store): int
    {
        $name = $this->argument('name');
        $map = $store->load($this->record());
        $this->put($tables->file($this->record(), $this->owner(), is_string($name) ? self::named($map, $name) : null, null)[1]);

        return self::SUCCESS;
    }

    /** @throws InvalidEdit */
    private static function named(TopicMap $map, string $name): string
    {
        $tables = $map->rowsOf(Table::class);
        foreach ($tables as $table) {
            if ($table->id === $name || Sameness::key($table->text('name')) === Sameness::key($name)) {
                return $table->id;
            }
        }

        throw new InvalidEdit("There is no table called “{$name}”.".($tables === [] ? '' : ' Tables here are: '.implode(', ', array_map(fn (Table $table): string => $table->text('name'), $tables)).'.'), 'name');
    }
}
