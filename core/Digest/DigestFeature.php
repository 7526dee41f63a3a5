<?php

declare(strict_types=1);

namespace ChalkTree\Digest;

use ChalkTree\Ask\Asks;
use ChalkTree\Ask\FollowsEdits;
use ChalkTree\Ask\KeepsUp;
use ChalkTree\Ask\Moment;
use ChalkTree\Document\Block;
use ChalkTree\Document\Style;
use ChalkTree\Edit\Changes;
use ChalkTree\Face\BoxSource;
use ChalkTree\Face\PutsComputedInBoxes;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\DocumentPlace;
use ChalkTree\HandOver\FactBlocks;
use ChalkTree\HandOver\PutsInDocuments;
use ChalkTree\Look\SpreadsLooks;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\WithoutEdits;
use ChalkTree\WithoutMarks;

/** Topics that gather others into a list, with ways back. */
final class DigestFeature implements Asks, KeepsUp, PutsComputedInBoxes, PutsInDocuments, SpreadsLooks
{
    use WithoutEdits;
    use WithoutMarks;

    public function rows(): array
    {
        return [Digest::class];
    }

    public function questions(): array
    {
        return [];
    }

    public function had(): array
    {
        return ['digest' => Digest::class];
    }

    public function follower(): FollowsEdits
    {
        return new LiveDigests;
    }

    public function boxes(Moment $now): ?BoxSource
    {
        return $now->map->hasRowsOf(Digest::class) ? new DigestBoxes($now) : null;
    }

    /** A digest says by name what it gathers below. */
    public function spread(TopicMap $map, Changes $changes): array
    {
        $spread = [];
        foreach ($map->hasRowsOf(Digest::class) ? $changes->all : [] as $change) {
            if ($change->type === Topic::type()) {
                array_push($spread, ...$map->rowsNaming(Digest::class, $change->id));
            }
        }

        return array_values(array_filter(array_unique($spread), $map->has(...)));
    }

    /** What is gathered stands below the digest, without what stays with the person, since that is not in the map that is handed over. */
    public function inDocument(TopicMap $map, DocumentPlace $place): array
    {
        $now = new Moment($map);
        $blocks = [];
        foreach ($map->rowsOf(Digest::class) as $digest) {
            if (! $map->isLiving($digest)) {
                continue;
            }
            $groups = $digest->text('frozen') === '' ? Gathering::in($now, $digest)->groups() : DigestGroup::read($digest->text('lines')) ?? [];
            $lines = array_filter(explode("\n", (new DigestText('', $groups, withTrail: true))->plain()), fn (string $line): bool => $line !== '');
            $blocks[$digest->id] = [array_values(array_map(fn (string $line): Block => FactBlocks::of($line, Style::Gathered), $lines)), []];
        }

        return $blocks;
    }

    public function atEnd(TopicMap $map, Choices $choices): array
    {
        return [];
    }

    public function fromDocument(Block $block, string $topic, array $titles): array
    {
        return [];
    }
}
