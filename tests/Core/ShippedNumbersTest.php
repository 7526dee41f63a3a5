<?php

declare(strict_types=1);

use ChalkTree\Kind\Kind;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\ShippedKinds;

it('numbers the kinds that ship as they are in the browser', function () {
    preg_match_all("/^    '(\w{26})',$/m", (string) file_get_contents(__DIR__.'/../../resources/ts/facts/shipped.ts'), $m);
    $kinds = array_values(array_filter(ShippedKinds::rows(), fn ($row): bool => $row instanceof Kind));
    expect($m[1])->toBe(array_map(fn (Kind $kind): string => $kind->id, $kinds));
});

it('knows the kinds and fields of stories by the same ids in the browser', function () {
    $text = (string) file_get_contents(__DIR__.'/../../resources/ts/facts/shipped.ts');
    preg_match_all("/^    (\w+): '(\w{26})',$/m", $text, $m, PREG_SET_ORDER);
    $words = ['inScene' => 'in-scene', 'storyDay' => 'story-day'];
    $ids = array_map(fn ($row): string => $row->id, ShippedKinds::rows());
    expect($m)->toHaveCount(16);
    foreach ($m as [, $name, $id]) {
        $word = $words[$name] ?? $name;
        expect([ShippedKinds::kindId($word), ShippedKinds::fieldId($word)])->toContain($id)->and($ids)->toContain($id);
    }
});

it('has every field that a shipped kind names, and asks a question wherever a sheet is filled in', function () {
    $fields = array_column(array_map(fn ($row): array => ['id' => $row->id, 'row' => $row], ShippedKinds::rows()), 'row', 'id');
    foreach (['character', 'place', 'object', 'thread'] as $word) {
        $kind = $fields[ShippedKinds::kindId($word)];
        foreach ($kind->fieldIds() as $id) {
            $field = $fields[$id];
            expect($field)->toBeInstanceOf(KindField::class);
            if ($field->sort()->value === 'long') {
                expect($field->text('question'))->toContain('…', '?');
            }
        }
    }
});
