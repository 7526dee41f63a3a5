<?php

declare(strict_types=1);

namespace App\Console;

use App\Store\MapAnswers;
use RuntimeException;

/** Applies edits to a map, all or none, and prints the number of the latest. */
final class EditMap extends MapCommand
{
    protected $signature = 'map:edit {id} {file : a JSON list of edits} {--owner=}';

    protected $description = 'Applies edits to a map, all or none, and prints the number of the latest.';

    public function handle(MapAnswers $answers): int
    {
        $record = $this->record();
        $edits = json_decode($this->contents($this->said('file')), true);
        if (! is_array($edits) || ! array_is_list($edits)) {
            throw new RuntimeException('The file has to hold a JSON list of edits.');
        }
        $answer = $answers->edit($record, $this->owner(), $record->seq, $edits, all: true);
        $this->put(json_encode(['seq' => $answer['seq']], JSON_THROW_ON_ERROR)."\n");

        return self::SUCCESS;
    }
}
