<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\Moment;
use ChalkTree\Text\Sameness;

/** Fields of a map as they are asked for at a moment. */
final class Fields
{
    /** The field of a name; null where there is none. */
    public static function named(Moment $now, string $name): ?KindField
    {
        $byName = $now->once('fields by name', function () use ($now): array {
            $all = $now->map->rowsOf(KindField::class);
            krsort($all);
            $byName = [];
            foreach ($all as $field) {
                $byName[Sameness::key($field->text('name'))] = $field;
            }

            return $byName;
        });

        return $byName[Sameness::key($name)] ?? null;
    }

    /**
     * What a topic has in a field, as people read it; null where it is empty.
     *
     * @return array{string, bool}|null  and whether it is a sentence that says why there is nothing
     */
    public static function told(Moment $now, string $topic, KindField $field): ?array
    {
        if ($field->sort() === FieldSort::Computed) {
            try {
                return [ValueForm::withUnit($field, FormulaValue::of($now, $topic, $field)), false];
            } catch (FormulaProblem $problem) {
                return [$problem->getMessage(), true];
            }
        }
        $value = Kinds::values($now->map, $topic)[$field->id] ?? null;

        return $value === null ? null : [ValueForm::shown($field, $value, $now->today, $now->map), false];
    }

    /** What is below a topic of a field that is rolled up, as people read it; null where nothing is. */
    public static function rolledUp(Moment $now, string $topic, KindField $field): ?string
    {
        $how = $field->text('rolls');
        $sum = $how === '' ? null : $now->sums()->below($topic, $field->id);

        return $sum === null ? null : ($how === 'count' ? (string) $sum->count : ValueForm::withUnit($field, FormulaValue::rolled($how, $sum)));
    }
}
