<?php

declare(strict_types=1);

use App\Files\KeptFiles;
use App\Files\SentFiles;
use App\Files\Uploads;
use App\Files\ZippedMap;
use App\HandOver\MadeFiles;
use App\Models\HandOver;
use App\Operate\Backups;
use App\Operate\Readiness;
use ChalkTree\Map\Ids;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\Process\Process;
use Tests\Support\Sends;
use Tests\Support\TestServer;

/* Files and pictures on storage that speaks S3, for which a small one stands in. */

beforeEach(function () {
    $this->folder = sys_get_temp_dir().'/objects-'.bin2hex(random_bytes(6));
    mkdir($this->folder, 0o700);
    $port = TestServer::freePort();
    $this->store = new Process(['php', '-d', 'enable_post_data_reading=0', '-S', "127.0.0.1:{$port}", dirname(__DIR__, 2).'/deploy/stand-in/objects.php'], null, ['OBJECTS' => $this->folder, 'OBJECTS_KEY' => 'lamp', 'OBJECTS_SECRET' => 'mole'], null, null);
    // What it tells of each request nobody reads, and a full pipe would stop it.
    $this->store->disableOutput();
    $this->store->start();
    for ($n = 0; $n < 200 && @file_get_contents("http://127.0.0.1:{$port}/health") === false; $n++) {
        usleep(20_000);
    }
    config(['filesystems.default' => 's3', 'filesystems.disks.s3.key' => 'lamp', 'filesystems.disks.s3.secret' => 'mole', 'filesystems.disks.s3.bucket' => 'chalk-tree', 'filesystems.disks.s3.endpoint' => "http://127.0.0.1:{$port}"]);
    $this->disk = Storage::disk('s3');
    $this->app->instance('filesystem.disk', $this->disk);
    $this->tove = $this->person();
    $this->map = $this->mapOf($this->tove);
    // A database of its own, as that of a test is in the middle of a transaction.
    touch("{$this->folder}/plain.sqlite");
    $this->backups = fn (): Backups => new Backups(DB::connectUsing('plain', ['driver' => 'sqlite', 'database' => "{$this->folder}/plain.sqlite"], true), $this->disk);
});

afterEach(function () {
    $this->store->stop(0);
    File::deleteDirectory($this->folder);
});

it('keeps, reads, lists, moves and removes, whatever objects are called and however large they are', function () {
    $names = ['files/ab/one', 'files/ab/two words & more?', 'files/cd/ö 灯 + %20', 'pictures/x'];
    foreach ($names as $n => $name) {
        $this->disk->put($name, "contents {$n}");
    }
    expect($this->disk->get($names[2]))->toBe('contents 2')->and($this->disk->exists($names[1]))->toBeTrue()->and($this->disk->exists('files/ab/none'))->toBeFalse()
        ->and($this->disk->files('files/ab'))->toEqualCanonicalizing([$names[0], $names[1]])->and($this->disk->directories('files'))->toEqualCanonicalizing(['files/ab', 'files/cd'])->and($this->disk->allFiles('files'))->toHaveCount(3)
        ->and($this->disk->size('pictures/x'))->toBe(10)->and($this->disk->lastModified('pictures/x'))->toBeGreaterThan(time() - 60);
    $this->disk->move($names[0], 'elsewhere');
    $this->disk->deleteDirectory('files');
    expect($this->disk->allFiles())->toEqualCanonicalizing(['elsewhere', 'pictures/x']);
    // More than is sent in one go comes in parts.
    $large = random_bytes(1_000_000);
    $from = fopen('php://temp', 'w+b');
    for ($n = 0; $n < 18; $n++) {
        fwrite($from, $large);
    }
    rewind($from);
    $this->disk->writeStream('large', $from);
    expect($this->disk->size('large'))->toBe(18_000_000);
    // While it is read, nobody else is answered by one so small.
    $back = $this->disk->readStream('large');
    expect(hash('sha256', (string) stream_get_contents($back)))->toBe(hash('sha256', str_repeat($large, 18)));
});

