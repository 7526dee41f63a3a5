<?php

declare(strict_types=1);

use App\Aloud\Speech;
use App\Aloud\SpokenText;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Process;

beforeEach(function () {
    File::deleteDirectory(storage_path('app/speech'));
    $this->person = $this->person();
    $this->say = fn (mixed $text, mixed $language = 'en-gb') => $this->postJson('/api/speech', ['text' => $text, 'language' => $language]);
});

afterEach(fn () => File::deleteDirectory(storage_path('app/speech')));

/** Seconds that a WAV file of one channel of 16 bits lasts; nothing of it may be missing. */
function lasts(string $wave): float
{
    $head = unpack('a4riff/Vsize/a4wave/a4fmt/Vlength/vformat/vchannels/Vrate/Vbytes/vblock/vbits/a4mark/Vdata', $wave);
    expect([$head['riff'], $head['wave'], $head['mark'], $head['format'], $head['channels'], $head['bits']])->toBe(['RIFF', 'WAVE', 'data', 1, 1, 16])
        ->and(strlen($wave))->toBe(44 + $head['data'])->and($head['size'])->toBe(36 + $head['data']);

    return $head['data'] / $head['bytes'];
}

it('speaks to nobody who is not signed in', function () {
    $this->getJson('/api/speech')->assertUnauthorized();
    ($this->say)('Hello')->assertUnauthorized();
});

it('tells the languages that it can speak', function () {
    $languages = $this->actingAs($this->person)->getJson('/api/speech')->assertOk()->json('languages');
    expect($languages)->toContain('en-gb', 'de', 'fr-fr', 'ja', 'cmn')->toBe(array_values(array_unique($languages)))->and(count($languages))->toBeGreaterThan(80);
});

it('speaks a text and tells when each word is spoken', function (string $text, string $language, array $words) {
    $answer = $this->actingAs($this->person)->postJson('/api/speech', ['text' => $text, 'language' => $language])->assertOk()->json();
    $sound = base64_decode($answer['sound'], true);
    expect(lasts($sound))->toBeGreaterThan(0.5)->toBeLessThan(10.0);
    $units = mb_convert_encoding($text, 'UTF-16LE', 'UTF-8');
    $said = array_map(fn (array $word): string => mb_convert_encoding(substr($units, 2 * $word[0], 2 * $word[1]), 'UTF-8', 'UTF-16LE'), $answer['words']);
    foreach ($words as $word) {
        expect($said)->toContain($word);
    }
    $times = array_column($answer['words'], 2);
    expect($times)->toBe(collect($times)->sort()->values()->all())->and(max($times) / 1000)->toBeLessThan(lasts($sound));
})->with([
    'plain' => ['The lantern throws a shadow.', 'en-gb', ['The', 'lantern', 'throws', 'a', 'shadow']],
    'umlauts' => ['Das Glas hält die Flamme ruhig', 'de', ['Das', 'Glas', 'hält', 'Flamme', 'ruhig']],
    'signs that are two units' => ['𝄞𝄞 Music of lanterns', 'en-gb', ['Music', 'lanterns']],
    'what looks like marks' => ['<speak>Bells</speak> & [[horns]]', 'en-gb', ['Bells']],
    'right to left' => ['فانوس صغير', 'ar', ['فانوس']],
]);

it('speaks another voice for another language', function () {
    $this->actingAs($this->person);
    $sounds = array_map(fn (string $language): string => ($this->say)('Lantern at sea', $language)->assertOk()->json('sound'), ['en-gb', 'en-us', 'de', 'fr-fr']);
    expect(array_unique($sounds))->toHaveCount(4);
});

it('refuses what it cannot or need not speak', function (mixed $text, mixed $language, string $field) {
    $this->actingAs($this->person);
    ($this->say)($text, $language)->assertUnprocessable()->assertJsonPath('field', $field);
})->with([
    'nothing' => ['', 'en-gb', 'text'],
    'no text' => [['a'], 'en-gb', 'text'],
    'too long' => [str_repeat('a ', 300), 'en-gb', 'text'],
    'no language of its own' => ['Hello', 'xx-yy', 'language'],
    'a file for a language' => ['Hello', '../../etc/passwd', 'language'],
    'an option for a language' => ['Hello', '--help', 'language'],
    'no word for a language' => ['Hello', ['en-gb'], 'language'],
    'no language' => ['Hello', null, 'language'],
]);

