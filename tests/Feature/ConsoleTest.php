<?php

declare(strict_types=1);

use ChalkTree\Map\Ids;
use Illuminate\Contracts\Console\Kernel;
use Symfony\Component\Console\Input\StringInput;
use Symfony\Component\Console\Output\ConsoleOutput;
use Symfony\Component\Console\Output\StreamOutput;

/** Runs a command as from a shell, with standard output and standard error kept apart. */
function command(string $line): array
{
    $out = fopen('php://memory', 'w+');
    $err = fopen('php://memory', 'w+');
    $output = new class($out) extends ConsoleOutput
    {
        public function __construct(private $stream)
        {
            parent::__construct();
        }

        public function write(string|iterable $messages, bool $newline = false, int $options = self::OUTPUT_NORMAL): void
        {
            fwrite($this->stream, implode($newline ? "\n" : '', (array) $messages).($newline ? "\n" : ''));
        }
    };
    $output->setErrorOutput(new StreamOutput($err));
    $code = app(Kernel::class)->handle(new StringInput($line), $output);
    rewind($out);
    rewind($err);

    return ['code' => $code, 'out' => stream_get_contents($out), 'err' => stream_get_contents($err)];
}

function fileOf(string $contents, string $ending): string
{
    $file = sys_get_temp_dir().'/chalk-'.bin2hex(random_bytes(4)).".{$ending}";
    file_put_contents($file, $contents);

    return $file;
}

beforeEach(fn () => $this->person('wren@saltmere.example'));

it('imports, lists, shows, edits, undoes, redoes and exports as the demo person', function () {
    $file = fileOf("# Fest\n\n## Boats\n\n- Ferry", 'md');
    $imported = command("map:import {$file}");
    expect($imported['code'])->toBe(0)->and($imported['out'])->toMatch('/\A[0-9a-z]{26}\n\z/');
    $id = trim($imported['out']);
    expect(command('map:list')['out'])->toBe("{$id}\tFest\t3\n");
    $map = json_decode(command("map:show {$id}")['out'], true);
    expect($map['format'])->toBe('chalk-tree-map')->and(array_column($map['topics'], 'title'))->toBe(['Fest', 'Boats', 'Ferry']);

    $edits = fileOf(json_encode([
        ['name' => 'topic.add', 'parent' => $map['root'], 'topic' => ['id' => $new = Ids::next(), 'title' => 'Music']],
        ['name' => 'topic.retitle', 'topic' => $new, 'title' => 'Songs'],
    ]), 'json');
    expect(command("map:edit {$id} {$edits}"))->toBe(['code' => 0, 'out' => "{\"seq\":2}\n", 'err' => '']);
    expect(command("map:export {$id} --to=txt")['out'])->toBe("Fest\n\tBoats\n\t\tFerry\n\tSongs\n");
    expect(command("map:undo {$id} --steps=2")['out'])->toBe("{\"seq\":4}\n")
        ->and(command("map:export {$id} --to=txt")['out'])->toBe("Fest\n\tBoats\n\t\tFerry\n");
    command("map:redo {$id}");
    expect(command("map:export {$id} --to=md")['out'])->toBe("# Fest\n\n## Boats\n\n- Ferry\n\n## Music\n");

    $png = sys_get_temp_dir().'/chalk-out.png';
    expect(command("map:export {$id} --to=png --width=320 --out={$png}"))->toBe(['code' => 0, 'out' => '', 'err' => ''])
        ->and(getimagesize($png)[0])->toBe(320);
    expect(command("map:export {$id} --to=svg")['out'])->toStartWith('<svg')->toContain('@font-face');
});

it('prints scenes, folded and in any arrangement, with boxes in one coordinate system', function () {
    $id = trim(command('map:import '.fileOf("A\n\tB\n\t\tC\n\tD\n", 'txt'))['out']);
    $topics = json_decode(command("map:show {$id}")['out'], true)['topics'];
    $scene = json_decode(command("map:scene {$id} --absolute --arrangement=rightward")['out'], true);
    expect($scene['arrangement'])->toBe('rightward')->and($scene['boxes'])->toHaveCount(4)
        ->and(array_keys($scene['boxes'][0]))->toBe(['id', 'parent', 'x', 'y', 'w', 'h']);
    $boxes = array_column($scene['boxes'], null, 'id');
    foreach ($boxes as $box) {
        if ($box['parent'] !== null) {
            expect($box['x'])->toBeGreaterThan($boxes[$box['parent']]['x'] + $boxes[$box['parent']]['w']);
        }
    }
    expect(json_decode(command("map:scene {$id} --folded={$topics[1]['id']}")['out'], true)['slips'])->toHaveCount(3)
        ->and(json_decode(command("map:scene {$id}")['out'], true))->not->toHaveKey('boxes');
});

it('prints propositions, one a line', function () {
    $id = trim(command('map:import '.fileOf("Boats\n\t→ have a: Hull\n\tHull\n\t\t→ keeps out: Water\n\tWater\n", 'txt'))['out']);
    expect(command("map:sentences {$id}")['out'])->toBe("Boats\thave a\tHull\nHull\tkeeps out\tWater\n")
        ->and(command('map:sentences '.Ids::next())['code'])->toBe(1);
});

