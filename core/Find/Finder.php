<?php

declare(strict_types=1);

namespace ChalkTree\Find;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/** Finds every place in the texts of a map, or of some of its branches, where something stands. */
final readonly class Finder
{
    public const FIELDS = ['title', 'caption', 'note'];

    /** Characters shown before and after a find. */
    private const CONTEXT = 40;

    /** @param  list<string>  $fields  of FIELDS */
    public function __construct(private Query $query, private array $fields = self::FIELDS)
    {
    }

    /**
     * @param  list<string>|null  $branches  ids; null for the whole map, with its parking lot
     * @return list<Hit> in reading order
     */
    public function hits(TopicMap $map, ?array $branches, int $most): array
    {
        return $this->query->bounded(fn (): array => $this->search(self::topics($map, $branches), $most));
    }

    /**
     * @param  iterable<Topic>  $topics
     * @return list<Hit>
     */
    private function search(iterable $topics, int $most): array
    {
        $hits = [];
        foreach ($topics as $topic) {
            foreach ($this->fields as $field) {
                $text = self::text($topic, $field);
                foreach ($this->query->in($text) as $nth => $find) {
                    if (count($hits) === $most) {
                        return $hits;
                    }
                    $hits[] = new Hit($topic->id, $field, $nth, self::before($text, $find), $find->groups[0], self::after($text, $find));
                }
            }
        }

        return $hits;
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

    /** The text that is searched: of titles what one reads, of notes their Markdown. */
    public static function text(Topic $topic, string $field): string
    {
        return match ($field) {
            'title' => InlineMarkdown::plain($topic->title),
            'caption' => $topic->caption,
            default => $topic->note,
        };
    }

    private static function before(string $text, Find $find): string
    {
        $before = substr($text, 0, $find->at);
        $short = mb_strlen($before) > self::CONTEXT ? '…'.ltrim(mb_substr($before, -self::CONTEXT)) : $before;

        return (string) preg_replace('/\s+/u', ' ', $short);
    }

    private static function after(string $text, Find $find): string
    {
        $after = substr($text, $find->at + $find->length);
        $short = mb_strlen($after) > self::CONTEXT ? rtrim(mb_substr($after, 0, self::CONTEXT)).'…' : $after;

        return (string) preg_replace('/\s+/u', ' ', $short);
    }
}
