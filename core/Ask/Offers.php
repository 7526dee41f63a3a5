<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

/** Words that ask something of the topics of a map, offered to whoever types. */
final class Offers
{
    /** How many are shown at once. */
    private const MOST = 8;

    /** How many of one question there are at most; a map can have any number of people and places. */
    private const MOST_OF_ONE = 400;

    /** Words of which the end of what is typed can be the beginning of an offer. */
    private const LONGEST = 5;

    /** @return list<list<string>> what can be asked of this map, by question */
    public static function all(Moment $now): array
    {
        $all = [];
        foreach (Condition::questions() as $class) {
            $its = [];
            foreach ($class::offers($now) as $words) {
                $its[$words] = $words;
                if (count($its) >= self::MOST_OF_ONE) {
                    break;
                }
            }
            $all[] = array_values($its);
        }

        return $all;
    }

    /**
     * Those that go on with what is typed: first what begins so, then what has a word that begins so. Where nothing is
     * typed yet, some of each question.
     *
     * @param  list<list<string>>  $all  as all() gives them
     * @param  Heard|null  $heard  how the text was understood: into a question that is whole nothing is offered
     * @return list<array{words: string, text: string}> "FilterOffer" in the wire schema: the offer, and the whole text with it taken
     */
    public static function to(array $all, string $text, ?Heard $heard = null): array
    {
        $text = ltrim($text);
        if ($text === '' || preg_match('/(?:^|\s|\()(?:and|or|not)\s+$/iu', $text) === 1) {
            return array_map(fn (string $words): array => ['words' => $words, 'text' => $text.self::spaced($words)], self::someOfEach($all));
        }
        $found = [];
        $ends = array_filter(self::ends($text), fn (int|string $end): bool => mb_strlen(rtrim((string) $end)) >= self::whole($heard), ARRAY_FILTER_USE_KEY);
        foreach ([true, false] as $begins) {
            foreach ($ends as $end => $before) {
                foreach (array_merge(...$all) as $words) {
                    if (count($found) >= self::MOST) {
                        break;
                    }
                    if (! isset($found[$words]) && ! self::isTyped($words, $text) && self::goesOn($words, (string) $end, $begins)) {
                        $found[$words] = ['words' => $words, 'text' => $before.self::spaced($words)];
                    }
                }
            }
        }

        return array_values($found);
    }

    /** How many letters the question has with which the text ends; 0 where it ends with other words. */
    private static function whole(?Heard $heard): int
    {
        $last = $heard?->pieces[count($heard->pieces) - 1] ?? null;
        $its = $heard === null || $last === null || ! $last->isQuestion ? '' : mb_convert_encoding(substr((string) mb_convert_encoding($heard->text, 'UTF-16LE', 'UTF-8'), 2 * $last->from), 'UTF-8', 'UTF-16LE');

        return mb_strlen((string) preg_replace('/^not\s+/i', '', trim((string) $its)));
    }

    /** @return array<array-key, string> what stands before each end that may be the beginning of an offer; the longest end first */
    private static function ends(string $text): array
    {
        preg_match_all('/[^\s()]+/u', $text, $words, PREG_OFFSET_CAPTURE);
        $ends = [];
        foreach (array_slice($words[0], -self::LONGEST) as [, $at]) {
            $ends[mb_strtolower(substr($text, $at))] = substr($text, 0, $at);
        }

        return $ends;
    }

    /** What is typed whole needs no offer. */
    private static function isTyped(string $words, string $text): bool
    {
        $bare = fn (string $said): string => mb_strtolower(str_replace(['“', '”', '"'], '', $said));

        return str_ends_with(' '.rtrim($bare($text)), ' '.$bare($words));
    }

    private static function goesOn(string $words, string $end, bool $begins): bool
    {
        $words = mb_strtolower(str_replace(['“', '”'], '', $words));
        $end = str_replace(['“', '”', '"'], '', $end);
        if ($end === '') {
            return false;
        }

        return $begins ? str_starts_with($words, $end) : ! str_contains(trim($end), ' ') && str_contains(" {$words}", ' '.$end);
    }

    /**
     * @param  list<list<string>>  $all
     * @return list<string>
     */
    private static function someOfEach(array $all): array
    {
        $some = [];
        for ($i = 0; $i < 3; $i++) {
            foreach ($all as $its) {
                if (isset($its[$i]) && count($some) < self::MOST) {
                    $some[] = $its[$i];
                }
            }
        }

        return $some;
    }

    private static function spaced(string $words): string
    {
        return "{$words} ";
    }
}
