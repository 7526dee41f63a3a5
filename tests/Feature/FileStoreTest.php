<?php

declare(strict_types=1);

use App\Files\Contents;
use App\Files\FileName;
use App\Files\JoinedFile;
use App\Files\KeptFiles;
use App\Files\Sums;
use App\Files\UnusableFile;
use App\Files\Uploads;
use App\Files\WholeFiles;
use App\Files\ZippedMap;
use App\Limits\BoundedProgram;
use App\Models\Upload;
use ChalkTree\Attach\AttachedFile;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Link\Link;
use ChalkTree\Map\ContentName;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Picture\TopicPicture;
use Illuminate\Support\Facades\Storage;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Sends;

beforeEach(function () {
    $this->tove = $this->person();
    $this->map = $this->mapOf($this->tove);
});

/** @return array{string, string, string} hashes that name nothing here */
function threeHashes(): array
{
    return [hash('sha256', 'one'), hash('sha256', 'two'), hash('sha256', 'three')];
}

it('joins pieces to the same file, however they are cut, repeated and mixed with wrong ones', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $bytes = $random->getBytes($random->getInt(1, 60_000));
    $uploads = app(Uploads::class);
    $upload = $uploads->begin($this->tove, Ids::next(), 'survey.bin', strlen($bytes));
    for ($rounds = 0; $upload->received < strlen($bytes) && $rounds < 500; $rounds++) {
        $at = $upload->received;
        $length = $random->getInt(1, 9_000);
        $had = match ($random->getInt(1, 6)) {
            // Too far on, or one that is there already with something else in it.
            1 => $uploads->add($upload, min(strlen($bytes), $at + $random->getInt(1, 50)), ''),
            2 => $at === 0 ? 0 : $uploads->add($upload, $random->getInt(0, $at - 1), 'x'),
            default => $uploads->add($upload, $at, substr($bytes, $at, $length)),
        };
        $upload->refresh();
        expect($had)->toBe($upload->received)->and($upload->received)->toBeGreaterThanOrEqual($at);
    }
    $joined = $uploads->join($upload);
    expect($joined->hash())->toBe(hash('sha256', $bytes))->and($joined->bytes())->toBe(strlen($bytes))->and(file_get_contents($joined->path))->toBe($bytes);
    $path = $joined->path;
    unset($joined);
    expect(is_file($path))->toBeFalse('gone with whoever held it');
})->with(range(1, 12));

it('notices a piece that was lost, and that the end is not there yet', function () {
    $uploads = app(Uploads::class);
    $upload = Sends::whole($this->tove, str_repeat('a plan ', 1_000), piece: 3_000);
    Storage::disk('local')->delete(Storage::disk('local')->files("coming/{$upload->id}")[1]);
    expect(fn () => $uploads->join($upload))->toThrow(UnusableFile::class);
    $begun = $uploads->begin($this->tove, Ids::next(), 'plan.bin', 10);
    $uploads->add($begun, 0, '12345');
    expect(fn () => $uploads->join($begun->refresh()))->toThrow(UnusableFile::class, 'only 5 of 10 bytes');
    $uploads->stop($begun);
    expect(Upload::query()->whereKey($begun->id)->exists())->toBeFalse()->and(Storage::disk('local')->exists("coming/{$begun->id}"))->toBeFalse();
});

it('lets nothing come in beyond the bound that was said', function () {
    $file = JoinedFile::begin();
    $from = fopen('php://memory', 'w+b');
    fwrite($from, str_repeat('x', 5_000));
    rewind($from);
    expect(fn () => $file->append($from, 4_999))->toThrow(UnusableFile::class);
    rewind($from);
    $other = JoinedFile::begin();
    $other->append($from, 5_000);
    expect($other->bytes())->toBe(5_000)->and(strlen($other->head()))->toBe(1_024);
});

it('puts files where they belong whole, whether they come as text or as a stream', function () {
    $disk = Storage::disk('local');
    WholeFiles::put($disk, 'files/ab/abc/whole', 'one');
    $stream = fopen('php://memory', 'w+b');
    fwrite($stream, 'two');
    rewind($stream);
    WholeFiles::put($disk, 'files/ab/abd/whole', $stream);
    WholeFiles::put($disk, 'files/ab/abc/whole', 'three');
    expect($disk->get('files/ab/abc/whole'))->toBe('three')->and($disk->get('files/ab/abd/whole'))->toBe('two')->and($disk->allFiles('arriving'))->toBe([]);
});

