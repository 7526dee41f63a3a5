<?php

declare(strict_types=1);

use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Find\Finder;
use ChalkTree\Find\Hit;
use ChalkTree\Find\Query;
use ChalkTree\Kind\Fields;
use ChalkTree\Kind\FieldSort;
use ChalkTree\Kind\Kind;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\Kinds;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Kind\Values;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Sign\StampsPart;
use ChalkTree\Task\Task;
use Tests\Support\Outline;
use Tests\Support\RandomMaps;

it('makes an entry with everything that belongs to it, under the ids that it is given, and takes it back as one', function () {
    $map = committee('meeting');
    $before = RandomMaps::contents($map);
    $ids = array_map(fn (): string => Ids::next(), range(1, 7));
    $changes = done($map, 'entry.put', ['kind' => ShippedKinds::kindId('meeting'), 'parent' => titled($map, 'Autumn'), 'as' => $ids, 'today' => A_DAY, 'time' => '19:30']);

    expect(Outline::of($map))->toBe("Committee\n\tAutumn\n\t\tMeeting, 27 Nov 2026\n\t\t\tAgenda\n\t\t\t\t\n\t\t\tWhat was said\n\t\t\tDecided\n\t\t\tTo do\n\t\t\tNext time\n\tWinter\n")
        ->and(array_keys($map->branch($ids[0])))->toBe($ids)
        ->and(Kinds::values($map, $ids[0]))->toBe([ShippedKinds::fieldId('date') => A_DAY])
        ->and(inBox($map, $ids[0]))->toBe(['stamps stamp:date'])
        ->and(Edits::read('entry.put', ['kind' => ShippedKinds::kindId('meeting'), 'parent' => titled($map, 'Autumn'), 'today' => A_DAY])->sentence($map))->toBe('Made an entry, “Meeting”, below “Autumn”');
    $changes->reversed()->applyTo($map, new \ChalkTree\Edit\Recorder($map));
    expect(RandomMaps::contents($map))->toBe($before);
});

it('titles entries by a pattern, and puts them where their kind goes', function (?string $goes, array $wanted) {
    $map = committee('meeting');
    $kind = Ids::next();
    done($map, 'kind.take', ['rows' => [['type' => 'kind', 'id' => $kind, 'fields' => ['name' => 'Minutes', 'pattern' => '{kind} {number} of {parent}, {day} {date} at {time} in {year}', 'goes' => $goes, 'fields' => ShippedKinds::fieldId('date')]]]]);
    $autumn = titled($map, 'Autumn');
    done($map, 'topic.add', ['parent' => $autumn, 'topic' => ['title' => 'Other']]);
    foreach (['2026-11-20', '2026-12-04', '2026-11-27'] as $day) {
        done($map, 'entry.put', ['kind' => $kind, 'parent' => $autumn, 'today' => $day, 'time' => '08:05']);
    }
    $titles = array_map(fn ($topic): string => $topic->title, array_values($map->children($autumn)));
    expect($titles)->toContain('Minutes 1 of Autumn, Friday 20 Nov 2026 at 08:05 in 2026')
        ->and(array_map(fn (string $title): string => substr($title, 0, 9), $titles))->toBe($wanted);
})->with([
    'last' => [null, ['Other', 'Minutes 1', 'Minutes 2', 'Minutes 3']],
    'first' => ['first', ['Minutes 3', 'Minutes 2', 'Minutes 1', 'Other']],
    'by date' => ['by-date', ['Other', 'Minutes 1', 'Minutes 3', 'Minutes 2']],
]);

