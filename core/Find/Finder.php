<?php

declare(strict_types=1);

namespace ChalkTree\Find;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** Finds every place in the texts of a map, or of some of its branches, where something stands. */
final readonly class Finder
{
    /** Characters shown before and after a find. */
    private const CONTEXT = 40;

    /** @param  list<string>  $sorts  of TopicText::SORTS */
    public function __construct(private Query $query, private array $sorts = TopicText::SORTS)
    {
    }

    /**
     * @param  list<string>|null  $branches  ids; null for the whole map, with its parking lot
     * @return list<Hit> in reading order
     */
    public function hits(TopicMap $map, ?array $branches, int $most): array
    {
        $topics = self::topics($map, $branches);
        $this->query->learn(self::texts($map, $topics, $this->sorts));
        $hits = [];
        foreach (TopicText::of($map, $topics, $this->sorts) as $text) {
            foreach ($this->query->in($text->text) as $nth => $find) {
                if (count($hits) === $most) {
                    return $hits;
                }
                $hits[] = new Hit($text->key($nth), $text->topic->id, $text->field, $text->called, $text->row->id ?? '', self::before($text->text, $find), $find->groups[0], self::after($text->text, $find));
            }
        }

        return $hits;
    }

    /**
     * @param  array<string, Topic>  $topics
     * @param  list<string>  $sorts
     * @return iterable<string>
     */
    public static function texts(TopicMap $map, array $topics, array $sorts): iterable
    {
        foreach (TopicText::of($map, $topics, $sorts) as $text) {
            yield $text->text;
        }
    }

    /**
     * @param  list<string>|null  $branches
     * @return array<string, Topic>
     */
    public static function topics(TopicMap $map, ?array $branches): array
    {
        if ($branches === null) {
            return $map->everything();
        }
        $topics = [];
        foreach ($branches as $branch) {
            $topics += $map->branch($branch);
        }

        return $topics;
    }

    /** Only a stretch beside the find is looked at: a long note has many finds. */
    private static function before(string $text, Find $find): string
    {
        $from = max(0, $find->at - 8 * self::CONTEXT);
        $before = mb_strcut($text, $from, $find->at - $from);
        $short = $from > 0 || mb_strlen($before) > self::CONTEXT ? '…'.ltrim(mb_substr($before, -self::CONTEXT)) : $before;

        return (string) preg_replace('/\s+/u', ' ', $short);
    }

    private static function after(string $text, Find $find): string
    {
        $end = $find->at + $find->length;
        $after = mb_strcut($text, $end, 8 * self::CONTEXT);
        $short = strlen($text) - $end > 8 * self::CONTEXT || mb_strlen($after) > self::CONTEXT ? rtrim(mb_substr($after, 0, self::CONTEXT)).'…' : $after;

        return (string) preg_replace('/\s+/u', ' ', $short);
    }
}
