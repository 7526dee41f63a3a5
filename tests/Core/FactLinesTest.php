<?php

declare(strict_types=1);

use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\HandOver\Selected;
use ChalkTree\Kind\FactLine;
use ChalkTree\Kind\FieldSort;
use ChalkTree\Kind\Kind;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\Values;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Task\Remark;
use ChalkTree\Task\Task;
use ChalkTree\Task\TaskLine;
use Tests\Support\Chance;

it('writes kinds, fields, to-dos and what was said of them below their topics, and reads them back', function (string $format) {
    $map = withFacts();
    $out = Outgoing::of($map);
    $text = Formats::write($out, $format);
    expect($text)->toContain('Meeting · Date: 2026-11-27 · Place: Net loft: upstairs · Present: Wren, Tove', 'by 2026-12-05 · from 2026-12-01 · 40 % · 3 h · weekly · told 2 days before · who Ines, Theo')
        ->not->toContain('secret');
    $back = Formats::read($text, "x.{$format}");
    expect(factsOf($back))->toEqual(factsOf($out))->and($back->all())->toHaveCount(3);
})->with(['md', 'opml', 'txt']);

it('leaves all of it out where that is chosen', function () {
    $without = Selected::of(Outgoing::of(withFacts()), Choices::fromFields('', ['noFacts' => true]));
    expect(factsOf($without))->toBe([])->and(Formats::write($without, 'md'))->not->toContain('Net loft')->not->toContain('Ines');
});

it('writes what people have and reads it back, whatever it is', function (int $seed) {
    $chance = new Chance($seed);
    $map = NewMap::from(new TopicDraft('Plan', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Topic {$n}"), range(1, 12))));
    $word = fn (): string => $chance->pick(['Ines', 'net loft', 'a · b', '12', 'by 2026-01-01', '2026-01-01', 'Date', 'weekly', '40 %', 'x: y', '☐', 'true']);
    $fields = array_map(fn (int $n): KindField => KindField::fromFields(Ids::next(), ['name' => "Field {$n}", 'sort' => 'text']), range(1, 3));
    array_map($map->put(...), [...$fields, $kind = Kind::fromFields(Ids::next(), ['name' => 'Sort of thing', 'fields' => implode(' ', array_map(fn (KindField $field): string => $field->id, $fields))])]);
    foreach (array_map(strval(...), array_keys($map->children($map->root()->id))) as $id) {
        if ($chance->yes(50)) {
            $map->put(ChalkTree\Kind\TopicKind::fromFields($id, ['kind' => $kind->id]));
        }
        $values = [];
        foreach ($fields as $field) {
            $values[$field->id] = $chance->yes(40) ? str_replace(' · ', ', ', $word()) : null;
        }
        if (array_filter($values) !== []) {
            $map->put(Values::fromFields($id, [])->having($values));
        }
        if ($chance->yes(50)) {
            $map->put(Task::fromFields($id, ['is' => true] + array_filter(['by' => $chance->yes(50) ? '2026-12-0'.$chance->int(1, 9) : null, 'progress' => $chance->pick([null, 0, 40, 100]), 'effort' => $chance->pick([null, 3]), 'who' => $chance->pick([null, 'Ines', "Ines\nTheo", 'Weekly'])], fn ($said): bool => $said !== null)));
        }
        if ($chance->yes(50)) {
            $map->put(Remark::fromFields(Ids::next(), ['at' => $id, 'on' => '2026-11-0'.$chance->int(1, 9), 'said' => $chance->pick(['', $word()])] + ($chance->yes(50) ? ['who' => 'Ines Aske'] : []) + ($chance->yes(50) ? ['progress' => $chance->int(0, 100)] : [])));
        }
    }
    foreach (['md', 'opml'] as $format) {
        $back = Formats::read(Formats::write($map, $format), "x.{$format}");
        expect(factsOf($back))->toEqual(factsOf($map))->and($back->all())->toHaveCount(13);
    }
})->with(range(1, 25));

it('takes no line for one that is none, so that nothing a person wrote goes', function (string $line) {
    $map = Formats::read("# Plan\n\n- Topic\n  - {$line}\n", 'x.md');
    expect($map->all())->toHaveCount(3)->and(factsOf($map))->toBe([]);
})->with([
    '☐ by 2026-13-45', '☐ Milk', '☑ Milk', '✎ Milk', '☐ who '.str_repeat('x', 101), '☐ by 2026-12-05 · by 2026-12-06', '☐ 40 % · 50 %', '☑ 40 % · '.str_repeat('x', 101), '✎ yesterday', '✎ 2026-11-08, 101 %', '✎ 2026-02-30: said', '◈ Meeting · Decision',
    '◈ Rating: 6', '◈ Cost: a lot', '◈ '.str_repeat('x', 61), '◈ : nothing',
]);

it('makes no more fields of a file than a map can have', function () {
    $lines = implode('', array_map(fn (int $n): string => "- Topic {$n}\n  - ◈ Field {$n}: x\n", range(1, 420)));
    $map = Formats::read("# Plan\n\n{$lines}", 'x.md');
    expect(count($map->rowsOf(KindField::class)))->toBe(KindField::most())->and(count($map->all()))->toBe(1 + 420 + 20);
});

it('writes every sort of field in words', function () {
    $map = committee();
    $topic = titled($map, 'Autumn');
    $values = ['text' => 'a b', 'long' => "a\nb", 'number' => '1250', 'money' => '1250.5', 'date' => '2026-12-05', 'time' => '14:30', 'range' => '2026-12-05/2026-12-08', 'yes' => 'no', 'choice' => 'one', 'choices' => "one\ntwo", 'people' => "Ines\nTheo", 'names' => "The lamp\nThe mole", 'rating' => '3', 'progress' => '40', 'address' => 'https://harbour.saltmere.example/', 'topic' => 'topic:'.titled($map, 'Winter')];
    $kept = [];
    foreach ($values as $sort => $value) {
        $map->put($field = KindField::fromFields(Ids::next(), ['name' => ucfirst($sort), 'sort' => $sort, 'choices' => "one\ntwo"] + ($sort === 'money' ? ['unit' => '€'] : [])));
        $kept[$field->id] = $value;
    }
    $map->put(Values::fromFields($topic, [])->having($kept));
    expect(explode(' · ', FactLine::write($map, $topic)))->toEqualCanonicalizing([
        'Text: a b', 'Long: a b', 'Number: 1,250', 'Money: €1,250.50', 'Date: 2026-12-05', 'Time: 14:30', 'Range: 2026-12-05 to 2026-12-08', 'Yes: no', 'Choice: one', 'Choices: one, two', 'People: Ines, Theo',
        'Names: The lamp, The mole', 'Rating: 3', 'Progress: 40 %', 'Address: https://harbour.saltmere.example/', 'Topic: Winter',
    ])->and(count(FieldSort::cases()))->toBe(count($values) + 1);
    expect(TaskLine::write(Task::fromFields($topic, ['is' => true])))->toBe('to be done');
});