it('reads what a person types into each sort of field, and says what it wants instead', function (string $sort, string $typed, ?string $kept, string $shown = '') {
    $map = committee();
    $field = Ids::next();
    done($map, 'kind.take', ['rows' => [['type' => 'field', 'id' => $field, 'fields' => ['name' => 'It', 'sort' => $sort, 'choices' => "Net loft\nmole", 'unit' => $sort === 'money' ? '€' : ($sort === 'number' ? 'kg' : null)]]]]);
    $topic = titled($map, 'Autumn');
    $typed = $typed === 'TOPIC' ? $topic : $typed;
    $set = fn () => done($map, 'value.set', ['topics' => [$topic], 'field' => $field, 'value' => $typed, 'today' => A_DAY]);
    if ($kept === null) {
        expect($set)->toThrow(InvalidEdit::class, '“It”')->and(Kinds::values($map, $topic))->toBe([]);

        return;
    }
    $set();
    expect(Kinds::values($map, $topic)[$field])->toBe($kept === 'TOPIC' ? Values::TOPIC.$topic : $kept)
        ->and(Fields::told(new Moment($map, A_DAY), $topic, Kinds::field($map, $field)))->toBe([$shown === '' ? $kept : $shown, false]);
    // Nothing is a value too: it is there no more.
    done($map, 'value.set', ['topics' => [$topic], 'field' => $field, 'value' => ' ', 'today' => A_DAY]);
    expect($map->row('values', $topic))->toBeNull();
})->with([
    ['text', "  by   the\nmole ", 'by the mole'], ['text', str_repeat('a', 2_001), null], ['long', "one\n\ntwo", "one\n\ntwo"],
    ['number', '1,240.50', '1240.5', '1,240.5 kg'], ['number', '12,50 kg', '12.5', '12.5 kg'], ['number', '-3', '-3', '-3 kg'], ['number', 'many', null], ['number', '1e9', null],
    ['money', '€ 1 240', '1240', '€1,240'], ['money', '9.5', '9.5', '€9.50'], ['money', '−4', '-4', '−€4'],
    ['date', 'fri', '2026-12-04', 'Fri 4 Dec'], ['date', '5 jan', '2027-01-05', 'Tue 5 Jan 2027'], ['date', '31.2.', null], ['date', 'someday', null],
    ['time', '7pm', '19:00'], ['time', '14.30', '14:30'], ['time', '9', '09:00'], ['time', '25:00', null], ['time', '13pm', null],
    ['range', '5 Dec to 8 Dec', '2026-12-05/2026-12-08', 'Sat 5 Dec – Tue 8 Dec'], ['range', '8 Dec to 5 Dec', null], ['range', 'today', '2026-11-27/2026-11-27', 'Fri 27 Nov – Fri 27 Nov'],
    ['yes', 'Y', 'yes'], ['yes', 'perhaps', null], ['choice', 'net LOFT', 'Net loft'], ['choice', 'pier', null], ['choices', 'mole; net loft', "Net loft\nmole", 'Net loft, mole'], ['choices', ';', null],
    ['people', 'Ines,  Theo, Ines', "Ines\nTheo", 'Ines, Theo'], ['people', str_repeat('a', 101), null], ['rating', '4', '4', '★★★★☆'], ['rating', '6', null], ['rating', '2.5', null],
    ['progress', '40 %', '40', '40 %'], ['progress', '101', null], ['address', 'saltmere.example/tides', 'https://saltmere.example/tides'], ['address', 'ines@saltmere.example', 'mailto:ines@saltmere.example'],
    ['address', 'javascript:alert(1)', null], ['topic', 'TOPIC', 'TOPIC', 'Autumn'], ['topic', '01m83fb3nbvantw04nps62efzp', null], ['computed', '3', null],
]);

it('reads days as people type them', function (string $typed, ?string $day) {
    expect(Days::read($typed, A_DAY))->toBe($day);
})->with([
    ['2026-02-28', '2026-02-28'], ['2026-02-30', null], ['Tomorrow', '2026-11-28'], ['yesterday', '2026-11-26'], ['friday', '2026-12-04'], ['mon', '2026-11-30'], ['thursday', '2026-12-03'], ['+3', '2026-11-30'], ['+2w', '2026-12-11'],
    ['in 3 days', '2026-11-30'], ['in 3 months', '2027-02-27'], ['end of month', '2026-11-30'], ['12 december', '2026-12-12'], ['dec 12, 2027', '2027-12-12'], ['1.12.', '2026-12-01'], ['1.12.2030', '2030-12-01'], ['20 oct', '2026-10-20'],
    ['20 mar', '2027-03-20'], ['29 feb', '2028-02-29'], ['12 mars', null], ['', null], ['13.13.', null], ['+99999', null],
]);

it('lets days end where years of four digits do', function (string $day, int $by, string $then) {
    expect(Days::plus($day, $by))->toBe($then)->and(Days::isOne(Days::plusMonths($day, $by)))->toBeTrue();
})->with([['9999-12-30', 9, '9999-12-31'], ['9990-01-01', 9999, '9999-12-31'], ['0001-01-03', -9, '0001-01-01'], ['2026-12-30', 9, '2027-01-08']]);

