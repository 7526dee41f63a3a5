<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Kind\Kinds;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\MissingTopic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Sign\TopicStamps;
use ChalkTree\Text\InlineMarkdown;

/**
 * A branch as a story: its scenes in the order in which they are told, and their chapters. Scenes are the topics of that
 * kind; where there are none, whatever has nothing below it. A chapter is the nearest topic of that kind above a scene, or
 * else what stands right below the branch's own topic. What is cut is not told.
 */
final readonly class Story
{
    /**
     * @param  string  $top  the topic whose branch it is
     * @param  list<StoryScene>  $scenes
     * @param  array<string, string>  $chapters  their titles by their topics, in the order in which they are told
     */
    private function __construct(public string $top, public array $scenes, public array $chapters)
    {
    }

    /** @throws MissingTopic where the branch is not there */
    public static function of(TopicMap $map, string $branch): self
    {
        $top = $map->topic($branch, 'branch')->id;
        [$sceneKind, $chapterKind] = [ShippedKinds::kindId('scene'), ShippedKinds::kindId('chapter')];
        $isKind = fn (string $kind): array => array_fill_keys(Kinds::ofKind($map, $kind), true);
        [$isScene, $isChapter] = [$isKind($sceneKind), $isKind($chapterKind)];
        $hasScenes = false;
        foreach (array_keys($isScene) as $topic) {
            $hasScenes = $hasScenes || $map->isWithin((string) $topic, $top);
        }
        // People and places have sheets, and are no scenes.
        $sheets = [];
        foreach ([...Cast::KINDS, 'thread'] as $word) {
            $sheets += $isKind(ShippedKinds::kindId($word));
        }
        $scenes = $chapters = [];
        /** @var list<array{string, string|null}> $waiting topics with the chapter in which they stand */
        $waiting = [[$top, null]];
        while (($next = array_pop($waiting)) !== null) {
            [$topic, $chapter] = $next;
            $below = array_values(array_filter($map->children($topic), fn ($child): bool => ! TopicStamps::isCut($map, $child->id)));
            if ($hasScenes ? isset($isScene[$topic]) : ($below === [] && ! isset($sheets[$topic]) && $topic !== $top)) {
                $chapters += $chapter === null ? [] : [$chapter => InlineMarkdown::oneLine($map->topic($chapter)->title)];
                $scenes[] = StoryScene::of($map, $topic, $chapter, self::texts($map, $topic));

                continue;
            }
            foreach (array_reverse($below) as $child) {
                $waiting[] = [$child->id, isset($isChapter[$child->id]) || $topic === $top ? $child->id : $chapter];
            }
        }

        return new self($top, $scenes, $chapters);
    }

    /** @return list<string> a topic and what is below it, in the order in which it is read, without what is cut */
    private static function texts(TopicMap $map, string $topic): array
    {
        $texts = [];
        $waiting = [$topic];
        while (($next = array_pop($waiting)) !== null) {
            $texts[] = $next;
            foreach (array_reverse($map->children($next)) as $child) {
                if (! TopicStamps::isCut($map, $child->id)) {
                    $waiting[] = $child->id;
                }
            }
        }

        return $texts;
    }
}
