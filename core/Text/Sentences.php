<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/**
 * Finds the sentences of a plain text: they end with . ! ? … or 。！？, before a space and something that can begin a
 * sentence. Abbreviations, initials, decimals and numbers that count do not end one, nor does anything inside a
 * quotation that goes on behind it.
 */
final class Sentences
{
    /** Without their last full stop; those with stops inside as they are written. */
    private const ABBREVIATIONS = [
        'approx', 'ca', 'cf', 'ch', 'col', 'dept', 'dr', 'e.g', 'ed', 'eds', 'esp', 'est', 'etc', 'excl', 'fig', 'figs', 'hr', 'hrs', 'i.e',
        'incl', 'jr', 'lt', 'max', 'min', 'mr', 'mrs', 'ms', 'mt', 'no', 'nos', 'nr', 'p', 'pp', 'prof', 'rev', 'sec', 'sr', 'st',
        'tel', 'temp', 'viz', 'vol', 'vs', 'a.m', 'p.m', 'b.c', 'a.d', 'bzw', 'd.h', 'evtl', 'ggf', 'inkl', 'mind', 'str', 'usw', 'u.a', 'vgl', 'z.b',
        'jan', 'feb', 'mar', 'apr', 'jun', 'jul', 'aug', 'sep', 'sept', 'oct', 'nov', 'dec', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun',
    ];

    private const OPENING = ['“' => '”', '„' => '“', '«' => '»', '‹' => '›', '(' => ')', '「' => '」'];

    /** @return list<array{int, int}> where each sentence begins and ends, in bytes, without the space between */
    public static function spans(string $text): array
    {
        $spans = [];
        $begin = 0;
        preg_match_all('/[.!?…]+(["\'”’»›“)\]]*)(?=\s|\z)|[。！？]+[」』”]*|\n{2,}/u', $text, $found, PREG_OFFSET_CAPTURE | PREG_SET_ORDER);
        foreach ($found as $sign) {
            $end = $sign[0][1] + strlen($sign[0][0]);
            if (self::ends($text, $begin, $sign[0][1], $sign[0][0], $end)) {
                self::add($spans, $text, $begin, $end);
                $begin = $end;
            }
        }
        self::add($spans, $text, $begin, strlen($text));

        return $spans;
    }

    private static function ends(string $text, int $begin, int $at, string $sign, int $end): bool
    {
        if (preg_match('/\A(?:[。！？]|\n)/u', $sign) === 1) {
            return ! self::isInside(substr($text, $begin, $end - $begin));
        }
        if (preg_match('/\G\s+["\'“„«‹(\[¿¡]*[\p{Lu}\p{Lt}\p{Lo}\p{N}]/u', $text, $m, 0, $end) !== 1) {
            return false;
        }
        $said = substr($text, $begin, $at - $begin);
        if ($sign === '.' && preg_match('/(\S+)\z/u', $said, $m) === 1) {
            $bare = (string) preg_replace('/\A[("“„«\']+/u', '', $m[1]);
            $word = mb_strtolower($bare);
            $isInitial = preg_match('/\A\p{Lu}\z/u', $bare) === 1 && preg_match('/\bI\z/', $said) !== 1;
            $counts = preg_match('/\A\s*\(?(?:\d{1,3}(?:\.\d+)*|[a-z])\z/u', $said) === 1;
            if (in_array($word, self::ABBREVIATIONS, true) || $isInitial || $counts) {
                return false;
            }
        }

        return ! self::isInside(substr($text, $begin, $end - $begin));
    }

    /** Whether a quotation or a bracket is still open at the end of a text. */
    private static function isInside(string $text): bool
    {
        foreach (self::OPENING as $open => $close) {
            $opened = substr_count($text, $open);
            if ($opened > substr_count($text, $close) && strlen($text) - (int) strrpos($text, $open) < 600) {
                return true;
            }
        }

        return substr_count($text, '"') % 2 === 1;
    }

    /** @param  list<array{int, int}>  $spans */
    private static function add(array &$spans, string $text, int $begin, int $end): void
    {
        $part = substr($text, $begin, $end - $begin);
        $inner = trim($part);
        if ($inner !== '') {
            $begin += strlen($part) - strlen(ltrim($part));
            $spans[] = [$begin, $begin + strlen($inner)];
        }
    }
}
