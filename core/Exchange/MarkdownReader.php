<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/**
 * Reads Markdown with any mixture of heading and list levels: headings and list items are topics, what stands below
 * them is their note. Where a text has neither, every paragraph is a topic. Titles and notes are kept as they are
 * written; nothing is rendered.
 */
final class MarkdownReader implements Reader
{
    /** List items are deeper than any heading. */
    private const LIST_DEPTH = 10;

    private Gathering $topics;

    private ?TopicDraft $heading = null;

    /** @var list<array{column: int, content: int, draft: TopicDraft}> the open list items, outermost first */
    private array $items = [];

    /** The topic whose title the next line would go on with. */
    private ?TopicDraft $open = null;

    private bool $afterBlank = true;

    /** Ends the stretch that is taken word for word, if one is open. */
    private ?string $verbatimUntil = null;

    private bool $verbatimIsNote = false;

    /** @var array<int, list<string>> the lines of notes, by the spl_object_id of their topic */
    private array $notes = [];

    /** @var array<int, TopicDraft> */
    private array $noted = [];

    public function read(string $contents, string $title): TopicMap
    {
        $this->topics = new Gathering;
        $lines = explode("\n", $this->withoutFrontMatter($contents));
        foreach ($lines as $i => $line) {
            $this->line(rtrim($line, "\r"), $lines[$i + 1] ?? '');
        }
        foreach ($this->noted as $key => $draft) {
            $this->settle($draft, $this->notes[$key]);
        }

        return $this->topics->map(InlineMarkdown::escape($title));
    }

    private function line(string $line, string $next): void
    {
        if ($this->verbatimUntil !== null) {
            $this->verbatim($line);
        } elseif (trim($line) === '') {
            $this->blank();
        } elseif (preg_match('/\A\s*<!-- note (\d+) -->\s*\z/', $line, $m) === 1) {
            [$this->verbatimUntil, $this->verbatimIsNote] = ["<!-- /note {$m[1]} -->", true];
        } elseif (preg_match('/\A\s*<!--.*-->\s*\z/', $line) === 1) {
            $this->open = null;
        } elseif (preg_match('/\A\s*(```+|~~~+)/', $line, $m) === 1 && $this->target($line) !== null) {
            [$this->verbatimUntil, $this->verbatimIsNote] = [$m[1], false];
            $this->note($line);
        } elseif (preg_match('/\A {0,3}(#{1,6})(?:[ \t]|\z)/', $line, $m) === 1) {
            $this->addHeading(strlen($m[1]), self::headingText(substr($line, strlen($m[0]))));
        } elseif (preg_match('/\A {0,3}([-*_])[ \t]*(?:\1[ \t]*){2,}\z/', $line) === 1) {
            $this->open = null;
        } elseif (preg_match('/\A([ \t]*)([-*+]|\d{1,9}[.)])(?:([ \t]+)(.*))?\z/', $line, $m) === 1) {
            $this->addItem(TextReader::columns($m[1]), strlen($m[2]), trim($m[4] ?? ''));
        } elseif ($this->afterBlank && preg_match('/\A {0,3}(=+|-+)[ \t]*\z/', $next, $m) === 1) {
            $this->addHeading($m[1][0] === '=' ? 1 : 2, trim($line));
            // The line of signs below the heading is the end of a stretch with nothing in it.
            [$this->verbatimUntil, $this->verbatimIsNote] = [rtrim($next), true];
        } else {
            $this->text($line);
        }
        $this->afterBlank = trim($line) === '';
    }

    private function withoutFrontMatter(string $contents): string
    {
        // A rule at the beginning is none of this: what follows it at once has to be a key with its value.
        $form = '/\A---\n[A-Za-z_][\w-]*:(?:[ \t][^\n]*)?\n(?:(?:[A-Za-z_][\w-]*:(?:[ \t][^\n]*)?|[ \t]+[^\n]*|- [^\n]*|#[^\n]*)\n){0,200}(?:---|\.\.\.)\n/';

        return (string) preg_replace($form, '', $contents);
    }

