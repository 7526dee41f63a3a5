<?php

declare(strict_types=1);

namespace App\Classroom;

/** Codes that are read from a wall and typed by hand: no letter or digit that looks like another. */
final class Codes
{
    private const LETTERS = '23456789abcdefghjkmnpqrstuvwxyz';

    /** For a door that many come through within a lesson: forty bits. */
    public const DOOR = 8;

    /** For a way back in that is somebody's own: sixty bits. */
    public const OWN = 12;

    public static function make(int $length): string
    {
        return implode('', array_map(fn (): string => self::LETTERS[random_int(0, strlen(self::LETTERS) - 1)], range(1, $length)));
    }

    /** A code as it is kept, from what somebody typed: capitals, blanks and dashes do not matter. */
    public static function read(string $typed): string
    {
        return (string) preg_replace('/[^0-9a-z]/', '', mb_strtolower($typed));
    }
}
