<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/** Splits text into what a reader takes for one character: a base with its marks, an emoji made of several. */
final class Clusters
{
    /**
     * ICU's rules, because the \X of older regular expression libraries takes neighbouring emoji for one.
     *
     * @return list<string>
     */
    public static function of(string $text): array
    {
        $clusters = [];
        for ($at = 0, $length = strlen($text); $at < $length; $at = $next) {
            $next = $at;
            $cluster = grapheme_extract($text, 1, GRAPHEME_EXTR_COUNT, $at, $next);
            if ($cluster === false || $next <= $at) {
                $clusters[] = substr($text, $at);
                break;
            }
            $clusters[] = $cluster;
        }

        return $clusters;
    }
}
