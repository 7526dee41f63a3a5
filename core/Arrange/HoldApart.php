<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\TopicMap;

/** Holds branches away from their neighbours and their parent; with no distance, puts them back where the arrangement has them. */
final readonly class HoldApart implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private int $x, private int $y, private bool $deep)
    {
    }

    public static function name(): string
    {
        return 'topic.apart';
    }

    /** "x" away from the parent, "y" from the sibling before or, below zero, after; "deep" for all that is below, too. */
    public static function read(Arguments $arguments): self
    {
        return new self(
            $arguments->ids('topics'),
            $arguments->int('x', 0, Bounds::FARTHEST_APART),
            $arguments->int('y', -Bounds::FARTHEST_APART, Bounds::FARTHEST_APART),
            $arguments->flag('deep'),
        );
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach (TopicChoice::reach($map, $this->topics, $this->deep) as $topic) {
            if ($topic->parent !== null) {
                $recorder->keep(Apart::fromFields($topic->id, ['x' => $this->x, 'y' => $this->y]));
            } elseif (! $this->deep) {
                throw new InvalidEdit('Only what hangs on another topic can be held apart.', 'topics');
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        $what = Wording::several(TopicChoice::titles($map, $this->topics));

        return $this->x === 0 && $this->y === 0 ? 'Put '.$what.($this->deep ? ' and all below' : '').' back in place' : "Pulled {$what} apart";
    }
}
