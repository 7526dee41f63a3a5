<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Question;
use ChalkTree\Edit\Arguments;

/** Whether a topic has a tag: {"ask": "tag", "is": "01…"}. */
final readonly class AskTag implements Question
{
    private function __construct(private string $tag)
    {
    }

    public static function name(): string
    {
        return 'tag';
    }

    public static function read(Arguments $from): self
    {
        return new self($from->id('is'));
    }

    public function holds(Moment $now, string $topic): bool
    {
        return in_array($this->tag, $now->row(TopicTags::class, $topic)?->tags() ?? [], true);
    }

    public function words(Moment $now): string
    {
        $tag = $now->map->row(Tag::type(), $this->tag);

        return 'tag '.($tag instanceof Tag ? $tag->text('name') : 'that has gone');
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