it('knows spans of days', function (string $form, string $first, string $last) {
    expect(Days::isSpan($form))->toBeTrue()->and(Days::span($form, A_DAY))->toBe([$first, $last]);
})->with([
    ['today-7', '2026-11-20', '2026-11-20'], ['this-week', '2026-11-23', '2026-11-29'], ['next-week', '2026-11-30', '2026-12-06'], ['last-week', '2026-11-16', '2026-11-22'], ['this-month', '2026-11-01', '2026-11-30'],
    ['next-month', '2026-12-01', '2026-12-31'], ['last-month', '2026-10-01', '2026-10-31'], ['this-quarter', '2026-10-01', '2026-12-31'], ['last-quarter', '2026-07-01', '2026-09-30'], ['next-quarter', '2027-01-01', '2027-03-31'], ['this-year', '2026-01-01', '2026-12-31'], ['last-year', '2025-01-01', '2025-12-31'], ['next-year', '2027-01-01', '2027-12-31'], ['2019', '2019-01-01', '2019-12-31'], ['2026-03-01', '2026-03-01', '2026-03-01'],
]);

it('computes fields of others and of what is below, and says in a sentence why it cannot', function (string $formula, float|string $comes) {
    $map = committee('expense');
    $cost = ShippedKinds::fieldId('cost');
    foreach (['Autumn' => '100', 'Winter' => '40'] as $title => $value) {
        done($map, 'value.set', ['topics' => [titled($map, $title)], 'field' => $cost, 'value' => $value, 'today' => A_DAY]);
    }
    done($map, 'value.set', ['topics' => [$root = $map->root()->id], 'field' => $cost, 'value' => '10', 'today' => A_DAY]);
    $ids = [Ids::next(), Ids::next(), Ids::next()];
    done($map, 'kind.take', ['rows' => [
        ['type' => 'field', 'id' => $ids[0], 'fields' => ['name' => 'Computed', 'sort' => 'computed', 'formula' => $formula === '' ? null : $formula]],
        ['type' => 'field', 'id' => $ids[1], 'fields' => ['name' => 'Begins', 'sort' => 'date']],
        ['type' => 'field', 'id' => $ids[2], 'fields' => ['name' => 'Words', 'sort' => 'text']],
    ]]);
    done($map, 'value.set', ['topics' => [$root], 'field' => $ids[1], 'value' => '1 Dec', 'today' => A_DAY]);
    $told = Fields::told(new Moment($map, A_DAY), $root, Kinds::field($map, $ids[0]));
    expect($told)->toBe(is_float($comes) ? [(string) $comes, false] : [$comes, true]);
})->with([
    ['1 + 2 * 3', 7.0], ['(1 + 2) * -3', -9.0], ['[Cost] / 4', 2.5], ['sum([cost])', 150.0], ['sum([Cost], below)', 140.0], ['mean([Cost])', 50.0], ['least([Cost])', 10.0], ['most([Cost], below)', 100.0], ['count([Cost])', 3.0],
    ['days(today, [Begins])', 4.0], ['round(7 / 2)', 4.0], ['smaller(3, larger(1, 2))', 2.0],
    ['1 / (2 - 2)', 'This divides by nothing.'], ['[Price]', 'There is no field “Price” in this map.'], ['[Words] + 1', '“Words” is no number.'], ['[Computed] + 1', '“Computed” asks for itself.'], ['1 +', 'A number or a field is missing at the end.'],
    ['Cost', '“Cost” is not known here. Fields stand in brackets, as [Cost].'], ['(1', '“)” is missing at the end.'], ['1 2', '“2” is not expected there.'], ['sum(3)', '“sum” wants a field in brackets.'], ['done()', 'There are no to-dos below.'],
    ['days([Cost], today)', '“days” wants two fields that hold days, or today.'], ['sum([Words])', '“Words” is no number field, so there is no sum of it.'], ['today', '“today” belongs into days(…).'], ['', 'There is no formula yet.'],
    [str_repeat('(', 60).'1', 'This formula has too many parentheses.'],
]);

it('reckons each computed field of a topic once, however often others ask for it', function () {
    $map = committee();
    $ids = array_map(fn (): string => Ids::next(), range(0, 8));
    foreach ($ids as $i => $id) {
        $formula = $i === 8 ? '1' : implode(' + ', array_fill(0, 30, '[F'.($i + 1).']'));
        done($map, 'row.set', ['type' => 'field', 'row' => $id, 'fields' => ['name' => "F{$i}", 'sort' => 'computed', 'formula' => $formula]]);
    }
    // 30 to the 8th, in no time.
    expect(Fields::told(new Moment($map, A_DAY), $map->root()->id, Kinds::field($map, $ids[0])))->toBe([number_format(30 ** 8), false]);
});

