<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\Numbering;
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
        return new self($arguments->ids('topics'), $arguments->numberingOrNull('numbering'), $arguments->has('from') ? $arguments->int('from', 0, Bounds::HIGHEST_NUMBER) : 1);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            $recorder->put($map->topic($id, 'topics')->with(['numbering' => $this->numbering, 'numberFrom' => $this->numbering === null ? 1 : $this->from]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        $what = Wording::several(TopicChoice::titles($map, $this->topics));
        $numbering = $this->numbering === null ? null : Numbering::parse($this->numbering);

        return $numbering === null ? "Took the numbers from {$what}" : "Numbered {$what} ".Numbering::label((string) $numbering->style(1), [$this->from]);
    }
}
