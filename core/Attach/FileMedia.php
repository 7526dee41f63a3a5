<?php

declare(strict_types=1);

namespace ChalkTree\Attach;

/**
 * As what the bytes of a file are sent: the few types that open in place and can run nothing, told by the first bytes,
 * whatever the file is called; all else is bytes to be saved. Signatures as in the formats' own specifications.
 */
final class FileMedia
{
    public const BYTES = 'application/octet-stream';

    public const PDF = 'application/pdf';

    /** So many bytes from the beginning are looked at. */
    public const LOOKED_AT = 1_024;

    /** Brands of ISO base media files. */
    private const BRANDS = [
        'M4A ' => 'audio/mp4', 'M4B ' => 'audio/mp4', 'avif' => 'image/avif', 'qt  ' => 'video/quicktime',
        'heic' => self::BYTES, 'heix' => self::BYTES, 'mif1' => self::BYTES, 'msf1' => self::BYTES, 'jp2 ' => self::BYTES, 'crx ' => self::BYTES,
    ];

    /** @param  string  $head  the first bytes */
    public static function of(string $head): string
    {
        $head = substr($head, 0, self::LOOKED_AT);

        return match (true) {
            str_starts_with($head, '%PDF-') => self::PDF,
            str_starts_with($head, "\x89PNG\r\n\x1a\n") => 'image/png',
            str_starts_with($head, "\xff\xd8\xff") => 'image/jpeg',
            str_starts_with($head, 'GIF87a'), str_starts_with($head, 'GIF89a') => 'image/gif',
            str_starts_with($head, 'RIFF') && substr($head, 8, 4) === 'WEBP' => 'image/webp',
            str_starts_with($head, 'RIFF') && substr($head, 8, 4) === 'WAVE' => 'audio/wav',
            substr($head, 4, 4) === 'ftyp' => self::BRANDS[substr($head, 8, 4)] ?? 'video/mp4',
            str_starts_with($head, "\x1a\x45\xdf\xa3") => str_contains($head, 'webm') || str_contains($head, 'matroska') ? 'video/webm' : self::BYTES,
            str_starts_with($head, 'OggS') => str_contains($head, "\x80theora") ? 'video/ogg' : 'audio/ogg',
            str_starts_with($head, 'fLaC') => 'audio/flac',
            str_starts_with($head, 'ID3'), self::isMpegSound($head) => 'audio/mpeg',
            default => self::BYTES,
        };
    }

    /** Whether a browser shows it in place. */
    public static function opens(string $media): bool
    {
        return $media !== self::BYTES;
    }

    public static function isPicture(string $media): bool
    {
        return str_starts_with($media, 'image/');
    }

    /** A frame of MPEG sound that begins the file: eleven bits, then a version, a layer, rates that there are. */
    private static function isMpegSound(string $head): bool
    {
        [$one, $two, $three] = strlen($head) < 3 ? [0, 0, 0] : [ord($head[0]), ord($head[1]), ord($head[2])];

        return $one === 0xFF && ($two & 0xE0) === 0xE0 && ($two & 0x18) !== 0x08 && ($two & 0x06) === 0x02 && ($three & 0xF0) !== 0xF0 && ($three & 0xF0) !== 0 && ($three & 0x0C) !== 0x0C;
    }
}
