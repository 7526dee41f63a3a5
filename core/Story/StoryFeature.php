<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Feature;
use ChalkTree\WithoutMarks;

/** Stories: who and what they name, their scenes in a plan, what in it cannot be, and their shape. All that is said of them stands in kinds and fields. */
final class StoryFeature implements Feature
{
    use WithoutMarks;

    public function rows(): array
    {
        return [];
    }

    public function edits(): array
    {
        return [PlanScenes::class, BringNotes::class, ReviseText::class];
    }

    public function schema(): array
    {
        $texts = ['type' => 'array', 'items' => ['type' => 'string']];

        $note = ['type' => 'object', 'properties' => ['id' => ['type' => 'string'], 'title' => ['type' => 'string'], 'note' => ['type' => 'string'], 'day' => ['type' => 'string']], 'required' => ['id', 'title', 'note'], 'additionalProperties' => false];

        $text = ['type' => 'string'];

        return ['ReviseText' => ['name' => ReviseText::name(), 'properties' => ['topic' => $text, 'was' => $text, 'is' => $text, 'after' => $texts, 'at' => ['type' => 'integer']], 'required' => ['topic', 'was', 'is']], 'BringNotes' => ['name' => BringNotes::name(), 'properties' => ['parent' => ['type' => ['string', 'null']], 'notes' => ['type' => 'array', 'items' => $note]], 'required' => ['parent', 'notes']], 'PlanScenes' => ['name' => PlanScenes::name(), 'properties' => ['topics' => $texts, 'today' => ['type' => 'string']], 'required' => ['topics', 'today']]];
    }
}
