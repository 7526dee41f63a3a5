<?php

declare(strict_types=1);

namespace App\Console;

use App\Find\FactSearch;
use App\Models\Person;
use Illuminate\Console\Command;

/** Lists the topics, across everybody's maps, of which a feature says something: "find:facts arrangement.name --text=grid". */
final class FindFacts extends Command
{
    protected $signature = 'find:facts {field : the sort of row and its field, as "arrangement.name"} {--text= : exactly this} {--from= : the least number, or the first day} {--to= : the greatest number, or the last day}';

    protected $description = 'Lists the topics of which a feature says something.';

    public function handle(FactSearch $search): int
    {
        $value = fn (string $name): int|string|null => is_string($given = $this->option($name)) ? (is_numeric($given) ? (int) $given : $given) : null;
        $field = $this->argument('field');
        $field = is_string($field) ? $field : '';
        $text = $this->option('text');
        foreach (Person::query()->get() as $person) {
            foreach ($search->find($person, $field, is_string($text) ? $text : null, $value('from'), $value('to')) as $fact) {
                $this->line("{$fact->map_id} {$fact->topic_id} ".($fact->date ?? $fact->number ?? $fact->text));
            }
        }

        return self::SUCCESS;
    }
}
