<?php

declare(strict_types=1);

namespace App\Store;

use ChalkTree\Edit\Edit;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\MergesText;
use ChalkTree\Edit\PreparedEdit;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;

/** One entry of an edit request: what belongs to the protocol, and the rest for the core. */
final class EditBody
{
    private ?Edit $edit = null;

    /** @param  array<mixed>  $arguments */
    private function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly string $step,
        public readonly array $arguments,
    ) {
    }

    /** The core's edit of this name; read once, so that one that was prepared stays so. */
    public function edit(): Edit
    {
        return $this->edit ??= Edits::read($this->name, $this->arguments);
    }

    /** Whether what somebody else wrote at the same time stands beside what this one wrote. */
    public function keptBoth(): bool
    {
        return $this->edit instanceof MergesText && $this->edit->isBoth();
    }

    /** Does what the edit has to do before anybody waits for the map. */
    public function prepare(TopicMap $map): void
    {
        $edit = $this->edit();
        if ($edit instanceof PreparedEdit) {
            $edit->prepare($map);
        }
    }

    /** Whether the edit is of those that are prepared; one that cannot be read is not. */
    public function isPrepared(): bool
    {
        try {
            return Edits::isPrepared($this->name) && $this->edit() instanceof PreparedEdit;
        } catch (Refusal) {
            return false;
        }
    }

    /** @throws InvalidEdit */
    public static function read(mixed $body): self
    {
        if (! is_array($body)) {
            throw new InvalidEdit('An edit has to be an object with a name.', 'edits');
        }
        $id = $body['id'] ?? Ids::next();
        $step = $body['step'] ?? $id;
        if (! is_string($id) || ! Ids::valid($id)) {
            throw new InvalidEdit('The id of an edit has to be 26 letters and digits.', 'id');
        }
        if (! is_string($step) || ! Ids::valid($step)) {
            throw new InvalidEdit('The step of an edit has to be 26 letters and digits.', 'step');
        }
        if (! is_string($body['name'] ?? null)) {
            throw new InvalidEdit('An edit has to say its name.', 'name');
        }

        return new self($id, $body['name'], $step, array_diff_key($body, ['id' => 1, 'name' => 1, 'step' => 1]));
    }
}
