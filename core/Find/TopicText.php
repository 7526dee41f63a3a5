<?php

declare(strict_types=1);

namespace ChalkTree\Find;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/** One of the texts of a topic: of its own, or one that a feature keeps of it. */
final readonly class TopicText
{
    /** Which texts are looked at; "more" are those of features. */
    public const SORTS = ['title', 'caption', 'note', 'more'];

    /**
     * @param  string  $field  title, caption, note, or the sort of row and its field
     * @param  string  $called  what it is called in the middle of a sentence
     * @param  string  $text  of titles what one reads, of notes their Markdown
     */
    private function __construct(public Topic $topic, public string $field, public string $text, public ?FeatureRow $row = null, public string $name = '', public string $called = '')
    {
    }

    /** Names a find in this text as long as the text does not change. */
    public function key(int $nth): string
    {
        return implode('.', array_filter([$this->topic->id, $this->field, $this->row?->id, (string) $nth], is_string(...)));
    }

    /**
     * All texts of some topics, each topic's own before those that features keep of it. What a row says is said of the
     * first topic it is about, and of the root where it is about the map as a whole.
     *
     * @param  array<string, Topic>  $topics
     * @param  list<string>  $sorts  of SORTS
     * @return iterable<self>
     */
    public static function of(TopicMap $map, array $topics, array $sorts): iterable
    {
        $rows = [];
        foreach (in_array('more', $sorts, true) ? $map->living() : [] as $row) {
            $rows[$row->topics()[0] ?? $map->root()->id][] = $row;
        }
        foreach ($topics as $id => $topic) {
            foreach ($sorts as $sort) {
                if ($sort !== 'more') {
                    yield new self($topic, $sort, called: $sort, text: match ($sort) {
                        'title' => InlineMarkdown::plain($topic->title),
                        'caption' => $topic->caption,
                        default => $topic->note,
                    });
                }
            }
            foreach ($rows[$id] ?? [] as $row) {
                foreach ($row->textsIn($map) as $name => [$text, $called]) {
                    yield new self($topic, $row::type().'-'.$name, $text, $row, $name, $called);
                }
            }
        }
    }
}
