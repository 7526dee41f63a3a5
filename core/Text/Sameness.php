<?php

declare(strict_types=1);

namespace ChalkTree\Text;

use Normalizer;

/** What two texts have in common when they say the same: case, width, spacing and the signs at the ends do not count. */
final class Sameness
{
    /** @return string equal for texts that say the same; empty for one that says nothing */
    public static function key(string $markdown): string
    {
        $plain = Normalizer::normalize(InlineMarkdown::plain($markdown), Normalizer::FORM_KC);
        $spaced = (string) preg_replace('/\s+/u', ' ', mb_convert_case((string) $plain, MB_CASE_FOLD));
        $core = (string) preg_replace('/\A[\s\p{P}]+|[\s\p{P}]+\z/u', '', $spaced);

        return $core === '' ? trim($spaced) : $core;
    }
}
