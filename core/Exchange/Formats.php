<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\TopicMap;

/** The list of text formats, and the door through which files come in: it bounds and cleans what the readers see. */
final class Formats
{
    /** @var array<string, array{reader: class-string<Reader>, writer: class-string<Writer>, ending: string, mime: string}> by name; a new format is one line here */
    public const ALL = [
        'json' => ['reader' => JsonReader::class, 'writer' => JsonWriter::class, 'ending' => 'json', 'mime' => 'application/json'],
        'opml' => ['reader' => OpmlReader::class, 'writer' => OpmlWriter::class, 'ending' => 'opml', 'mime' => 'text/x-opml'],
        'md' => ['reader' => MarkdownReader::class, 'writer' => MarkdownWriter::class, 'ending' => 'md', 'mime' => 'text/markdown'],
        'txt' => ['reader' => TextReader::class, 'writer' => TextWriter::class, 'ending' => 'txt', 'mime' => 'text/plain'],
    ];

    private const ENDINGS = [
        'json' => 'json', 'opml' => 'opml', 'xml' => 'opml',
        'md' => 'md', 'markdown' => 'md', 'mdown' => 'md',
        'txt' => 'txt', 'text' => 'txt', 'tsv' => 'txt',
    ];

    /**
     * @param  string|null  $format  a name of ALL; null to go by the file's ending and contents
     *
     * @throws UnreadableFile
     */
    public static function read(string $contents, string $file, ?string $format = null, ?string $title = null): TopicMap
    {
        if (strlen($contents) > Bounds::LARGEST_FILE) {
            throw new UnreadableFile('This file is larger than 16 MB, more than a map can take in.');
        }
        $contents = self::decoded($contents);
        $format ??= self::guess($contents, $file);
        if (! isset(self::ALL[$format])) {
            throw new UnreadableFile("There is no format called “{$format}”; there are ".implode(', ', array_keys(self::ALL)).'.', 'format');
        }
        $name = pathinfo(basename($file), PATHINFO_FILENAME);
        $reader = self::ALL[$format]['reader'];

        return (new $reader)->read($contents, $title ?? ($name === '' ? 'Imported map' : mb_scrub($name)));
    }

    public static function write(TopicMap $map, string $format): string
    {
        $writer = self::ALL[$format]['writer'];

        return (new $writer)->write($map);
    }

    private static function guess(string $contents, string $file): string
    {
        $ending = strtolower(pathinfo($file, PATHINFO_EXTENSION));
        $start = ltrim(substr($contents, 0, 400));

        return self::ENDINGS[$ending] ?? match (true) {
            str_starts_with($start, '{') => 'json',
            str_starts_with($start, '<') => 'opml',
            preg_match('/^(#{1,6} |[-*+] )/m', $start) === 1 => 'md',
            default => 'txt',
        };
    }

    /** UTF-8 with "\n": takes away a byte order mark, converts UTF-16 that has one, refuses what is neither. */
    private static function decoded(string $contents): string
    {
        if (str_starts_with($contents, "\xEF\xBB\xBF")) {
            $contents = substr($contents, 3);
        } elseif (str_starts_with($contents, "\xFF\xFE") || str_starts_with($contents, "\xFE\xFF")) {
            $contents = mb_convert_encoding(substr($contents, 2), 'UTF-8', $contents[0] === "\xFF" ? 'UTF-16LE' : 'UTF-16BE');
        }
        if (! is_string($contents) || ! mb_check_encoding($contents, 'UTF-8')) {
            throw new UnreadableFile('This file is not text in UTF-8. Save it as UTF-8 and try again.');
        }
        if (str_contains($contents, "\0")) {
            throw new UnreadableFile('This file holds bytes that no text has; it seems to be of another kind.');
        }
        if (trim($contents) === '') {
            throw new UnreadableFile('This file is empty.');
        }

        return str_replace(["\r\n", "\r"], "\n", $contents);
    }
}
