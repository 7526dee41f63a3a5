<?php

declare(strict_types=1);

namespace App\Console;

use App\Find\WordIndex;
use App\Library\Trash;
use Illuminate\Console\Command;

/** Takes what has lain in the trash for thirty days. The start command runs it; a larger installation runs it daily. */
final class EmptyTrash extends Command
{
    protected $signature = 'trash:empty';

    protected $description = 'Takes maps and branches that have lain in the trash for thirty days.';

    public function handle(Trash $trash, WordIndex $index): int
    {
        $trash->clearOld();
        $index->sweep();

        return self::SUCCESS;
    }
}
