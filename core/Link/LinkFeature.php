<?php

declare(strict_types=1);

namespace ChalkTree\Link;

use ChalkTree\Arrange\Scene;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Exchange\WritesLines;
use ChalkTree\Face\PutsTiesInBoxes;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;

/** Links: ways out of topics, to pages, mail, other topics and other maps. */
final class LinkFeature implements PutsTiesInBoxes, Settles, WritesLines
{
    private const SIGN = '↗ ';

    public function rows(): array
    {
        return [Link::class, SeeAlso::class];
    }

    public function edits(): array
    {
        return [];
    }

    public function schema(): array
    {
        return [];
    }

    public function tiesInBoxes(): array
    {
        return [Link::class, SeeAlso::class];
    }

    public function partsOf(TopicMap $map, string $topic, array $rows): array
    {
        $leading = array_filter($rows, fn (FeatureRow $row): bool => $row instanceof SeeAlso ? $row->leadsFrom($topic) : $row->text('to') !== '');

        return $leading === [] ? [] : [new LinkPart($topic)];
    }

    public function drawn(): array
    {
        return [];
    }

    public function marks(TopicMap $map, Scene $scene): iterable
    {
        return [];
    }

    public function sign(): string
    {
        return self::SIGN;
    }

    /** "↗ title <address>". */
    public function lines(TopicMap $map): array
    {
        $lines = [];
        $links = $map->rowsOf(Link::class);
        ksort($links);
        foreach ($links as $link) {
            if ($map->isLiving($link) && $link->to() !== '') {
                $title = trim((string) preg_replace('/[\s<>]+/u', ' ', $link->text('title')));
                $lines[$link->at()][] = self::SIGN.($title === '' ? '' : "{$title} ")."<{$link->to()}>";
            }
        }

        return $lines;
    }

    public function readLine(TopicMap $map, string $topic, string $line, array $titles): array
    {
        if (preg_match('/^(?:([^<>]*) )?<([^<>\s]+)>$/uD', substr($line, strlen(self::SIGN)), $m) !== 1 || ! Address::isOne($m[2]) || mb_strlen($m[1]) > Link::LONGEST_TITLE) {
            return [];
        }

        return [Link::fromFields(Ids::next(), ['at' => $topic, 'to' => $m[2], 'title' => $m[1]])];
    }

    /** No topic leads to itself, and a link leads somewhere. */
    public function settle(TopicMap $map, Recorder $recorder): void
    {
        foreach (array_keys($recorder->beforeOf(SeeAlso::type())) as $id) {
            $row = $map->row(SeeAlso::type(), (string) $id);
            if ($row instanceof SeeAlso && $row->text('one') === $row->text('other')) {
                throw new InvalidEdit('A topic cannot lead to itself.', 'other');
            }
        }
        foreach (array_keys($recorder->beforeOf(Link::type())) as $id) {
            $row = $map->row(Link::type(), (string) $id);
            if ($row instanceof Link && $row->to() === '') {
                throw new InvalidEdit('A link needs an address.', 'to');
            }
        }
    }
}
