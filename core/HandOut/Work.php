<?php

declare(strict_types=1);

namespace ChalkTree\HandOut;

use ChalkTree\CrossLink\CrossLink;
use ChalkTree\CrossLink\Sentences;
use ChalkTree\Link\Link;
use ChalkTree\Lock\Lock;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Picture\TopicPicture;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\WordCount;

/**
 * What somebody did with a map that was given to them. Topics of the copy have the ids that those of the given map have.
 * Left empty is what still has no title, and what was given to be gone on from and was not: a topic at the end of its
 * branch with nothing new in it, below it or tied to it.
 */
final readonly class Work
{
    /**
     * @param  array<string, string>  $added  titles by the ids of topics, in reading order
     * @param  array<string, string>  $changed  what they say or are, or where they hang
     * @param  array<string, string>  $removed  as they were given
     * @param  array<string, string>  $empty
     * @param  int  $words  in titles, captions and notes, more than were given
     * @param  int  $pictures  likewise
     * @param  int  $ties  cross-links and ways out, likewise
     */
    private function __construct(public array $added, public array $changed, public array $removed, public array $empty, public int $words, public int $pictures, public int $ties)
    {
    }

    public static function of(TopicMap $work, TopicMap $given): self
    {
        [$now, $then] = [$work->all(), $given->all()];
        [$rows, $were] = [self::facts($work), self::facts($given)];
        $added = $changed = $empty = [];
        foreach ($now as $id => $topic) {
            $title = InlineMarkdown::oneLine($topic->title);
            if (! isset($then[$id])) {
                $added[$id] = $title;
            } elseif (self::says($topic) !== self::says($then[$id]) || ($rows[$id] ?? []) != ($were[$id] ?? [])) {
                $changed[$id] = $title;
            }
            if ($title === '' && ($rows[$id]['picture'] ?? []) === []) {
                $empty[$id] = $title;
            }
        }
        $tied = self::tied($work, $given);
        foreach ($then as $id => $topic) {
            if (isset($now[$id]) && ! isset($changed[$id]) && ! isset($tied[$id]) && $work->children($id) === [] && $given->children($id) === []) {
                $empty[$id] = InlineMarkdown::oneLine($topic->title);
            }
        }
        $removed = array_map(fn (Topic $topic): string => InlineMarkdown::oneLine($topic->title), array_diff_key($then, $now));
        $more = static function (\Closure $count) use ($work, $given): int {
            /** @var \Closure(TopicMap): int $count */
            return max(0, $count($work) - $count($given));
        };

        return new self($added, $changed, $removed, self::inOrder($empty, $now),
            $more(self::words(...)), $more(fn (TopicMap $map): int => count($map->rowsOf(TopicPicture::class))), $more(fn (TopicMap $map): int => count($map->rowsOf(CrossLink::class)) + count($map->rowsOf(Link::class))));
    }

    public function isUntouched(): bool
    {
        return $this->added === [] && $this->changed === [] && $this->removed === [];
    }

    /**
     * @param  array<string, string>  $some
     * @param  array<string, Topic>  $order
     * @return array<string, string>
     */
    private static function inOrder(array $some, array $order): array
    {
        $sorted = [];
        foreach ($order as $id => $_) {
            if (isset($some[$id])) {
                $sorted[$id] = $some[$id];
            }
        }

        return $sorted;
    }

    /** @return list<string|null> */
    private static function says(Topic $topic): array
    {
        return [$topic->title, $topic->caption, $topic->note, $topic->parent];
    }

    /** @return array<string, array<string, mixed>> what features say of each topic, but not where it lies nor whether it is locked */
    private static function facts(TopicMap $map): array
    {
        $facts = [];
        foreach ($map->living() as $row) {
            if ($row::isOfTopic() && $row::isTold() && ! $row::isOfPlace() && ! $row instanceof Lock) {
                $facts[$row->id][$row::type()] = $row->saying();
            }
        }

        return $facts;
    }

    /** @return array<string, true> the topics of propositions that were not given */
    private static function tied(TopicMap $work, TopicMap $given): array
    {
        $were = $tied = [];
        foreach (Sentences::of($given)->all as $one) {
            $were["{$one->proposition->from} {$one->phrase} {$one->proposition->to}"] = true;
        }
        foreach (Sentences::of($work)->all as $one) {
            if (! isset($were["{$one->proposition->from} {$one->phrase} {$one->proposition->to}"])) {
                $tied[$one->proposition->from] = $tied[$one->proposition->to] = true;
            }
        }

        return $tied;
    }

    private static function words(TopicMap $map): int
    {
        $words = 0;
        foreach ($map->all() as $topic) {
            $words += WordCount::of($topic->title) + ($topic->caption === '' ? 0 : WordCount::of($topic->caption)) + ($topic->note === '' ? 0 : WordCount::of($topic->note));
        }

        return $words;
    }
}
