<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Arrange\BranchPhrases;
use ChalkTree\Arrange\ConnectorPhrase;
use ChalkTree\Map\TopicMap;

/** Two topics and the phrase between them: a cross-link, or a connector that carries one. */
final readonly class Proposition
{
    /**
     * @param  string  $type  the sort of row that says it
     * @param  string  $id  of that row; of a connector, that of the topic it leads to
     * @param  string  $from  the id of the topic it begins with
     * @param  string  $to  the id of the one it ends with
     * @param  string  $judged  "valid", "doubtful", "wrong", or nothing
     */
    private function __construct(public string $type, public string $id, public string $from, public string $to, public string $phrase, public string $judged, public bool $isTelling)
    {
    }

    /** Whether it is a line of the hierarchy itself. */
    public function isOfTree(): bool
    {
        return $this->type === ConnectorPhrase::type();
    }

    /**
     * @param  array<string, int>  $order  the places of all topics in reading order
     * @return list<self> in reading order
     */
    public static function all(TopicMap $map, array $order): array
    {
        $all = self::onConnectors($map);
        foreach ($map->rowsOf(CrossLink::class) as $link) {
            if (isset($order[$link->from()], $order[$link->to()])) {
                $all[] = new self(CrossLink::type(), $link->id, $link->from(), $link->to(), self::plain($link->text('phrase')), $link->text('judged'), $link->flag('telling'));
            }
        }
        usort($all, fn (self $a, self $b): int => [$order[$a->from], $order[$a->to], $a->id] <=> [$order[$b->from], $order[$b->to], $b->id]);

        return $all;
    }

    /** @return list<self> those that show a phrase, or are asked for one */
    private static function onConnectors(TopicMap $map): array
    {
        [$phrases, $branches] = [$map->rowsOf(ConnectorPhrase::class), $map->rowsOf(BranchPhrases::class)];
        if ($phrases === [] && $branches === []) {
            return [];
        }
        $all = $are = [];
        foreach ($map->all() as $id => $topic) {
            $above = $topic->parent === null ? BranchPhrases::nearest($map, $topic->id) : $are[$topic->parent] ?? '';
            $own = isset($branches[$id]) ? $branches[$id]->text('are') : '';
            $are[$id] = $own === '' ? $above : $own;
            $row = $phrases[$id] ?? null;
            $phrase = $row === null ? '' : self::plain($row->text('phrase'));
            if ($topic->parent !== null && $above !== BranchPhrases::HIDDEN && ($phrase !== '' || $above === BranchPhrases::ASKED)) {
                $all[] = new self(ConnectorPhrase::type(), $topic->id, $topic->parent, $topic->id, $phrase, $row?->text('judged') ?? '', false);
            }
        }

        return $all;
    }

    private static function plain(string $phrase): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $phrase));
    }
}
