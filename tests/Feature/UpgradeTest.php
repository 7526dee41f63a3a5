<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;

/** Runs an artisan command on a database of its own. */
function artisanOn(string $database, string ...$arguments): string
{
    $process = new Process(['php', 'artisan', ...$arguments], dirname(__DIR__, 2), ['DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $database, 'APP_ENV' => 'testing', 'APP_KEY' => 'base64:'.base64_encode(str_repeat('k', 32))]);
    $process->mustRun();

    return $process->getOutput();
}

it('takes a database of the first version over with its maps, folds and history', function () {
    $file = (string) tempnam(sys_get_temp_dir(), 'upgrade');
    artisanOn($file, 'migrate', '--force', '--path=database/migrations/2026_11_23_000001_create_chalk_tree_tables.php');
    $database = new PDO("sqlite:{$file}");
    $map = '01m83fb3naxzstcfd12bs9h8pw';
    $database->exec("insert into people (id, name, email, password) values (1, 'Wren', 'wren@saltmere.example', 'x')");
    $database->exec("insert into maps (id, person_id, root, arrangement, seq, created_at, updated_at) values ('{$map}', 1, '{$map}', 'rightward', 0, '2026-01-01 00:00:00.000', '2026-01-01 00:00:00.000')");
    $database->exec("insert into topics (map_id, id, rank, title, caption, note) values ('{$map}', '{$map}', 'a0', 'Old plan', 'kept', 'as it was')");
    // An edit in its history, which can still be undone afterwards, and one in its trash.
    $second = '01m83fb3nbvantw04nps62efzp';
    $gone = '01m83fb3ncvantw04nps62efzq';
    $database->exec("insert into topics (map_id, id, parent, rank, title, caption, note, side) values ('{$map}', '{$second}', '{$map}', 'a0', 'New name', '', '', 'right')");
    $database->exec("insert into topics (map_id, id, parent, rank, title, caption, note, side, removed) values ('{$map}', '{$gone}', '{$map}', 'a1', 'Gone', '', '', 'right', '{$gone}')");
    $record = fn (string $id, string $before, string $after): string => json_encode([['type' => 'topic', 'id' => $id, 'before' => json_decode($before), 'after' => json_decode($after)]]);
    $log = $database->prepare("insert into edits (map_id, seq, person_id, edit_id, step, kind, state, name, summary, changes, made_at) values ('{$map}', ?, 1, ?, ?, 'do', 'done', ?, ?, ?, '2026-01-01 00:00:00.000')");
    $log->execute([1, '01m83fb3ndvantw04nps62efzr', '01m83fb3ndvantw04nps62efzr', 'topic.remove', 'Removed “Gone”', $record($gone, '{"removed":null}', "{\"removed\":\"{$gone}\"}")]);
    $log->execute([2, '01m83fb3nevantw04nps62efzs', '01m83fb3nevantw04nps62efzs', 'topic.retitle', 'Titled “New name”', $record($second, '{"title":"Old name"}', '{"title":"New name"}')]);
    $database->exec("update maps set seq = 2 where id = '{$map}'");
    $database->exec("insert into views (map_id, person_id, folded, outline_folded, chosen) values ('{$map}', 1, '[\"{$map}\"]', '[]', '{$map}')");

    artisanOn($file, 'migrate', '--force');
    $view = $database->query('select * from views')->fetch(PDO::FETCH_ASSOC);
    expect($view)->toMatchArray(['pane' => 'first', 'folded' => "[\"{$map}\"]", 'chosen' => $map, 'scope' => null])
        ->and(artisanOn($file, 'map:show', $map))->toContain('"title": "Old plan"')->toContain('"note": "as it was"')
        ->and(artisanOn($file, 'map:list'))->toContain("{$map}\tOld plan\t2");

    artisanOn($file, 'map:undo', $map, '--owner=wren@saltmere.example');
    expect(artisanOn($file, 'map:show', $map, '--owner=wren@saltmere.example'))->toContain('"title": "Old name"')->not->toContain('Gone');
    artisanOn($file, 'map:undo', $map);
    expect(artisanOn($file, 'map:show', $map))->toContain('"title": "Gone"');
    artisanOn($file, 'map:redo', $map, '--steps=2');
    expect(artisanOn($file, 'map:show', $map))->toContain('"title": "New name"')->not->toContain('Gone');

    artisanOn($file, 'find:index');
    expect($database->query("select count(*) from words where word in ('old', 'plan', 'kept')")->fetchColumn())->toBe(3);
    artisanOn($file, 'migrate:rollback', '--force', '--step=1');
    expect($database->query('select title from topics where parent is null')->fetchColumn())->toBe('Old plan');
    unlink($file);
});

it('takes what topics said of width, numbers and distance over to rows, with history and trash, and back', function () {
    $file = (string) tempnam(sys_get_temp_dir(), 'upgrade');
    $paths = array_map(fn (string $path): string => '--path='.substr($path, strlen(dirname(__DIR__, 2)) + 1), array_filter((array) glob(dirname(__DIR__, 2).'/database/migrations/*.php'), fn (string $path): bool => ! str_contains($path, '000006')));
    artisanOn($file, 'migrate', '--force', ...$paths);
    $database = new PDO("sqlite:{$file}");
    [$map, $wide, $gone, $new] = ['01m83fb3naxzstcfd12bs9h8pw', '01m83fb3nbvantw04nps62efzp', '01m83fb3ncvantw04nps62efzq', '01m83fb3ndvantw04nps62efzq'];
    $database->exec("insert into people (id, name, email, password) values (1, 'Wren', 'wren@saltmere.example', 'x')");
    $database->exec("insert into maps (id, person_id, root, arrangement, seq, created_at, updated_at) values ('{$map}', 1, '{$map}', 'rightward', 5, '2026-01-01 00:00:00.000', '2026-01-01 00:00:00.000')");
    $database->exec("insert into topics (map_id, id, rank, title, caption, note, numbering, number_from) values ('{$map}', '{$map}', 'a0', 'Plan', '', '', 'A', 3)");
    $database->exec("insert into topics (map_id, id, parent, rank, title, caption, note, side, width, apart_x, apart_y) values ('{$map}', '{$wide}', '{$map}', 'a0', 'Wide', '', '', 'right', 140, 24, 7)");
    $database->exec("insert into topics (map_id, id, parent, rank, title, caption, note, side, removed, width) values ('{$map}', '{$gone}', '{$map}', 'a1', 'Gone', '', '', 'right', '{$gone}', 90)");
    $database->exec("insert into topics (map_id, id, parent, rank, title, caption, note, side, width) values ('{$map}', '{$new}', '{$map}', 'a2', 'New', '', '', 'right', 200)");
    $log = $database->prepare("insert into edits (map_id, seq, person_id, edit_id, step, kind, state, name, summary, changes, made_at) values ('{$map}', ?, 1, ?, ?, 'do', 'done', 'x', ?, ?, '2026-01-01 00:00:00.000')");
    $records = [
        [['type' => 'topic', 'id' => $new, 'before' => null, 'after' => ['parent' => $map, 'rank' => 'a2', 'title' => 'New', 'caption' => '', 'note' => '', 'side' => 'right', 'sideHeld' => false, 'width' => 200, 'removed' => null, 'x' => null, 'y' => null, 'column' => null, 'parked' => null, 'numbering' => null, 'numberFrom' => 1, 'apartX' => 0, 'apartY' => 0, 'changed' => 0]]],
        [['type' => 'topic', 'id' => $wide, 'before' => ['width' => null], 'after' => ['width' => 120]]],
        [['type' => 'topic', 'id' => $wide, 'before' => ['width' => 120, 'title' => 'W'], 'after' => ['width' => 140, 'title' => 'Wide']]],
        // Only one of the two distances: the other was there before.
        [['type' => 'topic', 'id' => $wide, 'before' => ['apartX' => 0], 'after' => ['apartX' => 24]]],
        [['type' => 'topic', 'id' => $map, 'before' => ['numbering' => null, 'numberFrom' => 1], 'after' => ['numbering' => 'A', 'numberFrom' => 3]]],
    ];
    foreach ($records as $i => $changes) {
        $log->execute([$i + 1, $id = substr($new, 0, 25).$i, $id, "Step {$i}", json_encode($changes)]);
    }
    $topics = fn (): array => $database->query('select * from topics order by id')->fetchAll(PDO::FETCH_ASSOC);
    $changes = fn (): array => array_map(fn (string $json): array => json_decode($json, true), $database->query('select changes from edits order by seq')->fetchAll(PDO::FETCH_COLUMN));
    $rows = fn (): array => json_decode(artisanOn($file, 'map:show', $map), true)['rows'] ?? [];
    $before = $topics();

    artisanOn($file, 'migrate', '--force');
    expect($rows())->toEqualCanonicalizing([
        ['type' => 'numbering', 'id' => $map, 'fields' => ['style' => 'A', 'from' => 3]],
        ['type' => 'look', 'id' => $wide, 'fields' => ['width' => 140]],
        ['type' => 'apart', 'id' => $wide, 'fields' => ['x' => 24, 'y' => 7]],
        ['type' => 'look', 'id' => $new, 'fields' => ['width' => 200]],
    ])->and($database->query("select fields from map_rows where id = '{$gone}'")->fetchColumn())->toBe('{"width":90}');

    // Back and forth again: nothing is lost either way.
    artisanOn($file, 'migrate:rollback', '--force', '--step=1');
    expect($topics())->toEqual($before)->and($changes())->toEqual($records);
    artisanOn($file, 'migrate', '--force');

    $said = fn (string $type): array => array_column(array_filter($rows(), fn (array $row): bool => $row['type'] === $type), 'fields', 'id');
    artisanOn($file, 'map:undo', $map, '--steps=2');
    expect($said('numbering'))->toBe([])->and($said('apart'))->toBe([$wide => ['y' => 7]]);
    artisanOn($file, 'map:undo', $map);
    expect($said('look'))->toEqual([$wide => ['width' => 120], $new => ['width' => 200]]);
    artisanOn($file, 'map:undo', $map, '--steps=2');
    expect($said('look'))->toBe([]);
    artisanOn($file, 'map:redo', $map, '--steps=5');
    expect($said('look'))->toEqual([$wide => ['width' => 140], $new => ['width' => 200]])->and($said('apart'))->toBe([$wide => ['x' => 24, 'y' => 7]]);
    unlink($file);
});
