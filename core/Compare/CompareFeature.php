<?php

declare(strict_types=1);

namespace ChalkTree\Compare;

use ChalkTree\Feature;
use ChalkTree\WithoutMarks;

/** Two maps laid beside each other, and what one takes over from the other. */
final class CompareFeature implements Feature
{
    use WithoutMarks;

    public function rows(): array
    {
        return [];
    }

    public function edits(): array
    {
        return [BringTopics::class, MoveBeside::class, SayBeside::class];
    }

    public function schema(): array
    {
        $text = ['type' => 'string'];
        $beside = ['parent' => ['type' => ['string', 'null']], 'after' => ['type' => 'array', 'items' => $text]];
        $row = ['type' => 'object', 'properties' => ['type' => $text, 'id' => $text, 'fields' => ['type' => 'object']], 'required' => ['type', 'id', 'fields'], 'additionalProperties' => false];

        return [
            'BringTopics' => ['name' => BringTopics::name(), 'properties' => [...$beside, 'topic' => ['type' => 'object']], 'required' => ['parent', 'topic']],
            'MoveBeside' => ['name' => MoveBeside::name(), 'properties' => [...$beside, 'topic' => $text], 'required' => ['parent', 'topic']],
            'SayBeside' => ['name' => SayBeside::name(), 'properties' => ['topic' => $text, 'title' => $text, 'caption' => $text, 'note' => $text, 'rows' => ['type' => 'array', 'items' => $row]], 'required' => ['topic']],
        ];
    }
}
