<?php

declare(strict_types=1);

use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Offers;
use ChalkTree\Ask\Piece;
use ChalkTree\Ask\Reading;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Kind\Kind;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use Tests\Support\Chance;
use Tests\Support\RandomFacts;
use Tests\Support\RandomMaps;

/* Which topics somebody means who says it in words. */

/** The committee's log with what can be asked for in it. */
function readableLog(): TopicMap
{
    $map = committee('meeting', 'todo', 'source');
    foreach (['Winter meeting' => 'Winter', 'Order paper' => 'Winter', 'Lanterns and tides' => 'Autumn', 'Ask the harbour' => 'Autumn'] as $title => $parent) {
        done($map, 'topic.add', ['topic' => ['id' => Ids::next(), 'title' => $title], 'parent' => titled($map, $parent)]);
    }
    done($map, 'kind.give', ['topics' => [titled($map, 'Winter meeting')], 'kind' => ShippedKinds::kindId('meeting'), 'today' => A_DAY]);
    done($map, 'kind.give', ['topics' => [titled($map, 'Lanterns and tides')], 'kind' => ShippedKinds::kindId('source'), 'today' => A_DAY]);
    setTask($map, 'Order paper', ['who' => "Ines\nTheo Lund", 'by' => '2026-11-28']);
    setTask($map, 'Ask the harbour', ['who' => 'Ines', 'by' => '2026-12-20', 'progress' => 100]);
    done($map, 'topic.note', ['topics' => [titled($map, 'Lanterns and tides')], 'note' => 'On willow and fog.']);

    return $map;
}

/** @return list<string> the titles of what is meant */
function meant(TopicMap $map, string $text): array
{
    $now = new Moment($map, A_DAY);
    $condition = Reading::of($text, $now)->condition;

    return array_values(array_map(fn ($topic): string => $topic->title, array_filter($map->all(), fn ($topic): bool => $condition?->holds($now, $topic->id) ?? true)));
}

function understood(TopicMap $map, string $text): string
{
    $now = new Moment($map, A_DAY);

    return Reading::of($text, $now)->condition?->words($now) ?? '';
}

it('understands what is asked in words', function (string $text, string $words, array $titles) {
    $map = readableLog();
    expect(understood($map, $text))->toBe($words)->and(meant($map, $text))->toBe($titles);
})->with([
    ['kind meeting', 'kind Meeting', ['Winter meeting']],
    ['KIND Meeting or kind source', 'kind Meeting or kind Source', ['Lanterns and tides', 'Winter meeting']],
    ['not done', 'not done', ['Order paper']],
    ['done', 'done', ['Ask the harbour']],
    ['who ines', 'who Ines', ['Ask the harbour', 'Order paper']],
    ['who theo lund', 'who “Theo Lund”', ['Order paper']],
    ['who ines not done', 'who Ines and not done', ['Order paper']],
    ['not who ines and below winter', 'not who Ines and below “Winter”', ['Winter meeting']],
    ['due this week', 'due this week', ['Order paper']],
    ['due after in 2 weeks', 'due after 14 days from today', ['Ask the harbour']],
    ['due tomorrow', 'due tomorrow', ['Order paper']],
    ['lantern', 'text “lantern”', ['Lanterns and tides']],
    ['fog willow', 'text “fog” and text “willow”', ['Lanterns and tides']],
    ['"willow and fog"', 'text “willow and fog”', ['Lanterns and tides']],
    ['text done', 'text “done”', []],
    ['title fog', 'title “fog”', []],
    ['has a note', 'has a note', ['Lanterns and tides']],
    ['with subtopics not level 0', 'has subtopics and not level is 0', ['Autumn', 'Winter']],
    ['progress over 50%', 'progress over 50 %', ['Autumn', 'Ask the harbour']],
    ['not (who Ines or kind meeting) and below Winter', 'not (who Ines or kind Meeting) and below “Winter”', []],
    ['level 2 (kind meeting or has a note)', 'level is 2 and (kind Meeting or has a note)', ['Lanterns and tides', 'Winter meeting']],
    ['overdue', 'overdue', []],
    ['', '', ['Committee', 'Autumn', 'Lanterns and tides', 'Ask the harbour', 'Winter', 'Winter meeting', 'Order paper']],
]);

