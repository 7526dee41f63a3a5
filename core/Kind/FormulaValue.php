<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Sum;
use ChalkTree\Ask\TellsProgress;

/** Reckons what computed fields come to for one topic. */
final class FormulaValue
{
    private const DEEPEST = 10;

    /** @param  list<string>  $asked  the computed fields that led here, so that none asks for itself */
    private function __construct(private readonly Moment $now, private readonly string $topic, private readonly array $asked)
    {
    }

    /**
     * @param  list<string>  $asked
     *
     * @throws FormulaProblem
     */
    public static function of(Moment $now, string $topic, KindField $field, array $asked = []): float
    {
        if (in_array($field->id, $asked, true) || count($asked) >= self::DEEPEST) {
            throw new FormulaProblem("“{$field->text('name')}” asks for itself.");
        }
        // Fields that ask for others many times, and these for others, would else take as long as anyone wants.
        $known = $now->once("computed {$field->id} {$topic}", function () use ($now, $topic, $field, $asked): float|FormulaProblem {
            try {
                $value = (new self($now, $topic, [...$asked, $field->id]))->reckon(Formula::parsed($field->text('formula')));

                return is_finite($value) ? $value : new FormulaProblem('This comes to no number.');
            } catch (FormulaProblem $problem) {
                return $problem;
            }
        });

        return $known instanceof FormulaProblem ? throw $known : $known;
    }

    private function reckon(FormulaNode $node): float
    {
        $given = $node->given;

        return match ($node->does) {
            'number' => $node->number,
            'field' => $this->ofField($node->field),
            '+' => $this->reckon($given[0]) + $this->reckon($given[1]),
            '-' => $this->reckon($given[0]) - $this->reckon($given[1]),
            '*' => $this->reckon($given[0]) * $this->reckon($given[1]),
            '/' => $this->divided($this->reckon($given[0]), $this->reckon($given[1])),
            'round' => round($this->reckon($given[0])),
            'smaller' => min($this->reckon($given[0]), $this->reckon($given[1])),
            'larger' => max($this->reckon($given[0]), $this->reckon($given[1])),
            'days' => (float) Days::between($this->day($given[0]), $this->day($given[1])),
            'progress' => $this->ofTodos(TellsProgress::PROGRESS),
            'done' => 100 * $this->ofTodos(TellsProgress::DONE),
            'today' => throw new FormulaProblem('“today” belongs into days(…).'),
            default => $this->rolledUp($node->does, $node->field, $node->isBelow),
        };
    }

    private function divided(float $by, float $into): float
    {
        return $into === 0.0 ? throw new FormulaProblem('This divides by nothing.') : $by / $into;
    }

    private function field(string $name): KindField
    {
        return Fields::named($this->now, $name) ?? throw new FormulaProblem("There is no field “{$name}” in this map.");
    }

    private function ofField(string $name): float
    {
        $field = $this->field($name);
        if ($field->sort() === FieldSort::Computed) {
            return self::of($this->now, $this->topic, $field, $this->asked);
        }
        $value = Kinds::values($this->now->map, $this->topic)[$field->id] ?? null;
        if (! $field->sort()->isNumber()) {
            throw new FormulaProblem("“{$name}” is no number.");
        }

        return $value === null ? throw new FormulaProblem("“{$name}” is empty here.") : (float) $value;
    }

    private function day(FormulaNode $node): string
    {
        if ($node->does === 'today') {
            return $this->now->today;
        }
        $field = $node->does === 'field' ? $this->field($node->field) : null;
        if ($field === null || ! $field->sort()->isDay()) {
            throw new FormulaProblem('“days” wants two fields that hold days, or today.');
        }
        $value = Kinds::values($this->now->map, $this->topic)[$field->id] ?? throw new FormulaProblem("“{$field->text('name')}” is empty here.");

        return explode('/', $value)[0];
    }

    private function rolledUp(string $how, string $name, bool $isBelow): float
    {
        $field = $this->field($name);
        if (! $field->sort()->isNumber()) {
            throw new FormulaProblem("“{$name}” is no number field, so there is no {$how} of it.");
        }
        $sum = $isBelow ? $this->now->sums()->below($this->topic, $field->id) : $this->now->sums()->with($this->topic, $field->id);
        if ($sum === null) {
            return $how === 'sum' || $how === 'count' ? 0.0 : throw new FormulaProblem("Nothing here has “{$name}”.");
        }

        return self::rolled($how, $sum);
    }

    /** A sum as one of KindField::ROLLS. */
    public static function rolled(string $how, Sum $sum): float
    {
        return match ($how) {
            'mean' => $sum->mean(),
            'least' => $sum->least,
            'most' => $sum->most,
            'count' => (float) $sum->count,
            default => $sum->sum,
        };
    }

    private function ofTodos(string $measure): float
    {
        return $this->now->sums()->below($this->topic, $measure)?->mean() ?? throw new FormulaProblem('There are no to-dos below.');
    }
}
