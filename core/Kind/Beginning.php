<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\TopicMap;

/** What topics have when they come to be of a kind. */
final readonly class Beginning
{
    /** Gives a topic a kind, and the first values of its fields where it has none yet. */
    public static function give(TopicMap $map, Recorder $recorder, string $topic, Kind $kind, string $today): void
    {
        $recorder->keep(TopicKind::fromFields($topic, ['kind' => $kind->id]));
        $values = [];
        $has = Kinds::values($map, $topic);
        foreach ($kind->fieldIds() as $id) {
            $field = $map->row(KindField::type(), $id);
            if ($field instanceof KindField && $field->text('blank') !== '' && ! isset($has[$id])) {
                try {
                    $values[$id] = ValueForm::read($field, $field->text('blank'), $today, $map);
                } catch (InvalidEdit) {
                    // The sort of the field has changed since; then it begins empty.
                }
            }
        }
        if ($values !== []) {
            $row = $map->row(Values::type(), $topic);
            $recorder->keep(($row instanceof Values ? $row : Values::fromFields($topic, []))->having($values));
        }
    }
}
