<?php

declare(strict_types=1);

use App\Publishing\PageFiles;
use App\Publishing\PageViews;
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
Schedule::command('backup:make')->dailyAt('03:10')->withoutOverlapping()->onOneServer();
