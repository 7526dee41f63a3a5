<?php

declare(strict_types=1);

use Symfony\Component\Yaml\Yaml;

/* What is written down for containers, read where no engine runs. */

function deployed(string $file): string
{
    return (string) file_get_contents(dirname(__DIR__, 2)."/{$file}");
}

/** @return array<string, mixed> */
function composed(): array
{
    return (array) Yaml::parse(deployed('deploy/compose.yaml'));
}

/** The packages that a file installs. */
function packagesIn(string $text): array
{
    preg_match_all('/(?<=\s|\()((?:php8\.2|fonts|lib|nginx|poppler|weasyprint|pandoc|util-linux|espeak|php-league)[a-z0-9.-]*)(?=\s|\))/', $text, $m);

    return array_values(array_unique($m[1]));
}

it('says only settings that something reads', function () {
    $read = implode("\n", array_map(deployed(...), ['bin/serve', 'deploy/enter', 'deploy/stand-in/objects.php', ...array_map(fn (string $file): string => 'config/'.basename($file), glob(dirname(__DIR__, 2).'/config/*.php') ?: [])]));
    $said = array_keys(composed()['x-app']['environment']);
    preg_match_all('/^([A-Z][A-Z0-9_]+)=/m', deployed('deploy/secrets.env.example'), $secrets);
    preg_match('/^ENV (.*)$/m', deployed('deploy/Containerfile'), $env);
    preg_match_all('/([A-Z][A-Z0-9_]+)=/', $env[1] ?? '', $set);
    $all = array_filter([...$said, ...$secrets[1], ...$set[1], ...array_keys(composed()['services']['objects']['environment'])], fn (string $name): bool => ! str_starts_with($name, 'POSTGRES_') && ! in_array($name, ['LARAVEL_STORAGE_PATH', 'PHP_CLI_SERVER_WORKERS'], true));
    foreach ($all as $name) {
        expect($read)->toMatch('/\b'.$name.'\b/');
    }
    expect(count($all))->toBeGreaterThan(25);
});

it('copies into the image what is there and is not left out, and what the application needs', function () {
    preg_match_all('/^COPY (?!--from)(.+)$/m', deployed('deploy/Containerfile'), $m);
    $copied = array_merge(...array_map(fn (string $line): array => array_slice(preg_split('/\s+/', trim($line)) ?: [], 0, -1), $m[1]));
    $left = array_filter(explode("\n", deployed('.containerignore')));
    foreach ($copied as $one) {
        expect(file_exists(dirname(__DIR__, 2)."/{$one}"))->toBeTrue($one)->and($left)->not->toContain($one);
    }
    expect($copied)->toContain('app', 'core', 'config', 'database', 'routes', 'public', 'bin', 'deploy', 'artisan')->and(deployed('.dockerignore'))->toBe(deployed('.containerignore'))
        ->and($left)->toContain('.env', 'deploy/secrets.env', 'storage');
});

it('installs in the image what bin/install installs', function () {
    [, $runs] = explode('# What runs.', deployed('deploy/Containerfile'));
    preg_match('/packages=\((.*?)\)/s', deployed('bin/install'), $m);
    expect(array_diff(packagesIn(" {$m[1]} "), packagesIn($runs)))->toBe([])->and($runs)->toContain('php8.2-pgsql', 'php8.2-redis', 'postgresql-client', 'procps', 'USER chalk');
});

