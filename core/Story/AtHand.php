<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Kind\Kinds;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\MissingTopic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Sameness;

/** Who and what a section of a draft has to do with: whoever sees, who and where its fields say, what it is tied to, whom its text names. */
final readonly class AtHand
{
    /** @param  list<array{topic: string, kind: string, names: int, isSaid: bool, isTied: bool, sees: bool}>  $named  what is said first, then what is tied, then by how often it is named */
    private function __construct(public array $named)
    {
    }

    /**
     * @param  string  $section  what is below a scene belongs to it
     *
     * @throws MissingTopic
     */
    public static function of(TopicMap $map, string $section, Cast $cast, NameSpotter $spotter): self
    {
        $own = $map->topic($section, 'topic');
        $scene = ShippedKinds::kindId('scene');
        $at = $own->id;
        foreach ([$own, ...$map->ancestors($own->id)] as $above) {
            if (Kinds::idOf($map, $above->id) === $scene) {
                $at = $above->id;

                break;
            }
        }
        $its = StoryScene::of($map, $at, null, array_values(array_unique([$at, $own->id])));
        $counts = [];
        $tied = [];
        $ties = StoryTies::in($map);
        foreach ($its->texts as $text) {
            foreach ($spotter->counts($map->topic($text)->note) as $topic => $number) {
                $counts[$topic] = ($counts[$topic] ?? 0) + $number;
            }
            $tied += $ties->of($map, $text);
        }
        $said = self::said($its, $cast);
        $named = [];
        foreach ($cast->members as $member) {
            $one = ['topic' => $member->topic, 'kind' => $member->kind, 'names' => $counts[$member->topic] ?? 0, 'isSaid' => isset($said[$member->topic]), 'isTied' => isset($tied[$member->topic]), 'sees' => $its->viewpoint === $member->topic];
            if ($one['names'] > 0 || $one['isSaid'] || $one['isTied'] || $one['sees']) {
                $named[] = $one;
            }
        }
        $weight = fn (array $one): array => [$one['sees'], $one['isSaid'], $one['isTied'], $one['names']];
        usort($named, fn (array $a, array $b): int => $weight($b) <=> $weight($a));

        return new self($named);
    }

    /** @return array<string, true> the topics that the fields of a scene name */
    private static function said(StoryScene $scene, Cast $cast): array
    {
        $said = [];
        [$people, $places] = [$cast->byName('character'), $cast->byName('place')];
        foreach ($scene->people as $name) {
            $said[($people[Sameness::key($name)] ?? null)->topic ?? ''] = true;
        }
        $said[($places[Sameness::key($scene->place)] ?? null)->topic ?? ''] = true;
        unset($said['']);

        return $said;
    }
}
