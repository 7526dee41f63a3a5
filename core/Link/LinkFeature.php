<?php

declare(strict_types=1);

namespace ChalkTree\Link;

use ChalkTree\Ask\Asks;
use ChalkTree\Document\Block;
use ChalkTree\Document\Paragraph;
use ChalkTree\Document\Style;
use ChalkTree\Document\Styled;
use ChalkTree\Document\Words;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Exchange\WritesLines;
use ChalkTree\Face\PutsInBoxes;
use ChalkTree\Face\PutsTiesInBoxes;
use ChalkTree\Face\SmallText;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\DocumentPlace;
use ChalkTree\HandOver\PutsInDocuments;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\WithoutMarks;

/** Links: ways out of topics, to pages, mail, other topics and other maps. */
final class LinkFeature implements Asks, PutsInBoxes, PutsInDocuments, PutsTiesInBoxes, Settles, WritesLines
{
    use WithoutMarks;

    private const SIGN = '↗ ';

    private const SEE = 'See also ';

    public function rows(): array
    {
        return [Link::class, SeeAlso::class, HowFar::class, ToldHowFar::class];
    }

    public function questions(): array
    {
        return [];
    }

    public function had(): array
    {
        return ['link' => Link::class];
    }

    public function edits(): array
    {
        return [TellHowFar::class];
    }

    public function schema(): array
    {
        return ['TellHowFar' => [
            'name' => TellHowFar::name(),
            'properties' => ['topic' => ['type' => 'string'], 'of' => ['type' => 'integer', 'minimum' => 0], 'done' => ['type' => 'integer', 'minimum' => 0]],
            'required' => ['topic', 'of', 'done'],
        ]];
    }

    public function inBoxes(): array
    {
        return [HowFar::class];
    }

    public function parts(TopicMap $map, FeatureRow $row): array
    {
        $told = $row->flag('shown') ? $map->row(ToldHowFar::type(), $row->id) : null;
        $text = $told instanceof ToldHowFar ? $told->said() : '';

        return $text === '' ? [] : [SmallText::below('how-far', $text)];
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

    public function signs(): array
    {
        return [self::SIGN];
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

    /** Where a topic leads: each link a line, and one with the topics that are to be seen also. */
    public function inDocument(TopicMap $map, DocumentPlace $place): array
    {
        $parts = [];
        $links = $map->rowsOf(Link::class);
        ksort($links);
        foreach ($links as $link) {
            // Files of the map have no address elsewhere.
            $outside = Address::map($link->to());
            $href = $outside === null ? $link->to() : $place->outside(...$outside);
            if ($map->has($link->at()) && $link->to() !== '' && $link->content() === null) {
                $parts[$link->at()][] = new Styled(Style::Link, [new Paragraph([Words::plain($link->text('title') === '' ? $href : $link->text('title'), href: $href)])]);
            }
        }
        foreach ($this->seen($map) as $topic => $others) {
            $words = [];
            foreach ($others as $other) {
                array_push($words, Words::plain($words === [] ? self::SEE : ', '), $place->to($other) ?? Words::plain('…'));
            }
            $parts[$topic][] = new Styled(Style::SeeAlso, [new Paragraph($words)]);
        }

        return array_map(fn (array $after): array => [[], $after], $parts);
    }

    /** @return array<string, list<string>> the topics to which others lead, by those */
    private function seen(TopicMap $map): array
    {
        $seen = [];
        $rows = $map->rowsOf(SeeAlso::class);
        ksort($rows);
        foreach ($rows as $row) {
            foreach ($map->isLiving($row) ? [[$row->text('one'), $row->text('other')], [$row->text('other'), $row->text('one')]] : [] as [$from, $to]) {
                if ($row->leadsFrom($from)) {
                    $seen[$from][] = $to;
                }
            }
        }

        return $seen;
    }

    public function atEnd(TopicMap $map, Choices $choices): array
    {
        return [];
    }

    public function fromDocument(Block $block, string $topic, array $titles): array
    {
        $line = $block instanceof Styled && count($block->blocks) === 1 && $block->blocks[0] instanceof Paragraph ? $block->blocks[0]->text : [];
        $words = array_values(array_filter($line, fn (object $one): bool => $one instanceof Words));
        if (! $block instanceof Styled || $words === []) {
            return [];
        }
        if ($block->style === Style::Link) {
            $href = $words[0]->run->href ?? '';
            $title = implode('', array_map(fn (Words $one): string => $one->run->text, $words));

            return Address::isOne($href) ? [Link::fromFields(Ids::next(), ['at' => $topic, 'to' => $href, 'title' => $title === $href ? '' : mb_substr($title, 0, Link::LONGEST_TITLE)])] : [];
        }
        $also = [];
        foreach ($block->style === Style::SeeAlso ? $words : [] as $word) {
            $others = $word->run->href === null ? [] : $titles[trim($word->run->text)] ?? [];
            if (count($others) === 1 && $others[0] !== $topic) {
                $also[] = SeeAlso::fromFields(Ids::next(), ['one' => $topic, 'other' => $others[0], 'oneWay' => true]);
            }
        }

        return $also;
    }
}
