<?php

declare(strict_types=1);

namespace ChalkTree\Draft;

use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\TopicMap;
use ChalkTree\Sign\TopicStamps;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\WordCount;

/** How many words a draft has: the section in which one writes, the chapter in which that is, all of it but for what is cut. */
final readonly class DraftWords
{
    /** Words a minute of silent and of loud reading of English: M. Brysbaert, How many words do we read per minute?, Journal of Memory and Language 109, 2019. */
    private const READ = 238;

    private const ALOUD = 183;

    /** Letters of the title of a chapter. */
    private const WIDEST = 60;

    /** @param  array{topic: string, title: string, words: int}|null  $chapter  null where the section is the draft itself */
    private function __construct(public int $section, public ?array $chapter, public int $all)
    {
    }

    /**
     * @param  string  $branch  the topic whose branch is the draft
     * @param  string  $section  a topic in it; one that is not there, as when an edit came before the question, stands for the draft's own
     *
     * @throws InvalidEdit where the branch is not there, or the section is elsewhere in the map
     */
    public static function of(TopicMap $map, string $branch, string $section): self
    {
        $top = $map->topic($branch, 'branch')->id;
        $at = $map->has($section) ? $section : $top;
        if (! $map->isWithin($at, $top)) {
            throw new InvalidEdit('This section is not in the draft.', 'topic');
        }
        // The chapter is what stands right below the draft's own topic.
        $way = $at === $top ? [] : [$at, ...array_map(fn ($topic): string => $topic->id, $map->ancestors($at))];
        $place = array_search($top, $way, true);
        $chapter = is_int($place) ? $way[$place - 1] : null;

        return new self(
            WordCount::of($map->topic($at)->note),
            $chapter === null ? null : ['topic' => $chapter, 'title' => InlineMarkdown::oneLine($map->topic($chapter)->title, self::WIDEST), 'words' => self::inBranch($map, $chapter)],
            self::inBranch($map, $top),
        );
    }

    /** What is cut below it is still there, and not counted. */
    private static function inBranch(TopicMap $map, string $branch): int
    {
        $words = 0;
        $waiting = [$map->topic($branch)];
        while (($topic = array_pop($waiting)) !== null) {
            $words += $topic->note === '' ? 0 : WordCount::of($topic->note);
            foreach ($map->children($topic->id) as $child) {
                if (! TopicStamps::isCut($map, $child->id)) {
                    $waiting[] = $child;
                }
            }
        }

        return $words;
    }

    /** @return array{section: int, chapter: array{topic: string, title: string, words: int}|null, all: int, reading: int, speaking: int} "DraftAnswer" in the wire schema; times in minutes */
    public function toArray(): array
    {
        return ['section' => $this->section, 'chapter' => $this->chapter, 'all' => $this->all, 'reading' => (int) ceil($this->all / self::READ), 'speaking' => (int) ceil($this->all / self::ALOUD)];
    }
}
