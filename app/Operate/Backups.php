<?php

declare(strict_types=1);

namespace App\Operate;

use App\Files\KeptFiles;
use App\Files\WholeFiles;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Database\Connection;
use Illuminate\Filesystem\LocalFilesystemAdapter;
use Illuminate\Support\Facades\File;
use RuntimeException;
use SQLite3;
use Symfony\Component\Process\Process;

/**
 * Copies of all that an installation keeps: of the database as it was at one moment, while everybody goes on working, and
 * of files and pictures, which lie under the hash of what is in them and so are copied once for all backups.
 *
 * A backup is a folder: its database (SQLite's own format, packed, or what pg_dump writes) and a list of the files that
 * there were. It has its name only once it is whole.
 */
final readonly class Backups
{
    /** So many are kept, the latest. */
    public const KEPT = 7;

    /** When one is to be made each night, hours and minutes (UTC). */
    private const NIGHT = [3, 10];

    private const NAME = 'Y-m-d-His';

    private const SQLITE = 'database.sqlite.gz';

    private const POSTGRES = 'database.dump';

    private const FILES = 'files.txt';

    /** What one is called until it is whole. */
    private const MEANWHILE = '.being-made';

    /** What of the file system is kept for good. */
    private const ROOTS = ['files', 'pictures'];

    /** Seconds that a program has for a database. */
    private const PATIENCE = 6 * 3600;

    public function __construct(private Connection $database, private Filesystem $files)
    {
    }

    /**
     * Makes one, and takes away those that are too many.
     *
     * @param  string  $folder  in which all are
     * @return string what it is called
     */
    public function make(string $folder): string
    {
        File::ensureDirectoryExists($folder, 0o700);

        return $this->alone($folder, function () use ($folder): string {
            $name = now('UTC')->format(self::NAME);
            $meanwhile = "{$folder}/".self::MEANWHILE;
            // One that was broken off left it there.
            File::deleteDirectory($meanwhile);
            File::makeDirectory($meanwhile, 0o700);
            try {
                // Files before and after: what the database names and is taken away for good by now was copied before, what has come since is after it.
                $files = $this->keepFiles("{$folder}/kept");
                $this->database->getDriverName() === 'pgsql' ? $this->dump("{$meanwhile}/".self::POSTGRES) : $this->copy("{$meanwhile}/".self::SQLITE);
                $files += $this->keepFiles("{$folder}/kept");
                if (file_put_contents("{$meanwhile}/".self::FILES, implode('', array_map(fn (string $path): string => "{$path}\n", array_keys($files)))) === false) {
                    throw new RuntimeException("{$meanwhile} cannot be written.");
                }
                if (! @rename($meanwhile, "{$folder}/{$name}")) {
                    throw new RuntimeException("There is a backup “{$name}” already.");
                }
            } finally {
                File::deleteDirectory($meanwhile);
            }
            $this->prune($folder);

            return $name;
        });
    }

    /**
     * Does something with a folder of backups while nobody else does; a process that is killed leaves it free.
     *
     * @template T
     *
     * @param  callable(): T  $do
     * @return T
     */
    private function alone(string $folder, callable $do): mixed
    {
        $held = fopen("{$folder}/.held", 'cb') ?: throw new RuntimeException("{$folder} cannot be written.");
        try {
            if (! flock($held, LOCK_EX | LOCK_NB)) {
                throw new RuntimeException("A backup is being made or put back in {$folder} just now.");
            }

            return $do();
        } finally {
            fclose($held);
        }
    }

    /** Whether none was made since the last night: the machine was not there then, or has just come. */
    public function isDue(string $folder): bool
    {
        $night = now('UTC')->setTime(...self::NIGHT);

        return ($this->all($folder)[0] ?? '') < ($night->isFuture() ? $night->subDay() : $night)->format(self::NAME);
    }

    /** @return list<string> the latest first */
    public function all(string $folder): array
    {
        $names = array_map(basename(...), glob("{$folder}/[0-9]*-[0-9]*", GLOB_ONLYDIR) ?: []);
        rsort($names);

        return $names;
    }

    /**
     * Puts everything back as it was. What was done since is gone.
     *
     * @param  string  $name  one of all()
     */
    public function restore(string $folder, string $name): void
    {
        if (! in_array($name, $this->all($folder), true)) {
            throw new RuntimeException("There is no backup “{$name}” in {$folder}.");
        }
        $this->alone($folder, fn () => $this->putBack($folder, $name));
    }

    private function putBack(string $folder, string $name): void
    {
        $isPostgres = $this->database->getDriverName() === 'pgsql';
        if (! is_file("{$folder}/{$name}/".($isPostgres ? self::POSTGRES : self::SQLITE))) {
            throw new RuntimeException("The backup “{$name}” is of another sort of database.");
        }
        // Files first: there is none then that the database names and that is missing.
        foreach (file("{$folder}/{$name}/".self::FILES, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $path) {
            if (! $this->files->exists($path)) {
                $from = @fopen("{$folder}/kept/{$path}", 'rb') ?: throw new RuntimeException("The file {$path} is missing in the backup; nothing of the database was changed.");
                // As it lies under its hash, it is known whether it is what it was.
                if (basename($path) === KeptFiles::WHOLE && hash_file('sha256', "{$folder}/kept/{$path}") !== basename(dirname($path))) {
                    throw new RuntimeException("The file {$path} is damaged in the backup; nothing of the database was changed.");
                }
                WholeFiles::put($this->files, $path, $from);
            }
        }
        $isPostgres ? $this->load("{$folder}/{$name}/".self::POSTGRES) : $this->copyBack("{$folder}/{$name}/".self::SQLITE);
    }

    private function copy(string $to): void
    {
        $plain = "{$to}.plain";
        // One moment of a database in which others write meanwhile.
        $this->database->statement('vacuum into ?', [$plain]);
        self::pack($plain, $to, packs: true);
        unlink($plain);
    }

    private function copyBack(string $from): void
    {
        $plain = "{$from}.plain";
        try {
            self::pack($from, $plain, packs: false);
            $copy = new SQLite3($plain, SQLITE3_OPEN_READWRITE);
            $copy->enableExceptions(false);
            if (@$copy->querySingle('pragma integrity_check') !== 'ok') {
                throw new RuntimeException('The database in this backup is damaged; nothing was changed.');
            }
            // By SQLite's own way, which waits for whoever writes, and which those see who have it open.
            $now = new SQLite3($this->database->getDatabaseName(), SQLITE3_OPEN_READWRITE);
            $now->busyTimeout(30_000);
            if (! $copy->backup($now)) {
                throw new RuntimeException('The database could not be put back: '.$now->lastErrorMsg());
            }
            $now->close();
            $copy->close();
            $this->database->disconnect();
        } finally {
            @unlink($plain);
        }
    }

    private function dump(string $to): void
    {
        $this->run(['pg_dump', '--format=custom', '--no-owner', '--no-privileges', "--file={$to}"]);
    }

    private function load(string $from): void
    {
        $this->database->disconnect();
        $this->run(['pg_restore', '--clean', '--if-exists', '--no-owner', '--no-privileges', '--single-transaction', '--exit-on-error', '--dbname='.$this->setting('database'), $from]);
    }

    /** @param  non-empty-list<string>  $command  of PostgreSQL's, told by the environment where the database is */
    private function run(array $command): void
    {
        $process = new Process($command, null, ['PGHOST' => $this->setting('host'), 'PGPORT' => $this->setting('port'), 'PGUSER' => $this->setting('username'), 'PGPASSWORD' => $this->setting('password'), 'PGDATABASE' => $this->setting('database')], null, self::PATIENCE);
        if ($process->run() !== 0) {
            throw new RuntimeException("{$command[0]} said: ".trim($process->getErrorOutput()));
        }
    }

    private function setting(string $name): string
    {
        $value = $this->database->getConfig($name);

        return is_scalar($value) ? (string) $value : '';
    }

    /**
     * Copies what is not there yet.
     *
     * @return array<string, true> paths of what there is
     */
    private function keepFiles(string $kept): array
    {
        $all = [];
        foreach (self::ROOTS as $root) {
            foreach ($this->files->allFiles($root) as $path) {
                // What cannot be copied was taken away for good just now.
                if (is_file("{$kept}/{$path}") || $this->keepFile($path, "{$kept}/{$path}")) {
                    $all[$path] = true;
                }
            }
        }

        return $all;
    }

    private function keepFile(string $path, string $to): bool
    {
        File::ensureDirectoryExists(dirname($to), 0o700);
        // Nobody ever writes into one of these, so that on one disk it need not lie there twice.
        if ($this->files instanceof LocalFilesystemAdapter && @link($this->files->path($path), $to)) {
            return true;
        }
        $from = rescue(fn () => $this->files->readStream($path), null, false);
        if (! is_resource($from)) {
            return false;
        }
        $isKept = file_put_contents("{$to}.new", $from) !== false && rename("{$to}.new", $to);
        fclose($from);

        return $isKept;
    }

    /** Takes away the oldest, and the files that none of those names that are left. */
    private function prune(string $folder): void
    {
        foreach (array_slice($this->all($folder), self::KEPT) as $old) {
            File::deleteDirectory("{$folder}/{$old}");
        }
        $named = [];
        foreach ($this->all($folder) as $name) {
            $named += array_fill_keys(file("{$folder}/{$name}/".self::FILES, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [], true);
        }
        foreach (is_dir("{$folder}/kept") ? File::allFiles("{$folder}/kept") : [] as $file) {
            if (! isset($named[$file->getRelativePathname()])) {
                unlink($file->getPathname());
            }
        }
    }

    private static function pack(string $from, string $to, bool $packs): void
    {
        $reads = $packs ? fopen($from, 'rb') : gzopen($from, 'rb');
        $writes = $packs ? gzopen($to, 'wb6') : fopen($to, 'wb');
        if ($reads === false || $writes === false || stream_copy_to_stream($reads, $writes) === false) {
            throw new RuntimeException("{$to} cannot be written.");
        }
        // The last bytes are written as it is closed.
        if (! fclose($writes) || ! fclose($reads)) {
            throw new RuntimeException("{$to} cannot be written.");
        }
    }
}
