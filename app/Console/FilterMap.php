<?php

declare(strict_types=1);

namespace App\Console;

use App\Store\Facts;
use ChalkTree\Ask\Reading;
use ChalkTree\Filter\Filter;
use ChalkTree\Filter\Narrowed;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Sameness;

/** Prints the topics of a map that are meant: id and title, a line each, a tab between. */
final class FilterMap extends MapCommand
{
    protected $signature = 'map:filter {id} {words : which topics are meant, as “kind Meeting and not done”, or the name of a filter of the map} {--owner=}';

    protected $description = 'Prints the topics of a map that are meant: id and title, a line each, a tab between.';

    public function handle(Facts $facts): int
    {
        $now = $facts->moment($this->record(), $this->owner());
        $words = $this->said('words');
        $condition = null;
        foreach ($now->map->rowsOf(Filter::class) as $filter) {
            $condition ??= Sameness::key($filter->text('name')) === Sameness::key($words) ? $filter->condition() : null;
        }
        foreach (Narrowed::to($now, $condition ?? Reading::of($words, $now)->condition)->hits as $id) {
            $this->put("{$id}\t".InlineMarkdown::oneLine($now->map->topic($id)->title)."\n");
        }

        return self::SUCCESS;
    }
}