it('makes names that every file system takes, once and for all', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $signs = ['a', 'Ü', '灯', '🏮', '.', '..', '/', '\\', ':', ' ', "\n", "\0", "\u{202e}", '"', '%', '*', '?', '<', '|', 'pdf', "\xff"];
    $name = implode('', array_map(fn (): string => $signs[$random->getInt(0, count($signs) - 1)], range(1, $random->getInt(1, 400))));
    $clean = FileName::clean($name);
    expect($clean)->not->toBe('')->and(mb_strlen($clean))->toBeLessThanOrEqual(AttachedFile::LONGEST_NAME)->and(mb_check_encoding($clean, 'UTF-8'))->toBeTrue()
        ->and(preg_match('/[\x00-\x1f\/\\\\:*?"<>|\x{202e}]/u', $clean))->toBe(0)->and(str_starts_with($clean, '.'))->toBeFalse()
        ->and(FileName::clean($clean))->toBe($clean)
        ->and(preg_match('/^[A-Za-z0-9 ._-]+$/', FileName::plain($clean)))->toBe(1);
})->with(range(1, 40));

it('says numbers of bytes as people do', function (int $bytes, string $said) {
    expect(Sums::words($bytes))->toBe($said);
})->with([[0, '0 bytes'], [1_023, '1023 bytes'], [1_024, '1 kB'], [40_519, '40 kB'], [1_048_576, '1 MB'], [9_000_000, '8.6 MB'], [209_715_200, '200 MB'], [2_147_483_648, '2 GB']]);

it('knows what a map names, in rows and in notes, and no longer what went to its trash', function () {
    [$picture, $file, $linked] = threeHashes();
    $map = NewMap::from(new TopicDraft('Tides', children: [new TopicDraft('Quay', note: "![the quay](file:{$picture}) and ![not one](file:abc) and ![elsewhere](https://saltmere.example/q.png)"), new TopicDraft('Mole')]));
    [$quay, $mole] = array_map(strval(...), array_keys($map->children($map->root()->id)));
    $map->put(AttachedFile::fromFields(Ids::next(), ['at' => $mole, 'source' => ContentName::of($file), 'name' => 'plan.pdf']));
    $map->put(Link::fromFields(Ids::next(), ['at' => $quay, 'to' => ContentName::of($linked)]));
    $map->put(Link::fromFields(Ids::next(), ['at' => $quay, 'to' => 'https://saltmere.example']));
    $map->put(TopicPicture::fromFields($mole, ['source' => 'drawing:red-apple']));
    $named = Contents::of($map);
    expect(array_keys($named->pictures))->toBe([$picture])->and($named->files)->toEqualCanonicalizing([$file => 'plan.pdf', $linked => '']);
    $map->put($map->topic($mole)->with(['removed' => $mole]));
    expect(array_keys(Contents::of($map)->files))->toBe([$linked]);
});

it('calls by another name what came under a wrong one, everywhere at once', function () {
    [$picture, $file, $now] = threeHashes();
    $map = NewMap::from(new TopicDraft('Tides', note: "![a](file:{$picture}) ![b](file:{$picture}) ![c](file:{$file})"));
    $root = $map->root()->id;
    $map->put(TopicPicture::fromFields($root, ['source' => ContentName::of($picture)]));
    $map->put($attached = AttachedFile::fromFields(Ids::next(), ['at' => $root, 'source' => ContentName::of($file), 'name' => 'plan.pdf']));
    // The same bytes as a file and as a picture are two things: each is named by its own list.
    $map->put($link = Link::fromFields(Ids::next(), ['at' => $root, 'to' => ContentName::of($picture)]));
    Contents::rename($map, [$picture => $now], [$file => $now]);
    expect($map->root()->note)->toBe("![a](file:{$now}) ![b](file:{$now}) ![c](file:{$file})")
        ->and($map->row(TopicPicture::type(), $root)?->content())->toBe($now)
        ->and($map->row(AttachedFile::type(), $attached->id)?->content())->toBe($now)
        ->and($map->row(Link::type(), $link->id)?->content())->toBe($picture);
});

it('writes archives whose files all have names of their own, and reads back just those', function () {
    foreach (['plan.pdf', 'Plan.PDF', 'plan 2.pdf', 'plan', '.pdf', '../plan.pdf'] as $n => $name) {
        $kept = Sends::kept($this->map, "plan {$n}", $name);
        $this->actingAs($this->tove)->sendEdits($this->map, [['name' => 'row.set', 'type' => 'file', 'row' => Ids::next(), 'fields' => ['at' => $this->map->root, 'source' => ContentName::of($kept->hash), 'name' => $name, 'bytes' => $kept->bytes]]])->assertJsonPath('edits.0.status', 'done');
    }
    $path = app(ZippedMap::class)->write($this->map->fresh(), $this->topics($this->map));
    $zip = new ZipArchive;
    $zip->open($path);
    $names = array_map($zip->getNameIndex(...), range(0, $zip->numFiles - 1));
    $zip->close();
    expect($names)->toHaveCount(7)->and(array_unique(array_map(mb_strtolower(...), $names)))->toHaveCount(7);
    foreach ($names as $name) {
        expect($name)->toMatch('~^(map\.json|files/[^/]+)$~');
    }
    [$json, $found] = app(ZippedMap::class)->read($path, 1_000_000);
    expect($found)->toHaveCount(6)->and(array_map(fn (JoinedFile $file): string => $file->hash(), $found))->toEqualCanonicalizing(array_combine(array_keys($found), array_keys($found)))
        ->and(json_decode($json, true)['format'])->toBe('chalk-tree-map');
    // No more comes out than there is room for.
    expect(fn () => app(ZippedMap::class)->read($path, 20))->toThrow(UnusableFile::class);
    unlink($path);
});

