<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\Ids;

/** The tags of a topic. */
final readonly class TopicTags extends FeatureRow
{
    public const MOST = 40;

    public static function type(): string
    {
        return 'tags';
    }

    public static function words(): string
    {
        return 'tags';
    }

    /** "tags": their ids, with spaces between. */
    public static function declared(): array
    {
        return ['tags' => Field::formed(self::isList(...), 27 * self::MOST, 'be ids of tags with spaces between, at most '.self::MOST)];
    }

    private static function isList(string $text): bool
    {
        $ids = explode(' ', $text);

        return count($ids) <= self::MOST && array_filter($ids, Ids::valid(...)) === $ids && array_unique($ids) === $ids;
    }

    /** @return list<string> the ids of tags */
    public function tags(): array
    {
        return $this->text('tags') === '' ? [] : explode(' ', $this->text('tags'));
    }

    /** @param  list<string>  $tags  by their ids */
    public function having(array $tags): self
    {
        return $this->with(['tags' => $tags === [] ? null : implode(' ', array_slice(array_values(array_unique($tags)), 0, self::MOST))]);
    }

    public function needs(): array
    {
        return array_map(fn (string $tag): array => [Tag::class, $tag], $this->tags());
    }
}
