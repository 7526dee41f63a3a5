<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Days;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;

/** Reports how far to-dos are: sets their progress and puts a remark, dated and signed, into the log of each. */
final readonly class ReportProgress implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private ?int $progress, private string $on, private string $said, private bool $isPrivate)
    {
    }

    public static function name(): string
    {
        return 'task.report';
    }

    /** "topics", "progress" (null to leave it), "on" the day, "said", "private". */
    public static function read(Arguments $arguments): self
    {
        $on = $arguments->string('on');
        $said = trim(Wording::clean($arguments->has('said') ? $arguments->string('said') : '', 'said'));
        if (! Days::isOne($on)) {
            throw $arguments->wrong('on', '“on” has to be a day as YYYY-MM-DD.');
        }
        if (mb_strlen($said) > Remark::LONGEST) {
            throw $arguments->wrong('said', 'A remark holds at most 4,000 letters; longer text belongs in the note.');
        }
        $progress = $arguments->intOrNull('progress', 0, 100);
        if ($progress === null && $said === '') {
            throw $arguments->wrong('said', 'Say how far it is, or a remark.');
        }

        return new self($arguments->ids('topics'), $progress, $on, $said, $arguments->flag('private'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        if (count($map->rowsOf(Remark::class)) + count($this->topics) > Remark::most()) {
            throw new InvalidEdit('A map holds at most '.number_format(Remark::most()).' remarks.', 'topics');
        }
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics')->id;
            $task = Tasks::task($map, $topic) ?? Task::fromFields($topic, []);
            if ($this->progress !== null) {
                $recorder->keep($task->with(['is' => true, 'progress' => $this->progress, 'done' => $this->progress === 100 ? $this->on : null]));
            }
            $recorder->put(Remark::fromFields(Ids::next(), ['at' => $topic, 'on' => $this->on, 'said' => $this->said, 'progress' => $this->progress, 'who' => $this->signed($recorder), 'private' => $this->isPrivate]));
        }
    }

    private function signed(Recorder $recorder): ?string
    {
        $name = trim(mb_substr((string) preg_replace('/[\p{C}\s]+/u', ' ', $recorder->author), 0, 100));

        return $name === '' ? null : $name;
    }

    public function sentence(TopicMap $map): string
    {
        $titles = Wording::several(TopicChoice::titles($map, array_values(array_filter($this->topics, $map->has(...)))));

        return $this->progress === null ? "Added a remark to {$titles}" : "Reported {$this->progress} % for {$titles}";
    }
}
