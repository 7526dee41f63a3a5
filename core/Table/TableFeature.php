<?php

declare(strict_types=1);

namespace ChalkTree\Table;

use ChalkTree\Feature;
use ChalkTree\WithoutMarks;

/** Topics as rows under columns. */
final class TableFeature implements Feature
{
    use WithoutMarks;

    public function rows(): array
    {
        return [Table::class];
    }

    public function edits(): array
    {
        return [SetCells::class, OrderRows::class, BringRows::class];
    }

    public function schema(): array
    {
        $text = ['type' => 'string'];
        $list = fn (array $items): array => ['type' => 'array', 'items' => $items];
        $cell = ['type' => 'object', 'properties' => ['topic' => $text, 'column' => $text, 'text' => $text], 'required' => ['topic', 'column', 'text'], 'additionalProperties' => false];

        return [
            'SetCells' => ['name' => SetCells::name(), 'properties' => ['cells' => $list($cell), 'today' => $text], 'required' => ['cells', 'today']],
            'OrderRows' => ['name' => OrderRows::name(), 'properties' => ['branch' => ['type' => ['string', 'null']], 'deep' => ['type' => 'boolean'], 'order' => $text, 'today' => $text], 'required' => ['order', 'today']],
            'BringRows' => ['name' => BringRows::name(), 'properties' => ['parent' => $text, 'columns' => $list(['type' => ['string', 'null']]), 'rows' => $list($list($text)), 'key' => ['type' => ['integer', 'null']], 'today' => $text], 'required' => ['parent', 'columns', 'rows', 'today']],
        ];
    }
}
