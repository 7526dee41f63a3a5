<?php

declare(strict_types=1);

namespace ChalkTree\Ring;

use ChalkTree\Arrange\Scene;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Exchange\WritesLines;
use ChalkTree\Look\LookResolver;
use ChalkTree\Look\Looks;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;

/** Rings: lines drawn around topics that belong together. */
final class RingFeature implements Settles, WritesLines
{
    /** The level of topics in whose typeface names are set. */
    private const TYPE = 2;

    private const SIGN = '○ ring: ';

    public function rows(): array
    {
        return [Ring::class, RingMember::class];
    }

    public function edits(): array
    {
        return [DrawRing::class, PutInRing::class];
    }

    public function schema(): array
    {
        $text = ['type' => 'string'];
        $ids = ['type' => 'array', 'items' => $text];

        return [
            'DrawRing' => ['name' => DrawRing::name(), 'properties' => ['topics' => $ids, 'as' => $text], 'required' => ['topics', 'as']],
            'PutInRing' => ['name' => PutInRing::name(), 'properties' => ['topics' => $ids, 'ring' => $text, 'out' => ['type' => 'boolean']], 'required' => ['topics', 'ring']],
        ];
    }

    public function drawn(): array
    {
        return [RingMember::class];
    }

    public function marks(TopicMap $map, Scene $scene): iterable
    {
        if ($scene->ground === null) {
            return [];
        }
        $looks = new LookResolver(Looks::standard());
        $looks->read($map);

        return (new RingMarks($map, $scene->ground, $looks->ofLevel(self::TYPE)))->all();
    }

    public function signs(): array
    {
        return [self::SIGN];
    }

    /** "○ ring: name" below each topic of a ring, and where several are called so, which of them: "○ ring: name [2]". */
    public function lines(TopicMap $map): array
    {
        $rings = Rings::of($map);
        $ids = array_map(strval(...), array_keys($rings->rings));
        sort($ids);
        $lines = $named = [];
        foreach ($ids as $id) {
            $name = trim((string) preg_replace('/\s+/u', ' ', $rings->rings[$id]->text('name')));
            $nth = $named[$name] = ($named[$name] ?? 0) + 1;
            foreach ($rings->members[$id] as $topic) {
                // What has no title is left out of some formats.
                if ($map->topic($topic)->title !== '' && $map->topic($topic)->parent !== null) {
                    $lines[$topic][] = self::SIGN.$name.($nth > 1 || $name === '' ? " [{$nth}]" : '');
                }
            }
        }

        return $lines;
    }

    public function readLine(TopicMap $map, string $topic, string $line, array $titles): array
    {
        $said = substr($line, strlen(self::SIGN));
        [$name, $nth] = preg_match('/^(.*?) ?\[(\d{1,4})\]$/suD', $said, $m) === 1 ? [$m[1], (int) $m[2]] : [$said, 1];
        if (mb_strlen($name) > 200 || $nth > Ring::MOST) {
            return [];
        }
        $alike = array_values(array_filter($map->rowsOf(Ring::class), fn (Ring $ring): bool => $ring->text('name') === $name));
        $new = [];
        while (count($alike) < $nth) {
            if (count($map->rowsOf(Ring::class)) + count($new) >= Ring::MOST) {
                return [];
            }
            $alike[] = $new[] = Ring::fromFields(Ids::next(), ['name' => $name]);
        }

        return [...$new, RingMember::fromFields(Ids::next(), ['topic' => $topic, 'ring' => $alike[$nth - 1]->id])];
    }

    /** No ring without anything in it, nothing in no ring; what is copied has a ring of its own. */
    public function settle(TopicMap $map, Recorder $recorder): void
    {
        $changed = $recorder->beforeOf(RingMember::type());
        $rings = $recorder->beforeOf(Ring::type());
        if ($changed === [] && $rings === []) {
            return;
        }
        $this->partCopies($map, $recorder, $changed);
        $members = $seen = [];
        foreach ($map->rowsOf(RingMember::class) as $id => $member) {
            $isTwice = isset($seen["{$member->ring()} {$member->topic()}"]);
            if ($isTwice || ! $map->row(Ring::type(), $member->ring()) instanceof Ring) {
                $recorder->drop(RingMember::type(), (string) $id);
            } else {
                $seen["{$member->ring()} {$member->topic()}"] = true;
                $members[$member->ring()] = ($members[$member->ring()] ?? 0) + 1;
            }
        }
        // Also those whose topics were swept out of the trash.
        foreach (array_diff_key($map->rowsOf(Ring::class), $members) as $ring => $_) {
            $recorder->drop(Ring::type(), (string) $ring);
        }
        if ($members !== [] && max($members) > RingMember::MOST_IN_ONE) {
            throw new InvalidEdit('A ring goes around at most '.RingMember::MOST_IN_ONE.' topics, each with all below it.', 'topics');
        }
        if (count($map->rowsOf(Ring::class)) > Ring::MOST) {
            throw new InvalidEdit('A map holds at most '.Ring::MOST.' rings.', 'topics');
        }
    }

    /**
     * Copies of all that is in a ring are in a ring like it; of only a part of it they are in none.
     *
     * @param  array<string, mixed>  $changed  rows that were put or dropped, as they were before
     */
    private function partCopies(TopicMap $map, Recorder $recorder, array $changed): void
    {
        $copies = $own = [];
        $topics = $recorder->touchedTopics();
        foreach ($map->rowsOf(RingMember::class) as $id => $member) {
            $isNew = array_key_exists($id, $changed) && $changed[$id] === null && array_key_exists($member->topic(), $topics) && $topics[$member->topic()] === null;
            $isNew ? $copies[$member->ring()][] = $member : $own[$member->ring()][] = $member;
        }
        foreach (array_intersect_key($copies, $own) as $ring => $members) {
            $row = $map->row(Ring::type(), (string) $ring);
            $isWhole = count($members) >= count(array_filter($own[$ring], $map->isLiving(...)));
            $as = $isWhole && $row instanceof Ring ? Ring::fromFields(Ids::next(), $row->fields()) : null;
            if ($as !== null) {
                $recorder->put($as);
            }
            foreach ($members as $member) {
                $as === null ? $recorder->drop(RingMember::type(), $member->id) : $recorder->put($member->with(['ring' => $as->id]));
            }
        }
    }
}
