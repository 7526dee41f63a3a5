<?php

declare(strict_types=1);

namespace App\Files;

use ChalkTree\Attach\AttachedFile;
use ChalkTree\Map\NamesContent;
use ChalkTree\Map\TopicMap;
use ChalkTree\Picture\TopicPicture;

/** The pictures and files that a map names now, by their hashes: in rows of features and in notes. */
final readonly class Contents
{
    /**
     * @param  array<string, true>  $pictures
     * @param  array<string, string>  $files  with what the map calls them; empty where it says nothing
     */
    private function __construct(public array $pictures, public array $files)
    {
    }

    public static function of(TopicMap $map): self
    {
        $pictures = $files = [];
        foreach ($map->living() as $row) {
            $hash = $row instanceof NamesContent ? $row->content() : null;
            if ($hash !== null && $row instanceof TopicPicture) {
                $pictures[$hash] = true;
            } elseif ($hash !== null) {
                $name = $row instanceof AttachedFile ? $row->text('name') : '';
                $files[$hash] = $name !== '' ? $name : $files[$hash] ?? '';
            }
        }
        foreach ($map->everything() as $topic) {
            $pictures += array_fill_keys(self::inNote($topic->note), true);
        }

        return new self($pictures, $files);
    }

    /** @return list<string> the hashes of the pictures in a note: "![what is on it](file:…)" */
    public static function inNote(string $note): array
    {
        if (! str_contains($note, '](file:')) {
            return [];
        }
        preg_match_all('/\]\(file:([0-9a-f]{64})\)/', $note, $m);

        return array_values(array_unique($m[1]));
    }

    /**
     * Lets a map that was just read name what came with it by what is in that. Nothing is kept under a name that is not its
     * own, whatever a file says.
     *
     * @param  array<string, string>  $pictures  hashes, by those under which the map names them
     * @param  array<string, string>  $files
     */
    public static function rename(TopicMap $map, array $pictures, array $files): void
    {
        foreach ($map->living() as $row) {
            if ($row instanceof NamesContent) {
                $now = ($row instanceof TopicPicture ? $pictures : $files)[$row->content() ?? ''] ?? null;
                if ($now !== null && $now !== $row->content()) {
                    $map->put($row->naming($now));
                }
            }
        }
        foreach ($map->everything() as $topic) {
            $inNote = array_intersect_key($pictures, array_flip(self::inNote($topic->note)));
            if ($inNote !== []) {
                $map->put($topic->with(['note' => strtr($topic->note, $inNote)]));
            }
        }
    }
}