it('understands what is not finished yet, and never refuses it', function (string $text, string $words) {
    expect(understood(readableLog(), $text))->toBe($words);
})->with([
    ['kind', 'text “kind”'], ['kind mee', 'text “kind” and text “mee”'], ['not', ''], ['who', 'text “who”'], ['has a', 'text “has” and text “a”'], ['due', 'text “due”'], ['and', ''], ['or or', ''],
    ['(', ''], [')', ''], ['()', ''], ['(done', 'done'], ['done)', 'done'], ['done) not done', 'done and not done'], ['done or', 'done'], ['and done and', 'done'], ['not not done', 'not not done'],
    ['"', ''], ['“fog', 'text “fog”'], ['level x', 'text “level” and text “x”'], ['due after', 'text “due” and text “after”'], [str_repeat('(', 50).'fog', 'text “fog”'],
]);

it('reads the words of any condition as that condition', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(4, 30), loose: false);
    RandomFacts::put($chance, $map, array_map(strval(...), array_keys($map->all())));
    $ids = array_map(strval(...), array_keys($map->all()));
    // Of two that are called alike nobody can say in words which one is meant.
    $names = [];
    foreach ([...array_values($map->rowsOf(KindField::class)), ...array_values($map->rowsOf(Kind::class))] as $n => $row) {
        $map->put($row->with(['name' => in_array($row->text('name'), $names, true) ? "{$row->text('name')} {$n}" : $row->text('name')]));
        $names[] = $row->text('name');
    }
    $now = new Moment($map, A_DAY);
    for ($i = 0; $i < 12; $i++) {
        $condition = Condition::read(new Arguments(RandomFacts::condition($chance, $ids)));
        $words = $condition->words($now);
        if (str_contains($words, 'that has gone') || str_contains($words, 'an untitled topic') || str_contains($words, '…')) {
            continue;
        }
        $again = Reading::of($words, $now)->condition;
        foreach ($ids as $id) {
            expect([$words, $again?->holds($now, $id)])->toBe([$words, $condition->holds($now, $id)]);
        }
    }
})->with(range(1, 60));

it('hears a title with straight quotes and brackets in it between curly ones', function () {
    $map = readableLog();
    done($map, 'topic.retitle', ['topic' => titled($map, 'Winter'), 'title' => 'The "long (dark']);
    expect(understood($map, 'below “The "long (dark”'))->toBe('below “The "long (dark”')->and(meant($map, 'not below “The "long (dark” and not done'))->not->toContain('Order paper');
});

it('tells of each piece where it stands, how the text is with it turned round, and without it', function () {
    $now = new Moment(readableLog(), A_DAY);
    $told = fn (string $text): array => array_map(fn (Piece $piece): array => [$piece->words, $piece->isTurned, $piece->turned, $piece->without], Reading::of($text, $now)->pieces);
    expect($told('kind meeting and not who Ines'))->toBe([
        ['kind Meeting', false, 'not kind meeting and not who Ines', 'not who Ines'],
        ['who Ines', true, 'kind meeting and who Ines', 'kind meeting'],
    ])->and($told('(overdue or not done) fog'))->toBe([
        ['overdue', false, '(not overdue or not done) fog', '(not done) fog'],
        ['not done', false, '(overdue or done) fog', '(overdue) fog'],
        ['text “fog”', false, '(overdue or not done) not fog', '(overdue or not done)'],
    ])->and($told('not (fog)'))->toBe([['text “fog”', false, 'not (not fog)', '']]);
    $piece = Reading::of('🏮 “fog” and done', $now)->pieces[1];
    expect([$piece->from, $piece->to])->toBe([3, 8]);
});