it('lets files in with whatever brings them: pasted branches, several rows at once, redo', function (bool $isPasted) {
    $this->actingAs($this->tove);
    $kept = Sends::kept($this->map, 'the order of boats', 'order.csv');
    $boats = $this->id($this->map, 'Boats');
    $rows = fn (string $at): array => [
        ['name' => 'row.set', 'type' => 'file', 'row' => Ids::next(), 'fields' => ['at' => $at, 'source' => ContentName::of($kept->hash), 'name' => 'order.csv', 'bytes' => 18]],
        ['name' => 'row.set', 'type' => 'link', 'row' => Ids::next(), 'fields' => ['at' => $at, 'to' => ContentName::of($kept->hash)]],
    ];
    $this->sendEdits($this->map, $rows($boats))->assertJsonPath('edits.1.status', 'done');
    $other = $this->mapOf($this->tove);
    $edits = $isPasted
        ? [['name' => 'topic.add-many', 'parent' => $other->root, 'topics' => $this->postJson("/api/maps/{$this->map->id}/copy", ['topics' => [$boats]])->assertOk()->json('topics')]]
        : $rows($other->root);
    $this->sendEdits($other, $edits)->assertJsonPath('edits.0.status', 'done');
    $own = $this->topics($other);
    expect($own->rowsOf(AttachedFile::class))->toHaveCount(1)->and($own->rowsOf(Link::class))->toHaveCount(1)->and(app(KeptFiles::class)->find($other->id, $kept->hash)?->name)->toBe('order.csv');
    $this->sendEdits($other, array_fill(0, count($edits), ['name' => 'undo']))->assertJsonPath('edits.0.status', 'done');
    expect($this->topics($other)->living())->toBe([]);
    $this->sendEdits($other, array_fill(0, count($edits), ['name' => 'redo']))->assertJsonPath('edits.0.status', 'done');
    expect(Contents::of($this->topics($other))->files)->toHaveKey($kept->hash)->and($this->get("/api/maps/{$other->id}/files/{$kept->hash}")->assertOk()->getStatusCode())->toBe(200);
})->with(['a branch' => [true], 'rows' => [false]]);

it('tells another window of the same person of a file that came, and of how far a map is', function () {
    $this->actingAs($this->tove);
    $kept = Sends::kept($this->map, 'the order of boats', 'order.csv');
    $boats = $this->id($this->map, 'Boats');
    $this->getJson("/api/maps/{$this->map->id}")->assertOk();
    $this->sendEdits($this->map, [
        ['name' => 'row.set', 'type' => 'file', 'row' => Ids::next(), 'fields' => ['at' => $boats, 'source' => ContentName::of($kept->hash), 'name' => 'order.csv', 'bytes' => 18]],
        ['name' => 'row.set', 'type' => 'how-far', 'topics' => [$boats], 'fields' => ['shown' => true]],
        ['name' => 'link.tell', 'topic' => $boats, 'of' => 3, 'done' => 1],
    ])->assertOk();
    $news = (string) json_encode($this->getJson("/api/maps/{$this->map->id}/edits?since=0&pane=second")->assertOk()->json());
    expect($news)->toContain('order.csv', 'file-sign', '1 of 3 done');
    // And the history leads back over all of it.
    $this->sendEdits($this->map, [['name' => 'history.return', 'seq' => 0]])->assertJsonPath('edits.0.status', 'done');
    expect($this->topics($this->map)->rowsOf(AttachedFile::class))->toBe([]);
});

it('lets other programs have so much memory and write so much, and says when one failed', function () {
    $folder = sys_get_temp_dir().'/bounded-'.bin2hex(random_bytes(4));
    expect(BoundedProgram::run(['printf', 'done']))->toBe('done')
        ->and(BoundedProgram::run(['false']))->toBeNull()
        ->and(BoundedProgram::run(['no-such-program']))->toBeNull()
        // Three gigabytes at once, where two are the most.
        ->and(BoundedProgram::run(['php', '-d', 'memory_limit=-1', '-r', 'echo strlen(str_repeat("x", 3 << 30));']))->toBeNull()
        // Nothing of what it is given is read by a shell.
        ->and(BoundedProgram::run(['printf', '%s', "; touch {$folder}"]))->toBe("; touch {$folder}")->and(is_file($folder))->toBeFalse();
});
