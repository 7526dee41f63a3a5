<?php

declare(strict_types=1);

namespace App\Console;

use ChalkTree\WireSchema;
use Illuminate\Console\Command;

/** Puts the pieces of the features into the schema of the wire, from which the types of the browser are made. */
final class ComposeWire extends Command
{
    protected $signature = 'wire:compose {--check : only tell whether the schema is as the features have it}';

    protected $description = 'Compose the schema of what crosses the wire';

    public function handle(): int
    {
        /** @var array{definitions: array<string, array<string, mixed>>} $base */
        $base = json_decode((string) file_get_contents(resource_path('wire/base.schema.json')), true, 64, JSON_THROW_ON_ERROR);
        $schema = json_encode(WireSchema::composed($base), JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n";
        $file = resource_path('wire/wire.schema.json');
        if ($this->option('check')) {
            if (file_get_contents($file) !== $schema) {
                $this->error('The schema is not as the features have it: run “npm run wire”.');

                return self::FAILURE;
            }

            return self::SUCCESS;
        }
        file_put_contents($file, $schema);

        return self::SUCCESS;
    }
}
