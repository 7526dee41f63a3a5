<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/**
 * A concept map read out, one proposition a line, in the order in which one reads its topics; and what is to be looked at
 * once more. After the published method of concept mapping (Novak and Gowin, Learning How to Learn, 1984).
 */
final readonly class Sentences
{
    /** So many topics in a row, each with one tie in and one out, are told: they may want ties across. */
    private const CHAIN = 4;

    /**
     * @param  list<Sentence>  $all
     * @param  list<string>  $loose  the ids of topics that are tied to nothing
     * @param  list<non-empty-list<string>>  $chains  the ids of topics that stand in one chain, in its order
     */
    private function __construct(public array $all, public array $loose, public array $chains)
    {
    }

    public static function of(TopicMap $map): self
    {
        $titles = $order = [];
        foreach ($map->all() as $id => $topic) {
            $order[$id] = count($order);
            $titles[$id] = InlineMarkdown::oneLine($topic->title);
        }
        $propositions = Proposition::all($map, $order);
        $sentences = array_map(fn (Proposition $one): Sentence => new Sentence($one, $titles[$one->from], $titles[$one->to], false), $propositions);
        $said = array_count_values(array_map(fn (Sentence $one): string => $one->sameness(), $sentences));
        $sentences = array_map(fn (Sentence $one): Sentence => $said[$one->sameness()] > 1 ? new Sentence($one->proposition, $one->first, $one->last, true) : $one, $sentences);

        return new self($sentences, self::loose($map, $propositions), self::chains($propositions, $order));
    }

    /**
     * The topics that hang on nothing: loose ones and those that stand free, with nothing below them and no tie.
     *
     * @param  list<Proposition>  $propositions
     * @return list<string>
     */
    private static function loose(TopicMap $map, array $propositions): array
    {
        $tied = [];
        foreach ($propositions as $one) {
            $tied[$one->from] = $tied[$one->to] = true;
        }
        $loose = [];
        foreach ($map->all() as $id => $topic) {
            $hangs = $topic->parent !== null && $map->row('place', $id) === null;
            if (! isset($tied[$id]) && ! $hangs && $topic->id !== $map->root()->id && $map->children($id) === [] && $topic->column === null) {
                $loose[] = $id;
            }
        }

        return $loose;
    }

    /**
     * @param  list<Proposition>  $propositions
     * @param  array<string, int>  $order
     * @return list<non-empty-list<string>>
     */
    private static function chains(array $propositions, array $order): array
    {
        $out = $in = [];
        foreach ($propositions as $one) {
            $out[$one->from][$one->to] = $in[$one->to][$one->from] = true;
        }
        $isWithin = fn (string $topic): bool => count($out[$topic] ?? []) === 1 && count($in[$topic] ?? []) === 1;
        $chains = [];
        foreach (array_keys($order) as $topic) {
            // Where a chain begins: what comes before is no part of it.
            if (count($out[$topic] ?? []) !== 1 || ($isWithin($topic) && ($isWithin((string) array_key_first($in[$topic] ?? [])) || count($out[(string) array_key_first($in[$topic] ?? [])] ?? []) === 1))) {
                continue;
            }
            $chain = [$topic];
            for ($at = (string) array_key_first($out[$topic]); ! in_array($at, $chain, true); $at = (string) array_key_first($out[$at])) {
                $chain[] = $at;
                if (! $isWithin($at)) {
                    break;
                }
            }
            if (count($chain) >= self::CHAIN) {
                $chains[] = $chain;
            }
        }

        return $chains;
    }

    /** A line a sentence: topic, phrase, topic, with tabs between. */
    public function tabbed(): string
    {
        return implode('', array_map(fn (Sentence $one): string => "{$one->first}\t{$one->phrase}\t{$one->last}\n", $this->all));
    }

    /** As they are read out, a line each. */
    public function text(): string
    {
        return implode('', array_map(fn (Sentence $one): string => $one->text()."\n", $this->all));
    }

    /** As a table for spreadsheets (RFC 4180), with a line of headings; what they could take for a formula is no such. */
    public function csv(): string
    {
        $cell = fn (string $text): string => '"'.str_replace('"', '""', preg_match('/^[=+\-@\t\r]/', $text) === 1 ? "'{$text}" : $text).'"';
        $lines = ['from,phrase,to,sentence', ...array_map(fn (Sentence $one): string => implode(',', array_map($cell, [$one->first, $one->phrase, $one->last, $one->text()])), $this->all)];

        return implode("\r\n", $lines)."\r\n";
    }
}