it('keeps the value of a topic and that of what is below apart', function () {
    $map = committee('expense');
    $cost = ShippedKinds::fieldId('cost');
    done($map, 'value.set', ['topics' => [titled($map, 'Autumn'), titled($map, 'Winter'), $map->root()->id], 'field' => $cost, 'value' => '50', 'today' => A_DAY]);
    expect(inBox($map, $map->root()->id))->toBe(["facts Cost: €50\nCost, below: €100"])->and(inBox($map, titled($map, 'Winter')))->toBe(['facts Cost: €50']);
    done($map, 'row.set', ['type' => 'field', 'row' => $cost, 'fields' => ['rolls' => 'mean', 'unit' => 'kr']]);
    expect(inBox($map, $map->root()->id))->toBe(["facts Cost: 50 kr\nCost, mean below: 50 kr"]);
    done($map, 'row.set', ['type' => 'field', 'row' => $cost, 'fields' => ['shown' => false]]);
    expect(inBox($map, $map->root()->id))->toBe([]);
});

it('lets topics be of a kind and of none, keeps what they have, and follows a kind that changes', function () {
    $map = committee('meeting', 'decision');
    [$autumn, $meeting] = [titled($map, 'Autumn'), ShippedKinds::kindId('meeting')];
    done($map, 'value.set', ['topics' => [$autumn], 'field' => ShippedKinds::fieldId('date'), 'value' => '2026-01-01', 'today' => A_DAY]);
    done($map, 'kind.give', ['topics' => [$autumn], 'kind' => $meeting, 'today' => A_DAY]);
    // A value that is there is not written over by the first value of its kind.
    expect(Kinds::values($map, $autumn))->toBe([ShippedKinds::fieldId('date') => '2026-01-01'])
        ->and(array_map(fn (KindField $field): string => $field->text('name'), Kinds::fieldsOf($map, $autumn)))->toBe(['Date', 'Time', 'Place', 'Present']);
    done($map, 'row.set', ['type' => 'kind', 'row' => $meeting, 'fields' => ['stamp' => 'stamp:idea']]);
    expect(inBox($map, $autumn)[0])->toBe('stamps stamp:idea');
    // One that the topic has itself is not there twice.
    done($map, 'row.set', ['type' => 'stamps', 'topics' => [$autumn], 'fields' => ['idea' => true]]);
    expect(array_filter(inBox($map, $autumn), fn (string $key): bool => str_contains($key, 'stamp:idea')))->toHaveCount(1);
    done($map, 'kind.give', ['topics' => [$autumn], 'kind' => null, 'today' => A_DAY]);
    expect(Kinds::kindOf($map, $autumn))->toBeNull()->and(array_map(fn (KindField $field): string => $field->text('name'), Kinds::fieldsOf($map, $autumn)))->toBe(['Date']);
    done($map, 'row.remove', ['type' => 'kind', 'rows' => [$meeting]]);
    expect(fn () => done($map, 'kind.give', ['topics' => [$autumn], 'kind' => $meeting, 'today' => A_DAY]))->toThrow(InvalidEdit::class, 'This kind is not in the map any more.');
});

it('carries what a kind has become to its topics, without changing what is there', function () {
    $map = committee('meeting', 'todo');
    $meeting = ShippedKinds::kindId('meeting');
    done($map, 'entry.put', ['kind' => $meeting, 'parent' => titled($map, 'Autumn'), 'today' => A_DAY]);
    $parts = [['t' => 'Agenda'], ['t' => 'Money', 'l' => 1, 'k' => ShippedKinds::kindId('todo')], ['t' => 'Thanks']];
    done($map, 'row.set', ['type' => 'kind', 'row' => $meeting, 'fields' => ['parts' => json_encode($parts)]]);
    done($map, 'kind.carry', ['kind' => $meeting, 'today' => A_DAY]);
    expect(Outline::of($map))->toContain("\t\t\tAgenda\n\t\t\t\t\n\t\t\t\tMoney\n\t\t\tWhat was said\n")->toContain("\t\t\tNext time\n\t\t\tThanks\n")
        ->and(Kinds::idOf($map, titled($map, 'Money')))->toBe(ShippedKinds::kindId('todo'));
    $again = done($map, 'kind.carry', ['kind' => $meeting, 'today' => A_DAY]);
    expect($again->isEmpty())->toBeTrue();
});

