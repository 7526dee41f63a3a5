<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

/** A piece of a formula: a number, a field, or something done with what it is given. */
final readonly class FormulaNode
{
    /**
     * @param  string  $does  "number", "field", "today", a sign, or the name of a function
     * @param  list<self>  $given
     * @param  string  $field  the name of a field
     * @param  bool  $isBelow  of a roll-up: whether the topic itself is left out
     */
    public function __construct(public string $does, public array $given = [], public float $number = 0.0, public string $field = '', public bool $isBelow = false)
    {
    }
}
