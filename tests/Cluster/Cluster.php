<?php

declare(strict_types=1);

namespace Tests\Cluster;

use PDO;
use RuntimeException;
use Symfony\Component\Process\Process;
use Tests\Support\HttpClient;

/** The servers that bin/test --cluster has begun, of which tests may break one at a time. */
final class Cluster
{
    public const PASSWORD = 'a long enough password';

    public static function address(): string
    {
        return (string) getenv('CLUSTER_ADDRESS');
    }

    /** Runs a command of bin/cluster and gives what it prints. */
    public static function run(string ...$arguments): string
    {
        $process = self::begun(...$arguments);
        if ($process->wait() !== 0) {
            throw new RuntimeException($process->getErrorOutput().$process->getOutput());
        }

        return $process->getOutput();
    }

    /** The same, while the test goes on. */
    public static function begun(string ...$arguments): Process
    {
        $process = new Process([dirname(__DIR__, 2).'/bin/cluster', ...$arguments, '--folder='.getenv('CLUSTER_FOLDER')], null, null, null, 180);
        $process->start();

        return $process;
    }

    public static function artisan(string ...$arguments): string
    {
        return self::run('artisan', ...$arguments);
    }

    /** Somebody with an account of their own, signed in. */
    public static function person(string $name): HttpClient
    {
        // So many do not register in one minute.
        self::database()->prepare('insert into people (name, email, password) values (?, ?, ?)')
            ->execute([$name, self::email($name), password_hash(self::PASSWORD, PASSWORD_BCRYPT, ['cost' => 4])]);
        $client = new HttpClient(self::address());
        $client->call('POST', '/api/sign-in', ['email' => self::email($name), 'password' => self::PASSWORD]);

        return $client;
    }

    /** @param  string  $of  what listens there, as the settings of the cluster say it */
    public static function port(string $of): string
    {
        return preg_match("/\\b{$of}_PORT=(\\d+)/", (string) file_get_contents(getenv('CLUSTER_FOLDER').'/settings'), $m) === 1 ? $m[1] : throw new RuntimeException("There is no port of {$of}.");
    }

    public static function database(): PDO
    {
        return new PDO('pgsql:host=127.0.0.1;port='.self::port('DB').';dbname=chalk_tree', 'chalk_tree', '');
    }

    public static function email(string $name): string
    {
        return strtolower($name).'@cluster.saltmere.example';
    }

    /** @return string the id of a map of somebody's that has a root and nothing else */
    public static function map(HttpClient $client, string $title): string
    {
        return (string) $client->call('POST', '/api/maps', ['title' => $title])['id'];
    }
}
