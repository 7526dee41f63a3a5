<?php

declare(strict_types=1);

namespace App\Console;

use App\Store\MapStore;
use ChalkTree\Arrange\Arrangements;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Slip;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\SlipData;
use ChalkTree\Look\Looks;
use RuntimeException;

/** Prints the scene of a map as JSON. */
final class ShowScene extends MapCommand
{
    protected $signature = 'map:scene {id} {--arrangement= : both-sides or rightward; else the map\'s own} {--folded= : ids, with commas between} {--absolute : boxes in one coordinate system} {--owner=}';

    protected $description = 'Prints the scene of a map as JSON.';

    public function handle(MapStore $store): int
    {
        $map = $store->load($this->record());
        $arrangement = $this->text('arrangement');
        if ($arrangement !== null && ! in_array($arrangement, Arrangements::names(), true)) {
            throw new RuntimeException('--arrangement has to be one of: '.implode(', ', Arrangements::names()).'.');
        }
        $folded = array_filter(array_map(trim(...), explode(',', $this->text('folded') ?? '')), fn (string $id): bool => $id !== '');
        foreach ($folded as $id) {
            $map->topic($id, 'folded');
        }
        $looks = Looks::standard();
        $scene = Layout::of($map, View::folding($folded), $arrangement, $looks)->scene();
        $data = new SlipData;
        $json = ['arrangement' => $scene->arrangement, 'bounds' => $scene->bounds()]
            + ($this->option('absolute') ? ['boxes' => array_values($scene->boxes())] : [])
            + ['slips' => array_map(fn (Slip $slip): array => $data->of($slip), array_values($scene->slips))];
        $this->put(json_encode($json, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n");

        return self::SUCCESS;
    }
}
