<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/** The one form of formatted text among those that look the same; it is what Markdown reads back as. */
final class RunForm
{
    /**
     * Neighbours of one formatting as one, spaces beside line breaks gone, no line break in code, nothing bold or
     * italic about the space at the ends of a run, and no address that may not be followed.
     *
     * @param  list<Run>  $runs
     * @return list<Run>
     */
    public static function of(array $runs): array
    {
        $form = [];
        foreach (self::withoutSpaceAtBreaks($runs) as $run) {
            $href = $run->href !== null ? trim(str_replace("\n", '', $run->href)) : null;
            $href = $href !== null && $href !== '' && Address::isSafe($href) ? strtr($href, ['<' => '%3C', '>' => '%3E']) : null;
            preg_match('/\A(\s*)(.*?)(\s*)\z/su', $run->text, $m);
            [, $before, $inner, $after] = [...$m, '', '', '', ''];
            $space = $run->marks & ~(Run::BOLD | Run::ITALIC);
            foreach ([[$before, $space], [$inner, $run->marks], [$after, $space]] as [$text, $marks]) {
                $pieces = $marks & Run::CODE ? (preg_split('/(\n)/', $text, -1, PREG_SPLIT_DELIM_CAPTURE) ?: []) : [$text];
                foreach ($pieces as $piece) {
                    if ($piece !== '') {
                        $form[] = new Run($piece, $piece === "\n" ? $space & ~Run::CODE : $marks, $href);
                    }
                }
            }
        }

        return Slices::joined($form);
    }

    /**
     * @param  list<Run>  $runs
     * @return list<Run>
     */
    private static function withoutSpaceAtBreaks(array $runs): array
    {
        $tight = [];
        $isAfterBreak = false;
        foreach (Slices::joined($runs) as $run) {
            $text = (string) preg_replace('/(?<! ) *+\n *+/', "\n", $run->text);
            $text = $isAfterBreak ? ltrim($text, ' ') : $text;
            while ($text !== '' && $text[0] === "\n" && ($before = array_pop($tight)) !== null) {
                $kept = rtrim($before->text, ' ');
                if ($kept !== '') {
                    $tight[] = new Run($kept, $before->marks, $before->href);

                    break;
                }
            }
            if ($text !== '') {
                $isAfterBreak = $text[-1] === "\n";
                $tight[] = new Run($text, $run->marks, $run->href);
            }
        }

        return $tight;
    }
}
