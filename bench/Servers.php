<?php

declare(strict_types=1);

namespace Bench;

use PDO;
use RuntimeException;
use Symfony\Component\Process\Process;
use Tests\Support\HttpClient;
use Tests\Support\TestServer;

/** The servers of bin/cluster with a library of real sizes and the people who work in it, and what each part of them takes. */
final class Servers
{
    private const MAPS = 500;

    /** Topics of maps, and how many of a hundred are so large. */
    private const SIZES = [[80, 60], [250, 30], [800, 8], [2_500, 2]];

    public readonly string $folder;

    public readonly string $address;

    public readonly PDO $database;

    private readonly Process $process;

    /** @var list<int> ports */
    private readonly array $redis;

    public function __construct(int $workers)
    {
        $this->folder = sys_get_temp_dir().'/load-'.bin2hex(random_bytes(5));
        mkdir($this->folder, 0o755);
        $port = TestServer::freePort();
        $this->address = "http://127.0.0.1:{$port}";
        $this->process = new Process([dirname(__DIR__).'/bin/cluster', "--port={$port}", '--servers=2', "--workers={$workers}", "--folder={$this->folder}"], null, ['CHALK_LIMITS' => '0', 'CHALK_DEMO' => '0', 'BCRYPT_ROUNDS' => '4'], null, null);
        $this->process->disableOutput();
        $this->process->start();
        for ($n = 0; $n < 1_200 && ! is_file("{$this->folder}/ready"); $n++) {
            usleep(100_000);
        }
        $settings = (string) file_get_contents("{$this->folder}/settings");
        $port = fn (string $of): int => preg_match("/\\b{$of}_PORT=(\\d+)/", $settings, $m) === 1 ? (int) $m[1] : throw new RuntimeException('The servers did not begin.');
        $this->database = new PDO("pgsql:host=127.0.0.1;port={$port('DB')};dbname=chalk_tree", 'chalk_tree', '');
        $this->redis = [$port('REDIS'), $port('REDIS_CACHE')];
    }

    /** Makes the people and the maps, by a process that is set up as the servers are. */
    public function fill(int $people): void
    {
        $process = new Process(['bash', '-c', '. "$0/settings" && LARAVEL_STORAGE_PATH="$0/console/storage" SNAPSHOT_STORE=array php -d memory_limit=1G bench/fill.php "$1" "$2" "$3"', $this->folder, (string) $people, (string) self::MAPS, json_encode(self::SIZES, JSON_THROW_ON_ERROR)], dirname(__DIR__), null, null, 1_200);
        if ($process->run() !== 0) {
            throw new RuntimeException($process->getErrorOutput().$process->getOutput());
        }
    }

    /** So many of them, signed in, each with the maps that are theirs to edit. */
    public function crowd(int $people): Crowd
    {
        $crowd = new Crowd;
        $shared = $this->database->prepare('select map_id from shares where email = ? order by map_id');
        for ($n = 0; $n < $people; $n++) {
            $client = new HttpClient($this->address);
            $client->call('POST', '/api/sign-in', ['email' => "person{$n}@saltmere.example", 'password' => 'a long password']);
            $shared->execute(["person{$n}@saltmere.example"]);
            $crowd->joins($client, array_values(array_map(strval(...), $shared->fetchAll(PDO::FETCH_COLUMN))));
        }

        return $crowd;
    }

    /** @return array<string, array{seconds: float, megabytes: float, files: int}> what each part has taken of the processors, and has of memory and of open files and connections */
    public function parts(): array
    {
        $parts = [];
        foreach (['web server' => 'front', 'server 1' => 'app-1', 'server 2' => 'app-2', 'worker' => 'work', 'clock' => 'clock', 'Redis' => 'redis', 'cache' => 'cache', 'storage' => 'objects', 'PostgreSQL' => 'postgres'] as $name => $folder) {
            $pid = (int) @file_get_contents("{$this->folder}/{$folder}/".($folder === 'postgres' ? 'postmaster.pid' : 'pid'));
            $parts[$name] = ['seconds' => 0.0, 'megabytes' => 0.0, 'files' => 0];
            foreach (self::tree($pid) as $one) {
                $stat = explode(' ', (string) preg_replace('/^.*\) /', '', (string) @file_get_contents("/proc/{$one}/stat")));
                // What it took itself and its children that have gone, in hundredths.
                $parts[$name]['seconds'] += array_sum(array_map(floatval(...), array_slice($stat, 11, 4))) / 100;
                // Memory that several share counts once for all of them.
                preg_match('/^Pss:\s+(\d+)/m', (string) @file_get_contents("/proc/{$one}/smaps_rollup"), $m);
                $parts[$name]['megabytes'] += (int) ($m[1] ?? 0) / 1024;
                $parts[$name]['files'] += count(glob("/proc/{$one}/fd/*") ?: []);
            }
        }

        return $parts;
    }

    /** @return list<int> */
    private static function tree(int $pid): array
    {
        $found = $pid === 0 ? [] : [$pid];
        for ($n = 0; $n < count($found); $n++) {
            foreach (glob("/proc/{$found[$n]}/task/*/children") ?: [] as $file) {
                array_push($found, ...array_map(intval(...), preg_split('/\s+/', trim((string) @file_get_contents($file)), -1, PREG_SPLIT_NO_EMPTY) ?: []));
            }
        }

        return array_values(array_unique($found));
    }

    /** @return array{rows: int, megabytes: float, connections: int, redis: float, keys: int} what is kept: rows of topics, edits and words, the size of the database, its connections, megabytes and keys of Redis */
    public function kept(): array
    {
        $one = fn (string $sql): float => (float) ($this->database->query($sql) ?: throw new RuntimeException($sql))->fetchColumn();
        $used = $keys = 0;
        foreach ($this->redis as $database => $port) {
            $redis = fn (string ...$command): string => (string) (new Process(['redis-cli', '-h', '127.0.0.1', '-p', (string) $port, ...$command]))->mustRun()->getOutput();
            $used += preg_match('/^used_memory:(\d+)/m', $redis('info', 'memory'), $m) === 1 ? (int) $m[1] : 0;
            $keys += (int) $redis('-n', (string) $database, 'dbsize');
        }

        return ['rows' => (int) $one('select (select count(*) from topics) + (select count(*) from edits) + (select count(*) from word_uses)'), 'megabytes' => $one('select pg_database_size(current_database())') / 1e6, 'connections' => (int) $one('select count(*) from pg_stat_activity'), 'redis' => $used / 1e6, 'keys' => $keys];
    }

    public function stop(): void
    {
        $this->process->signal(15);
        $this->process->wait();
        (new Process(['rm', '-rf', $this->folder]))->run();
    }
}
