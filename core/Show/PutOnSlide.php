<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Puts topics on a slide or takes them off, folds and covers them there. */
final readonly class PutOnSlide implements Edit
{
    /** What can be done, and how the history tells it; "%" are the topics. */
    private const SENTENCES = [
        'branch' => 'Put % on a slide', 'alone' => 'Put % alone on a slide', 'out' => 'Took % off a slide',
        'fold' => 'Folded % on a slide', 'unfold' => 'Unfolded % on a slide', 'cover' => 'Covered % on a slide', 'uncover' => 'Uncovered % on a slide',
    ];

    /** @param  non-empty-list<string>  $topics */
    private function __construct(private string $slide, private array $topics, private string $how)
    {
    }

    /** @return non-empty-list<string> what can be done */
    public static function ways(): array
    {
        return array_keys(self::SENTENCES);
    }

    public static function name(): string
    {
        return 'slide.put';
    }

    /** "slide", "topics", and "how": "branch", "alone", "out", "fold", "unfold", "cover" or "uncover". */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('slide'), $arguments->ids('topics'), $arguments->oneOf('how', self::ways()));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        [$slide] = MoveSlides::named($map, [$this->slide]);
        $all = $slide->chosen();
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics')->id;
            $all = match ($this->how) {
                'branch' => $all->with($topic, how: SlideTopics::BRANCH),
                'alone' => $all->with($topic, how: SlideTopics::ALONE),
                'out' => self::without($map, $all, $topic),
                'fold', 'unfold' => $all->with($topic, folded: $this->how === 'fold'),
                default => $all->with($topic, covered: $this->how === 'cover'),
            };
        }
        if ($all->count() > SlideTopics::MOST) {
            throw new InvalidEdit('A slide names at most '.SlideTopics::MOST.' topics. Choose one above them, with its branch.', 'topics');
        }
        $recorder->put($slide->with(['topics' => $all->text()]));
    }

    /** What is on it for itself is named no more, nor is anything below; what is on it with a branch is named as left out. */
    private static function without(TopicMap $map, SlideTopics $all, string $topic): SlideTopics
    {
        $left = $all->among(fn (string $named): bool => ! $map->has($named) || ! $map->isWithin($named, $topic));

        return $left->has($map, $topic) ? $left->with($topic, how: SlideTopics::OUT) : $left;
    }

    public function sentence(TopicMap $map): string
    {
        return str_replace('%', Wording::several(TopicChoice::titles($map, array_values(array_filter($this->topics, $map->has(...))))), self::SENTENCES[$this->how]);
    }
}