it('takes a title for files that have none, a format, and an owner', function () {
    $this->person('ines@saltmere.example');
    $file = fileOf("one\ntwo\n", 'data');
    $id = trim(command("map:import {$file} --format=txt --title=\"My list\" --owner=ines@saltmere.example")['out']);
    expect(command('map:list --owner=ines@saltmere.example')['out'])->toBe("{$id}\tMy list\t3\n")
        ->and(command('map:list')['out'])->toBe('')
        ->and(command("map:show {$id}")['code'])->toBe(1);
});

it('lets people into a map and out of it, and prints who may open it', function () {
    $id = trim(command('map:import '.fileOf("Plan\n\tBoats\n", 'txt'))['out']);
    expect(command("map:share {$id}")['out'])->toBe('')
        ->and(command("map:share {$id} Ines@saltmere.example --role=view")['out'])->toBe("view\tines@saltmere.example\n")
        ->and(command("map:share {$id} bram@saltmere.example")['out'])->toBe("edit\tbram@saltmere.example\nview\tines@saltmere.example\n")
        ->and(command("map:share {$id} ines@saltmere.example")['out'])->toBe("edit\tbram@saltmere.example\nedit\tines@saltmere.example\n")
        ->and(command("map:share {$id} ines@saltmere.example --end")['out'])->toBe("edit\tbram@saltmere.example\n")
        ->and(command('outbox:show')['out'])->toContain('shares a map with you');
});

it('says what is wrong on standard error, with exit code 1 and nothing on standard output', function (Closure $line) {
    $id = trim(command('map:import '.fileOf('A', 'txt'))['out']);
    $result = command($line($id));

    expect($result['code'])->toBe(1)->and($result['out'])->toBe('')->and(trim($result['err']))->toEndWith('.');
})->with([
    'a file that is not there' => [fn () => 'map:import /nowhere/x.md'],
    'a file that cannot be read as that' => [fn () => 'map:import '.fileOf('x', 'txt').' --format=json'],
    'an unknown format' => [fn () => 'map:import '.fileOf('x', 'txt').' --format=exe'],
    'an unknown owner' => [fn () => 'map:list --owner=nobody@saltmere.example'],
    'an unknown map' => [fn () => 'map:show '.Ids::next()],
    'an export to nothing' => [fn (string $id) => "map:export {$id}"],
    'an export to an unknown format' => [fn (string $id) => "map:export {$id} --to=exe"],
    'an export to where one cannot write' => [fn (string $id) => "map:export {$id} --to=md --out=/nowhere/x.md"],
    'a width that is none' => [fn (string $id) => "map:export {$id} --to=png --width=wide"],
    'an option of a format that is none' => [fn (string $id) => "map:export {$id} --to=md --set=headings=many"],
    'edits that are no list' => [fn (string $id) => "map:edit {$id} ".fileOf('{"name":"x"}', 'json')],
    'an edit that cannot be done' => [fn (string $id) => "map:edit {$id} ".fileOf('[{"name":"map.rename","title":"New"},{"name":"x"}]', 'json')],
    'sharing with nobody' => [fn (string $id) => "map:share {$id} nobody"],
    'a role that is none' => [fn (string $id) => "map:share {$id} ines@saltmere.example --role=owner"],
    'ending what is not shared' => [fn (string $id) => "map:share {$id} ines@saltmere.example --end"],
    'nothing to undo' => [fn (string $id) => "map:undo {$id}"],
    'steps that are none' => [fn (string $id) => "map:undo {$id} --steps=0"],
    'an unknown arrangement' => [fn (string $id) => "map:scene {$id} --arrangement=spiral"],
    'an unknown topic to fold' => [fn (string $id) => "map:scene {$id} --folded=".Ids::next()],
]);

it('edits all or nothing', function () {
    $id = trim(command('map:import '.fileOf('A', 'txt'))['out']);
    command("map:edit {$id} ".fileOf('[{"name":"map.rename","title":"New"},{"name":"x"}]', 'json'));

    expect(command('map:list')['out'])->toBe("{$id}\tA\t1\n");
});

it('prints the letters that were not sent, the latest last', function () {
    foreach (['First', 'Second', 'Third'] as $subject) {
        DB::table('letters')->insert(['recipient' => 'tove@saltmere.example', 'subject' => $subject, 'text' => "Text of {$subject}", 'sent_at' => now()]);
    }
    Artisan::call('outbox:show', ['--most' => 2]);
    expect(Artisan::output())->toMatch('/To tove@saltmere.example, .* UTC: Second\n\nText of Second\n.*Third/s')->not->toContain('First');
});

it('prints the boxes of a map in every arrangement there is', function (string $arrangement) {
    $id = trim(command('map:import '.fileOf("A\n\tB\n\t\tC\n\tD\n", 'txt'))['out']);
    $scene = json_decode(command("map:scene {$id} --absolute --arrangement={$arrangement}")['out'], true);
    expect($scene['arrangement'])->toBe($arrangement)->and($scene['boxes'])->toHaveCount(4);
})->with(['both-sides', 'rightward', 'leftward', 'top-down', 'bottom-up', 'stepped-list', 'fishbone', 'timeline', 'grid', 'round', 'free']);
