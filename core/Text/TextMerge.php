<?php

declare(strict_types=1);

namespace ChalkTree\Text;

use SebastianBergmann\Diff\Differ;
use SebastianBergmann\Diff\Output\DiffOnlyOutputBuilder;

/**
 * Brings together what two people made of one text at the same time, letter by letter: each wrote over the same wording
 * and knew nothing of the other. Whatever either of them wrote is in what comes out.
 *
 * A hunk says what stands there in place of what stood between two places of the text before.
 *
 * @phpstan-type Hunk array{from: int, to: int, text: string}
 */
final readonly class TextMerge
{
    /** Words of one text times words of another that are laid beside each other to tell whether one stands in the other. */
    private const MOST_PAIRS = 4_000_000;

    /** @param  bool  $isBoth  whether both wrote something else over the same words, so that one wording stands behind the other */
    private function __construct(public string $text, public bool $isBoth)
    {
    }

    /** @param  string  $was  over which both wrote; of what one of them took out and the other wrote in, what was written stays */
    public static function of(string $was, string $theirs, string $mine): self
    {
        if ($mine === $was || $mine === $theirs) {
            return new self($theirs, false);
        }
        if ($theirs === $was) {
            return new self($mine, false);
        }
        [$left, $right] = [self::hunks($was, $theirs), self::hunks($was, $mine)];
        $text = '';
        $at = 0;
        $isBoth = false;
        while ($left !== [] || $right !== []) {
            [$of, $from, $to] = self::group($left, $right);
            $text .= substr($was, $at, $from - $at);
            $made = self::brought(substr($was, $from, $to - $from), self::within($was, $from, $to, $of[0]), self::within($was, $from, $to, $of[1]));
            $text .= $made->text;
            $isBoth = $isBoth || $made->isBoth;
            $at = $to;
        }

        return new self($text.substr($was, $at), $isBoth);
    }

    /**
     * Whether what somebody made of a text stands in another wording of it already, as where both were brought together
     * before: at each place where they wrote, their words stand in their order among what was written there. Where they
     * only took something out, it is gone.
     */
    public static function isIn(string $was, string $text, string $made): bool
    {
        [$before, $after, $theirs] = [self::words($was), self::words($text), self::words($made)];
        if (count($before) * max(count($after), count($theirs)) > self::MOST_PAIRS) {
            return false;
        }
        $here = self::rewritten($before, $after);
        $hunks = self::rewritten($before, $theirs);
        $written = array_filter($hunks, fn (array $hunk): bool => $hunk['words'] !== []);
        foreach ($written === [] ? $hunks : $written as ['from' => $from, 'to' => $to, 'words' => $words]) {
            $there = array_filter($here, fn (array $one): bool => $one['from'] <= $to && $one['to'] >= $from);
            foreach ($there as $one) {
                $from = $one['from'] <= $from ? max($from, $one['to']) : $from;
            }
            if ($words === [] ? $from < $to : ! self::runsThrough($words, array_merge(...array_column($there, 'words')))) {
                return false;
            }
        }

        return true;
    }

    /**
     * Where words were put in place of others, counted in words.
     *
     * @param  list<string>  $was
     * @param  list<string>  $is
     * @return list<array{from: int, to: int, words: list<string>}>
     */
    private static function rewritten(array $was, array $is): array
    {
        $hunks = [];
        $at = 0;
        $open = null;
        foreach ([...(new Differ(new DiffOnlyOutputBuilder))->diffToArray($was, $is), ['', Differ::OLD]] as [$word, $what]) {
            if ($what === Differ::OLD) {
                array_push($hunks, ...$open === null ? [] : [$open]);
                $open = null;
                $at++;

                continue;
            }
            $open ??= ['from' => $at, 'to' => $at, 'words' => []];
            if ($what === Differ::REMOVED) {
                $open['to'] = ++$at;
            } else {
                $open['words'][] = (string) $word;
            }
        }

        return $hunks;
    }

    /** @return list<string> */
    private static function words(string $text): array
    {
        return preg_match_all('/[\p{L}\p{M}\p{N}]+|\p{S}/u', mb_strtolower($text), $m) > 0 ? $m[0] : [];
    }

    /**
     * Whether words stand in a text in their order, with others between them; for each also one that was made of it by writing within it.
     *
     * @param  list<string>  $words
     * @param  list<string>  $text
     */
    private static function runsThrough(array $words, array $text): bool
    {
        $at = 0;
        foreach ($text as $word) {
            $at += isset($words[$at]) && ($word === $words[$at] || self::isGrown($words[$at], $word)) ? 1 : 0;
        }

        return $at === count($words);
    }

    /** Whether a word has all letters of another in their order, and not many more. */
    private static function isGrown(string $word, string $is): bool
    {
        [$letters, $all] = [self::clusters($word), self::clusters($is)];
        if (count($letters) > count($all) || count($letters) * 5 < count($all) * 3) {
            return false;
        }
        $at = 0;
        foreach ($all as $letter) {
            $at += $letter === ($letters[$at] ?? null) ? 1 : 0;
        }

        return $at === count($letters);
    }

    /**
     * Takes from both sides those that come first and lie in each other's way.
     *
     * @param  list<Hunk>  $left
     * @param  list<Hunk>  $right
     * @return array{array{list<Hunk>, list<Hunk>}, int, int} the hunks of either side, and from where to where they reach
     */
    private static function group(array &$left, array &$right): array
    {
        $sides = [&$left, &$right];
        $first = fn (int $side): array => [$sides[$side][0]['from'] ?? PHP_INT_MAX, $sides[$side][0]['to'] ?? PHP_INT_MAX];
        $side = $first(0) <= $first(1) ? 0 : 1;
        $hunk = array_shift($sides[$side]) ?? ['from' => 0, 'to' => 0, 'text' => ''];
        [$of, $from, $to] = [[[], []], $hunk['from'], $hunk['to']];
        $of[$side][] = $hunk;
        do {
            $found = false;
            foreach ([0, 1] as $side) {
                $next = $sides[$side][0] ?? null;
                if ($next !== null && ($next['from'] < $to || ($next['from'] === $from && $next['to'] === $to))) {
                    array_shift($sides[$side]);
                    $of[$side][] = $next;
                    $to = max($to, $next['to']);
                    $found = true;
                }
            }
        } while ($found);

        return [$of, $from, $to];
    }

    /** What two people made of one passage. */
    private static function brought(string $was, string $theirs, string $mine): self
    {
        if ($mine === $was || $mine === $theirs) {
            return new self($theirs, false);
        }
        if ($theirs === $was) {
            return new self($mine, false);
        }
        // Each wrote at another place of it: at the end of a word, and at its beginning.
        [$before, $left, $right] = [self::clusters($was), self::splice($was, $theirs), self::splice($was, $mine)];
        [$first, $last] = $left['to'] <= $right['from'] ? [$left, $right] : [$right, $left];
        $part = fn (int $from, int $to): string => implode('', array_slice($before, $from, $to - $from));
        if ($first['to'] <= $last['from']) {
            return new self($part(0, $first['from']).$first['text'].$part($first['to'], $last['from']).$last['text'].$part($last['to'], count($before)), false);
        }
        if ($left['text'] === '' && $right['text'] === '') {
            return new self($part(0, min($left['from'], $right['from'])).$part(max($left['to'], $right['to']), count($before)), false);
        }
        if (trim($theirs) === '' || trim($mine) === '') {
            return new self(trim($mine) === '' ? $theirs : $mine, false);
        }

        return self::both($theirs, $mine);
    }

    /** One wording behind the other. */
    public static function both(string $theirs, string $mine): self
    {
        return new self($theirs.(str_contains($theirs.$mine, "\n") ? "\n\n" : ' / ').$mine, true);
    }

    /**
     * The one place at which a passage was changed, counted in clusters of letters.
     *
     * @return Hunk
     */
    private static function splice(string $was, string $is): array
    {
        [$before, $after] = [self::clusters($was), self::clusters($is)];
        $most = min(count($before), count($after));
        for ($start = 0; $start < $most && $before[$start] === $after[$start]; $start++);
        for ($end = 0; $end < $most - $start && $before[count($before) - 1 - $end] === $after[count($after) - 1 - $end]; $end++);

        return ['from' => $start, 'to' => count($before) - $end, 'text' => implode('', array_slice($after, $start, count($after) - $end - $start))];
    }

    /** @return list<string> */
    private static function clusters(string $text): array
    {
        return preg_match_all('/\X/u', $text, $m) === false ? [$text] : $m[0];
    }

    /**
     * A passage as one side made it.
     *
     * @param  list<Hunk>  $hunks
     */
    private static function within(string $was, int $from, int $to, array $hunks): string
    {
        $text = '';
        foreach ($hunks as $hunk) {
            $text .= substr($was, $from, $hunk['from'] - $from).$hunk['text'];
            $from = $hunk['to'];
        }

        return $text.substr($was, $from, $to - $from);
    }

    /** @return list<Hunk> in their order, with something between any two */
    private static function hunks(string $was, string $is): array
    {
        $hunks = [];
        // While one types in a long text, nearly all of it is as it was.
        [$at, $end] = self::alike($was, $is);
        $open = null;
        $middle = fn (string $text): string => substr($text, $at, strlen($text) - $at - $end);
        foreach ([...WordComparison::of($middle($was), $middle($is)), ['what' => 'same', 'text' => '']] as ['what' => $what, 'text' => $text]) {
            if ($what === 'same') {
                if ($open !== null) {
                    $hunks[] = $open;
                }
                $open = null;
                $at += strlen($text);

                continue;
            }
            $open ??= ['from' => $at, 'to' => $at, 'text' => ''];
            if ($what === 'gone') {
                $at += strlen($text);
                $open['to'] = $at;
            } else {
                $open['text'] .= $text;
            }
        }

        return $hunks;
    }

    /**
     * How much two texts have alike at their beginning and at their end, up to a blank: words are laid beside each other as wholes.
     *
     * @return array{int, int} bytes
     */
    private static function alike(string $was, string $is): array
    {
        $most = min(strlen($was), strlen($is));
        // The exclusive or of what is alike is nothing but zeros.
        $start = strspn(substr($was, 0, $most) ^ substr($is, 0, $most), "\0");
        $end = strspn(strrev(substr($was, strlen($was) - $most) ^ substr($is, strlen($is) - $most)), "\0");
        $blank = strrpos(strtr(substr($was, 0, $start), "\n", ' '), ' ');
        $start = $blank === false ? 0 : $blank;
        $end = min($end, $most - $start);
        $tail = substr($was, strlen($was) - $end);

        return [$start, $end - min($end, strcspn($tail, " \n"))];
    }
}
