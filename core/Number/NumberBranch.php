<?php

declare(strict_types=1);

namespace ChalkTree\Number;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\TopicMap;

/** Numbers what is below topics, level by level; null takes the numbers away. */
final readonly class NumberBranch implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private ?string $numbering, private int $from)
    {
    }

    public static function name(): string
    {
        return 'branch.number';
    }

    /** "numbering" as Numbering has it, "from" the first number. */
    public static function read(Arguments $arguments): self
    {
        $style = BranchNumbering::declared()['style']->read($arguments, 'numbering');

        return new self(
            $arguments->ids('topics'),
            is_string($style) ? $style : null,
            $arguments->has('from') ? $arguments->int('from', 0, Bounds::HIGHEST_NUMBER) : 1,
        );
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics');
            $recorder->keep(BranchNumbering::fromFields($topic->id, $this->numbering === null ? [] : ['style' => $this->numbering, 'from' => $this->from]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        $what = Wording::several(TopicChoice::titles($map, $this->topics));
        $numbering = $this->numbering === null ? null : Numbering::parse($this->numbering);

        return $numbering === null ? "Took the numbers from {$what}" : "Numbered {$what} ".Numbering::label((string) $numbering->style(1), [$this->from]);
    }
}
