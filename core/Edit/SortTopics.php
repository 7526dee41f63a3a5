<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Ask\Moment;
use ChalkTree\Ask\TopicDay;
use ChalkTree\Map\Rank;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use Collator;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Puts the subtopics of topics in another order, or topics that are siblings among themselves. Titles sort as people
 * count, 2 before 10, by the rules of a locale; equals keep their order.
 */
final readonly class SortTopics implements Edit
{
    private const WAYS = ['title', 'length', 'subtopics', 'changed', 'day', 'reverse', 'shuffle'];

    /** @param  non-empty-list<string>  $topics */
    private function __construct(
        private array $topics,
        private string $by,
        private bool $down,
        private bool $deep,
        private bool $these,
        private string $locale,
        private int $seed,
    ) {
    }

    public static function name(): string
    {
        return 'branch.sort';
    }

    /**
     * "by" one of the ways; "down" from most to least; "deep" for all levels below; "these" to sort the topics
     * themselves, which have to be siblings; "seed" so that a shuffle comes out as it was shown.
     */
    public static function read(Arguments $arguments): self
    {
        $locale = $arguments->has('locale') ? $arguments->string('locale') : 'en';

        return new self(
            $arguments->ids('topics'),
            $arguments->oneOf('by', self::WAYS),
            $arguments->flag('down'),
            $arguments->flag('deep'),
            $arguments->flag('these'),
            preg_match('/\A[A-Za-z]{2,3}(?:[-_][A-Za-z0-9]{2,8}){0,3}\z/', $locale) === 1 ? $locale : throw $arguments->wrong('locale', 'A locale is written like “en” or “de-CH”.'),
            $arguments->has('seed') ? $arguments->int('seed', 0, PHP_INT_MAX) : 0,
        );
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        if ($this->these) {
            $chosen = [];
            foreach (TopicChoice::inOrder($map, $this->topics) as $id) {
                $chosen[] = $map->topic($id);
            }
            if (count(array_unique(array_map(fn (Topic $topic): string => $topic->parent ?? '', $chosen))) > 1 || isset($chosen[0]) && $chosen[0]->id === $map->sheet()->root) {
                throw new InvalidEdit('Topics are sorted among siblings; these do not all stand below the same topic.', 'topics');
            }
            $this->sort($map, $recorder, $chosen);

            return;
        }
        foreach (TopicChoice::reach($map, $this->topics, $this->deep) as $id => $topic) {
            $this->sort($map, $recorder, array_values($map->children($id)));
        }
    }

    /**
     * Gives the places that these topics have to them in their new order.
     *
     * @param  list<Topic>  $topics
     */
    private function sort(TopicMap $map, Recorder $recorder, array $topics): void
    {
        $ranks = array_map(fn (Topic $topic): string => $topic->rank, $topics);
        if (count($topics) < 2) {
            return;
        }
        if (count(array_unique($ranks)) < count($ranks)) {
            $siblings = array_values($map->children($topics[0]->parent ?? ''));
            foreach (Rank::run(null, null, count($siblings)) as $i => $rank) {
                $recorder->put($siblings[$i]->with(['rank' => $rank]));
            }
            $topics = array_map(fn (Topic $topic): Topic => $map->topic($topic->id), $topics);
            $ranks = array_map(fn (Topic $topic): string => $topic->rank, $topics);
        }
        foreach ($this->ordered($map, $topics) as $i => $topic) {
            $recorder->put($topic->with(['rank' => $ranks[$i]]));
        }
    }

    /**
     * @param  list<Topic>  $topics
     * @return list<Topic>
     */
    private function ordered(TopicMap $map, array $topics): array
    {
        if ($this->by === 'reverse') {
            return array_reverse($topics);
        }
        if ($this->by === 'shuffle') {
            return array_values((new Randomizer(new Mt19937($this->seed)))->shuffleArray($topics));
        }
        $collator = new Collator($this->locale);
        $collator->setAttribute(Collator::NUMERIC_COLLATION, Collator::ON);
        $now = new Moment($map);
        $keys = [];
        foreach ($topics as $topic) {
            $plain = InlineMarkdown::plain($topic->title);
            $keys[$topic->id] = match ($this->by) {
                'length' => mb_strlen($plain),
                'subtopics' => count($map->branch($topic->id)),
                'changed' => $topic->changed,
                // What has none comes last, either way.
                'day' => TopicDay::of($now, $topic->id)->from ?? ($this->down ? '' : '~'),
                default => $plain,
            };
        }
        usort($topics, function (Topic $a, Topic $b) use ($keys, $collator): int {
            [$x, $y] = [$keys[$a->id], $keys[$b->id]];
            $order = is_string($x) && is_string($y) && $this->by !== 'day' ? (int) $collator->compare($x, $y) : $x <=> $y;

            return $this->down ? -$order : $order;
        });

        return $topics;
    }

    public function sentence(TopicMap $map): string
    {
        $what = Wording::several(TopicChoice::titles($map, $this->topics));
        $where = ($this->these ? '' : 'what is below ').$what;

        return match ($this->by) {
            'reverse' => "Turned {$where} round",
            'shuffle' => "Shuffled {$where}",
            'changed' => "Sorted {$where} by date of change",
            'day' => "Sorted {$where} by their days",
            'subtopics' => "Sorted {$where} by number of subtopics",
            default => "Sorted {$where} by {$this->by}",
        };
    }
}
