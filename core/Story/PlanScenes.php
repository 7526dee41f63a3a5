<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Ask\Days;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Kind\Beginning;
use ChalkTree\Kind\KindLibrary;
use ChalkTree\Kind\Kinds;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** Makes branches of ideas the chapters of a story, and what is right below them their scenes; what is of some kind already stays that. */
final readonly class PlanScenes implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private string $today)
    {
    }

    public static function name(): string
    {
        return 'story.plan';
    }

    /** "topics", the chapters; "today", where the person is. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), Days::given($arguments));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $bundles = KindLibrary::bundles(ShippedKinds::rows());
        foreach ([ShippedKinds::kindId('chapter'), ShippedKinds::kindId('scene')] as $kind) {
            KindLibrary::take($map, $recorder, $bundles[$kind]);
        }
        [$chapter, $scene] = [Kinds::kind($map, ShippedKinds::kindId('chapter')), Kinds::kind($map, ShippedKinds::kindId('scene'))];
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics')->id;
            $below = array_map(fn (Topic $child): string => $child->id, array_values($map->children($topic)));
            // A branch with nothing below it is a scene by itself.
            foreach ([[$topic], $below] as $level => $topics) {
                foreach (array_filter($topics, fn (string $one): bool => Kinds::kindOf($map, $one) === null) as $one) {
                    Beginning::give($map, $recorder, $one, $level === 0 && $below !== [] ? $chapter : $scene, $this->today);
                }
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Made '.Wording::several(TopicChoice::titles($map, array_values(array_filter($this->topics, $map->has(...))))).' chapters, and what is below them scenes';
    }
}
