<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\TellsProgress;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Kind\Kind;
use ChalkTree\Kind\Kinds;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Sameness;

/** What is known of the to-dos of a map at a moment. */
final class Tasks
{
    /** Days within which one is due soon. */
    public const SOON = 7;

    /** The phrase of a cross-link from what comes before to what comes after. */
    private const BEFORE = ['before', 'comes before', 'precedes'];

    /** @var array<string, float|null> */
    private array $progress = [];

    public function __construct(private readonly Moment $now)
    {
    }

    /** What is known of the to-dos at a moment, reckoned once. */
    public static function at(Moment $now): self
    {
        return $now->once('tasks', fn (): self => new self($now));
    }

    public static function is(TopicMap $map, string $topic): bool
    {
        return $map->row(Task::type(), $topic) !== null || Kinds::kindOf($map, $topic)?->flag('todo') === true;
    }

    /** Whether a map can have any. */
    public static function areIn(TopicMap $map): bool
    {
        return $map->rowsOf(Task::class) !== [] || array_filter($map->rowsOf(Kind::class), fn (Kind $kind): bool => $kind->flag('todo')) !== [];
    }

    /** What is said of one; an empty one where only its kind makes it a to-do. */
    public static function task(TopicMap $map, string $topic): ?Task
    {
        $row = $map->row(Task::type(), $topic);

        return $row instanceof Task ? $row : (self::is($map, $topic) ? Task::fromFields($topic, []) : null);
    }

    /** How far a to-do is, or what is below another topic: 0 to 100; null where there is no to-do. */
    public function progress(string $topic): ?float
    {
        if (! array_key_exists($topic, $this->progress)) {
            $this->progress[$topic] = $this->reckoned($topic);
        }

        return $this->progress[$topic];
    }

    private function reckoned(string $topic): ?float
    {
        $task = self::task($this->now->map, $topic);
        if ($task !== null && $task->progress() === 100) {
            return 100.0;
        }

        return $this->now->sums()->below($topic, TellsProgress::PROGRESS)?->mean() ?? ($task === null ? null : (float) $task->progress());
    }

    /** "open", "doing" or "done"; null for what is no to-do. */
    public function state(string $topic): ?string
    {
        // Most topics are none, and need no reckoning.
        $progress = self::is($this->now->map, $topic) ? $this->progress($topic) : null;

        return match (true) {
            $progress === null => null,
            $progress >= 100.0 => 'done',
            $progress > 0.0 => 'doing',
            default => 'open',
        };
    }

    /** Whether there are to-dos below a topic. */
    public function gathers(string $topic): bool
    {
        return $this->now->sums()->below($topic, TellsProgress::PROGRESS) !== null;
    }

    public function isFound(Finding $finding, string $topic): bool
    {
        $task = self::task($this->now->map, $topic);
        if ($task === null || $this->progress($topic) >= 100.0) {
            return false;
        }
        $by = $task->text('by');

        return match ($finding) {
            Finding::Overdue => $by !== '' && $by < $this->now->today,
            Finding::Soon => $by >= $this->now->today && $by <= Days::plus($this->now->today, self::SOON),
            Finding::Nobody => $task->text('who') === '' && ! $this->gathers($topic),
            Finding::AfterParent => $by !== '' && $this->isAfterParent($topic, $by),
            Finding::BeforeTime => $this->isBeforeTime($task),
        };
    }

    /** @return list<Finding> */
    public function found(string $topic): array
    {
        return array_values(array_filter(Finding::cases(), fn (Finding $finding): bool => $this->isFound($finding, $topic)));
    }

    private function isAfterParent(string $topic, string $by): bool
    {
        foreach ($this->now->map->ancestors($topic) as $above) {
            $its = self::task($this->now->map, $above->id)?->text('by') ?? '';
            if ($its !== '') {
                return $by > $its;
            }
        }

        return false;
    }

    private function isBeforeTime(Task $task): bool
    {
        foreach ($this->comesBefore()[$task->id] ?? [] as $id) {
            $before = self::task($this->now->map, $id);
            if ($before === null) {
                continue;
            }
            $isDone = $this->progress($id) >= 100.0;
            $ends = $isDone ? $before->text('done') : $before->text('by');
            $begins = $task->text('begins');
            if ((! $isDone && $task->progress() > 0) || ($begins !== '' && $ends !== '' && $begins < $ends)) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, list<string>> what comes before each topic, as cross-links say */
    private function comesBefore(): array
    {
        return $this->now->once('comes before', function (): array {
            $before = [];
            foreach ($this->now->map->rowsOf(CrossLink::class) as $link) {
                if ($this->now->map->isLiving($link) && in_array(Sameness::key($link->text('phrase')), self::BEFORE, true)) {
                    $before[$link->to()][] = $link->from();
                }
            }

            return $before;
        });
    }

    /** @return list<string> all to-dos in the map, in reading order */
    public function all(): array
    {
        return array_values(array_filter(array_map(strval(...), array_keys($this->now->map->all())), fn (string $id): bool => self::is($this->now->map, $id)));
    }
}
