<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Number\Numbers;

/**
 * Writes Markdown: headings down to a chosen depth, nested lists below. A caption is a first paragraph in <small>,
 * a note is paragraphs; a note with headings or lists of its own stands between two comments, so that they are not
 * taken for topics when it is read again.
 */
final readonly class MarkdownWriter implements Writer
{
    /** What a line may begin with that means more than text. */
    private const BLOCK = '/\A(?:#{1,6}(?:\s|\z)|>|[-+*](?:\s|\z)|```|~~~|(?:[-*_]\s*){3,}\z|=+\s*\z|<!--|<small>|\[[ xX]\](?:\s|\z)|\|)/';

    public function __construct(private int $headings = 2)
    {
    }

    public function write(TopicMap $map): string
    {
        $depths = [];
        $out = '';
        $inList = false;
        $numbers = Numbers::of($map);
        foreach (TiedLines::written($map)->all() as $id => $topic) {
            $title = isset($numbers[$id]) ? "{$numbers[$id]} {$topic->title}" : $topic->title;
            $depth = $depths[$id] = $topic->parent === null ? 0 : $depths[$topic->parent] + 1;
            $heading = $depth < $this->headings;
            $indent = $heading ? '' : str_repeat('  ', $depth - $this->headings);
            $out .= $out !== '' && ($heading || ! $inList) ? "\n" : '';
            $out .= $heading
                ? rtrim(str_repeat('#', $depth + 1).' '.self::headingTitle($title))."\n"
                : rtrim("{$indent}- ".self::title($title))."\n";
            $below = $this->below($topic, $heading ? '' : "{$indent}  ");
            $out .= $below;
            $inList = ! $heading && $below === '';
        }

        return $out;
    }

    private function below(Topic $topic, string $indent): string
    {
        $out = '';
        if ($topic->caption !== '' || str_starts_with($topic->note, '<small>')) {
            $out .= "\n<small>".str_replace("\n", '<br>', htmlspecialchars($topic->caption, ENT_NOQUOTES))."</small>\n";
        }
        if ($topic->note !== '') {
            $out .= "\n".(self::isPlain($topic->note) ? $topic->note : self::fenced($topic->note))."\n";
        }
        if ($out === '' || $indent === '') {
            return $out;
        }

        return (string) preg_replace('/^(?=.)/m', $indent, $out);
    }

    /** Whether every line of a note reads as part of a paragraph, with single blank lines between. */
    private static function isPlain(string $note): bool
    {
        foreach (explode("\n", $note) as $line) {
            if (preg_match(self::BLOCK, ltrim($line)) === 1 || preg_match('/\A\s*\d{1,9}[.)](?:\s|\z)|\A\s+/', $line) === 1) {
                return false;
            }
        }

        return ! str_contains($note, "\n\n\n") && $note === trim($note, "\n");
    }

    private static function fenced(string $note): string
    {
        for ($n = 1; str_contains($note, "<!-- /note {$n} -->"); $n++);

        return "<!-- note {$n} -->\n{$note}\n<!-- /note {$n} -->";
    }

    private static function headingTitle(string $title): string
    {
        return (string) preg_replace('/(\A|\s)(#+)\z/', '$1\\\\$2', self::title($title));
    }

    private static function title(string $title): string
    {
        $line = str_replace("\n", '<br>', $title);
        $line = preg_match(self::BLOCK, ltrim($line)) === 1 ? '\\'.ltrim($line) : $line;

        return (string) preg_replace('/\A(\s*\d{1,9})([.)])(?=\s|\z)/', '$1\\\\$2', $line);
    }
}
