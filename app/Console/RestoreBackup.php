<?php

declare(strict_types=1);

namespace App\Console;

use App\Operate\Backups;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Config;
use RuntimeException;

/** Puts everything back as it was when it was copied. */
final class RestoreBackup extends Command
{
    protected $signature = 'backup:restore {name? : as backup:restore without one lists them} {--from= : a folder, else the one of the settings} {--force : without asking}';

    protected $description = 'Lists the backups, or puts everything back as it was in one of them.';

    public function handle(Backups $backups): int
    {
        $folder = is_string($from = $this->option('from')) ? $from : Config::string('chalk.backups');
        $name = $this->argument('name');
        if (! is_string($name)) {
            array_map($this->line(...), $backups->all($folder));

            return self::SUCCESS;
        }
        if ($this->option('force') !== true && ! $this->confirm("Whatever was done since {$name} is lost. Go on?")) {
            return self::FAILURE;
        }
        try {
            $backups->restore($folder, $name);
        } catch (RuntimeException $refused) {
            $this->error($refused->getMessage());

            return self::FAILURE;
        }
        $this->info("Everything is as it was on {$name}. Servers that run go on with it; restart them if they are many.");

        return self::SUCCESS;
    }
}
