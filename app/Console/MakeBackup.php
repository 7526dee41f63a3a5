<?php

declare(strict_types=1);

namespace App\Console;

use App\Operate\Backups;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Config;

/** Copies all that is kept, while everybody goes on working. It is done every night; seven are kept. */
final class MakeBackup extends Command
{
    protected $signature = 'backup:make {--to= : a folder, else the one of the settings}';

    protected $description = 'Copies the database and all files to a folder, and keeps the latest seven.';

    public function handle(Backups $backups): int
    {
        $folder = is_string($to = $this->option('to')) ? $to : Config::string('chalk.backups');
        if ($folder === '') {
            $this->error('No folder is set for backups (CHALK_BACKUPS), and none was said with --to.');

            return self::FAILURE;
        }
        $this->line($backups->make($folder));

        return self::SUCCESS;
    }
}
