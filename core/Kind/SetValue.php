<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\Days;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Sets what topics have in a field. It is given as a person types it; an empty one goes. */
final readonly class SetValue implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private string $field, private string $value, private string $today)
    {
    }

    public static function name(): string
    {
        return 'value.set';
    }

    /** "topics", "field", "value" (empty for none), and "today", where the person is. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->id('field'), $arguments->string('value'), Days::given($arguments));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $field = Kinds::field($map, $this->field);
        $value = trim($this->value) === '' ? null : ValueForm::read($field, $this->value, $this->today, $map);
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics')->id;
            $row = $map->row(Values::type(), $topic);
            $values = ($row instanceof Values ? $row : Values::fromFields($topic, []))->having([$field->id => $value]);
            if ($values->isTooMuch()) {
                throw new InvalidEdit('The fields of one topic hold at most 128 kB; longer text belongs in the note.', 'value');
            }
            $recorder->keep($values);
        }
    }

    public function sentence(TopicMap $map): string
    {
        $field = $map->row(KindField::type(), $this->field);
        $name = $field instanceof KindField ? $field->text('name') : 'field';

        return "Changed “{$name}” of ".Wording::several(TopicChoice::titles($map, array_values(array_filter($this->topics, $map->has(...)))));
    }
}
