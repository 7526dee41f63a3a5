<?php

declare(strict_types=1);

namespace ChalkTree\Link;

use ChalkTree\Map\ContentName;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\NamesContent;

/** A way out of a topic: to a page, to somebody's mail, to a file of the map, or to another map. */
final readonly class Link extends FeatureRow implements NamesContent
{
    public const LONGEST_TITLE = 300;

    private const MOST = 5_000;

    public static function type(): string
    {
        return 'link';
    }

    public static function words(): string
    {
        return 'link';
    }

    public static function most(): int
    {
        return self::MOST;
    }

    public static function declared(): array
    {
        return [
            'at' => Field::topic(),
            'to' => Field::formed(Address::isOne(...), Address::LONGEST, 'be an address as “https://…”, “mailto:…”, or that of a file or of a topic in another map')->called('address of the link')->asked(),
            'title' => Field::text(self::LONGEST_TITLE)->called('title of the link'),
        ];
    }

    public function at(): string
    {
        return $this->text('at');
    }

    public function to(): string
    {
        return $this->text('to');
    }

    public function content(): ?string
    {
        return ContentName::hash($this->to());
    }

    public function naming(string $hash): static
    {
        return $this->with(['to' => ContentName::of($hash)]);
    }
}
