<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Ask\Days;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Sameness;

/**
 * What in a story cannot be, or was perhaps not meant: somebody at two places at once, a scene without a viewpoint, a
 * thread that ends open or goes on after its end, a day that is told after a later one.
 */
final readonly class StoryChecks
{
    private const WIDEST = 60;

    /** @var array<string, CastMember> by their topics */
    private array $members;

    private function __construct(private TopicMap $map, private Story $story, private Cast $cast, private string $today)
    {
        $this->members = $cast->byTopic();
    }

    /**
     * @param  string  $today  for days that are told without their year
     * @return list<StoryFinding> by their sorts, then as the story is told
     */
    public static function of(TopicMap $map, Story $story, Cast $cast, string $today): array
    {
        $checks = new self($map, $story, $cast, $today);

        return [...$checks->atTwoPlaces(), ...$checks->withoutViewpoint(), ...$checks->threads(), ...$checks->toldLate()];
    }

    /** @return list<StoryFinding> */
    private function atTwoPlaces(): array
    {
        $found = $at = [];
        $people = $this->cast->byName('character');
        $places = $this->cast->byName('place');
        foreach ($this->story->scenes as $scene) {
            $place = Sameness::key($scene->place);
            if ($scene->day === '' || $place === '') {
                continue;
            }
            $where = ($places[$place] ?? null)->topic ?? $place;
            foreach ($this->whoIsIn($scene, $people) as $who => $name) {
                $moment = "{$scene->day} {$scene->time} {$who}";
                [$elsewhere, $then] = $at[$moment] ?? [$where, $scene];
                if ($elsewhere !== $where) {
                    $found[] = new StoryFinding('two-places', "{$name} is at two places on {$this->moment($scene)}: in {$this->told($then)} ({$then->place}) and in {$this->told($scene)} ({$scene->place}).", [$scene->topic, $then->topic]);
                }
                $at[$moment] ??= [$where, $scene];
            }
        }

        return $found;
    }

    /**
     * @param  array<string, CastMember>  $people
     * @return array<string, string> names by the topics of their sheets, or by what they are called
     */
    private function whoIsIn(StoryScene $scene, array $people): array
    {
        $all = $scene->viewpoint === null ? [] : [$scene->viewpoint => $this->titleOf($scene->viewpoint)];
        foreach ($scene->people as $name) {
            $key = Sameness::key($name);
            $all[($people[$key] ?? null)->topic ?? $key] ??= $name;
        }

        return $all;
    }

    /** @return list<StoryFinding> */
    private function withoutViewpoint(): array
    {
        $without = array_filter($this->story->scenes, fn (StoryScene $scene): bool => $scene->viewpoint === null);
        // Where nobody ever says whose eyes they are, nobody misses it.
        if (count($without) === count($this->story->scenes)) {
            return [];
        }

        return array_values(array_map(fn (StoryScene $scene): StoryFinding => new StoryFinding('no-viewpoint', "{$this->told($scene)} has no viewpoint.", [$scene->topic]), $without));
    }

    /** @return list<StoryFinding> */
    private function threads(): array
    {
        /** @var array<string, array{string, StoryScene, StoryScene|null}> $threads name, last scene, where it ended */
        $threads = [];
        $late = [];
        foreach ($this->story->scenes as $scene) {
            $closes = array_map(Sameness::key(...), $scene->closes);
            foreach ($scene->threads as $name) {
                $key = Sameness::key($name);
                $ended = $threads[$key][2] ?? null;
                if ($ended !== null && ! isset($late[$key])) {
                    $late[$key] = new StoryFinding('after-end', "The thread “{$name}” ends in {$this->told($ended)} and goes on in {$this->told($scene)}.", [$scene->topic, $ended->topic]);
                }
                $threads[$key] = [$name, $scene, in_array($key, $closes, true) ? $scene : $ended];
            }
        }
        $open = array_filter($threads, fn (array $thread): bool => $thread[2] === null);

        return [
            ...array_values(array_map(fn (array $thread): StoryFinding => new StoryFinding('open-thread', "The thread “{$thread[0]}” ends open: {$this->told($thread[1])} is its last scene.", [$thread[1]->topic]), $open)),
            ...array_values($late),
        ];
    }

    /** @return list<StoryFinding> */
    private function toldLate(): array
    {
        $found = [];
        $before = null;
        foreach ($this->story->scenes as $scene) {
            if ($scene->day === '') {
                continue;
            }
            $isEarlier = $before !== null && ($scene->day < $before->day || ($scene->day === $before->day && $scene->time !== '' && $before->time !== '' && $scene->time < $before->time));
            if ($before !== null && $isEarlier) {
                $found[] = new StoryFinding('told-late', "{$this->told($scene)} ({$this->moment($scene)}) is told after {$this->told($before)} ({$this->moment($before)}) and happens before it.", [$scene->topic, $before->topic]);
            }
            $before = $scene;
        }

        return $found;
    }

    private function told(StoryScene $scene): string
    {
        return '“'.InlineMarkdown::oneLine($scene->title === '' ? 'Untitled' : $scene->title, self::WIDEST).'”';
    }

    private function moment(StoryScene $scene): string
    {
        return trim(Days::short($scene->day, $this->today).' '.$scene->time);
    }

    private function titleOf(string $topic): string
    {
        return $this->members[$topic]->names[0] ?? InlineMarkdown::oneLine($this->map->topic($topic)->title, self::WIDEST);
    }
}
