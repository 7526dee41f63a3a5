<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

/**
 * What became of a long text: the stretch that was cut out and what was put there. Kept instead of the whole text before
 * and after, so that a change costs what was changed. The digests of both tell whether it still fits.
 */
final readonly class TextPatch
{
    /** Bytes; shorter texts are kept whole. */
    private const LONG = 400;

    /**
     * @param  int  $at  bytes before the stretch
     * @param  string  $was  digest of the text before
     * @param  string  $is  digest of the text after
     */
    private function __construct(
        private int $at,
        private string $cut,
        private string $put,
        private string $was,
        private string $is,
    ) {
    }

    /** Null where keeping both texts costs no more. */
    public static function between(string $before, string $after): ?self
    {
        [$m, $n] = [strlen($before), strlen($after)];
        if (max($m, $n) < self::LONG) {
            return null;
        }
        $shorter = min($m, $n);
        $same = strspn($before ^ $after, "\0");
        $at = self::boundary($before, min($same, $shorter));
        $tail = strspn(strrev(substr($before, $m - $shorter) ^ substr($after, $n - $shorter)), "\0");
        $tail = min($tail, $shorter - $at);
        while ($tail > 0 && (ord($before[$m - $tail]) & 0xC0) === 0x80) {
            $tail--;
        }
        [$cut, $put] = [substr($before, $at, $m - $at - $tail), substr($after, $at, $n - $at - $tail)];

        return strlen($cut) + strlen($put) < ($m + $n) / 2 ? new self($at, $cut, $put, self::digest($before), self::digest($after)) : null;
    }

    /** @param  array{at: int, cut: string, put: string, was: string, is: string}  $data */
    public static function fromArray(array $data): self
    {
        return new self($data['at'], $data['cut'], $data['put'], $data['was'], $data['is']);
    }

    /** @return array{at: int, cut: string, put: string, was: string, is: string} */
    public function toArray(): array
    {
        return ['at' => $this->at, 'cut' => $this->cut, 'put' => $this->put, 'was' => $this->was, 'is' => $this->is];
    }

    public function reversed(): self
    {
        return new self($this->at, $this->put, $this->cut, $this->is, $this->was);
    }

    /** Whether a text is the one before. */
    public function fits(string $text): bool
    {
        return self::digest($text) === $this->was;
    }

    /** The text after; of one that does not fit, the text itself. */
    public function on(string $text): string
    {
        return $this->fits($text) ? substr_replace($text, $this->put, $this->at, strlen($this->cut)) : $text;
    }

    /** No character is cut in two. */
    private static function boundary(string $text, int $at): int
    {
        while ($at > 0 && $at < strlen($text) && (ord($text[$at]) & 0xC0) === 0x80) {
            $at--;
        }

        return $at;
    }

    private static function digest(string $text): string
    {
        return hash('xxh128', $text);
    }
}
