<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\Ids;
use ChalkTree\Shape\Shapes;
use ChalkTree\Text\TypeFace;

/** All that a look can say, wherever it is said. What is not said is inherited. Lengths are in pixels at scale 1. */
final class LookFields
{
    public const DASHES = ['solid', 'dashed', 'dotted'];

    public const LINES = ['curve', 'straight', 'corner', 'none'];

    /** The paints that go without a chalk. */
    private const PLAIN = ['none', 'slip', 'plate', 'ink', 'soft', 'edge'];

    /** Those that go with one, or take that of the branch. */
    private const OF_CHALKS = ['tint', 'chalk', 'text'];

    /** @return non-empty-array<string, Field> */
    public static function all(): array
    {
        return [
            'shape' => Field::choice(Shapes::names())->called('shape'),
            'fill' => self::paint()->called('fill'),
            'edge' => self::paint()->called('outline'),
            'edgeThick' => Field::number(1, 12)->called('thickness of the outline'),
            'edgeDash' => Field::choice(self::DASHES)->called('dash of the outline'),
            'corner' => Field::number(0, 60)->called('corner'),
            'face' => Field::choice(TypeFace::names())->called('typeface'),
            'size' => Field::number(Bounds::SMALLEST_TYPE, Bounds::LARGEST_TYPE)->called('type size'),
            'weight' => Field::choice(['regular', 'bold'])->called('weight'),
            'slant' => Field::choice(['upright', 'slanted'])->called('slant'),
            'ink' => self::paint()->called('colour of the text'),
            'align' => Field::choice(['start', 'left', 'centre', 'right'])->called('alignment'),
            'caption' => Field::choice(['above', 'below'])->called('place of the caption'),
            'width' => Field::number(Bounds::NARROWEST, Bounds::WIDEST)->called('width'),
            'line' => Field::choice(self::LINES)->called('connector'),
            'lineThick' => Field::number(1, 24)->called('thickness of the connector'),
            'lineTaper' => Field::choice(['tapered', 'even'])->called('taper of the connector'),
            'lineDash' => Field::choice(self::DASHES)->called('dash of the connector'),
            'lineChalk' => self::paint()->called('colour of the connector'),
            'gap' => Field::number(0, 300)->called('space to siblings'),
            'reach' => Field::number(12, 400)->called('space to the parent'),
        ];
    }

    private static function paint(): Field
    {
        return Field::formed(self::isPaint(...), 32, 'be a paint such as “slip”, “tint” or “chalk:tide”');
    }

    private static function isPaint(string $paint): bool
    {
        [$sort, $chalk] = [...explode(':', $paint, 2), null];

        return in_array($paint, self::PLAIN, true) || (in_array($sort, self::OF_CHALKS, true) && ($chalk === null || Palette::isName($chalk)));
    }

    /** A field that names a chalk. */
    public static function chalk(): Field
    {
        return Field::formed(Palette::isName(...), 26, 'be a chalk such as “tide”, or the id of one mixed for the map');
    }

    /** @return list<array{class-string<MixedChalk>, string}> the mixed chalks that a row names; see FeatureRow::needs() */
    public static function mixedIn(FeatureRow $row): array
    {
        $mixed = [];
        foreach ($row->saying() as $field => $value) {
            $name = is_string($value) && $field !== 'named' ? substr($value, (int) strrpos(":{$value}", ':')) : '';
            if (Ids::valid($name)) {
                $mixed[] = [MixedChalk::class, $name];
            }
        }

        return $mixed;
    }
}
