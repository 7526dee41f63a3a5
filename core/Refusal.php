<?php

declare(strict_types=1);

namespace ChalkTree;

use DomainException;

/**
 * Something a person asked for that cannot be done. The message is a sentence for that person; the reason is a stable
 * code for programs; the field names the part of the request it concerns.
 */
abstract class Refusal extends DomainException
{
    public function __construct(string $message, public readonly ?string $field = null)
    {
        parent::__construct($message);
    }

    abstract public function reason(): string;
}
