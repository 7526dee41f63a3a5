<?php

declare(strict_types=1);

namespace ChalkTree\Text;

use SebastianBergmann\Diff\Differ;
use SebastianBergmann\Diff\Output\DiffOnlyOutputBuilder;

/**
 * Two wordings of one text laid beside each other, word by word: what both have, what only the first has and what only
 * the second. Paragraphs are matched first, and words within those that differ, so that a long text takes no longer than
 * what was rewritten of it.
 *
 * @phpstan-type Piece array{what: 'same'|'gone'|'new', text: string}
 */
final class WordComparison
{
    /** Words of a passage that are laid beside as many others; longer ones are told as a whole. */
    private const MOST_WORDS = 3_000;

    /** The work that is spent on all passages of a text, in pairs of words; what comes after is told as a whole. */
    private const MOST_PAIRS = 15_000_000;

    /** Paragraphs of a text that are matched one by one. */
    private const MOST_PARAGRAPHS = 3_000;

    /**
     * @return list<Piece> in the order of the text; without what is new they are the first, without what is gone the second
     */
    public static function of(string $was, string $is): array
    {
        $pieces = [];
        $gone = $new = '';
        $pairs = self::MOST_PAIRS;
        foreach ([...self::matched(self::paragraphs($was), self::paragraphs($is), self::MOST_PARAGRAPHS), ['', Differ::OLD]] as [$text, $what]) {
            if ($what === Differ::REMOVED) {
                $gone .= $text;
            } elseif ($what === Differ::ADDED) {
                $new .= $text;
            } else {
                array_push($pieces, ...self::words($gone, $new, $pairs));
                $gone = $new = '';
                $pieces[] = ['what' => 'same', 'text' => $text];
            }
        }

        return self::joined($pieces);
    }

    /**
     * @param  int  $pairs  how much work may still be spent
     * @return list<Piece>
     */
    private static function words(string $was, string $is, int &$pairs): array
    {
        [$before, $after] = [self::split($was), self::split($is)];
        $pairs -= count($before) * count($after);
        $names = [Differ::OLD => 'same', Differ::REMOVED => 'gone', Differ::ADDED => 'new'];

        return array_map(fn (array $one): array => ['what' => $names[$one[1]], 'text' => $one[0]], self::matched($before, $after, $pairs < 0 ? 0 : self::MOST_WORDS));
    }

    /**
     * @param  list<string>  $was
     * @param  list<string>  $is
     * @return list<array{string, 0|1|2}>
     */
    private static function matched(array $was, array $is, int $most): array
    {
        if (count($was) > $most || count($is) > $most) {
            $told = fn (array $parts, int $what): array => $parts === [] ? [] : [[implode('', $parts), $what]];

            /** @var list<array{string, 0|1|2}> */
            return $was === $is ? $told($was, Differ::OLD) : [...$told($was, Differ::REMOVED), ...$told($is, Differ::ADDED)];
        }

        /** @var list<array{string, 0|1|2}> */
        return array_values(array_filter((new Differ(new DiffOnlyOutputBuilder))->diffToArray($was, $is), fn (array $one): bool => in_array($one[1], [Differ::OLD, Differ::REMOVED, Differ::ADDED], true)));
    }

    /** @return list<string> with the empty lines behind each */
    private static function paragraphs(string $text): array
    {
        return preg_split('/(?<=\n)(?!\n)/', $text, flags: PREG_SPLIT_NO_EMPTY) ?: [];
    }

    /** @return list<string> words, blanks and signs */
    private static function split(string $text): array
    {
        return preg_split('/(\s+|[^\p{L}\p{N}\s])/u', $text, flags: PREG_SPLIT_NO_EMPTY | PREG_SPLIT_DELIM_CAPTURE) ?: ($text === '' ? [] : [$text]);
    }

    /**
     * @param  list<Piece>  $pieces
     * @return list<Piece>
     */
    private static function joined(array $pieces): array
    {
        $joined = [];
        foreach ($pieces as $piece) {
            $last = end($joined);
            if ($last !== false && $last['what'] === $piece['what']) {
                array_pop($joined);
                $piece = ['what' => $piece['what'], 'text' => $last['text'].$piece['text']];
            }
            if ($piece['text'] !== '') {
                $joined[] = $piece;
            }
        }

        return $joined;
    }
}