it('speaks whatever signs are in a text, and keeps to its bounds', function (string $text) {
    $this->actingAs($this->person);
    expect(lasts(base64_decode(($this->say)($text)->assertOk()->json('sound'), true)))->toBeGreaterThan(0.0)->toBeLessThan(400.0);
})->with([
    'a zero byte' => ["one\0two"],
    'signs that control' => ["one\x1b\x07\x01two"],
    'the longest' => [rtrim(str_repeat('abcdefghi ', 40))],
    'one word without an end' => [str_repeat('x', 400)],
    'only signs' => ['… ? ! — % # @ ~'],
    'numbers' => ['123456789012345678901234567890 3.14159 1e99'],
]);

it('ends well every time, whatever the threads of the library do meanwhile', function () {
    $folder = storage_path('app/speaking/often');
    File::ensureDirectoryExists($folder);
    file_put_contents("{$folder}/text", 'A lantern');
    $ends = [];
    for ($i = 0; $i < 40; $i++) {
        $ends[] = Process::run(['php', '-d', 'ffi.enable=1', base_path('bin/speak'), 'gmw/en', $folder])->exitCode();
    }
    File::deleteDirectory($folder);
    expect(array_unique($ends))->toBe([0]);
});

it('keeps what was spoken, and not more than it may', function () {
    $this->actingAs($this->person);
    $first = ($this->say)('The same lantern')->json();
    [$kept] = File::files(storage_path('app/speech'));
    touch($kept->getPathname(), 1_000_000_000);
    // It is taken from there, which shows in the file being used again.
    expect(($this->say)('The same lantern')->json())->toBe($first);
    clearstatcache();
    expect(filemtime($kept->getPathname()))->toBeGreaterThan(1_600_000_000)->and(File::files(storage_path('app/speech')))->toHaveCount(1);
    for ($i = 0; $i < 1_000; $i++) {
        file_put_contents($file = storage_path("app/speech/old{$i}"), 'old');
        touch($file, 1_000_000_000 + $i);
    }
    ($this->say)('Another lantern')->assertOk();
    $left = array_map(fn (SplFileInfo $file): string => $file->getFilename(), File::files(storage_path('app/speech')));
    expect(count($left))->toBe(500)->and($left)->toContain($kept->getFilename(), 'old999')->not->toContain('old0', 'old499');
    // Bytes count as well: a large one goes where it was not used.
    $large = storage_path('app/speech/large');
    $handle = fopen($large, 'w');
    ftruncate($handle, 300 * 1024 * 1024);
    fclose($handle);
    touch($large, 1_000_000_000);
    ($this->say)('One more lantern')->assertOk();
    expect(is_file($large))->toBeFalse()->and(is_file($kept->getPathname()))->toBeTrue();
});

it('keeps what one person had read for nobody else', function () {
    $this->actingAs($this->person);
    $first = ($this->say)('A lantern of one’s own')->json();
    $this->flushSession();
    $this->actingAs($this->person('marit@saltmere.example'));
    // A voice has some noise in it, which is another each time.
    expect(($this->say)('A lantern of one’s own')->json('words'))->toBe($first['words'])->and(File::files(storage_path('app/speech')))->toHaveCount(2);
});

it('speaks no more than anybody listens to', function () {
    config(['chalk.limits' => true]);
    $this->actingAs($this->person);
    for ($i = 0; $i < 200; $i++) {
        ($this->say)('')->assertUnprocessable();
    }
    ($this->say)('')->assertTooManyRequests();
});

it('speaks anew where what was kept is damaged, and leaves nothing behind', function () {
    $this->actingAs($this->person);
    $first = ($this->say)('A damaged lantern')->json();
    [$kept] = File::files(storage_path('app/speech'));
    foreach (['', 'no line', "{\n"] as $damage) {
        file_put_contents($kept->getPathname(), $damage);
        expect(($this->say)('A damaged lantern')->assertOk()->json('words'))->toBe($first['words']);
    }
    expect(File::isDirectory(storage_path('app/speaking')) ? File::directories(storage_path('app/speaking')) : [])->toBe([]);
});

it('says so where its program is not there, and does not remember that', function () {
    $path = getenv('PATH');
    try {
        putenv('PATH=/nowhere');
        cache()->forget('voices that speak');
        expect((new Speech)->languages())->toBe([])->and((new Speech)->of('Hello', 'en-gb', '1'))->toBeNull();
    } finally {
        putenv("PATH={$path}");
    }
    expect((new Speech)->languages())->not->toBe([]);
});

it('counts words as browsers do', function () {
    $spoken = new SpokenText('', [[0, 2, 0], [3, 5, 10], [9, 1, 20]]);
    expect($spoken->wordsIn('𝄞𝄞 Music x'))->toBe([[0, 4, 0], [5, 5, 10], [11, 1, 20]])
        ->and($spoken->wordsIn(''))->toBe([[0, 0, 0], [0, 0, 10], [0, 0, 20]]);
});
