<?php

declare(strict_types=1);

namespace ChalkTree\Compare;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Ascending;
use ChalkTree\Text\TextMerge;

/**
 * What each of two maps has made of the one that both once were: what only the own map has changed since is nothing to be
 * taken over from the other, and what both have changed is brought together. Topics are known by their ids.
 */
final class Since
{
    /** @var array<string, true>|null topics that stand otherwise among those beside them in the other map than they did */
    private ?array $reordered = null;

    /** @var array<string, true>|null what tied topics to each other */
    private ?array $ties = null;

    public function __construct(private readonly TopicMap $base, private readonly TopicMap $other)
    {
    }

    public function knew(string $topic): bool
    {
        return $this->base->find($topic) !== null;
    }

    /** Whether a topic of the other map stands where it stood. */
    public function stands(Topic $theirs): bool
    {
        $was = $this->base->find($theirs->id);

        return $was !== null && $was->parent === $theirs->parent && ($was->parked === null) === ($theirs->parked === null) && ! isset($this->reordered()[$theirs->id]);
    }

    /** Whether a topic of the own map stands where it stood, but for its place among those beside it. */
    public function hangs(Topic $own): bool
    {
        $was = $this->base->find($own->id);

        return $was !== null && $was->parent === $own->parent && ($was->parked === null) === ($own->parked === null);
    }

    /**
     * The text that a field is to have where it is otherwise in both; null where the other map says what it said, or what it says stands there already.
     *
     * @param  'title'|'caption'|'note'  $field
     */
    public function text(string $topic, string $field, string $here, string $there): ?string
    {
        $known = $this->base->find($topic);
        if ($known === null) {
            return $there;
        }
        $was = match ($field) {
            'title' => $known->title, 'caption' => $known->caption, 'note' => $known->note,
        };
        if ($there === $was || ($here !== $was && TextMerge::isIn($was, $here, $there))) {
            return null;
        }
        // Where nothing stood, each wrote something of their own.
        $text = trim($was) === '' && trim($here) !== '' ? TextMerge::both($here, $there)->text : TextMerge::of($was, $here, $there)->text;

        return $text === $here ? null : $text;
    }

    /**
     * Whether the other map says something of a topic that it did not say.
     *
     * @param  array<string, scalar|null>  $says
     */
    public function isNew(string $type, string $topic, array $says): bool
    {
        $was = $this->base->row($type, $topic);

        return ($was instanceof FeatureRow ? $was->saying() : []) !== $says;
    }

    /** Whether all of a branch of a map says what it said, and hangs where it hung. */
    public function isUntouched(TopicMap $map, string $branch): bool
    {
        foreach ($map->branch($branch) as $id => $topic) {
            $was = $this->base->find((string) $id);
            if ($was === null || [$was->title, $was->caption, $was->note, $was->parent] !== [$topic->title, $topic->caption, $topic->note, $topic->parent]) {
                return false;
            }
            foreach (RowTypes::all() as $type) {
                if (is_subclass_of($type, FeatureRow::class) && $type::isOfTopic() && $type::isTold()) {
                    $row = $map->row($type::type(), (string) $id);
                    if ($this->isNew($type::type(), (string) $id, $row instanceof FeatureRow ? $row->saying() : [])) {
                        return false;
                    }
                }
            }
        }

        return true;
    }

    /** Whether the map tied topics to each other by a row that says the same. */
    public function tied(FeatureRow $row): bool
    {
        $this->ties ??= array_fill_keys(array_map(Ties::says(...), Ties::in($this->base, true)), true);

        return isset($this->ties[Ties::says($row)]);
    }

    /** The same, or by one that has come to say something else since. */
    public function tiedBy(FeatureRow $row): bool
    {
        return $this->tied($row) || $this->base->row($row::type(), $row->id) !== null;
    }

    /** @return array<string, true> */
    private function reordered(): array
    {
        if ($this->reordered === null) {
            $this->reordered = [];
            foreach ($this->other->everything() as $parent => $_) {
                $places = array_flip(array_keys($this->base->children((string) $parent)));
                $known = array_values(array_filter(array_map(strval(...), array_keys($this->other->children((string) $parent))), fn (string $id): bool => isset($places[$id])));
                $stay = array_flip(Ascending::longest(array_map(fn (string $id): int => $places[$id], $known)));
                $this->reordered += array_fill_keys(array_values(array_diff_key($known, $stay)), true);
            }
        }

        return $this->reordered;
    }
}
