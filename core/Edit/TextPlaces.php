<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Topic;
use ChalkTree\Text\InlineMarkdown;

/** How text goes from one place of a topic to another: title (inline Markdown), caption (plain), note (Markdown). */
final class TextPlaces
{
    public const ALL = ['title', 'caption', 'note'];

    /**
     * Texts that have grown by an edit, cleaned; refused where one is longer than a topic can hold.
     *
     * @param  array<string, string>  $texts  by place
     * @return array<string, string>
     *
     * @throws InvalidEdit
     */
    public static function bounded(array $texts): array
    {
        $arguments = new Arguments($texts);
        $bounded = [];
        foreach (array_keys($texts) as $place) {
            $bounded[$place] = match ($place) {
                'title' => $arguments->title(),
                'caption' => $arguments->caption(),
                default => $arguments->note(),
            };
        }

        return $bounded;
    }

    /** What a topic says in one place, as the text of another. */
    public static function carried(Topic $topic, string $from, string $to): string
    {
        $text = match ($from) {
            'title' => $topic->title,
            'caption' => $topic->caption,
            default => $topic->note,
        };

        return match (true) {
            $from === $to => $text,
            $from === 'caption' => InlineMarkdown::escape($text),
            $to === 'caption' => trim(InlineMarkdown::plain(self::oneLineBreaks($text))),
            // A line break of a title is one in a note only with two spaces before it.
            $to === 'note' => str_replace("\n", "  \n", $text),
            default => self::oneLineBreaks($text),
        };
    }

    /** One text below another, with a blank line between. */
    public static function appended(string $text, string $more): string
    {
        return trim($more) === '' ? $text : (trim($text) === '' ? $more : rtrim($text)."\n\n".ltrim($more, "\n"));
    }

    /** All that a topic says, as Markdown for a note. */
    public static function whole(Topic $topic): string
    {
        $said = self::carried($topic, 'title', 'note');
        $said = $topic->caption === '' ? $said : ($said === '' ? '' : "{$said}  \n").self::carried($topic, 'caption', 'note');

        return self::appended($said, $topic->note);
    }

    /** A note's paragraphs as lines, for where there are no paragraphs. */
    private static function oneLineBreaks(string $note): string
    {
        return trim((string) preg_replace('/(?<![ \\\\])[ \\\\]*+\n\s*+/u', "\n", $note));
    }
}
