<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\LeavesTraces;
use ChalkTree\Ask\Measuring;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Said;
use ChalkTree\Ask\Traces;
use ChalkTree\Edit\Arguments;
use ChalkTree\Map\Ids;
use ChalkTree\Text\Sameness;

/**
 * What a topic has in a field: {"ask": "field", "field": "01…", "how": "over", "than": "100"}. "how" is "is", "under",
 * "over", "has" (for texts, choices and people) or "empty". Days are held against a day or a span, as "today+7".
 */
final readonly class AskField implements LeavesTraces
{
    private const HOW = ['is', 'under', 'over', 'has', 'empty'];

    /** Letters of what it is held against. */
    private const LONGEST = 200;

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
        if (mb_strlen($than) > self::LONGEST || ($how !== 'empty' && trim($than) === '')) {
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
            $field->sort()->isSeveral() => in_array(mb_strtolower($this->than), explode("\n", mb_strtolower($value)), true),
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

    public static function heard(Said $said, Moment $now): ?array
    {
        $byName = $now->once('ids of fields by name', function () use ($now): array {
            $byName = [];
            foreach ($now->map->rowsOf(KindField::class) as $field) {
                $byName[Sameness::key($field->text('name'))] = $field->id;
            }

            return $byName;
        });
        $id = $said->name($byName);
        $field = $id === null ? null : $now->map->row(KindField::type(), $id);
        if (! $field instanceof KindField) {
            return null;
        }
        if ($said->takes('empty') || $said->takes('is empty')) {
            return ['ask' => self::name(), 'field' => $field->id, 'how' => 'empty'];
        }
        $how = $said->takes('has') ? 'has' : Measuring::heard($said)->value;
        $than = match (true) {
            $field->sort()->isDay() => $said->span(),
            $field->sort()->isNumber(), $field->sort() === FieldSort::Computed => ($number = $said->number()) === null ? null : (string) $number,
            default => $said->name(self::known($now, $field)) ?? $said->word(),
        };

        return $than === null || mb_strlen($than) > self::LONGEST ? null : ['ask' => self::name(), 'field' => $field->id, 'how' => $field->sort()->isSeveral() ? 'has' : $how, 'than' => $than];
    }

    public static function offers(Moment $now): iterable
    {
        foreach ($now->map->rowsOf(KindField::class) as $field) {
            $name = $field->text('name');
            foreach ($field->choices() as $choice) {
                yield $field->sort()->isSeveral() ? "{$name} has {$choice}" : "{$name} is {$choice}";
            }
            yield from match (true) {
                $field->sort()->isDay() => ["{$name} this week", "{$name} this month", "{$name} this year", "{$name} last year"],
                $field->sort()->isNumber(), $field->sort() === FieldSort::Computed => ["{$name} over 0"],
                default => [],
            };
            yield "{$name} empty";
        }
    }

    /** @return array<string, string> what is in a field somewhere in the map, or can be chosen for it, by what it says */
    private static function known(Moment $now, KindField $field): array
    {
        return $now->once("values of {$field->id}", function () use ($now, $field): array {
            $known = [];
            foreach ($now->map->rowsOf(Values::class) as $row) {
                foreach (explode("\n", $row->all()[$field->id] ?? '') as $value) {
                    $known[Sameness::key(mb_substr($value, 0, self::LONGEST))] = mb_substr($value, 0, self::LONGEST);
                }
            }
            foreach ($field->choices() as $choice) {
                $known[Sameness::key($choice)] = $choice;
            }
            unset($known['']);

            return $known;
        });
    }

    public static function namedBy(): array
    {
        return [KindField::class];
    }

    /** The values too, since those of several words are understood only where they are. */
    public static function traces(Moment $now): iterable
    {
        foreach ($now->map->rowsOf(KindField::class) as $field) {
            yield 'field '.Sameness::key($field->text('name'));
            yield from self::known($now, $field);
        }
    }

    public function trace(Moment $now): ?string
    {
        $field = $now->map->row(KindField::type(), $this->field);

        return $field instanceof KindField ? Traces::mark('field '.Sameness::key($field->text('name'))) : null;
    }

    public function words(Moment $now): string
    {
        $field = $now->map->row(KindField::type(), $this->field);
        $name = $field instanceof KindField ? $field->text('name') : 'a field that has gone';
        $isDay = $field instanceof KindField && $field->sort()->isDay();
        $than = match (true) {
            $this->how !== 'has' && str_contains($this->than, ' ') => "“{$this->than}”",
            default => $this->than,
        };

        return match ($this->how) {
            'empty' => "{$name} empty",
            'has' => "{$name} has “{$than}”",
            default => "{$name} ".($isDay ? Measuring::from($this->how)->day($this->than) : Measuring::from($this->how)->words()." {$than}"),
        };
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
