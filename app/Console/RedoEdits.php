<?php

declare(strict_types=1);

namespace App\Console;

use App\Store\MapAnswers;

/** Makes the edits taken back last again. */
final class RedoEdits extends MapCommand
{
    protected $signature = 'map:redo {id} {--steps=1} {--owner=}';

    protected $description = 'Makes the edits taken back last again.';

    public function handle(MapAnswers $answers): int
    {
        $record = $this->record();
        $edits = array_fill(0, $this->number('steps', 1, 10_000) ?? 1, ['name' => 'redo']);
        $answer = $answers->edit($record, $this->owner(), $record->seq, $edits, all: true);
        $this->put(json_encode(['seq' => $answer['seq']], JSON_THROW_ON_ERROR)."\n");

        return self::SUCCESS;
    }
}
