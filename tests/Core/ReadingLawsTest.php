<?php

declare(strict_types=1);

use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Offers;
use ChalkTree\Ask\Piece;
use ChalkTree\Ask\Reading;
use ChalkTree\Ask\Said;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Sameness;
use Tests\Support\Chance;
use Tests\Support\RandomFacts;
use Tests\Support\RandomMaps;

/* What holds for conditions and the words for them whatever there is, held against the plainest way to reckon it. */

/** Whether a condition holds, asked part by part of what JSON says. */
function holdsPlainly(array $when, Moment $now, string $topic): bool
{
    return match (true) {
        isset($when['not']) => ! holdsPlainly($when['not'], $now, $topic),
        array_key_exists('all', $when) => array_reduce($when['all'], fn (bool $so, array $part): bool => $so && holdsPlainly($part, $now, $topic), true),
        array_key_exists('any', $when) => array_reduce($when['any'], fn (bool $so, array $part): bool => $so || holdsPlainly($part, $now, $topic), false),
        default => Condition::read(new Arguments($when))->holds($now, $topic),
    };
}

it('holds just where its parts say so', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance);
    $now = new Moment($map, A_DAY);
    for ($n = 0; $n < 8; $n++) {
        $when = RandomFacts::condition($chance, idsIn($map), 3);
        $condition = Condition::of((string) json_encode($when));
        foreach (idsIn($map) as $id) {
            expect($condition?->holds($now, $id))->toBe(holdsPlainly($when, $now, $id));
        }
    }
})->with(range(1, 20));

/** @return list<string> what features say of a topic in words */
function textsAbout(ChalkTree\Map\TopicMap $map, string $id): array
{
    $texts = [];
    foreach (ChalkTree\Features::rows() as $class) {
        foreach ($class::hasTexts() && ! $class::isOfMap() ? $map->rowsOf($class) : [] as $row) {
            array_push($texts, ...(in_array($id, $row->topics(), true) ? array_column($row->textsIn($map), 0) : []));
        }
    }

    return $texts;
}

it('finds words in texts as people see them, whatever their case and letters', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, 30);
    $now = new Moment($map, A_DAY);
    foreach (idsIn($map) as $id) {
        $topic = $map->topic($id);
        $texts = ['title' => InlineMarkdown::oneLine($topic->title), 'caption' => $topic->caption, 'note' => $topic->note];
        foreach ($texts as $in => $text) {
            $length = mb_strlen($text);
            if ($length === 0) {
                continue;
            }
            // A piece of the text itself, in another case, and one that is hardly anywhere.
            $from = $chance->int(0, $length - 1);
            $piece = trim(mb_substr($text, $from, $chance->int(1, 9)));
            foreach ([$piece, mb_strtoupper($piece), mb_strtolower($piece), "{$piece}q"] as $has) {
                if (trim($has) === '') {
                    continue;
                }
                foreach (['all', 'title', 'caption', 'note'] as $where) {
                    $plainly = array_filter($where === 'all' ? [...$texts, ...textsAbout($map, $id)] : [$texts[$where]], fn (string $one): bool => mb_stripos($one, trim($has)) !== false) !== [];
                    expect([$has, $where, Condition::read(new Arguments(['ask' => 'text', 'has' => $has, 'in' => $where]))->holds($now, $id)])->toBe([$has, $where, $plainly]);
                }
            }
        }
    }
})->with(range(1, 8));

it('shows titles on one line as the plain way does', function (int $seed) {
    $chance = new Chance($seed);
    for ($n = 0; $n < 300; $n++) {
        $title = $chance->pick([$chance->title(), $chance->words().$chance->pick(["\n", '  ', "\t", ' ', '', "\u{a0}", "\u{2003}"]).$chance->words(), " {$chance->words()} ", $chance->note()]);
        expect(InlineMarkdown::oneLine($title))->toBe(trim((string) preg_replace('/\s+/u', ' ', InlineMarkdown::plain($title))));
    }
})->with(range(1, 6));

it('understands every span of days in the words in which it is told', function () {
    $forms = ['today', 'this-week', 'next-week', 'last-week', 'this-month', 'next-month', 'last-month', 'this-quarter', 'last-quarter', 'next-quarter', 'this-year', 'last-year', 'next-year', '2025', '2026-12-05', '1987-02-28', ...array_map(fn (int $days): string => sprintf('today%+d', $days), [-9999, -30, -1, 1, 7, 14, 365, 9999])];
    foreach ($forms as $form) {
        expect(Days::isSpan($form))->toBeTrue()
            ->and([$form, Days::spanOf(Days::spanWords($form), A_DAY)])->toBe([$form, $form])
            ->and(Days::spanOf(mb_strtoupper(Days::spanWords($form)), A_DAY))->toBe($form);
    }
    expect(Days::spanOf('in 2 weeks', A_DAY))->toBe('today+14')->and(Days::spanOf('yesterday', A_DAY))->toBe('today-1')->and(Days::spanOf('3 weeks ago', A_DAY))->toBe('today-21');
    foreach (['', 'week', 'in week', 'soon', '3 days', 'in 99999 weeks', '31 Feb', 'today+', 'this'] as $none) {
        expect([$none, Days::spanOf($none, A_DAY)])->toBe([$none, null]);
    }
});

