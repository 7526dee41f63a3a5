<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Kind\Values;
use ChalkTree\Link\SeeAlso;
use ChalkTree\Map\TopicMap;

/** What is tied to topics by lines, links, fields or links in their notes, either way. */
final readonly class StoryTies
{
    private const IN_NOTE = '~/topics/([0-9a-z]{26})~';

    /** @param  array<string, array<string, true>>  $ties */
    private function __construct(private array $ties)
    {
    }

    public static function in(TopicMap $map): self
    {
        $ties = [];
        foreach ($map->rowsOf(SeeAlso::class) as $row) {
            $ties[$row->text('one')][$row->text('other')] = $ties[$row->text('other')][$row->text('one')] = true;
        }
        foreach ($map->rowsOf(CrossLink::class) as $row) {
            $ties[$row->from()][$row->to()] = $ties[$row->to()][$row->from()] = true;
        }

        return new self($ties);
    }

    /** @return array<string, true> the topics that one is tied to */
    public function of(TopicMap $map, string $topic): array
    {
        $tied = $this->ties[$topic] ?? [];
        $values = $map->row(Values::type(), $topic);
        foreach ($values instanceof Values ? $values->all() : [] as $value) {
            if (str_starts_with($value, Values::TOPIC)) {
                $tied[substr($value, strlen(Values::TOPIC))] = true;
            }
        }
        $note = $map->topic($topic)->note;
        if (str_contains($note, '/topics/') && preg_match_all(self::IN_NOTE, $note, $m) > 0) {
            $tied += array_fill_keys($m[1], true);
        }

        return $tied;
    }
}
