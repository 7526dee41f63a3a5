<?php

declare(strict_types=1);

namespace App\Console;

use App\Library\Exports;
use App\Library\Shelf;
use App\Store\MapStore;
use RuntimeException;

/** Writes a map to a file or to standard output. */
final class ExportMap extends MapCommand
{
    protected $signature = 'map:export {id} {--to= : json, opml, md, txt, svg or png} {--out= : a file; else standard output} {--width= : pixels, for png} {--set=* : what else the format lets choose, such as headings=3 for md} {--owner=}';

    protected $description = 'Writes a map to a file or to standard output.';

    public function handle(MapStore $store, Exports $exports, Shelf $shelf): int
    {
        $record = $this->record();
        $to = $this->text('to') ?? '';
        if (! in_array($to, Exports::names(), true)) {
            throw new RuntimeException('--to has to be one of: '.implode(', ', Exports::names()).'.');
        }
        $map = $store->load($record);
        $file = $exports->write($record, $map, $to, $shelf->titleOf($record, $map->root()->title), width: $this->number('width', 16, 16_000), options: Exports::options($to, $this->chosen()));
        $out = $this->text('out');
        if ($out === null) {
            $this->put($file);
        } elseif (@file_put_contents($out, $file) === false) {
            throw new RuntimeException("The file {$out} cannot be written.");
        }

        return self::SUCCESS;
    }

    /** @return array<string, string> */
    private function chosen(): array
    {
        $chosen = [];
        foreach ((array) $this->option('set') as $one) {
            [$name, $value] = [...explode('=', is_string($one) ? $one : '', 2), ''];
            $chosen[$name] = $value;
        }

        return $chosen;
    }
}
