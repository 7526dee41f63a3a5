<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Text\Asides;
use Normalizer;

/**
 * Finds names in texts, in one pass over the words whatever the number of names. A name that is written large is found
 * only so ("Rose" and not "rose"), or all in capitals; one that is written small also where a sentence begins with it. Of
 * names that begin alike the longest holds. "Ida's" and "Idas" are Ida. What one says to oneself names nobody.
 */
final readonly class NameSpotter
{
    /** What may stand between the words of one name. */
    private const BETWEEN = '/^(?:[ \t\n*_\'’\-]+|\.[ \t]*)$/uD';

    /** Bytes of text that are taken apart at once. */
    private const PIECE = 20_000;

    /** Names that are looked for, in all ways in which they may be written; those that are read first come first. */
    private const MOST = 30_000;

    /** Letters of a name that may have an s behind it. */
    private const SHORTEST = 3;

    /**
     * @param  array<string, list<array{list<string>, list<string>}>>  $byFirst  for the first word of names: their further words, "." before one that follows a full stop, and whose they are; the longest first
     * @param  string  $key  the same for the same names
     */
    private function __construct(private array $byFirst, public string $key)
    {
    }

    public static function for(Cast $cast): self
    {
        $names = [];
        foreach ($cast->members as $member) {
            if (count($names) > self::MOST) {
                break;
            }
            foreach ($member->names as $name) {
                $words = self::wordsOf(self::normal($name));
                foreach ($words === [] ? [] : self::forms($words) as $form) {
                    $names[implode("\n", $form)][$member->topic] = true;
                }
            }
        }
        $byFirst = [];
        foreach ($names as $form => $topics) {
            $words = explode("\n", (string) $form);
            $byFirst[$words[0]][] = [array_slice($words, 1), array_map(strval(...), array_keys($topics))];
        }
        foreach ($byFirst as &$all) {
            usort($all, fn (array $a, array $b): int => count($b[0]) <=> count($a[0]));
        }
        unset($all);

        return new self($byFirst, hash('xxh128', serialize($byFirst)));
    }

    /**
     * @param  non-empty-list<string>  $words
     * @return list<non-empty-list<string>> as the name may be written
     */
    private static function forms(array $words): array
    {
        $forms = [$words, array_map(mb_strtoupper(...), $words)];
        $forms[] = [mb_strtoupper(mb_substr($words[0], 0, 1)).mb_substr($words[0], 1), ...array_slice($words, 1)];

        return array_values(array_unique($forms, SORT_REGULAR));
    }

    /**
     * How often each is named in a note.
     *
     * @return array<string, int> by topics of the cast; those that are not named are not there
     */
    public function counts(string $markdown): array
    {
        if ($this->byFirst === [] || $markdown === '') {
            return [];
        }
        $text = self::normal(Asides::without($markdown));
        if (str_contains($text, '](')) {
            // Addresses of links name nobody.
            $text = (string) preg_replace('/\]\([^()\s]*\)/', ']', $text);
        }
        $counts = [];
        foreach (explode("\n\n", $text) as $paragraph) {
            for ($at = 0; $at < strlen($paragraph); $at += strlen($piece)) {
                $piece = self::piece($paragraph, $at);
                $this->count($piece, $counts);
            }
        }

        return $counts;
    }

    /** So much of a paragraph as is taken apart at once, up to a blank. */
    private static function piece(string $paragraph, int $at): string
    {
        if (strlen($paragraph) - $at <= self::PIECE) {
            return substr($paragraph, $at);
        }
        $piece = mb_strcut(substr($paragraph, $at, self::PIECE + 4), 0, self::PIECE);
        $blank = strrpos($piece, ' ');

        return $blank === false || $blank === 0 ? $piece : substr($piece, 0, $blank);
    }

    /** @param  array<string, int>  $counts */
    private function count(string $text, array &$counts): void
    {
        $words = self::words($text);
        for ($i = 0, $n = count($words); $i < $n; $i++) {
            [$found, $length] = $this->at($text, $words, $i);
            foreach ($found as $topic) {
                $counts[$topic] = ($counts[$topic] ?? 0) + 1;
            }
            $i += max(0, $length - 1);
        }
    }

    /**
     * @param  list<array{string, int}>  $words
     * @return array{list<string>, int} whose name begins at a word, and of how many words it is
     */
    private function at(string $text, array $words, int $i): array
    {
        $first = $words[$i][0];
        $bare = self::withoutS($first);
        foreach ($this->byFirst[$first] ?? [] as [$more, $topics]) {
            if ($more === [] || $this->follows($text, $words, $i, $more)) {
                return [$topics, 1 + count($more)];
            }
        }
        foreach ($bare === null ? [] : $this->byFirst[$bare] ?? [] as [$more, $topics]) {
            if ($more === []) {
                return [$topics, 1];
            }
        }

        return [[], 1];
    }

    /**
     * @param  list<array{string, int}>  $words
     * @param  non-empty-list<string>  $more
     */
    private function follows(string $text, array $words, int $i, array $more): bool
    {
        foreach ($more as $n => $wanted) {
            $word = $words[$i + $n + 1] ?? null;
            $bare = ltrim($wanted, '.');
            if ($word === null || ($word[0] !== $bare && ($n < count($more) - 1 || self::withoutS($word[0]) !== $bare))) {
                return false;
            }
            $end = $words[$i + $n][1] + strlen($words[$i + $n][0]);
            $between = substr($text, $end, $word[1] - $end);
            // A full stop is part of a name where that is written so.
            if (preg_match(self::BETWEEN, $between) !== 1 || ($between[0] === '.' && $wanted === $bare)) {
                return false;
            }
        }

        return true;
    }

    /** A name in the genitive that is written without an apostrophe; null where it can be none. */
    private static function withoutS(string $word): ?string
    {
        return strlen($word) > self::SHORTEST && $word[-1] === 's' ? substr($word, 0, -1) : null;
    }

    private static function normal(string $text): string
    {
        return Normalizer::isNormalized($text) ? $text : (Normalizer::normalize($text) ?: $text);
    }

    /** @return list<string> the words of a name, "." before one that follows a full stop */
    private static function wordsOf(string $name): array
    {
        $end = 0;
        $words = [];
        foreach (self::words($name) as $n => [$word, $at]) {
            $words[] = ($n > 0 && str_contains(substr($name, $end, $at - $end), '.') ? '.' : '').$word;
            $end = $at + strlen($word);
        }

        return $words;
    }

    /** @return list<array{string, int}> the words of a text and where they stand, in bytes */
    private static function words(string $text): array
    {
        preg_match_all('/[\p{L}\p{N}\p{Mn}]+/u', $text, $m, PREG_OFFSET_CAPTURE);

        return $m[0];
    }
}
