<?php

declare(strict_types=1);

use App\Operate\Backups;
use ChalkTree\Map\Ids;
use Illuminate\Support\Facades\File;
use Tests\Support\HttpClient;
use Tests\Support\TestServer;

/* Copies of all that is kept, made while people work, and put back. */

beforeEach(function () {
    $this->server = new TestServer(demo: false);
    $this->client = new HttpClient($this->server->address);
    $this->client->register('Wren', 'wren@saltmere.example');
    $this->export = fn (string $map): string => $this->server->artisan('map:export', $map, '--to=json', '--owner=wren@saltmere.example');
    $this->backups = sys_get_temp_dir().'/backups-'.bin2hex(random_bytes(6));
    /** All maps, as they are handed over whole. */
    $this->all = function (): array {
        $maps = array_column($this->client->call('GET', '/api/maps')['maps'], 'id');
        sort($maps);

        return array_combine($maps, array_map($this->export, $maps));
    };
    $this->edit = fn (string $map, array ...$edits): array => $this->client->call('POST', "/api/maps/{$map}/edits", ['since' => 0, 'edits' => array_map(fn (array $edit): array => $edit + ['id' => Ids::next()], $edits)]);
    /** Sends a file to a map; gives its hash. */
    $this->send = function (string $map, string $bytes): string {
        $upload = Ids::next();
        $this->client->call('POST', '/api/uploads', ['id' => $upload, 'name' => 'plan.bin', 'bytes' => strlen($bytes)]);
        curl_exec($this->client->handle('PUT', "/api/uploads/{$upload}/0", $bytes, ['Content-Type: application/octet-stream']));
        $this->client->call('POST', "/api/maps/{$map}/files", ['upload' => $upload]);

        return hash('sha256', $bytes);
    };
    $this->fetch = fn (string $map, string $hash): string => (string) curl_exec($this->client->handle('GET', "/api/maps/{$map}/files/{$hash}", '', ['Accept: */*']));
});

afterEach(function () {
    $this->server->stop();
    File::deleteDirectory($this->backups);
});

it('puts back maps, people and files as they were, whatever was done since, while the server runs', function () {
    $map = $this->client->call('POST', '/api/maps', ['title' => 'Kept'])['id'];
    $gone = $this->client->call('POST', '/api/maps', ['title' => 'Gone later'])['id'];
    $root = json_decode(($this->export)($map), true)['root'];
    ($this->edit)($map, ['name' => 'topic.add', 'parent' => $root, 'topic' => ['title' => 'Lamps']]);
    $hash = ($this->send)($map, $bytes = random_bytes(70_000));
    $before = ($this->all)();
    $name = trim($this->server->artisan('backup:make', "--to={$this->backups}"));
    expect(trim($this->server->artisan('backup:restore', "--from={$this->backups}")))->toBe($name);
    // Since then: edits, a map gone, another one, a file thrown away for good, a name changed.
    ($this->edit)($map, ['name' => 'topic.add', 'parent' => $root, 'topic' => ['title' => 'Later']]);
    $this->client->call('DELETE', "/api/maps/{$map}/files/{$hash}");
    $this->client->call('DELETE', "/api/maps/{$gone}");
    $this->client->call('POST', '/api/maps', ['title' => 'Another']);
    $this->client->call('PUT', '/api/me/name', ['name' => 'Somebody else']);
    File::deleteDirectory($this->server->storage().'/app/files');
    expect(($this->all)())->not->toBe($before);
    $this->server->artisan('backup:restore', $name, "--from={$this->backups}", '--force');
    expect(($this->all)())->toBe($before)->and(($this->fetch)($map, $hash))->toBe($bytes)->and($this->client->call('GET', '/api/me')['person']['name'])->toBe('Wren');
    // And it goes on from there.
    $answer = ($this->edit)($map, ['name' => 'topic.add', 'parent' => $root, 'topic' => ['title' => 'After']]);
    expect($answer['edits'][0]['refusal'] ?? null)->toBeNull()->and(($this->all)()[$map])->toContain('After')->not->toContain('Later');
});

