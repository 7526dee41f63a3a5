<?php

declare(strict_types=1);

namespace Tests\Cluster;

use RuntimeException;
use Symfony\Component\Process\Process;
use Tests\Support\HttpClient;

/** The servers that bin/test --cluster has begun, of which tests may break one at a time. */
final class Cluster
{
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
        $client = new HttpClient(self::address());
        $client->register($name, self::email($name));

        return $client;
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