it('calls a choice otherwise in all topics that have it, and takes that back as one', function () {
    $map = committee('source');
    $field = ShippedKinds::fieldId('source-sort');
    foreach (['Autumn' => 'book', 'Winter' => 'letter'] as $title => $value) {
        done($map, 'value.set', ['topics' => [titled($map, $title)], 'field' => $field, 'value' => $value, 'today' => A_DAY]);
    }
    $before = RandomMaps::contents($map);
    $changes = done($map, 'choice.rename', ['field' => $field, 'from' => 'book', 'to' => 'bound  volume ']);
    expect(Kinds::values($map, titled($map, 'Autumn')))->toBe([$field => 'bound volume'])->and(Kinds::values($map, titled($map, 'Winter')))->toBe([$field => 'letter'])
        ->and(Kinds::field($map, $field)->choices()[0])->toBe('bound volume');
    $changes->reversed()->applyTo($map, new \ChalkTree\Edit\Recorder($map));
    expect(RandomMaps::contents($map))->toBe($before);
    // What asks for it goes along.
    $rule = Ids::next();
    $ask = fn (string $than): array => ['any' => [['not' => ['ask' => 'field', 'field' => $field, 'how' => 'is', 'than' => $than]], ['ask' => 'text', 'has' => 'book']]];
    done($map, 'row.set', ['type' => 'rule', 'row' => $rule, 'fields' => ['name' => 'Not bound', 'when' => json_encode($ask('book')), 'place' => 900]]);
    done($map, 'choice.rename', ['field' => $field, 'from' => 'book', 'to' => 'volume']);
    expect(json_decode($map->row('rule', $rule)->text('when'), true))->toEqual($ask('volume'));
    done($map, 'choice.rename', ['field' => $field, 'from' => 'volume', 'to' => 'book']);
    // One that there is already takes it in, once, also where several can be chosen.
    done($map, 'row.set', ['type' => 'field', 'row' => $field, 'fields' => ['sort' => 'choices']]);
    done($map, 'value.set', ['topics' => [titled($map, 'Winter')], 'field' => $field, 'value' => 'book, letter', 'today' => A_DAY]);
    done($map, 'choice.rename', ['field' => $field, 'from' => 'book', 'to' => 'letter']);
    expect(Kinds::values($map, titled($map, 'Winter')))->toBe([$field => 'letter'])->and(Kinds::field($map, $field)->choices())->not->toContain('book');
    foreach ([['from' => 'parchment', 'to' => 'x'], ['from' => 'letter', 'to' => ' '], ['from' => 'letter', 'to' => str_repeat('x', 101)]] as $wrong) {
        expect(fn () => done($map, 'choice.rename', ['field' => $field] + $wrong))->toThrow(InvalidEdit::class);
    }
});

it('finds and replaces in what people write into fields and to-dos, and in nothing else of them', function () {
    $map = committee('reading', 'source');
    $autumn = titled($map, 'Autumn');
    [$author, $rating, $sort] = array_map(ShippedKinds::fieldId(...), ['author', 'rating', 'source-sort']);
    foreach ([[$author, 'Edda Marlowe, Wren'], [$rating, '4'], [$sort, 'letter']] as [$field, $value]) {
        done($map, 'value.set', ['topics' => [$autumn], 'field' => $field, 'value' => $value, 'today' => A_DAY]);
    }
    setTask($map, 'Winter', ['who' => 'Edda Marlowe', 'by' => '2026-12-05']);
    $find = fn (string $text): array => (new Finder(Query::read(new Arguments(['text' => $text]))))->hits($map, null, 20);
    $hits = $find('Edda');
    expect(array_map(fn (Hit $hit): array => [$hit->topic, $hit->called], $hits))->toBe([[$autumn, 'Author'], [titled($map, 'Winter'), 'who does it']])
        ->and($find('4'))->toBe([])->and($find('letter'))->toBe([])->and($find('2026'))->toBe([]);
    $before = RandomMaps::contents($map);
    $changes = done($map, 'text.replace', ['find' => ['text' => 'Edda Marlowe'], 'with' => 'Ada Lind']);
    expect(Kinds::values($map, $autumn)[$author])->toBe("Ada Lind\nWren")->and((new Moment($map))->row(Task::class, titled($map, 'Winter'))?->who())->toBe(['Ada Lind']);
    $changes->reversed()->applyTo($map, new \ChalkTree\Edit\Recorder($map));
    expect(RandomMaps::contents($map))->toBe($before);
    // Two of one name become one, and what is replaced by nothing goes.
    done($map, 'text.replace', ['find' => ['text' => 'Edda Marlowe'], 'with' => 'Wren', 'only' => [$hits[0]->key]]);
    expect(Kinds::values($map, $autumn)[$author])->toBe('Wren')->and((new Moment($map))->row(Task::class, titled($map, 'Winter'))?->who())->toBe(['Edda Marlowe']);
    done($map, 'text.replace', ['find' => ['text' => 'Wren'], 'with' => '']);
    expect(Kinds::values($map, $autumn))->not->toHaveKey($author)
        ->and(fn () => done($map, 'text.replace', ['find' => ['text' => 'Edda Marlowe'], 'with' => str_repeat('x', 101)]))->toThrow(InvalidEdit::class);
});

