<?php

declare(strict_types=1);

namespace ChalkTree;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** The schema of what crosses the wire: what is the same for every map, and the piece of each feature. */
final class WireSchema
{
    private const ID = ['type' => 'string', 'description' => 'Made by the sender; a repeat with the same id does nothing.'];

    private const STEP = ['type' => 'string', 'description' => 'Edits of one step are undone together; by default each is its own.'];

    /**
     * @param  array{definitions: array<string, array<string, mixed>>}  $base  in which "Edit" lists the edits
     * @return array<string, mixed>
     */
    public static function composed(array $base): array
    {
        $edits = $rows = [];
        foreach (Features::all() as $feature) {
            foreach ($feature->rows() as $class) {
                $name = self::name($class::type());
                $rows["{$name}Row"] = self::row($class);
                $edits["Set{$name}"] = self::setting($class);
            }
            foreach ($feature->schema() as $name => $edit) {
                $edits[$name] = self::edit($edit['name'], $edit['properties'], $edit['required']);
            }
        }
        $refer = fn (string $name): array => ['$ref' => "#/definitions/{$name}"];
        $known = is_array($base['definitions']['Edit']['anyOf'] ?? null) ? $base['definitions']['Edit']['anyOf'] : [];
        $base['definitions']['Edit']['anyOf'] = [...$known, ...array_map($refer, array_keys($edits))];
        $base['definitions'] += $edits + $rows + ['FeatureRow' => ['anyOf' => array_map($refer, array_keys($rows))]];

        return $base;
    }

    /**
     * @param  class-string<FeatureRow>  $class
     * @return array<string, mixed>
     */
    private static function row(string $class): array
    {
        $fields = array_map(fn (Field $field): array => $field->schema(), $class::known());

        return [
            'description' => 'Always with all its fields; none where it is gone.',
            'type' => 'object',
            'properties' => [
                'type' => ['const' => $class::type()],
                'id' => ['type' => 'string'],
                'fields' => ['anyOf' => [self::object($fields, array_keys($fields)), ['type' => 'null']]],
                'whole' => ['const' => true],
                'topics' => ['type' => 'array', 'items' => ['type' => 'string'], 'description' => 'What it is about. Where one of these is gone, so is the row.'],
            ],
            'required' => ['type', 'id', 'fields'],
            'additionalProperties' => false,
        ];
    }

    /**
     * @param  class-string<FeatureRow>  $class
     * @return array<string, mixed>
     */
    private static function setting(string $class): array
    {
        $which = $class::isOfTopic() ? ['topics' => ['type' => 'array', 'items' => ['type' => 'string']]] : ['row' => ['type' => 'string'], 'rows' => ['type' => 'array', 'items' => ['type' => 'string']]];
        $fields = self::object(array_map(fn (Field $field): array => $field->schema(), $class::known()), []);

        return self::edit('row.set', ['type' => ['const' => $class::type()]] + $which + ['fields' => $fields], ['type', ...($class::isOfTopic() ? ['topics'] : []), 'fields']);
    }

    /**
     * @param  array<string, mixed>  $properties
     * @param  list<string>  $required
     * @return array<string, mixed>
     */
    private static function edit(string $name, array $properties, array $required): array
    {
        return self::object(['id' => self::ID, 'step' => self::STEP, 'name' => ['const' => $name]] + $properties, ['name', ...$required]);
    }

    /**
     * @param  array<string, mixed>  $properties
     * @param  list<string>  $required
     * @return array<string, mixed>
     */
    private static function object(array $properties, array $required): array
    {
        return ['type' => 'object', 'properties' => $properties] + ($required === [] ? [] : ['required' => $required]) + ['additionalProperties' => false];
    }

    private static function name(string $type): string
    {
        return str_replace('-', '', ucwords($type, '-'));
    }
}
