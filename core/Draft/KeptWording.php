<?php

declare(strict_types=1);

namespace ChalkTree\Draft;

use ChalkTree\Look\NamedLook;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** The text of a section as it was once, kept under a name by whoever wrote it, to be laid beside what it is now or taken back. */
final readonly class KeptWording extends FeatureRow
{
    /** Bytes of a text. */
    private const LONGEST = 400_000;

    private const MOST = 1_000;

    public static function type(): string
    {
        return 'wording';
    }

    public static function words(): string
    {
        return 'kept wording';
    }

    public static function most(): int
    {
        return self::MOST;
    }

    /** "text" is the Markdown of the note. Nothing is found or replaced in it: it stays as it was kept. */
    public static function declared(): array
    {
        return [
            'at' => Field::topic(),
            'name' => NamedLook::named('name of the wording'),
            'text' => Field::formed(fn (string $text): bool => trim($text) !== '', self::LONGEST, 'be a text of at most 400,000 letters')->called('kept wording'),
            'on' => Field::day()->called('day of the wording'),
        ];
    }

    public function at(): string
    {
        return $this->text('at');
    }
}