it('takes one piece away and no other, and turns one round without losing any', function (int $seed) {
    $chance = new Chance($seed);
    $map = readableLog();
    $now = new Moment($map, A_DAY);
    $words = ['kind meeting', 'not done', 'who ines', 'fog', 'has a note', 'level 2', 'and', 'or', 'not', '(', ')', 'due this week', '"a b"', '🏮', 'due', 'kind'];
    $text = implode(' ', array_map(fn (): string => $chance->pick($words), range(1, $chance->int(1, 14))));
    $pieces = Reading::of($text, $now)->pieces;
    expect(Reading::of('', $now)->pieces)->toBe([]);
    foreach ($pieces as $piece) {
        $turned = Reading::of($piece->turned, $now)->pieces;
        $without = Reading::of($piece->without, $now)->pieces;
        expect([$text, count($without)])->toBe([$text, count($pieces) - 1])
            ->and([$text, count($turned)])->toBe([$text, count($pieces)]);
    }
})->with(range(1, 80));

it('asks no more than a condition can hold', function () {
    $now = new Moment(readableLog(), A_DAY);
    expect(fn () => Reading::of(implode(' ', array_fill(0, 70, 'fog')), $now))->toThrow(InvalidEdit::class)
        ->and(Reading::of(str_repeat('a', 5_000), $now)->pieces)->toHaveCount(1);
});

it('offers words that it understands', function () {
    $map = readableLog();
    $now = new Moment($map, A_DAY);
    $offered = 0;
    foreach (Condition::questions() as $name => $class) {
        foreach ($class::offers($now) as $words) {
            $offered++;
            expect([$words, Reading::isQuestion($words, $now)])->toBe([$words, true]);
        }
    }
    expect($offered)->toBeGreaterThan(60);
});

it('offers what goes on with the words that were typed last, and the whole text with that taken', function (string $text, array $texts) {
    $now = new Moment(readableLog(), A_DAY);
    $offers = array_column(Offers::to(Offers::all($now), $text), 'text');
    expect(array_slice($offers, 0, count($texts)))->toBe($texts);
    foreach ($offers as $offer) {
        expect(Reading::of($offer, $now)->pieces)->not->toBe([]);
    }
})->with([
    ['ki', ['kind Meeting ', 'kind To-do ', 'kind Source ']],
    ['kind m', ['kind Meeting ']],
    ['meet', ['kind Meeting ']],
    ['not done and who i', ['not done and who Ines ']],
    ['(over', ['(overdue ']],
    ['theo', ['who “Theo Lund” ']],
    ['who theo l', ['who “Theo Lund” ']],
    ['has a pic', ['has a picture ']],
    ['due this w', ['due this week ']],
    ['kind Meeting and not ', []],
]);

it('offers nothing into the middle of a question that is whole, and still what makes it a longer one', function (string $text, array $words) {
    $now = new Moment(readableLog(), A_DAY);
    expect(array_column(Offers::to(Offers::all($now), $text, Reading::of($text, $now)), 'words'))->toBe($words);
})->with([
    'a span' => ['due last year', []],
    'with another before it' => ['not done and due this month', []],
    'turned round' => ['not due last year', []],
    'with umlauts before it' => ['“Flöße 🎏” and due last year', []],
    'in brackets' => ['(due last year)', []],
    'one that can be longer' => ['due', ['due within a week', 'due after what it belongs to', 'due this week', 'due next week', 'due this month', 'due this quarter', 'due this year', 'due before today']],
]);

it('offers nothing where what is typed is whole, and a few of everything where nothing is', function () {
    $all = Offers::all(new Moment(readableLog(), A_DAY));
    expect(Offers::to($all, 'overdue'))->toBe([])
        ->and(array_column(Offers::to($all, 'not done and not who Ines'), 'words'))->not->toContain('who Ines')
        ->and(Offers::to($all, 'zzz'))->toBe([])
        ->and(Offers::to($all, 'Cost over 8'))->toBe([])
        ->and(Offers::to($all, ''))->toHaveCount(8)
        ->and(Offers::to($all, 'overdue or '))->toHaveCount(8);
});
