<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Text\TypeFace;

/**
 * Makes a look of what its level has and what was said beyond that. A larger type size makes everything larger: what
 * keeps text from the edge, the width at which it wraps, the small type beside it.
 *
 * @phpstan-type Said array<string, scalar>
 */
final class LookBuilder
{
    /** @param  Said  $said  by the names in LookFields */
    public static function build(Look $level, array $said): Look
    {
        if ($said === []) {
            return $level;
        }
        $size = (float) ($said['size'] ?? $level->type->size);
        $ratio = $size / $level->type->size;
        $box = self::box($level->box, $said, $ratio);

        return new Look(self::type($level->type, $said, $size, $box->fill === 'plate'), $box, self::spacing($level->spacing, $said), self::connector($level->connector, $said));
    }

    /**
     * All that a look says, as if it had been said: what build() makes of it looks the same.
     *
     * @return array<string, scalar|null> by the names in LookFields; null for a width that the text decides
     */
    public static function values(Look $look): array
    {
        [$type, $box, $line] = [$look->type, $look->box, $look->connector];

        return [
            'shape' => $box->shape,
            'fill' => $box->fill === '' ? 'none' : $box->fill,
            'edge' => $box->edge === '' ? 'none' : $box->edge,
            'edgeThick' => $box->edgeThick,
            'edgeDash' => $box->edgeDash,
            'corner' => $box->corner,
            'face' => $type->face->value,
            'size' => (int) round($type->size),
            'weight' => $type->bold ? 'bold' : 'regular',
            'slant' => $type->slanted ? 'slanted' : 'upright',
            'ink' => $type->ink,
            'align' => $type->align,
            'caption' => $type->captionAbove ? 'above' : 'below',
            'width' => $box->width,
            'line' => $line->form,
            'lineThick' => (int) max(1, round($line->thick)),
            'lineTaper' => $line->thin < $line->thick ? 'tapered' : 'even',
            'lineDash' => $line->dash,
            'lineChalk' => $line->paint,
            'gap' => $look->spacing->gap,
            'reach' => $look->spacing->reach,
        ];
    }

    /** @param  Said  $said */
    private static function type(TypeLook $level, array $said, float $size, bool $isOnPlate): TypeLook
    {
        $face = TypeFace::from((string) ($said['face'] ?? $level->face->value));
        $ofLevel = $level->ink === 'plate-ink' ? 'ink' : $level->ink;

        return new TypeLook(
            $size,
            $size === $level->size && $face === $level->face ? $level->line : round($size * $face->leading()),
            isset($said['weight']) ? $said['weight'] === 'bold' : $level->bold,
            (string) ($said['align'] ?? $level->align),
            (string) ($said['ink'] ?? ($isOnPlate ? 'plate-ink' : $ofLevel)),
            $isOnPlate ? 'plate-ink' : 'soft',
            isset($said['slant']) ? $said['slant'] === 'slanted' : $level->slanted,
            $face,
            max(9.0, round($level->small * $size / $level->size, 1)),
            isset($said['caption']) ? $said['caption'] === 'above' : $level->captionAbove,
        );
    }

    /** @param  Said  $said */
    private static function box(BoxLook $level, array $said, float $ratio): BoxLook
    {
        $name = (string) ($said['shape'] ?? $level->shape);
        $its = new BoxLook(0, 0, 0, null, 0, 0, '', '', $name);
        $shape = $its->shape();
        $isOther = $name !== $level->shape;
        $edge = (string) ($said['edge'] ?? ($isOther ? $shape->edge($level->edge) : $level->edge));
        $larger = static fn (int $length): int => (int) round($length * $ratio);
        // A plate has no spine, and nor has what is no box.
        $hasSpine = $shape->spine(100.0, 100.0, 0.0, 4.0, \ChalkTree\Arrange\Growth::Right) !== '';

        return new BoxLook(
            $larger($level->padX),
            $larger($level->padY),
            $larger($level->widest),
            isset($said['width']) ? (int) $said['width'] : $level->width,
            (int) ($said['corner'] ?? $level->corner),
            $hasSpine ? $larger($level->spine) : 0,
            self::paint((string) ($said['fill'] ?? ($isOther ? $shape->fill($level->fill) : $level->fill))),
            self::paint($edge),
            $name,
            (int) ($said['edgeThick'] ?? ($isOther && $edge !== 'edge' ? 2 : $level->edgeThick)),
            (string) ($said['edgeDash'] ?? $level->edgeDash),
        );
    }

    /** @param  Said  $said */
    private static function spacing(SpacingLook $level, array $said): SpacingLook
    {
        return new SpacingLook((int) ($said['gap'] ?? $level->gap), (int) ($said['reach'] ?? $level->reach));
    }

    /** @param  Said  $said */
    private static function connector(ConnectorLook $level, array $said): ConnectorLook
    {
        $thick = (float) ($said['lineThick'] ?? $level->thick);
        $thin = $level->thick > 0.0 ? round($thick * $level->thin / $level->thick, 2) : $thick;

        return new ConnectorLook(
            $thick,
            match ($said['lineTaper'] ?? null) {
                'even' => $thick,
                'tapered' => $thin < $thick ? $thin : round($thick * 0.6, 2),
                default => $thin,
            },
            (string) ($said['line'] ?? $level->form),
            (string) ($said['lineDash'] ?? $level->dash),
            (string) ($said['lineChalk'] ?? $level->paint),
        );
    }

    private static function paint(string $paint): string
    {
        return $paint === 'none' ? '' : $paint;
    }
}