it('lets nobody read or write without the secret', function () {
    $this->disk->put('secret', 'mole');
    expect(fn () => Storage::build(['secret' => 'another'] + config('filesystems.disks.s3'))->get('secret'))->toThrow(League\Flysystem\UnableToReadFile::class);
    $address = config('filesystems.disks.s3.endpoint').'/chalk-tree/secret';
    expect(@file_get_contents($address))->toBeFalse()->and($http_response_header[0] ?? '')->toContain('403');
});

it('takes files in pieces, hands them over alone and with their map, and takes them away for good', function () {
    $bytes = random_bytes(900_001);
    $upload = Sends::whole($this->tove, $bytes, 'hull.bin', 400_000);
    $file = app(KeptFiles::class)->add($this->map, app(Uploads::class)->join($upload), 'hull.bin');
    app(Uploads::class)->end($upload, $file->hash);
    expect($this->disk->allFiles('coming'))->toBe([])->and($this->disk->get(KeptFiles::path($file->hash)))->toBe($bytes);
    ob_start();
    app(SentFiles::class)->send(KeptFiles::path($file->hash), 'application/octet-stream', 'hull.bin', true)->prepare(Request::create('/'))->sendContent();
    expect(ob_get_clean())->toBe($bytes);
    $this->actingAs($this->tove);
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'file', 'row' => Ids::next(), 'fields' => ['at' => $this->map->root, 'source' => "file:{$file->hash}", 'name' => 'hull.bin', 'bytes' => strlen($bytes)]]])->assertOk();
    $zip = app(ZippedMap::class)->write($this->map->refresh(), app(App\Store\MapStore::class)->load($this->map));
    $archive = new ZipArchive;
    $archive->open($zip);
    expect($archive->getFromName('files/hull.bin'))->toBe($bytes);
    unlink($zip);
    app(KeptFiles::class)->forget($file);
    array_map(fn (string $object): bool => touch($object, time() - 3 * 86_400), glob("{$this->folder}/chalk-tree/*"));
    app(KeptFiles::class)->sweep();
    expect($this->disk->allFiles('files'))->toBe([])->and(glob(storage_path('app/joining/*')))->toBe([]);
});

it('keeps files that were made for somebody who waits where every server has them', function () {
    $made = app(MadeFiles::class);
    $wanted = new HandOver(['id' => Ids::next()]);
    $made->keep($wanted, $pdf = Sends::pdf('Tide table', 'Second'));
    ob_start();
    $made->send($wanted, ['Content-Type' => 'application/pdf'])->prepare(Request::create('/'))->sendContent();
    expect(ob_get_clean())->toBe($pdf)->and($made->bytes($wanted))->toBe(strlen($pdf))->and($made->read($wanted, App\HandOver\PagePictures::count(...)))->toBe(2);
    $made->sweep(time() - 10);
    expect($made->has($wanted))->toBeTrue();
    $made->sweep(time() + 10);
    expect($made->has($wanted))->toBeFalse()->and($made->read($wanted, fn (): bool => true))->toBeNull();
});

it('sends the part of a file that is asked for, and fetches no more of it', function (?string $range, int $status, ?string $told, string $sent) {
    $this->disk->put('files/whole', 'The lamps burn until the tide turns.');
    $answer = app(SentFiles::class)->send('files/whole', 'audio/mpeg', 'lamps.mp3', false)->prepare($asked = Request::create('/', server: $range === null ? [] : ['HTTP_RANGE' => $range]))->prepare($asked);
    ob_start();
    $answer->sendContent();
    expect(ob_get_clean())->toBe($sent)->and($answer->getStatusCode())->toBe($status)->and($answer->headers->get('Content-Range'))->toBe($told)->and($answer->headers->get('Content-Length'))->toBe((string) strlen($sent))->and($answer->headers->get('Accept-Ranges'))->toBe('bytes');
})->with([
    'all' => [null, 200, null, 'The lamps burn until the tide turns.'],
    'from the first' => ['bytes=0-2', 206, 'bytes 0-2/36', 'The'],
    'from amid' => ['bytes=4-8', 206, 'bytes 4-8/36', 'lamps'],
    'to the end' => ['bytes=30-', 206, 'bytes 30-35/36', 'turns.'],
    'further than the end' => ['bytes=30-4000', 206, 'bytes 30-35/36', 'turns.'],
    'the last' => ['bytes=-6', 206, 'bytes 30-35/36', 'turns.'],
    'more than there is' => ['bytes=-600', 206, 'bytes 0-35/36', 'The lamps burn until the tide turns.'],
    'behind the end' => ['bytes=36-', 416, 'bytes */36', ''],
    'none of the last' => ['bytes=-0', 416, 'bytes */36', ''],
    'backwards' => ['bytes=8-4', 200, null, 'The lamps burn until the tide turns.'],
    'no part' => ['lines=1-2', 200, null, 'The lamps burn until the tide turns.'],
]);