    private function addHeading(int $level, string $title): void
    {
        $this->heading = $this->open = null;
        $this->items = [];
        $this->heading = $this->topics->add($level, $this->title($title));
    }

    /** Without the signs that may close a heading. */
    private static function headingText(string $text): string
    {
        $text = trim($text, " \t");
        $open = rtrim($text, '#');

        return $open === '' ? '' : (str_ends_with($open, ' ') || str_ends_with($open, "\t") ? rtrim($open, " \t") : $text);
    }

    private function addItem(int $column, int $marker, string $title): void
    {
        while ($this->items !== [] && $column < $this->items[count($this->items) - 1]['column'] + 2) {
            array_pop($this->items);
        }
        $title = (string) preg_replace('/\A\[[ xX]\][ \t]+/', '', $title);
        $this->open = $this->topics->add(self::LIST_DEPTH + count($this->items), $this->title($title));
        $this->items[] = ['column' => $column, 'content' => $column + $marker + 1, 'draft' => $this->open];
    }

    private function text(string $line): void
    {
        if ($this->open !== null && ! $this->afterBlank) {
            $this->open->title = $this->topics->bounded('title', trim($this->open->title.' '.$this->title(trim($line))));

            return;
        }
        $this->open = null;
        if ($this->target($line) === null) {
            $this->open = $this->topics->add(self::LIST_DEPTH, $this->title(trim($line)));

            return;
        }
        $this->note($line);
    }

    private function blank(): void
    {
        $this->open = null;
        $last = array_key_last($this->notes);
        if ($last !== null) {
            $this->notes[$last][] = '';
        }
    }

    private function verbatim(string $line): void
    {
        if ($this->verbatimIsNote ? trim($line) === trim((string) $this->verbatimUntil) : str_starts_with(ltrim($line), (string) $this->verbatimUntil)) {
            $this->verbatimUntil = null;
            if ($this->verbatimIsNote) {
                return;
            }
        }
        $this->note($line);
    }

    /** The topic to whose note a line belongs: the list item it is indented below, or else the heading. */
    private function target(string $line): ?TopicDraft
    {
        $column = TextReader::columns($line);
        for ($i = count($this->items) - 1; $i >= 0; $i--) {
            if ($this->verbatimIsNote && $this->verbatimUntil !== null || $column >= $this->items[$i]['column'] + 2) {
                return $this->items[$i]['draft'];
            }
        }

        return $this->heading;
    }

    private function note(string $line): void
    {
        $draft = $this->target($line);
        if ($draft === null) {
            return;
        }
        $key = spl_object_id($draft);
        $this->noted[$key] = $draft;
        $indent = 0;
        foreach ($this->items as $item) {
            $indent = $item['draft'] === $draft ? $item['content'] : $indent;
        }
        $lines = $this->notes[$key] ?? [];
        // The latest note stands last, so that a blank line finds it.
        unset($this->notes[$key]);
        $lines[] = self::withoutIndent($line, $indent);
        $this->notes[$key] = $lines;
    }

    /** @param  list<string>  $lines */
    private function settle(TopicDraft $draft, array $lines): void
    {
        $note = trim(implode("\n", $lines), "\n");
        if (preg_match('/\A<small>(.*?)<\/small>[ \t]*(?:\n|\z)/', $note, $m) === 1) {
            $draft->caption = $this->topics->bounded('caption', htmlspecialchars_decode(str_replace('<br>', "\n", $m[1]), ENT_NOQUOTES));
            $note = ltrim(substr($note, strlen($m[0])), "\n");
        }
        $draft->note = $this->topics->bounded('note', $note);
    }

    private function title(string $title): string
    {
        return str_contains($title, '`') ? $title : (string) preg_replace('/<br\s*\/?>/i', "\n", $title);
    }

    private static function withoutIndent(string $line, int $columns): string
    {
        // Each sign is at least one column wide, so nothing beyond so many can be taken.
        for ($n = min($columns, strspn($line, " \t")); $n > 0 && TextReader::columns(substr($line, 0, $n)) > $columns; $n--);

        return substr($line, $n);
    }
}
