<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/**
 * The passages of notes that somebody marked with a word: paragraphs in which it stands, and those after one that is nothing
 * but the word. Where it stands as a label ("LAMP:", "#lamp", "[lamp]") it is no part of the passage.
 */
final readonly class Passages
{
    public const MOST = 500;

    /** Letters of a mark. */
    public const LONGEST = 60;

    /** Letters of a passage by which it is known again where it was lifted out. */
    private const KNOWN = 40;

    private const FROM = '{{from [';

    /** Bytes of a note with what was lifted out; a longer one is no such note. */
    private const LARGEST = 20_000;

    /** @param  list<array{topic: string, title: string, text: string, isLifted: bool}>  $all  as they stand in the map */
    private function __construct(public array $all, public bool $hasMore)
    {
    }

    /** @param  string  $branch  the topic whose branch is looked through */
    public static function of(TopicMap $map, string $mark, string $branch): self
    {
        $found = [];
        $lifted = self::lifted($map);
        $word = '/(?<![\p{L}\p{N}])'.preg_quote($mark, '/').'(?![\p{L}\p{N}])/iu';
        foreach ($map->branch($map->topic($branch, 'branch')->id) as $topic) {
            foreach (mb_stripos($topic->note, $mark) === false ? [] : self::in($topic, $word, $mark) as $text) {
                if (count($found) === self::MOST) {
                    return new self($found, true);
                }
                $found[] = ['topic' => $topic->id, 'title' => InlineMarkdown::oneLine($topic->title), 'text' => $text, 'isLifted' => self::isLifted($lifted[$topic->id] ?? [], $text)];
            }
        }

        return new self($found, false);
    }

    /** @return list<string> */
    private static function in(Topic $topic, string $word, string $mark): array
    {
        // What was lifted out says where from; it is no source itself.
        if (str_contains($topic->note, self::FROM)) {
            return [];
        }
        $label = '/^\s*(?:#'.preg_quote($mark, '/').'(?![\p{L}\p{N}])|[\[(]'.preg_quote($mark, '/').'[\])]|'.preg_quote($mark, '/').'\s*[:–—])\s*+|(?<!\s)\s++(?:#'.preg_quote($mark, '/').'|[\[(]'.preg_quote($mark, '/').'[\])])\s*+$/iu';
        $texts = [];
        $isNext = false;
        foreach (preg_split('/\n[ \t]*(?:\n[ \t]*)+/', $topic->note) ?: [] as $paragraph) {
            if (preg_match($word, $paragraph) !== 1) {
                if ($isNext) {
                    $texts[] = trim($paragraph);
                }
                $isNext = false;

                continue;
            }
            $rest = trim((string) preg_replace($word, '', $paragraph), " \t\n\\#*_[]():–—-.!");
            $isNext = $rest === '';
            if (! $isNext) {
                $texts[] = trim((string) preg_replace($label, '', $paragraph));
            }
        }

        return array_values(array_filter($texts, fn (string $text): bool => $text !== ''));
    }

    /** @return array<string, list<string>> the notes that say where they are from, by the topics that they name */
    private static function lifted(TopicMap $map): array
    {
        $lifted = [];
        foreach ($map->all() as $topic) {
            if (str_contains($topic->note, self::FROM) && strlen($topic->note) <= self::LARGEST && preg_match_all('~/topics/([0-9a-z]{26})~', $topic->note, $m) > 0) {
                foreach (array_unique($m[1]) as $source) {
                    $lifted[$source][] = $topic->note;
                }
            }
        }

        return $lifted;
    }

    /**
     * Whether some note has the beginning of it.
     *
     * @param  list<string>  $notes  that have the way back to where it stands
     */
    private static function isLifted(array $notes, string $text): bool
    {
        $begin = mb_substr($text, 0, self::KNOWN);

        return array_filter($notes, fn (string $note): bool => str_contains($note, $begin)) !== [];
    }
}
