<?php

declare(strict_types=1);

namespace ChalkTree\Attach;

use ChalkTree\Map\ContentName;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\NamesContent;

/** A file at a topic, kept with the map by what is in it. */
final readonly class AttachedFile extends FeatureRow implements NamesContent
{
    public const LONGEST_NAME = 200;

    private const MOST = 5_000;

    public static function type(): string
    {
        return 'file';
    }

    public static function words(): string
    {
        return 'file';
    }

    public static function most(): int
    {
        return self::MOST;
    }

    /** "source" names its bytes, "bytes" says how many they are; "name" is what a person calls it, with the ending that tells its sort. */
    public static function declared(): array
    {
        return [
            'at' => Field::topic(),
            'source' => Field::formed(ContentName::isOne(...), 69, 'be “file:” with 64 hexadecimal digits')->called('file'),
            'name' => Field::text(self::LONGEST_NAME)->called('name of the file'),
            'bytes' => Field::number(0, PHP_INT_MAX),
        ];
    }

    public function at(): string
    {
        return $this->text('at');
    }

    public function content(): ?string
    {
        return ContentName::hash($this->text('source'));
    }

    public function naming(string $hash): static
    {
        return $this->with(['source' => ContentName::of($hash)]);
    }

    public function sort(): FileSort
    {
        return FileSort::ofName($this->text('name'));
    }
}
