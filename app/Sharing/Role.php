<?php

declare(strict_types=1);

namespace App\Sharing;

/** What somebody may do with a map, each all that the one before may. */
enum Role: string
{
    /** Looks at what may leave the map. */
    case View = 'view';

    /** Says something about it, too. */
    case Comment = 'comment';

    /** Works in all of it. */
    case Edit = 'edit';

    /** Whose it is: who says who may what, and whether it goes. */
    case Owner = 'owner';

    /** @return list<string> those that can be given to others */
    public static function given(): array
    {
        return [self::View->value, self::Comment->value, self::Edit->value];
    }

    public function isAtLeast(self $other): bool
    {
        return array_search($this, self::cases(), true) >= array_search($other, self::cases(), true);
    }

    /** Of several, the one that allows most. */
    public static function greatest(self ...$roles): ?self
    {
        return array_reduce($roles, fn (?self $most, self $one): self => $most !== null && $most->isAtLeast($one) ? $most : $one);
    }

    /** As it is told in letters. */
    public function words(): string
    {
        return match ($this) {
            self::View => 'look at it',
            self::Comment => 'look at it and comment on it',
            self::Edit => 'work in it',
            self::Owner => 'do everything with it',
        };
    }
}
