<?php

declare(strict_types=1);

require_once __DIR__.'/Support/asking.php';
require_once __DIR__.'/Support/drafted.php';
require_once __DIR__.'/Support/opened.php';
require_once __DIR__.'/Support/scenes.php';
require_once __DIR__.'/Support/tables.php';
require_once __DIR__.'/Support/tracked.php';
require_once __DIR__.'/Support/story.php';
require_once __DIR__.'/Support/tracking.php';
require_once __DIR__.'/Support/tying.php';

use Tests\Support\HttpTestCase;

pest()->extend(HttpTestCase::class)->in('Feature');

/** Pairs of boxes that overlap, found by sweeping from left to right. */
function overlaps(array $boxes): array
{
    usort($boxes, fn (array $a, array $b): int => $a['x'] <=> $b['x']);
    $found = [];
    $open = [];
    foreach ($boxes as $box) {
        foreach ($open as $i => $other) {
            if ($box['x'] >= $other['x'] + $other['w']) {
                unset($open[$i]);
            } elseif ($other['y'] < $box['y'] + $box['h'] && $box['y'] < $other['y'] + $other['h']) {
                $found[] = [$other['id'], $box['id']];
            }
        }
        $open[] = $box;
    }

    return $found;
}

/** Holds data to a shape of the wire schema. */
function expectShape(string $shape, mixed $data): void
{
    $validator = new \Opis\JsonSchema\Validator;
    $validator->resolver()->registerFile('https://chalk-tree.example/wire.schema.json', dirname(__DIR__).'/resources/wire/wire.schema.json');
    $result = $validator->validate(json_decode(json_encode($data)), "https://chalk-tree.example/wire.schema.json#/definitions/{$shape}");

    expect($result->isValid())->toBeTrue($result->isValid() ? '' : $shape.': '.json_encode((new \Opis\JsonSchema\Errors\ErrorFormatter)->format($result->error())));
}
