<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

/** Writes our own JSON: everything that is in the map, as docs/format.md describes it. */
final class JsonWriter implements Writer
{
    public const FORMAT = 'chalk-tree-map';

    public const VERSION = 2;

    public function write(TopicMap $map): string
    {
        return json_encode($this->data($map), JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n";
    }

    /** @return array{format: string, version: int, title: string|null, arrangement: string, root: string, topics: list<array<string, scalar|null>>, rows?: list<array{type: string, id: string, fields: array<string, scalar|null>}>} */
    public function data(TopicMap $map): array
    {
        $topics = [];
        foreach ($map->everything() as $topic) {
            $topics[] = ['id' => $topic->id] + array_diff_key($topic->saying(), ['rank' => 1]) + ['title' => ''];
        }
        $rows = array_map(fn (FeatureRow $row): array => ['type' => $row::type(), 'id' => $row->id, 'fields' => $row->saying()], $map->living());
        $sheet = $map->sheet();

        return [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'title' => $sheet->title,
            'arrangement' => $sheet->arrangement,
            'root' => $sheet->root,
            'topics' => $topics,
        ] + ($rows === [] ? [] : ['rows' => $rows]);
    }
}
