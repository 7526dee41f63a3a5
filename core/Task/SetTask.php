<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\People;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Sets who, by when and all else of to-dos, as a person types it; topics that are none come to be some. */
final readonly class SetTask implements Edit
{
    private const DAYS = ['by', 'begins', 'done'];

    /**
     * @param  non-empty-list<string>  $topics
     * @param  array<string, scalar|null>  $fields
     */
    private function __construct(private array $topics, private array $fields)
    {
    }

    public static function name(): string
    {
        return 'task.set';
    }

    /** "topics"; "today", where the person is; any of "who", "by", "begins", "done" as they are typed (empty for none), "progress", "effort", "repeats", "remind". */
    public static function read(Arguments $arguments): self
    {
        $topics = $arguments->ids('topics');
        $today = Days::given($arguments);
        $fields = ['is' => true];
        foreach (self::DAYS as $name) {
            if ($arguments->has($name)) {
                $typed = trim($arguments->string($name));
                $fields[$name] = $typed === '' ? null : Days::read($typed, $today) ?? throw $arguments->wrong($name, 'This wants a day, such as 5 Dec, Friday, tomorrow or +3.');
            }
        }
        if ($arguments->has('who')) {
            $who = People::read(Wording::clean($arguments->string('who'), 'who'));
            $fields['who'] = $who === '' ? null : $who ?? throw $arguments->wrong('who', 'Name at most 60 people, with commas between, each with at most 100 letters.');
        }
        if ($arguments->has('progress')) {
            $fields['progress'] = $arguments->intOrNull('progress', 0, 100);
            $fields += ['done' => $fields['progress'] === 100 ? $today : null];
        }
        if ($arguments->has('effort')) {
            $fields['effort'] = $arguments->intOrNull('effort', 1, Task::MOST_EFFORT);
        }
        if ($arguments->has('repeats')) {
            $fields['repeats'] = $arguments->isNull('repeats') ? null : $arguments->oneOf('repeats', Task::REPEATS);
        }
        if ($arguments->has('remind')) {
            $fields['remind'] = $arguments->intOrNull('remind', 0, 365);
        }

        return new self($topics, $fields);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics')->id;
            $task = (Tasks::task($map, $topic) ?? Task::fromFields($topic, []))->with($this->fields);
            if ($task->text('begins') !== '' && $task->text('by') !== '' && $task->text('begins') > $task->text('by')) {
                throw new InvalidEdit('A to-do begins before it is due, not after.', array_key_exists('begins', $this->fields) ? 'begins' : 'by');
            }
            if ($task->text('repeats') !== '' && $task->text('by') === '') {
                throw new InvalidEdit('A to-do that repeats needs a date by which it is due.', 'repeats');
            }
            if ($task->number('remind') !== null && $task->text('by') === '') {
                if (isset($this->fields['remind'])) {
                    throw new InvalidEdit('A reminder comes before the date by which a to-do is due, so it needs one.', 'remind');
                }
                $task = $task->with(['remind' => null]);
            }
            $recorder->keep($task);
        }
    }

    public function sentence(TopicMap $map): string
    {
        $titles = Wording::several(TopicChoice::titles($map, array_values(array_filter($this->topics, $map->has(...)))));
        $name = array_key_first(array_diff_key($this->fields, ['is' => 1]));

        return $name === null ? "Made {$titles} a to-do" : 'Changed the '.(Task::known()[$name]->called ?? 'to-do')." of {$titles}";
    }
}
