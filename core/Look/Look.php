<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** How one topic looks, with everything decided; see LookResolver. Equal looks have equal hashes. */
final readonly class Look
{
    /** 8 hexadecimal digits. */
    public string $hash;

    public function __construct(public TypeLook $type, public BoxLook $box, public SpacingLook $spacing, public ConnectorLook $connector)
    {
        $this->hash = hash('xxh32', serialize([$type, $box, $spacing, $connector]));
    }

    /** @return array{name: string, type: array<string, mixed>, box: array<string, mixed>, spacing: array<string, mixed>} "SlipLook" in the wire schema */
    public function toArray(): array
    {
        [$type, $box] = [$this->type, $this->box];

        return [
            'name' => $this->hash,
            'type' => [
                'size' => $type->size, 'line' => $type->line, 'bold' => $type->bold, 'slanted' => $type->slanted,
                'align' => $type->align, 'face' => $type->face->value, 'baseline' => round($type->baseline(), 2), 'ink' => $type->ink,
            ],
            'box' => [
                'padX' => $box->padX, 'padY' => $box->padY, 'widest' => $box->widest, 'width' => $box->width,
                'corner' => $box->corner, 'spine' => $box->spine, 'shape' => $box->shape,
            ],
            'spacing' => ['gap' => $this->spacing->gap, 'reach' => $this->spacing->reach],
        ];
    }
}
