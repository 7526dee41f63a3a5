<?php

declare(strict_types=1);

namespace Tests\Support;

use ChalkTree\Document\BlockMarkdown;
use ChalkTree\Document\NoteBlocks;
use ChalkTree\Link\Link;
use ChalkTree\Map\TopicMap;
use ChalkTree\Picture\TopicPicture;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;

/** What documents carry of a map, topic by topic, as it can be compared: spaces as word processors and pages have them. */
final class Told
{
    /**
     * @param  bool  $hasPlainTitle  whether the title of the whole has lost its formatting, as in books
     * @return list<string>
     */
    public static function of(TopicMap $map, bool $hasPlainTitle = false): array
    {
        $told = $depths = [];
        foreach ($map->all() as $id => $topic) {
            $depths[$id] = $topic->parent === null ? ($topic->id === $map->root()->id ? 0 : 1) : $depths[$topic->parent] + 1;
            $picture = $map->row(TopicPicture::type(), (string) $id);
            $links = array_map(fn (Link $link): string => "{$link->to()} ".self::spaced($link->text('title')), array_values(array_filter($map->rowsOf(Link::class), fn (Link $link): bool => $link->at() === (string) $id)));
            sort($links);
            $told[] = implode(' | ', [
                (string) $depths[$id], $hasPlainTitle && $told === [] ? self::spaced(InlineMarkdown::plain($topic->title)) : self::line($topic->title), self::spaced($topic->caption), (string) preg_replace(['/(?:> )+/', '/ +/'], ['> ', ' '], self::spaced(BlockMarkdown::write(NoteBlocks::read($topic->note)))),
                $picture instanceof TopicPicture ? $picture->text('source') : '', ...$links,
            ]);
        }

        return $told;
    }

    private static function spaced(string $text): string
    {
        return trim((string) preg_replace('/[ \t\x{2060}]*\n[ \t]*|[ \t\x{A0}]+/u', ' ', $text));
    }

    private static function line(string $title): string
    {
        $runs = array_map(fn (Run $run): Run => new Run((string) preg_replace('/\s+/u', ' ', $run->text), $run->marks, $run->href), InlineMarkdown::runs($title));
        // Whether a space between two words belongs to what is bold before it or to what is not after it, nobody sees.
        $line = '';
        foreach ($runs as $run) {
            $words = trim($run->text);
            $line .= ($run->text !== ltrim($run->text) ? ' ' : '').($words === '' ? '' : "{{$run->marks}".($run->href ?? '').":{$words}}").($words !== '' && $run->text !== rtrim($run->text) ? ' ' : '');
        }

        return trim((string) preg_replace('/\s+/', ' ', $line));
    }
}
