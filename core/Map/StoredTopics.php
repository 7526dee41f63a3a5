<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** Topics that lie somewhere and are read one by one, when a map is asked for them. They stay as they are meanwhile. */
interface StoredTopics
{
    /** One of them, also one that was removed. */
    public function topic(string $id): ?Topic;

    /** @return list<string> the ids of those in the map right below a topic, '' for none, in any order */
    public function below(string $parent): array;

    /** @return iterable<Topic> all of them */
    public function all(): iterable;
}
