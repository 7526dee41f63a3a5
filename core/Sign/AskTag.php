<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\LeavesTraces;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Said;
use ChalkTree\Ask\Traces;
use ChalkTree\Edit\Arguments;
use ChalkTree\Text\Sameness;

/** Whether a topic has a tag: {"ask": "tag", "is": "01…"}. */
final readonly class AskTag implements LeavesTraces
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

    public static function heard(Said $said, Moment $now): ?array
    {
        $byName = [];
        foreach ($said->takes('tag') || $said->takes('tagged') ? $now->map->rowsOf(Tag::class) : [] as $tag) {
            $byName[Sameness::key($tag->text('name'))] = $tag->id;
        }
        $tag = $said->name($byName);

        return $tag === null ? null : ['ask' => self::name(), 'is' => $tag];
    }

    public static function offers(Moment $now): iterable
    {
        foreach ($now->map->rowsOf(Tag::class) as $tag) {
            yield "tag {$tag->text('name')}";
        }
    }

    public static function namedBy(): array
    {
        return [Tag::class];
    }

    public static function traces(Moment $now): iterable
    {
        foreach ($now->map->rowsOf(Tag::class) as $tag) {
            yield 'tag '.Sameness::key($tag->text('name'));
        }
    }

    public function trace(Moment $now): string
    {
        $tag = $now->map->row(Tag::type(), $this->tag);

        return Traces::mark('tag '.($tag instanceof Tag ? Sameness::key($tag->text('name')) : ''));
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