it('understands whatever is typed somehow, with every piece in its place', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance, 20);
    $now = new Moment($map, A_DAY);
    for ($n = 0; $n < 25; $n++) {
        $text = typedAtRandom($chance, $map);
        $heard = Reading::of($text, $now);
        expect($heard->condition === null)->toBe($heard->pieces === [])->and($heard->text)->toBe($text);
        $utf16 = mb_convert_encoding($text, 'UTF-16LE');
        $end = 0;
        foreach ($heard->pieces as $piece) {
            // Pieces come in the order in which they stand, one behind the other, and none is blank.
            expect($piece->from)->toBeGreaterThanOrEqual($end)->and($piece->to)->toBeGreaterThan($piece->from);
            $end = $piece->to;
            $its = mb_convert_encoding(substr($utf16, 2 * $piece->from, 2 * ($piece->to - $piece->from)), 'UTF-8', 'UTF-16LE');
            expect(trim($its))->toBe($its);
        }
        // What was understood is understood alike once more, and as its words.
        expect(Reading::of($text, $now)->asked)->toBe($heard->asked);
    }
})->with(range(1, 40));

it('turns round what a text means by turning a piece of a single one', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance);
    $now = new Moment($map, A_DAY);
    foreach (Condition::questions() as $class) {
        foreach (array_slice([...$class::offers($now)], 0, 6) as $words) {
            $heard = Reading::of($words, $now);
            $turned = Reading::of($heard->pieces[0]->turned, $now);
            foreach (idsIn($map) as $id) {
                // What is "not done" is a to-do; all else is turned round into just the opposite.
                if (! in_array('not done', [$words, $turned->pieces[0]->words], true)) {
                    expect([$words, $turned->condition?->holds($now, $id)])->toBe([$words, ! $heard->condition?->holds($now, $id)]);
                }
            }
            expect(Reading::of($turned->pieces[0]->turned, $now)->condition?->words($now))->toBe($heard->condition?->words($now));
        }
    }
})->with(range(1, 6));

it('offers nothing that is not understood, and takes it in place of what was typed of it', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance);
    $now = new Moment($map, A_DAY);
    $all = Offers::all($now);
    foreach ($all as $its) {
        expect(count(array_unique($its)))->toBe(count($its));
        foreach ($its === [] ? [] : [$chance->pick($its), $chance->pick($its)] as $words) {
            $typed = str_replace(['“', '”'], '', mb_substr($words, 0, $chance->int(2, max(2, mb_strlen($words) - 1))));
            $before = $chance->pick(['', 'overdue and ', 'not ', '(done or ']);
            $offers = Offers::to($all, $before.$typed);
            expect(count($offers))->toBeLessThanOrEqual(8);
            foreach ($offers as $offer) {
                expect($offer['text'])->toEndWith("{$offer['words']} ")
                    ->and(array_map(fn (Piece $piece): string => Sameness::key($piece->words), Reading::of($offer['text'], $now)->pieces))->not->toBe([]);
            }
        }
    }
})->with(range(1, 10));

it('listens to so many letters and no more, and to nothing that is no text', function () {
    $now = new Moment(committee(), A_DAY);
    expect(Reading::of(str_repeat('fog ', 15).str_repeat('(', 5_000), $now)->pieces)->toHaveCount(15)
        ->and(mb_strlen(Reading::of(str_repeat('ä', 3_000), $now)->text))->toBe(Said::LONGEST)
        ->and(Reading::of(str_repeat('not ', 200).'fog', $now)->condition?->words($now))->toContain('fog')
        ->and(Reading::of(str_repeat('(', 400).'fog'.str_repeat(')', 400), $now)->condition?->words($now))->toBe('text “fog”')
        ->and(Reading::of("fog\0mist", $now)->pieces)->toHaveCount(1);
    expect(fn () => Reading::of(str_repeat('a or ', 80), $now))->toThrow(InvalidEdit::class);
});

it('asks for no topic that has gone, and leaves all else as it was', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance);
    $ids = idsIn($map);
    $gone = array_flip(array_filter($ids, fn (): bool => $chance->yes(30)));
    $now = new Moment($map, A_DAY);
    for ($n = 0; $n < 10; $n++) {
        $when = (string) json_encode(RandomFacts::condition($chance, $ids, 3));
        $left = Condition::without($when, fn (string $id): bool => ! isset($gone[$id]));
        preg_match_all('/"topic":"(\w+)"/', $left, $named);
        expect(array_intersect($named[1], array_map(strval(...), array_keys($gone))))->toBe([])
            ->and(Condition::of($left))->not->toBeNull();
        if (array_intersect($ids, array_map(strval(...), array_keys($gone))) === [] || ! str_contains($when, '"below"')) {
            expect($left)->toBe($when);
        }
        expect(Condition::without($left, fn (): bool => true))->toBe($left)
            ->and(json_decode(Condition::asking($when, fn (array $ask): array => $ask), true))->toBe(json_decode($when, true));
    }
    expect($now->map)->toBe($map);
})->with(range(1, 12));
