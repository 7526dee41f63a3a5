<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

/** One question in words that somebody typed. */
final readonly class Piece
{
    /**
     * @param  string  $words  what it asks, as it was understood
     * @param  bool  $isTurned  whether "not" stands before it
     * @param  int  $from  where it stands, "not" with it, in UTF-16 units, as browsers count
     * @param  bool  $isQuestion  whether it was understood as a question, and not as words to look for
     * @param  string  $turned  the whole text with this turned round
     * @param  string  $without  the whole text without it
     */
    private function __construct(public string $words, public bool $isTurned, public int $from, public int $to, public bool $isQuestion, public string $turned, public string $without)
    {
    }

    /**
     * @param  int  $begin  the word with which it begins; the next one is behind it
     * @param  int|null  $turnedAt  the word "not" that turns it round
     */
    public static function of(Said $said, string $words, int $begin, ?int $turnedAt, bool $isQuestion): self
    {
        [$from, $to] = $said->place($turnedAt ?? $begin, $said->at());
        [$start] = $said->place($begin, $said->at());
        [$before, $its, $after] = [substr($said->text, 0, $from), substr($said->text, $start, $to - $start), substr($said->text, $to)];
        $turned = match (true) {
            $turnedAt !== null => $its,
            preg_match('/^not\s+(?=\S)/i', $its, $m) === 1 => substr($its, strlen($m[0])),
            default => "not {$its}",
        };

        return new self($words, $turnedAt !== null, self::units($before), self::units($before.substr($said->text, $from, $to - $from)), $isQuestion, $before.$turned.$after, self::tidied($before, $after));
    }

    /** @return array{words: string, isTurned: bool, from: int, to: int, turned: string, without: string} "FilterPiece" in the wire schema */
    public function toArray(): array
    {
        return ['words' => $this->words, 'isTurned' => $this->isTurned, 'from' => $this->from, 'to' => $this->to, 'turned' => $this->turned, 'without' => $this->without];
    }

    private static function units(string $text): int
    {
        return intdiv(strlen(mb_convert_encoding($text, 'UTF-16LE')), 2);
    }

    /** What is left where something was taken out, without words and brackets that join nothing any more. */
    private static function tidied(string $before, string $after): string
    {
        $text = rtrim($before).' '.ltrim($after);
        do {
            $last = $text;
            $text = (string) preg_replace(['/\(\s*\)/u', '/(^|\()\s*(?:and|or)\b\s*/iu', '/\s*\b(?:not|and|or)\s*($|\))/iu', '/\b(and|or)\s+(?:and|or)\b/iu'], ['', '$1', '$1', '$1'], $text);
        } while ($text !== $last);

        return trim((string) preg_replace('/\s+/u', ' ', $text));
    }
}
