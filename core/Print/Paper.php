<?php

declare(strict_types=1);

namespace ChalkTree\Print;

/** Sheets that printers take, by the names that Choices knows. */
enum Paper: string
{
    case A4 = 'a4';
    case A3 = 'a3';
    case A5 = 'a5';
    case Letter = 'letter';
    case Legal = 'legal';

    public static function named(string $name): self
    {
        return self::tryFrom($name) ?? self::A4;
    }

    /** @return array{float, float} width and height upright, millimetres */
    public function size(): array
    {
        return match ($this) {
            self::A4 => [210.0, 297.0],
            self::A3 => [297.0, 420.0],
            self::A5 => [148.0, 210.0],
            self::Letter => [215.9, 279.4],
            self::Legal => [215.9, 355.6],
        };
    }

    /** As people call it, and as CSS does. */
    public function words(): string
    {
        return match ($this) {
            self::Letter, self::Legal => $this->value,
            default => strtoupper($this->value),
        };
    }
}