it('copies for backups what lies there, each once, and leaves out what was taken away meanwhile', function () {
    $kept = array_map(fn (string $bytes): string => Sends::kept($this->map, $bytes)->hash, ['One.', 'Two.']);
    $picture = "pictures/ab/{$kept[0]}/small";
    $this->disk->put($picture, 'A picture.');
    $this->disk->put('coming/half', 'On its way.');
    $folder = "{$this->folder}/backups";
    $first = ($this->backups)()->make($folder);
    $paths = array_map(fn (string $hash): string => KeptFiles::path($hash), $kept);
    expect(file("{$folder}/{$first}/files.txt", FILE_IGNORE_NEW_LINES))->toEqualCanonicalizing([...$paths, $picture])->and(file_get_contents("{$folder}/kept/{$paths[1]}"))->toBe('Two.')
        ->and(is_file("{$folder}/{$first}/database.sqlite.gz"))->toBeTrue()->and(gzdecode((string) file_get_contents("{$folder}/{$first}/database.sqlite.gz")))->toStartWith('SQLite format 3');
    // What is there already is not fetched again, whatever lies there by then.
    file_put_contents("{$folder}/kept/{$paths[0]}", 'Untouched.');
    $this->disk->delete($paths[1]);
    sleep(1);
    $second = ($this->backups)()->make($folder);
    expect(($this->backups)()->all($folder))->toBe([$second, $first])->and(file("{$folder}/{$second}/files.txt", FILE_IGNORE_NEW_LINES))->toEqualCanonicalizing([$paths[0], $picture])
        ->and(file_get_contents("{$folder}/kept/{$paths[0]}"))->toBe('Untouched.')->and(is_file("{$folder}/kept/{$paths[1]}"))->toBeTrue();
});

it('has in a backup all that its database names, whatever comes and goes while it is made', function () {
    [$goes, $comes] = [KeptFiles::path(Sends::kept($this->map, 'Goes.')->hash), KeptFiles::path(hash('sha256', 'Comes.'))];
    $backups = ($this->backups)();
    DB::connection('plain')->beforeExecuting(function () use ($goes, $comes): void {
        $this->disk->delete($goes);
        $this->disk->put($comes, 'Comes.');
    });
    $name = $backups->make($folder = "{$this->folder}/backups");
    expect(file("{$folder}/{$name}/files.txt", FILE_IGNORE_NEW_LINES))->toEqualCanonicalizing([$goes, $comes])->and(file_get_contents("{$folder}/kept/{$goes}"))->toBe('Goes.')->and(file_get_contents("{$folder}/kept/{$comes}"))->toBe('Comes.');
});

it('makes no backup that is half there, and is not ready, while storage is away', function () {
    Sends::kept($this->map, 'One.');
    expect(app(Readiness::class)->told()['files'])->toBeNull();
    $this->store->stop(0);
    $folder = "{$this->folder}/backups";
    expect(fn () => ($this->backups)()->make($folder))->toThrow(League\Flysystem\UnableToListContents::class)->and(($this->backups)()->all($folder))->toBe([])->and(glob("{$folder}/.*-*"))->toBe([]);
    expect(app(Readiness::class)->told())->toMatchArray(['database' => null, 'cache' => null])->and(app(Readiness::class)->told()['files'])->toBeString();
});
