<?php

declare(strict_types=1);

namespace App\Store;

use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\Ids;

/** One entry of an edit request: what belongs to the protocol, and the rest for the core. */
final readonly class EditBody
{
    /** @param  array<mixed>  $arguments */
    private function __construct(
        public string $id,
        public string $name,
        public string $step,
        public array $arguments,
    ) {
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
