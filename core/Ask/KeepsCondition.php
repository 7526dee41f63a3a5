<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Map\Field;
use Closure;

/** What rows have in common that keep a condition as JSON, in "when"; they say so by AsksOfTopics. */
trait KeepsCondition
{
    private static function whenField(): Field
    {
        return Field::formed(fn (string $json): bool => Condition::of($json) !== null, Condition::LONGEST, 'be a condition as JSON');
    }

    /** Null where it has none, or one that this version does not know. */
    public function condition(): ?Condition
    {
        return $this->text('when') === '' ? null : Condition::of($this->text('when'));
    }

    /** What stands below a topic that is not there, nothing does. */
    public function among(Closure $isThere): static
    {
        return $this->having(Condition::without($this->text('when'), $isThere));
    }

    public function asking(Closure $otherwise): static
    {
        return $this->text('when') === '' ? $this : $this->having(Condition::asking($this->text('when'), $otherwise));
    }

    /** The same where nothing is asked otherwise, however that is written. */
    private function having(string $when): static
    {
        return $when === $this->text('when') || json_decode($when, true) == json_decode($this->text('when'), true) ? $this : $this->with(['when' => $when]);
    }
}
