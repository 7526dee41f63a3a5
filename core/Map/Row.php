<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/**
 * One small record of a map with an identity that never changes. Rows are immutable: a change makes a new one.
 * Whatever a map holds is a row, so that recording, undo, storage and the wire need not know what it means.
 */
interface Row
{
    /** The word that names this sort of row on the wire and in the history, such as "topic". */
    public static function type(): string;

    /** @param  array<string, scalar|null>  $fields all fields, as fields() gives them */
    public static function fromFields(string $id, array $fields): static;

    public function id(): string;

    /** @return array<string, scalar|null> every field but the id */
    public function fields(): array;

    /** @return list<string> the ids of the topics that it is about; where one of them is gone, it counts as gone */
    public function topics(): array;
}
