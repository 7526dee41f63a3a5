<?php

declare(strict_types=1);

namespace ChalkTree\Table;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\Rank;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** Puts the topics of a branch for good in the order in which a table shows them: siblings among themselves. */
final readonly class OrderRows implements Edit
{
    private function __construct(private ?string $branch, private bool $isDeep, private string $order, private string $today)
    {
    }

    public static function name(): string
    {
        return 'rows.order';
    }

    /** "branch", null or nothing for the root; "deep" for all levels; "order" as a table has it; "today". */
    public static function read(Arguments $arguments): self
    {
        return new self(
            $arguments->has('branch') ? $arguments->idOrNull('branch') : null, $arguments->flag('deep'),
            $arguments->string('order'), Days::given($arguments),
        );
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $base = $this->branch === null ? $map->root()->id : $map->topic($this->branch, 'branch')->id;
        $fields = Table::read(new Arguments(['branch' => $base, 'deep' => $this->isDeep, 'order' => $this->order]));
        $rows = TableRows::of(new Moment($map, $this->today), Table::fromFields($base, $fields));
        $siblings = [];
        foreach ($rows->topics() as $id) {
            $siblings[$map->topic($id)->parent ?? ''][] = $id;
        }
        foreach ($siblings as $parent => $ids) {
            $before = array_map(fn (Topic $topic): string => $topic->id, array_values($map->children((string) $parent)));
            if ($before === $ids) {
                continue;
            }
            foreach (Rank::run(null, null, count($ids)) as $i => $rank) {
                $recorder->put($map->topic($ids[$i])->with(['rank' => $rank]));
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Put what is below '.Wording::excerpt($map->find($this->branch ?? $map->sheet()->root)->title ?? '').' in the order of a table';
    }
}
