<?php

declare(strict_types=1);

use App\Publishing\PageFiles;
use App\Publishing\PageViews;
use Illuminate\Support\Facades\Schedule;

// What lay in the trash for long enough, files that nothing names, uploads that nobody goes on with.
Schedule::command('trash:empty')->hourly()->withoutOverlapping();
Schedule::call(function (PageViews $views, PageFiles $files): void {
    $views->take();
    $files->sweep();
})->name('pages:tend')->everyMinute()->withoutOverlapping();
Schedule::command('find:index')->dailyAt('03:40')->withoutOverlapping();
Schedule::command('comments:send')->everyTenMinutes()->withoutOverlapping();
Schedule::command('reminders:send')->hourly()->withoutOverlapping();
Schedule::command('queue:prune-failed', ['--hours' => 168])->daily();
