<?php

declare(strict_types=1);

use App\Operate\Backups;
use App\Publishing\PageFiles;
use App\Publishing\PageViews;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\Schedule;

// What lay in the trash for long enough, files that nothing names, uploads that nobody goes on with.
Schedule::command('trash:empty')->hourly()->withoutOverlapping()->onOneServer();
Schedule::call(function (PageViews $views, PageFiles $files): void {
    $views->take();
    $files->sweep();
})->name('pages:tend')->everyMinute()->withoutOverlapping()->onOneServer();
Schedule::command('find:index')->dailyAt('03:40')->withoutOverlapping()->onOneServer();
Schedule::command('comments:send')->everyTenMinutes()->withoutOverlapping()->onOneServer();
Schedule::command('reminders:send')->hourly()->withoutOverlapping()->onOneServer();
Schedule::command('queue:prune-failed', ['--hours' => 168])->daily()->onOneServer();
// Whatever else goes wrong: all that is kept, as it was each night of the last week.
// A machine that sleeps at night makes it as soon as it is there; one that was killed over it tries again after seven hours.
Schedule::command('backup:make')->everyTenMinutes()->when(fn (Backups $backups): bool => Config::string('chalk.backups') !== '' && $backups->isDue(Config::string('chalk.backups')))->withoutOverlapping(420)->onOneServer();
