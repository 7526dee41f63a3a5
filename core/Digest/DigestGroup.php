<?php

declare(strict_types=1);

namespace ChalkTree\Digest;

use ChalkTree\Map\Ids;
use Closure;

/** Lines of a digest under one head. */
final readonly class DigestGroup
{
    private const DEEPEST = 6;

    private const LONGEST = 300;

    /**
     * @param  string  $title  empty where nothing is grouped
     * @param  list<DigestLine>  $lines
     */
    public function __construct(public string $title, public array $lines)
    {
    }

    /** @return array{title: string, lines: list<array{map: string, topic: string, title: string, trail: list<string>, told: list<string>, progress: int|null}>} "DigestGroup" in the wire schema */
    public function toArray(): array
    {
        return ['title' => $this->title, 'lines' => array_map(fn (DigestLine $line): array => $line->toArray(), $this->lines)];
    }

    /** @return list<self>|null as toArray() writes them in JSON; null where it is something else */
    public static function read(string $json): ?array
    {
        $data = json_decode($json, true, self::DEEPEST);
        if (! is_array($data) || ! array_is_list($data)) {
            return null;
        }
        $groups = [];
        foreach ($data as $group) {
            if (! is_array($group) || ! self::isText($group['title'] ?? null) || ! is_array($group['lines'] ?? null)) {
                return null;
            }
            $lines = [];
            foreach ($group['lines'] as $line) {
                $read = self::line($line);
                if ($read === null) {
                    return null;
                }
                $lines[] = $read;
            }
            $groups[] = new self((string) $group['title'], $lines);
        }

        return $groups;
    }

    /** @param  list<self>  $groups */
    public static function write(array $groups): string
    {
        return json_encode(array_map(fn (self $group): array => $group->toArray(), $groups), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }

    /**
     * Groups without lines of topics of this map that are not there; those of other maps stay.
     *
     * @param  list<self>  $groups
     * @param  Closure(string): bool  $isThere
     * @return list<self>
     */
    public static function among(array $groups, Closure $isThere): array
    {
        $left = array_map(fn (self $group): self => new self($group->title, array_values(array_filter($group->lines, fn (DigestLine $line): bool => $line->map !== '' || $isThere($line->topic)))), $groups);

        return array_values(array_filter($left, fn (self $group): bool => $group->lines !== []));
    }

    /** @param  list<self>  $groups */
    public static function count(array $groups): int
    {
        return array_sum(array_map(fn (self $group): int => count($group->lines), $groups));
    }

    private static function line(mixed $line): ?DigestLine
    {
        if (! is_array($line) || ! self::isText($line['title'] ?? null) || ! is_string($line['topic'] ?? null) || ! Ids::valid($line['topic']) || ! is_string($line['map'] ?? null) || ($line['map'] !== '' && ! Ids::valid($line['map']))) {
            return null;
        }
        [$trail, $told, $progress] = [$line['trail'] ?? null, $line['told'] ?? null, $line['progress'] ?? null];
        if (! is_array($trail) || ! is_array($told) || array_filter([...$trail, ...$told], fn (mixed $text): bool => ! self::isText($text)) !== [] || ($progress !== null && (! is_int($progress) || $progress < 0 || $progress > 100))) {
            return null;
        }

        return new DigestLine($line['map'], $line['topic'], (string) $line['title'], array_map(strval(...), array_values($trail)), array_map(strval(...), array_values($told)), $progress);
    }

    private static function isText(mixed $text): bool
    {
        return is_string($text) && mb_strlen($text) <= self::LONGEST;
    }
}
