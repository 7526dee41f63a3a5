<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\AsksOfTopics;
use ChalkTree\Ask\People;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Wording;
use ChalkTree\Features;
use ChalkTree\Map\TopicMap;

/** Calls one of the choices of a field otherwise, in the topics too that have it, and where it is asked for. One of a name that there is already becomes that. */
final readonly class RenameChoice implements Edit
{
    private function __construct(private string $field, private string $from, private string $to)
    {
    }

    public static function name(): string
    {
        return 'choice.rename';
    }

    /** "field", and the choice, "from" what it is called "to" what it is to be called. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('field'), $arguments->string('from'), trim((string) preg_replace('/\s+/u', ' ', Wording::clean($arguments->string('to'), 'to'))));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $field = Kinds::field($map, $this->field);
        if (! in_array($this->from, $field->choices(), true)) {
            throw new InvalidEdit("“{$field->text('name')}” has no choice of this name any more.", 'from');
        }
        $choices = implode("\n", $this->renamed($field->choices()));
        if ($this->to === '' || ! People::fits($choices, KindField::MOST_CHOICES)) {
            throw new InvalidEdit('A choice has a name of 1 to 100 letters.', 'to');
        }
        $blank = $field->text('blank') === $this->from ? ['blank' => $this->to] : [];
        $recorder->put($field->with(['choices' => $choices] + $blank));
        foreach ($map->rowsOf(Values::class) as $row) {
            $value = $row->all()[$field->id] ?? '';
            if ($value !== '' && in_array($this->from, explode("\n", $value), true)) {
                $recorder->keep($row->having([$field->id => implode("\n", $this->renamed(explode("\n", $value)))]));
            }
        }
        $isAsked = fn (array $ask): bool => $ask['ask'] === AskField::name() && ($ask['field'] ?? null) === $field->id && ($ask['than'] ?? null) === $this->from;
        foreach (Features::rows() as $class) {
            foreach (is_subclass_of($class, AsksOfTopics::class) ? $map->rowsOf($class) : [] as $row) {
                $asking = $row instanceof AsksOfTopics ? $row->asking(fn (array $ask): array => $isAsked($ask) ? ['than' => $this->to] + $ask : $ask) : $row;
                $asking === $row ?: $recorder->put($asking);
            }
        }
    }

    /**
     * @param  list<string>  $choices
     * @return list<string>
     */
    private function renamed(array $choices): array
    {
        return array_values(array_unique(array_map(fn (string $one): string => $one === $this->from ? $this->to : $one, $choices)));
    }

    public function sentence(TopicMap $map): string
    {
        return 'Called the choice '.Wording::excerpt($this->from).' '.Wording::excerpt($this->to);
    }
}