it('takes kinds along with topics that are copied into another map, and what is there stays', function () {
    $map = committee('meeting');
    done($map, 'entry.put', ['kind' => ShippedKinds::kindId('meeting'), 'parent' => titled($map, 'Autumn'), 'today' => A_DAY]);
    $draft = TopicDraft::of($map, titled($map, 'Meeting, 27 Nov 2026'));
    $other = NewMap::from(new TopicDraft('Other'));
    Edits::apply(Edits::read('topic.add', ['parent' => $other->root()->id, 'topic' => json_decode((string) json_encode($draft->toArray()), true)]), $other);
    expect(array_keys($other->rowsOf(Kind::class)))->toBe([ShippedKinds::kindId('meeting')])->and($other->rowsOf(KindField::class))->toHaveCount(4)
        ->and(inBox($other, titled($other, 'Meeting, 27 Nov 2026')))->toBe(['stamps stamp:date']);
});

it('refuses kinds and fields of a wrong form', function (string $type, array $fields) {
    $map = committee();
    expect(fn () => done($map, 'row.set', ['type' => $type, 'row' => Ids::next(), 'fields' => $fields]))->toThrow(InvalidEdit::class)->and($map->rowsOf(Kind::class))->toBe([]);
})->with([
    ['kind', ['name' => '']], ['kind', ['name' => 'A', 'stamp' => 'chalk:tide']], ['kind', ['name' => 'A', 'fields' => 'x']], ['kind', ['name' => 'A', 'parts' => '[{"t":"a","l":1}]']],
    ['kind', ['name' => 'A', 'parts' => '[{"t":"a","x":1}]']], ['kind', ['name' => 'A', 'parts' => '[]']], ['kind', ['name' => 'A', 'parts' => json_encode(array_fill(0, 61, ['t' => 'a']))]], ['kind', ['name' => 'A', 'people' => "Ines\nInes"]],
    ['field', ['name' => 'A', 'sort' => 'colour']], ['field', ['name' => 'A', 'choices' => "a\n\nb"]], ['field', ['name' => 'A', 'formula' => str_repeat('1', 301)]],
]);

it('refuses more values than a topic can hold', function () {
    $map = committee();
    $field = Ids::next();
    done($map, 'kind.take', ['rows' => array_map(fn (int $i): array => ['type' => 'field', 'id' => $i === 0 ? $field : Ids::next(), 'fields' => ['name' => "Field {$i}", 'sort' => 'long']], range(0, 7))]);
    $set = fn (string $id) => done($map, 'value.set', ['topics' => [titled($map, 'Autumn')], 'field' => $id, 'value' => str_repeat('a', 20_000), 'today' => A_DAY]);
    $ids = array_map(strval(...), array_keys($map->rowsOf(KindField::class)));
    array_map($set, array_slice($ids, 0, 6));
    expect(fn () => $set($ids[6]))->toThrow(InvalidEdit::class, 'at most 128 kB');
});

it('ships kinds whose fields and stamps are all there', function () {
    $rows = ShippedKinds::rows();
    $ids = array_map(fn (FeatureRow $row): string => $row->id, $rows);
    foreach ($rows as $row) {
        foreach ($row->needs() as [, $id]) {
            expect($ids)->toContain($id);
        }
        // What it says passes what a person's would have to.
        Edits::read('row.set', ['type' => $row::type(), 'row' => $row->id, 'fields' => $row->saying()]);
        expect($row instanceof Kind ? ($row->text('stamp') === '' || StampsPart::of([$row->text('stamp')]) !== null) : FieldSort::tryFrom($row->text('sort')) !== null)->toBeTrue();
    }
    expect(count($ids))->toBe(count(array_unique($ids)));
});
