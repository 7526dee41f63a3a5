<?php

declare(strict_types=1);

namespace App\HandOver;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\HandOver\Choices;
use ChalkTree\Map\TopicMap;

/** Reads what was chosen as it comes from addresses, the command line, and from settings that the map keeps. */
final class WishReader
{
    /**
     * @param  array<mixed>  $given  by the names of Choices; flags also as "1" and "true", numbers as digits
     * @param  string|null  $preset  the name of settings that the map keeps, which hold where nothing else is given
     *
     * @throws InvalidEdit
     */
    public static function choices(array $given, TopicMap $map, ?string $preset = null): Choices
    {
        $kept = $preset === null ? [] : self::kept($map, $preset)->saying();
        $fields = [];
        foreach (array_diff_key(Choices::known(), ['name' => true]) as $name => $field) {
            if (isset($given[$name]) && $given[$name] !== '') {
                $value = $given[$name];
                $value = match (true) {
                    in_array($name, Choices::FLAGS, true) => match ($value) {
                        true, '1', 'true', 'yes' => true, false, '0', 'false', 'no' => false, default => $value,
                    },
                    is_string($value) && preg_match('/^-?\d{1,8}$/D', $value) === 1 => (int) $value,
                    default => $value,
                };
                $fields[$name] = $field->read(new Arguments([$name => $value]), $name);
            }
        }

        return Choices::fromFields('', $fields + $kept);
    }

    /** @throws InvalidEdit where there are none of that name */
    private static function kept(TopicMap $map, string $name): Choices
    {
        $all = $map->rowsOf(Choices::class);
        foreach ($all as $choices) {
            if (mb_strtolower($choices->text('name')) === mb_strtolower(trim($name))) {
                return $choices;
            }
        }
        $names = array_filter(array_map(fn (Choices $one): string => $one->text('name'), $all));

        throw new InvalidEdit("This map has no settings called “{$name}”.".($names === [] ? '' : ' It has: '.implode(', ', $names).'.'), 'preset');
    }
}
