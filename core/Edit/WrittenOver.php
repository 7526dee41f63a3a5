<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Text\TextMerge;

/** What edits of texts share: the text over which was written comes as "was", and is left out where nobody else writes. */
trait WrittenOver
{
    private bool $isBoth = false;

    public function isBoth(): bool
    {
        return $this->isBoth;
    }

    /**
     * What is to stand there.
     *
     * @param  string|null  $was  over which it was written; null where it is to stand there whatever there is
     * @param  string  $now  what stands there
     * @param  callable(string): int  $length  as it is bounded
     *
     * @throws InvalidEdit where both together are too long
     */
    private function over(?string $was, string $now, string $written, callable $length, int $longest): string
    {
        if ($was === null || $was === $now) {
            return $written;
        }
        $merged = TextMerge::of($was, $now, $written);
        if ($length($merged->text) > $longest) {
            throw new InvalidEdit('Somebody else wrote here at the same time, and both together are too long. Nothing was changed.');
        }
        $this->isBoth = $this->isBoth || $merged->isBoth;

        return $merged->text;
    }
}
