<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;
use Closure;

/**
 * A map on a day, about which is asked: what conditions, looks that follow the data and computed values are reckoned
 * from. It holds for the map as it is now; after a change one makes another.
 */
final class Moment
{
    /** The day, as YYYY-MM-DD, where the person who asks is. */
    public readonly string $today;

    /** @var array<string, mixed> */
    private array $known = [];

    /** @var array<class-string<FeatureRow>, array<string, true>> the topics that rows of a sort are about */
    private array $about = [];

    /**
     * @param  string  $today  empty where nobody asks in particular; then it is the day in UTC
     * @param  RollUps|(Closure(): RollUps)|null  $sums  of this map, or what brings them when they are wanted
     * @param  list<FollowsEdits>  $followers  that are up to date with this map
     * @param  (Closure(string, Closure(): list<string>): list<string>)|null  $keeper  gives back what was reckoned of this very map before, or has it reckoned
     */
    public function __construct(public readonly TopicMap $map, string $today = '', private RollUps|Closure|null $sums = null, private readonly array $followers = [], private readonly ?Closure $keeper = null)
    {
        $this->today = $today === '' ? gmdate('Y-m-d') : $today;
    }

    /** What is below each topic, summed up. */
    public function sums(): RollUps
    {
        if ($this->sums instanceof Closure) {
            $this->sums = ($this->sums)();
        }

        return $this->sums ??= new RollUps($this->map);
    }

    /**
     * Something reckoned of the map at most once.
     *
     * @template T
     *
     * @param  Closure(): T  $reckon
     * @return T
     */
    public function once(string $name, Closure $reckon): mixed
    {
        if (! array_key_exists($name, $this->known)) {
            $this->known[$name] = $reckon();
        }

        /** @var T */
        return $this->known[$name];
    }

    /**
     * Names that are reckoned of the whole map, whatever the day; whoever asks often has them kept from one time to the next.
     *
     * @param  Closure(): list<string>  $reckon
     * @return list<string>
     */
    public function kept(string $name, Closure $reckon): array
    {
        return $this->once($name, fn (): array => $this->keeper === null ? $reckon() : ($this->keeper)($name, $reckon));
    }

    /**
     * What is kept up to date with the map from edit to edit; null where nobody lent that.
     *
     * @template T of FollowsEdits
     *
     * @param  class-string<T>  $class
     * @return T|null
     */
    public function follower(string $class): ?FollowsEdits
    {
        foreach ($this->followers as $follower) {
            if ($follower instanceof $class) {
                return $follower;
            }
        }

        return null;
    }

    /**
     * The row of a sort of which there is one a topic.
     *
     * @template T of FeatureRow
     *
     * @param  class-string<T>  $class
     * @return T|null
     */
    public function row(string $class, string $topic): ?FeatureRow
    {
        $row = $this->map->row($class::type(), $topic);

        return $row instanceof $class ? $row : null;
    }

    /**
     * Whether there is a row of a sort about a topic.
     *
     * @param  class-string<FeatureRow>  $class
     */
    public function hasOf(string $class, string $topic): bool
    {
        if ($class::isOfTopic()) {
            return $this->row($class, $topic)?->isEmpty() === false;
        }
        if (! isset($this->about[$class])) {
            $this->about[$class] = [];
            foreach ($this->map->rowsOf($class) as $row) {
                foreach ($row->topics() as $end) {
                    $this->about[$class][$end] = true;
                }
            }
        }

        return isset($this->about[$class][$topic]);
    }
}
