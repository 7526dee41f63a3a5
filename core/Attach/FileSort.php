<?php

declare(strict_types=1);

namespace ChalkTree\Attach;

/** What a file is to a person, as far as its name tells; how it opens hangs on what is in it, see FileMedia. */
enum FileSort
{
    case Page;
    case Film;
    case Sound;
    case Picture;
    case Other;

    private const ENDINGS = [
        'pdf' => self::Page,
        'mp4' => self::Film, 'm4v' => self::Film, 'webm' => self::Film, 'ogv' => self::Film, 'mov' => self::Film, 'mkv' => self::Film,
        'mp3' => self::Sound, 'm4a' => self::Sound, 'wav' => self::Sound, 'ogg' => self::Sound, 'oga' => self::Sound, 'opus' => self::Sound, 'flac' => self::Sound, 'aac' => self::Sound,
        'png' => self::Picture, 'jpg' => self::Picture, 'jpeg' => self::Picture, 'gif' => self::Picture, 'webp' => self::Picture, 'avif' => self::Picture,
    ];

    public static function ofName(string $name): self
    {
        $dot = strrpos($name, '.');

        return $dot === false ? self::Other : self::ENDINGS[strtolower(substr($name, $dot + 1))] ?? self::Other;
    }

    /** Lines from the corner of a sheet of 10 by 11 pixels, beside its own, that tell the sort; an SVG path. */
    public function lines(): string
    {
        return match ($this) {
            self::Page => 'm2.2 5h4m-4 2.6h5.6',
            self::Film => 'm3.4 4.6v4.4l4 -2.2Z',
            self::Sound => 'm3.2 9v-4l3.6 -1v4',
            self::Picture => 'm2 9l2.2 -3.2l1.6 2l1 -1l1.6 2.2',
            self::Other => '',
        };
    }
}