it('runs parts that there are, each of which reaches what it needs and nothing from outside but the web server', function () {
    [$compose, $image] = [composed(), deployed('deploy/Containerfile')];
    foreach ($compose['services'] as $name => $service) {
        foreach ($service['command'] ?? [] as $option) {
            if (str_starts_with((string) $option, '--') && ($service['image'] ?? '') === 'chalk-tree' && $service['command'][0] !== 'artisan') {
                expect(deployed('bin/serve'))->toContain(explode('=', (string) $option)[0].'=*)');
            }
        }
        foreach (array_keys($service['depends_on'] ?? []) as $needed) {
            expect($compose['services'])->toHaveKey($needed)->and($compose['services'][$needed])->toHaveKey('healthcheck');
        }
        foreach ($service['volumes'] ?? [] as $volume) {
            [$kept, $folder] = explode(':', $volume);
            expect($compose['volumes'])->toHaveKey($kept);
            // A volume of the image is written by somebody who is not root.
            ($service['image'] ?? '') !== 'chalk-tree' || expect($image)->toMatch("~mkdir -p [^&]*{$folder}\\b.* chown -R chalk [^&]*{$folder}\\b~");
        }
        $networks = array_is_list($service['networks']) ? $service['networks'] : array_keys($service['networks']);
        expect($networks)->toContain('inside')->and(isset($service['ports']))->toBe($name === 'front')->and(in_array('outside', $networks, true))->toBe($name === 'front');
    }
    expect($compose['networks']['inside']['internal'])->toBeTrue()->and($compose['services']['front']['ports'])->toBe(['127.0.0.1:8000:8000']);
    // What the web server reads but once is where it is said to be, however often that begins anew.
    $at = fn (string $service): string => (string) ($compose['services'][$service]['networks']['inside']['ipv4_address'] ?? '');
    expect($compose['services']['front']['command'])->toContain('--publish=0.0.0.0:8001', "--apps={$at('app-1')}:9100,{$at('app-2')}:9100")->and($compose['x-app']['environment']['LIVE_REDIS'])->toBe("redis://{$at('redis')}:6379")
        ->and(array_unique(array_map($at, ['app-1', 'app-2', 'redis'])))->toHaveCount(3)->and(substr($compose['networks']['inside']['ipam']['config'][0]['subnet'], 0, 8))->toBe(substr($at('app-1'), 0, 8));
    // What may not be forgotten lies where nothing is.
    expect($compose['services']['redis']['command'])->toContain('noeviction', 'yes')->and($compose['services'][$compose['x-app']['environment']['REDIS_CACHE_HOST']]['command'])->toContain('allkeys-lru')->and($compose['x-app']['environment']['REDIS_HOST'])->toBe('redis');
    // The private address is that which the application is told, and leaves the network nowhere.
    expect($compose['x-app']['environment']['CHALK_LIVE'])->toBe('front:8001');
    preg_match('/pool work .* (\d+); pool door/', deployed('bin/serve'), $longest);
    preg_match('/pool heavy \d+ ondemand (\d+)/', deployed('bin/serve'), $heaviest);
    expect((int) $compose['services']['app-1']['stop_grace_period'])->toBeGreaterThan((int) $longest[1])->and((int) $heaviest[1])->toBeLessThanOrEqual(90);
});

it('tells no secret', function () {
    foreach (['deploy/compose.yaml', 'deploy/Containerfile'] as $file) {
        expect(deployed($file))->not->toMatch('/(PASSWORD|SECRET|APP_KEY)\s*[:=]\s*\S/');
    }
    preg_match_all('/^[A-Z0-9_]+=(.*)$/m', deployed('deploy/secrets.env.example'), $m);
    expect(array_filter($m[1]))->toBe([])->and(deployed('.gitignore'))->toContain('/deploy/secrets.env');
});

it('can be run as it is', function (string $file) {
    expect(is_executable(dirname(__DIR__, 2)."/{$file}"))->toBeTrue()->and(shell_exec('bash -n '.escapeshellarg(dirname(__DIR__, 2)."/{$file}").' 2>&1'))->toBeNull();
})->with(['deploy/enter', 'bin/serve', 'bin/cluster', 'bin/test-cluster', 'bin/install']);

it('only ever adds to the tables, so that servers of the version before go on while migrations run', function () {
    $takes = [];
    $seen = 0;
    foreach (glob(dirname(__DIR__, 2).'/database/migrations/*.php') ?: [] as $file) {
        [$up] = explode('public function down', (string) file_get_contents($file));
        // Before there was anything to go on.
        if (strcmp(basename($file), '2026_11_26') > 0 && preg_match('/dropColumn|renameColumn|->change\(|Schema::(?:rename|drop)|drop table|alter column/i', $up) === 1) {
            $takes[] = basename($file);
        }
        // What comes to a table that is there is empty at first, or says what it is.
        $parts = strcmp(basename($file), '2026_11_26') > 0 ? array_filter(explode('Schema::', $up), fn (string $part): bool => str_starts_with($part, 'table(')) : [];
        preg_match_all('/\$table->(?!index|unique|foreign|primary|drop)\w+\([^;]*?\)(?:->\w+\([^;]*?\))*/', implode('', $parts), $columns);
        foreach ($columns[0] as $column) {
            str_contains($column, 'nullable') || str_contains($column, 'default') ?: $takes[] = basename($file)." {$column}";
        }
        $seen += count($columns[0]);
    }
    expect($takes)->toBe([])->and($seen)->toBeGreaterThan(15);
});
