<?php

declare(strict_types=1);

namespace Tests\Support;

use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;

/** Maps as indented text and back: "title || note", "↵" for a line break, "/" between paragraphs, parked ones in brackets. */
final class Outline
{
    public static function map(string $outline): TopicMap
    {
        $tops = [];
        $trail = [];
        foreach (explode("\n", rtrim($outline, "\n")) as $line) {
            $depth = strspn($line, "\t");
            [$title, $note] = [...explode(' || ', substr($line, $depth), 2), ''];
            $draft = new TopicDraft(str_replace('↵', "\n", $title), '', str_replace(' / ', "\n\n", $note));
            $depth === 0 ? $tops[] = $draft : $trail[$depth - 1]->children[] = $draft;
            $trail[$depth] = $draft;
        }

        return NewMap::from($tops[0], array_slice($tops, 1));
    }

    public static function of(TopicMap $map): string
    {
        $depths = [];
        $out = '';
        foreach ($map->everything() as $id => $topic) {
            $depths[$id] = $topic->parent === null ? 0 : $depths[$topic->parent] + 1;
            $title = $topic->parked === null ? $topic->title : "[{$topic->title}]";
            $out .= str_repeat("\t", $depths[$id]).str_replace("\n", '↵', $title).($topic->note === '' ? '' : ' || '.str_replace("\n\n", ' / ', $topic->note))."\n";
        }

        return $out;
    }

    public static function id(TopicMap $map, string $title): string
    {
        if (Ids::valid($title)) {
            return $title;
        }
        foreach ($map->everything() as $topic) {
            if ($topic->title === str_replace('↵', "\n", $title)) {
                return $topic->id;
            }
        }

        throw new \RuntimeException("No topic is called {$title}.");
    }

    /** Arguments of an edit with ids in place of titles. */
    public static function ids(TopicMap $map, array $arguments): array
    {
        foreach (['topics', 'topic', 'parent', 'before', 'after', 'to'] as $key) {
            $value = $arguments[$key] ?? null;
            if (is_array($value) && is_string($value[0] ?? null)) {
                $arguments[$key] = array_map(fn (string $title): string => self::id($map, $title), $value);
            } elseif (is_string($value) && ! ($key === 'to' && in_array($value, ['title', 'caption', 'note'], true))) {
                $arguments[$key] = self::id($map, $value);
            }
        }

        return $arguments;
    }
}
