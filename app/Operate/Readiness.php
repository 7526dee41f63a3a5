<?php

declare(strict_types=1);

namespace App\Operate;

use Closure;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Database\Connection;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Queue\QueueManager;
use Throwable;

/** Whether this server can do its work: what it needs answers, and the tables are those of its version. */
final readonly class Readiness
{
    public function __construct(private Connection $database, private Repository $cache, private Filesystem $files, private QueueManager $queue, private Migrator $migrator)
    {
    }

    /** @return array<string, string|null> what it needs, and what is wrong with it */
    public function told(): array
    {
        return array_map(self::tried(...), [
            'database' => fn () => $this->database->selectOne('select 1 as one'),
            'tables' => fn () => $this->areCurrent() ? null : 'Migrations are still to be run.',
            'cache' => fn () => $this->cache->put('ready', 'yes', 10) && $this->cache->get('ready') === 'yes' ? null : 'What was put there is not there.',
            'files' => fn () => $this->files->exists('nothing of this name'),
            'queue' => fn () => $this->queue->connection()->size('default'),
        ]);
    }

    private function areCurrent(): bool
    {
        $ran = $this->migrator->getRepository()->getRan();

        return array_diff(array_keys($this->migrator->getMigrationFiles(database_path('migrations'))), $ran) === [];
    }

    /** @param  Closure(): mixed  $try */
    private static function tried(Closure $try): ?string
    {
        try {
            $said = $try();

            return is_string($said) ? $said : null;
        } catch (Throwable $wrong) {
            report($wrong);

            return $wrong::class;
        }
    }
}
