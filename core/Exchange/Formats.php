<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\TopicMap;
use LogicException;

/** The list of formats, and the door through which files come in: it bounds and cleans what the readers see. */
final class Formats
{
    /** @var list<class-string<Format>> a new format is one class and one line here; what takes anything stands last */
    private const ALL = [
        JsonFormat::class,
        OpmlFormat::class,
        IcsFormat::class,
        CsvFormat::class,
        MarkdownFormat::class,
        TextFormat::class,
    ];

    /** @return array<string, Format> by name */
    public static function all(): array
    {
        $all = [];
        foreach (self::ALL as $class) {
            $all[$class::name()] = new $class;
        }

        return $all;
    }

    /** @return list<string> the names of those that maps can be read from */
    public static function readable(): array
    {
        return array_keys(array_filter(self::all(), fn (Format $format): bool => $format->reader() !== null));
    }

    /** @return list<string> the names of those that maps can be written to */
    public static function writable(): array
    {
        return array_keys(array_filter(self::all(), fn (Format $format): bool => $format->writer() !== null));
    }

    /**
     * @param  string|null  $format  a name; null to go by the file's ending and contents
     *
     * @throws UnreadableFile
     */
    public static function read(string $contents, string $file, ?string $format = null, ?string $title = null): TopicMap
    {
        if (strlen($contents) > Bounds::LARGEST_FILE) {
            throw new UnreadableFile('This file is larger than 16 MB, more than a map can take in.');
        }
        $all = self::all();
        if ($format !== null && ($all[$format] ?? null)?->reader() === null) {
            throw new UnreadableFile("There is no format called “{$format}”; there are ".implode(', ', self::readable()).'.', 'format');
        }
        $known = $format === null ? self::byEnding($file) : $all[$format];
        $contents = $known?->isBinary() === true || ($known === null && self::recognised($contents)?->isBinary() === true) ? $contents : self::decoded($contents);
        $reader = ($known ?? self::recognised($contents))?->reader() ?? throw new UnreadableFile('This file is of a kind that maps are not read from.', 'format');
        $name = pathinfo(basename($file), PATHINFO_FILENAME);

        return $reader->read($contents, $title ?? ($name === '' ? 'Imported map' : mb_scrub($name)));
    }

    /**
     * @param  string  $format  one of writable()
     * @param  array<string, scalar|null>  $options  see Format::options()
     */
    public static function write(TopicMap $map, string $format, array $options = []): string
    {
        $writer = (self::all()[$format] ?? null)?->writer($options);

        return $writer === null ? throw new LogicException("Maps are not written as “{$format}”.") : $writer->write($map);
    }

    private static function byEnding(string $file): ?Format
    {
        $ending = strtolower(pathinfo($file, PATHINFO_EXTENSION));
        foreach (self::all() as $format) {
            if (in_array($ending, $format->endings(), true)) {
                return $format;
            }
        }

        return null;
    }

    private static function recognised(string $contents): ?Format
    {
        foreach (self::all() as $format) {
            if ($format->recognises($contents)) {
                return $format;
            }
        }

        return null;
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