it('is of one moment while edits come, and has none of what was refused', function () {
    $map = $this->client->call('POST', '/api/maps', ['title' => 'Busy'])['id'];
    $root = json_decode(($this->export)($map), true)['root'];
    for ($n = 1; $n <= 40; $n++) {
        ($this->edit)($map, ['name' => 'topic.add', 'parent' => $root, 'topic' => ['title' => "Topic {$n}"]], ['name' => 'topic.retitle', 'topic' => $root, 'title' => "After {$n}"]);
        if ($n === 20) {
            $name = trim($this->server->artisan('backup:make', "--to={$this->backups}"));
        }
    }
    $this->server->artisan('backup:restore', (string) $name, "--from={$this->backups}", '--force');
    $its = json_decode(($this->export)($map), true);
    $titles = array_column($its['topics'], 'title');
    expect($titles)->toContain('After 20')->toContain('Topic 20')->not->toContain('Topic 21');
});

it('keeps the latest seven, with the files that one of them names and no others', function () {
    $map = $this->client->call('POST', '/api/maps', ['title' => 'Kept'])['id'];
    $hash = ($this->send)($map, 'Thrown away soon.');
    $names = [];
    for ($n = 0; $n < Backups::KEPT + 2; $n++) {
        $names[] = trim($this->server->artisan('backup:make', "--to={$this->backups}"));
        if ($n === 0) {
            $this->client->call('DELETE', "/api/maps/{$map}/files/{$hash}");
            File::deleteDirectory($this->server->storage().'/app/files');
            expect(is_file("{$this->backups}/kept/files/".substr($hash, 0, 2)."/{$hash}/whole"))->toBeTrue();
        }
        usleep(1_050_000);
    }
    expect(preg_split('/\s+/', trim($this->server->artisan('backup:restore', "--from={$this->backups}"))))->toBe(array_reverse(array_slice($names, -Backups::KEPT)))
        ->and(is_file("{$this->backups}/kept/files/".substr($hash, 0, 2)."/{$hash}/whole"))->toBeFalse();
});

it('is made or put back by one at a time, and one that was broken off leaves nothing behind', function () {
    $name = trim($this->server->artisan('backup:make', "--to={$this->backups}"));
    mkdir("{$this->backups}/.being-made");
    File::ensureDirectoryExists("{$this->backups}/kept");
    file_put_contents("{$this->backups}/.being-made/files.txt", 'Half of it.');
    file_put_contents("{$this->backups}/kept/half.new", 'Half of it.');
    $held = fopen("{$this->backups}/.held", 'cb');
    flock($held, LOCK_EX);
    expect(fn () => $this->server->artisan('backup:make', "--to={$this->backups}"))->toThrow(RuntimeException::class, 'just now')
        ->and(fn () => $this->server->artisan('backup:restore', $name, "--from={$this->backups}", '--force'))->toThrow(RuntimeException::class, 'just now')
        ->and(is_file("{$this->backups}/kept/half.new"))->toBeTrue();
    fclose($held);
    usleep(1_050_000);
    $second = trim($this->server->artisan('backup:make', "--to={$this->backups}"));
    expect(is_dir("{$this->backups}/.being-made"))->toBeFalse()->and(is_file("{$this->backups}/kept/half.new"))->toBeFalse()->and((string) file_get_contents("{$this->backups}/{$second}/files.txt"))->not->toContain('Half');
});

it('says what is wrong with a backup, and changes nothing', function (Closure $break, string $said) {
    $map = $this->client->call('POST', '/api/maps', ['title' => 'Kept'])['id'];
    $hash = ($this->send)($map, 'A file.');
    $name = trim($this->server->artisan('backup:make', "--to={$this->backups}"));
    $this->client->call('POST', '/api/maps', ['title' => 'Another']);
    $before = ($this->all)();
    $name = $break("{$this->backups}", $name, $hash, $this->server->storage().'/app') ?? $name;
    expect(fn () => $this->server->artisan('backup:restore', $name, "--from={$this->backups}", '--force'))->toThrow(RuntimeException::class, $said)->and(($this->all)())->toBe($before);
})->with([
    'none of this name' => [fn (): string => '../etc', 'There is no backup'],
    'a damaged database' => [function (string $folder, string $name): void {
        file_put_contents("{$folder}/{$name}/database.sqlite.gz", gzencode(str_repeat('no database ', 500)));
    }, 'damaged'],
    'a file that is missing' => [function (string $folder, string $name, string $hash, string $app): void {
        File::deleteDirectory("{$folder}/kept");
        File::deleteDirectory("{$app}/files");
    }, 'is missing in the backup'],
    'a file that is not what it was' => [function (string $folder, string $name, string $hash, string $app): void {
        $kept = "{$folder}/kept/files/".substr($hash, 0, 2)."/{$hash}/whole";
        File::deleteDirectory("{$app}/files");
        unlink($kept);
        file_put_contents($kept, 'Another.');
    }, 'is damaged in the backup'],
]);
