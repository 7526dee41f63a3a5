<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\Measuring;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Question;
use ChalkTree\Edit\Arguments;
use ChalkTree\Map\Ids;

/**
 * What a topic has in a field: {"ask": "field", "field": "01…", "how": "over", "than": "100"}. "how" is "is", "under",
 * "over", "has" (for texts, choices and people) or "empty". Days are held against a day or a span, as "today+7".
 */
final readonly class AskField implements Question
{
    private const HOW = ['is', 'under', 'over', 'has', 'empty'];

    private function __construct(private string $field, private string $how, private string $than)
    {
    }

    public static function name(): string
    {
        return 'field';
    }

    public static function read(Arguments $from): self
    {
        $field = $from->string('field');
        $how = $from->oneOf('how', self::HOW);
        $than = $how === 'empty' && ! $from->has('than') ? '' : $from->string('than');
        if (! Ids::valid($field)) {
            throw $from->wrong('field', 'Name a field by its id.');
        }
        if (mb_strlen($than) > 200 || ($how !== 'empty' && trim($than) === '')) {
            throw $from->wrong('than', 'Say in 1 to 200 letters what it is held against.');
        }

        return new self($field, $how, trim($than));
    }

    public function holds(Moment $now, string $topic): bool
    {
        $field = $now->map->row(KindField::type(), $this->field);
        if (! $field instanceof KindField) {
            return false;
        }
        $value = $this->value($now, $topic, $field);
        if ($this->how === 'empty' || $value === null) {
            return $this->how === 'empty' && $value === null;
        }

        return match (true) {
            $field->sort()->isDay() => $this->isDay($now, $value),
            $field->sort()->isNumber(), $field->sort() === FieldSort::Computed => is_numeric($this->than) && Measuring::from($this->how === 'has' ? 'is' : $this->how)->holds((float) $value, (float) $this->than),
            $field->sort() === FieldSort::Choices, $field->sort() === FieldSort::People => in_array(mb_strtolower($this->than), explode("\n", mb_strtolower($value)), true),
            $this->how === 'has' => mb_stripos($value, $this->than) !== false,
            default => Measuring::from($this->how)->holds(mb_strtolower($value), mb_strtolower($this->than)),
        };
    }

    private function value(Moment $now, string $topic, KindField $field): ?string
    {
        if ($field->sort() !== FieldSort::Computed) {
            return Kinds::values($now->map, $topic)[$field->id] ?? null;
        }
        try {
            return (string) FormulaValue::of($now, $topic, $field);
        } catch (FormulaProblem) {
            return null;
        }
    }

    private function isDay(Moment $now, string $value): bool
    {
        if (! Days::isSpan($this->than)) {
            return false;
        }
        [$first, $last] = Days::span($this->than, $now->today);
        [$begin, $end] = [...explode('/', $value), $value];

        return match ($this->how) {
            'under' => (str_contains($value, '/') ? $end : $begin) < $first,
            'over' => $begin > $last,
            default => $begin <= $last && (str_contains($value, '/') ? $end : $begin) >= $first,
        };
    }

    public function words(Moment $now): string
    {
        $field = $now->map->row(KindField::type(), $this->field);
        $name = $field instanceof KindField ? $field->text('name') : 'a field that has gone';
        $isDay = $field instanceof KindField && $field->sort()->isDay();
        $than = $isDay ? Days::spanWords($this->than) : $this->than;

        return match ($this->how) {
            'empty' => "{$name} empty",
            'has' => "{$name} has “{$than}”",
            default => "{$name} ".Measuring::from($this->how)->words($isDay)." {$than}",
        };
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
