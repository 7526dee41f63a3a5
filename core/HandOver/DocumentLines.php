<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Link\Link;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Paste\ClipLine;
use ChalkTree\Picture\TopicPicture;
use ChalkTree\Text\InlineMarkdown;

/** A document that was read as a map, as lines to be looked at before they land: what a topic has besides its title is in the note. */
final class DocumentLines
{
    /** @return list<ClipLine> */
    public static function of(TopicMap $map): array
    {
        $more = [];
        foreach ($map->rowsOf(TopicPicture::class) as $picture) {
            $more[$picture->id][] = '!['.InlineMarkdown::escape($picture->text('about')).']('.$picture->text('source').')';
        }
        foreach ($map->rowsOf(Link::class) as $link) {
            $at = $link->text('at');
            if (preg_match('~^(?:https?://|mailto:)[^\s<>]+$~D', $link->text('to')) === 1) {
                $more[$at][] = '['.InlineMarkdown::escape($link->text('title') === '' ? $link->text('to') : $link->text('title')).'](<'.$link->text('to').'>)';
            }
        }
        $lines = [];
        foreach ([$map->root(), ...$map->loose()] as $top) {
            foreach (self::below($map, $top, 0) as [$level, $topic]) {
                $note = implode("\n\n", array_filter([$topic->caption === '' ? '' : '*'.InlineMarkdown::escape($topic->caption).'*', ...$more[$topic->id] ?? [], $topic->note], fn (string $part): bool => trim($part) !== ''));
                $lines[] = new ClipLine($level, trim(InlineMarkdown::plain($topic->title)) === '' ? '…' : $topic->title, '', $lines === [] ? 'first' : 'document', true, $note);
            }
        }

        return $lines;
    }

    /** @return iterable<array{int, Topic}> as they are read */
    private static function below(TopicMap $map, Topic $top, int $level): iterable
    {
        yield [$level, $top];
        foreach ($map->children($top->id) as $child) {
            yield from self::below($map, $child, $level + 1);
        }
    }
}
