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
