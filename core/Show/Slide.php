<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\NamesTopics;
use ChalkTree\Map\Rank;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use Closure;

/** One slide of a deck: which topics it shows and how, and what whoever shows it says. */
final readonly class Slide extends FeatureRow implements NamesTopics
{
    /** In one map. */
    public const MOST = 1_000;

    /** How much of the rest is taken away where it is dimmed and nothing is said, percent. */
    public const DIM = 75;

    /** Seconds that a slide takes at least, where that is reckoned from its notes. */
    private const LEAST = 5;

    /** Pixels from the middle of a topic. */
    private const FAR = 1_000_000;

    public static function type(): string
    {
        return 'slide';
    }

    public static function words(): string
    {
        return 'slide';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    public static function isDrawnByLooks(): bool
    {
        return false;
    }

    public static function most(): int
    {
        return self::MOST;
    }

    /**
     * "of": the topic that it was made of, whose title it has while it has none of its own, and whose note is what is said;
     * "topics": see SlideTopics; "depth": how many levels below each are shown; "way": null for only these, "trail" with those
     * above them, "all" with the rest dimmed by "dim" percent; "at" to "high": a frame set by hand, from the middle of a topic;
     * "moves": null to glide there, or "cut"; "seconds": how long it is meant to take.
     */
    public static function declared(): array
    {
        return [
            'deck' => Deck::named('deck of the slide'),
            'rank' => Field::formed(Rank::isRight(...), 200, 'be a rank')->called('order of the slides'),
            'title' => Field::text(300)->called('title of the slide'),
            'of' => Deck::named('topic of the slide'),
            'topics' => Field::formed(SlideTopics::isRight(...), SlideTopics::LONGEST, 'name at most '.SlideTopics::MOST.' topics')->called('topics of the slide'),
            'depth' => Field::number(0, 1_000)->called('levels on the slide'),
            'way' => Field::choice(['trail', 'all'])->called('way of showing'),
            'dim' => Field::number(0, 100)->called('dimming'),
            'at' => Deck::named('topic that the frame goes by'),
            'left' => Field::number(-self::FAR, self::FAR)->called('frame of the slide'),
            'top' => Field::number(-self::FAR, self::FAR)->called('frame of the slide'),
            'wide' => Field::number(20, self::FAR)->called('frame of the slide'),
            'high' => Field::number(20, self::FAR)->called('frame of the slide'),
            'moves' => Field::choice(['cut'])->called('transition'),
            'notes' => Field::text(50_000)->called('notes of the slide'),
            'seconds' => Field::number(1, 36_000)->called('time of the slide'),
            'hidden' => Field::flag()->called('hiding of the slide'),
        ];
    }

    public function among(Closure $isThere): ?static
    {
        $of = $this->text('of');
        $all = $this->chosen();
        $left = $all->among($isThere);
        if (($of !== '' && ! $isThere($of)) || ($all->tops() !== [] && $left->tops() === [])) {
            return null;
        }
        $at = $this->text('at');
        $changed = ($left->count() === $all->count() ? [] : ['topics' => $left->text()]) + ($at === '' || $isThere($at) ? [] : ['at' => null]);

        return $changed === [] ? $this : $this->with($changed);
    }

    public function deck(): string
    {
        return $this->text('deck');
    }

    public function chosen(): SlideTopics
    {
        return SlideTopics::read($this->text('topics'));
    }

    /**
     * The topics that are seen on it, in the order of the map.
     *
     * @param  int  $most  after so many it looks no further
     * @return list<string>
     */
    public function seen(TopicMap $map, int $most = PHP_INT_MAX): array
    {
        return $this->chosen()->seen($map, $this->number('depth'), $most);
    }

    /** Its own title, or that of the topic it was made of, or of the first it shows. */
    public function titleIn(TopicMap $map): string
    {
        $own = trim($this->text('title'));
        if ($own !== '') {
            return $own;
        }
        $of = $this->text('of');
        $topic = $of !== '' && $map->has($of) ? $of : (array_values(array_filter($this->chosen()->tops(), $map->has(...)))[0] ?? null);

        return $topic === null ? '' : InlineMarkdown::oneLine($map->topic($topic)->title);
    }

    /** What is said: its own notes, or the note of the topic it was made of. Markdown. */
    public function saidIn(TopicMap $map): string
    {
        $own = $this->text('notes');
        $of = $this->text('of');

        return $own === '' && $of !== '' && $this->number('depth') !== 0 && $map->has($of) ? $map->topic($of)->note : $own;
    }

    /** How long it is meant to take: as was said, or as long as its words take at a pace. */
    public function secondsIn(TopicMap $map, int $pace): int
    {
        $words = preg_match_all('/[\p{L}\p{N}]+(?:[\'’-][\p{L}\p{N}]+)*/u', $this->saidIn($map));

        return $this->number('seconds') ?? max(self::LEAST, (int) round((int) $words / max(1, $pace) * 60));
    }
}
