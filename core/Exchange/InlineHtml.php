<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;

/** Turns a line of simple HTML, as other programs put it in titles, into inline Markdown. Unknown tags vanish. */
final class InlineHtml
{
    private const MARKS = [
        'b' => Run::BOLD, 'strong' => Run::BOLD, 'i' => Run::ITALIC, 'em' => Run::ITALIC, 'u' => Run::UNDERLINE,
        's' => Run::STRIKE, 'del' => Run::STRIKE, 'strike' => Run::STRIKE, 'code' => Run::CODE, 'sub' => Run::SUB, 'sup' => Run::SUPER,
    ];

    public static function markdown(string $html): string
    {
        /** @var array<int, int> $open how many tags are open, by mark */
        $open = [];
        $href = null;
        $runs = [];
        foreach (preg_split('/(<[^<>]*>)/', $html, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [] as $piece) {
            if (preg_match('/\A<(\/?)([a-z][a-z0-9]*)\b([^<>]*)>\z/i', $piece, $m) !== 1) {
                $marks = array_sum(array_keys(array_filter($open, fn (int $count): bool => $count > 0)));
                $runs[] = new Run(html_entity_decode($piece, ENT_QUOTES | ENT_HTML5, 'UTF-8'), $marks, $href);

                continue;
            }
            $tag = strtolower($m[2]);
            if (isset(self::MARKS[$tag])) {
                $open[self::MARKS[$tag]] = ($open[self::MARKS[$tag]] ?? 0) + ($m[1] === '' ? 1 : -1);
            } elseif ($tag === 'a') {
                $href = $m[1] === '' && preg_match('/\bhref\s*=\s*(?:"([^"]*)"|\'([^\']*)\'|(\S+))/i', $m[3], $at) === 1
                    ? html_entity_decode(implode('', array_slice($at, 1)), ENT_QUOTES | ENT_HTML5, 'UTF-8')
                    : null;
            } elseif ($tag === 'br') {
                $runs[] = new Run("\n");
            }
        }

        return trim(InlineMarkdown::write($runs));
    }
}
