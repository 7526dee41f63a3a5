<?php

declare(strict_types=1);

namespace Tests\Support;

use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Digest\Digest;
use ChalkTree\Kind\FieldSort;
use ChalkTree\Kind\Kind;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Kind\TopicKind;
use ChalkTree\Kind\Values;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Rule\LookRule;
use ChalkTree\Table\Table;
use ChalkTree\Task\Remark;
use ChalkTree\Task\Task;
use ChalkTree\Words\WordsShown;

/** Kinds, fields, to-dos, remarks and rules for random maps, and random edits of them. */
final class RandomFacts
{
    public const TODAY = '2026-11-27';

    /** @param  list<string>  $ids */
    public static function put(Chance $chance, TopicMap $map, array $ids): void
    {
        foreach (ShippedKinds::rows() as $row) {
            $map->put($row);
        }
        $map->put(KindField::fromFields(Ids::named('random computed'), ['name' => 'Share', 'sort' => 'computed', 'formula' => 'sum([Cost]) / count([Cost])', 'unit' => '€', 'shown' => true]));
        foreach (array_filter($ids, fn (): bool => $chance->yes(20)) as $id) {
            $map->put(TopicKind::fromFields($id, ['kind' => self::kind($chance)]));
            $map->put(Values::fromFields($id, [])->having(self::values($chance, $ids)));
        }
        foreach (array_filter($ids, fn (): bool => $chance->yes(15)) as $id) {
            $map->put(Task::fromFields($id, self::task($chance)));
            if ($chance->yes(40)) {
                $map->put(Remark::fromFields(Ids::next(), ['at' => $id, 'on' => '2026-11-0'.$chance->int(1, 9), 'said' => $chance->words(4), 'who' => 'Ines']));
            }
        }
        foreach ($chance->yes(50) && count($ids) > 1 ? range(1, $chance->int(1, 3)) : [] as $_) {
            [$from, $to] = [$chance->pick($ids), $chance->pick($ids)];
            if ($from !== $to) {
                $map->put(CrossLink::fromFields(Ids::next(), ['from' => $from, 'to' => $to, 'phrase' => 'before']));
            }
        }
        if ($chance->yes(40)) {
            $map->put(WordsShown::fromFields(Ids::next(), ['shown' => true]));
        }
        for ($i = $chance->int(0, 3); $i > 0; $i--) {
            $map->put(LookRule::fromFields(Ids::next(), self::rule($chance, $ids)));
        }
        foreach ($ids === [] ? [] : range(1, $chance->int(1, 2)) as $_) {
            $map->put(Digest::fromFields($chance->pick($ids), self::digest($chance, $ids)));
            $map->put(Table::fromFields(Ids::next(), self::table($chance, $ids)));
        }
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, scalar|null>
     */
    private static function digest(Chance $chance, array $ids): array
    {
        return [
            'when' => json_encode(self::condition($chance, $ids)), 'from' => $chance->pick([null, 'branch']), 'by' => $chance->pick([null, 'who', 'by', 'kind', 'above']), 'order' => $chance->pick([null, 'progress', 'by']),
            'tells' => $chance->pick([null, 'who by']), 'frozen' => $chance->pick([null, null, '2026-11-20']),
        ];
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, scalar|null>
     */
    private static function table(Chance $chance, array $ids): array
    {
        return [
            'name' => $chance->pick(['Plan', 'Costs']), 'branch' => $chance->pick([null, $chance->pick($ids)]), 'deep' => $chance->yes(50), 'when' => $chance->pick([null, json_encode(self::condition($chance, $ids))]),
            'columns' => $chance->pick([null, "title 200\nwho\nby 90 least", 'progress - done']), 'by' => $chance->pick([null, 'who', 'kind']), 'order' => $chance->pick([null, '-by title']), 'form' => $chance->pick([null, ...Table::FORMS]),
        ];
    }

    private static function kind(Chance $chance): string
    {
        return ShippedKinds::kindId($chance->pick(['meeting', 'todo', 'expense', 'character', 'source', 'call']));
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, string>
     */
    private static function values(Chance $chance, array $ids): array
    {
        $values = [];
        foreach ([
            'date' => '2026-1'.$chance->int(0, 2).'-1'.$chance->int(0, 9), 'present' => "Ines\nTheo", 'place' => 'Net loft', 'cost' => (string) ($chance->int(-100, 10_000) / 4),
            'rating' => (string) $chance->int(1, 5), 'source-sort' => 'letter', 'viewpoint' => Values::TOPIC.$chance->pick($ids), 'quoted' => "One line\nand another", 'paid' => 'yes',
        ] as $word => $value) {
            if ($chance->yes(35)) {
                $values[ShippedKinds::fieldId($word)] = $value;
            }
        }

        // What is computed has no value of its own; a field that is there makes it be shown.
        return $values + ($chance->yes(20) ? [Ids::named('random computed') => '-'] : []);
    }

    /** @return array<string, scalar|null> */
    private static function task(Chance $chance): array
    {
        return [
            'is' => true, 'who' => $chance->pick([null, 'Ines', "Ines\nTheo", "Ada\nBo\nCy\nDi"]), 'by' => $chance->pick([null, '2026-11-20', '2026-11-30', '2027-02-01']), 'begins' => $chance->pick([null, '2026-11-01', '2026-12-24']),
            'progress' => $chance->pick([null, 0, 30, 75, 100]), 'effort' => $chance->pick([null, 2, 40]), 'repeats' => $chance->pick([null, null, 'weekly', 'monthly']),
        ];
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, mixed> a condition
     */
    public static function condition(Chance $chance, array $ids, int $deep = 2): array
    {
        if ($deep > 0 && $chance->yes(40)) {
            $part = fn (): array => self::condition($chance, $ids, $deep - 1);

            return $chance->pick([['all' => [$part(), $part()]], ['any' => [$part(), $part()]], ['not' => $part()], ['all' => []], ['any' => []]]);
        }

        return $chance->pick([
            ['ask' => 'text', 'has' => $chance->pick(['boat', 'a', 'tide'])], ['ask' => 'level', 'how' => $chance->pick(['is', 'under', 'over']), 'than' => $chance->int(0, 4)],
            ['ask' => 'below', 'topic' => $chance->pick($ids)], ['ask' => 'has', 'what' => $chance->pick(['note', 'caption', 'subtopics', 'picture', 'link', 'file', 'remark', 'filled-in field'])],
            ['ask' => 'who', 'is' => 'ines'], ['ask' => 'kind', 'is' => $chance->pick([null, self::kind($chance)])],
            ['ask' => 'field', 'field' => ShippedKinds::fieldId('cost'), 'how' => $chance->pick(['over', 'under', 'is', 'empty']), 'than' => '100'],
            ['ask' => 'field', 'field' => ShippedKinds::fieldId('date'), 'how' => 'under', 'than' => 'today+7'],
            ['ask' => 'todo', 'is' => $chance->pick(['any', 'open', 'doing', 'done', 'not-done', 'gathers', 'overdue', 'soon', 'nobody', 'after-parent', 'before-time'])],
            ['ask' => 'due', 'how' => 'under', 'than' => 'today'], ['ask' => 'progress', 'how' => 'over', 'than' => 40],
            ['ask' => 'stamp', 'is' => 'stamp:idea'], ['ask' => 'tag', 'is' => Ids::next()],
        ]);
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, scalar|null>
     */
    private static function rule(Chance $chance, array $ids): array
    {
        return [
            'name' => 'Rule '.$chance->int(1, 9), 'when' => json_encode(self::condition($chance, $ids)), 'place' => $chance->int(0, 900), 'yields' => $chance->yes(30), 'off' => $chance->yes(10),
            'stamps' => $chance->pick([null, 'stamp:idea', 'stamp:idea stamp:3']), 'spine' => $chance->yes(30), 'fill' => $chance->pick([null, 'tint:coral']), 'size' => $chance->pick([null, 24]), 'shape' => $chance->pick([null, 'hexagon']),
        ];
    }

    /**
     * @param  list<string>  $ids
     * @param  list<string>  $some
     */
    public static function edit(Chance $chance, TopicMap $map, array $ids, array $some): array
    {
        $rows = fn (string $class): array => [Ids::next(), ...array_map(strval(...), array_keys($map->rowsOf($class)))];
        $today = ['today' => self::TODAY];

        return $chance->pick([
            ['name' => 'kind.take', 'rows' => array_map(fn ($row): array => ['type' => $row::type(), 'id' => $row->id, 'fields' => $row->saying()], array_slice(ShippedKinds::rows(), 0, $chance->int(1, 20)))],
            ['name' => 'kind.give', 'topics' => $some, 'kind' => $chance->pick([null, self::kind($chance), ...$rows(Kind::class)])] + $today,
            ['name' => 'entry.put', 'kind' => self::kind($chance), 'parent' => $chance->pick($ids), 'as' => [Ids::next(), Ids::next()], 'time' => '14:30'] + $today,
            ['name' => 'kind.carry', 'kind' => self::kind($chance)] + $today,
            ['name' => 'value.set', 'topics' => $some, 'field' => $chance->pick($rows(KindField::class)), 'value' => $chance->pick(['', '12', 'yes', 'fri', 'Ines, Theo', 'letter', '14:30', 'https://saltmere.example', $chance->pick($ids)])] + $today,
            ['name' => 'row.set', 'type' => 'field', 'row' => $chance->pick($rows(KindField::class)), 'fields' => ['name' => $chance->pick(['Cost', 'Date', 'Other']), 'sort' => $chance->pick(FieldSort::cases())->value, 'shown' => $chance->yes(60), 'rolls' => $chance->pick([null, ...KindField::ROLLS]), 'formula' => $chance->pick([null, '[Cost] * 2', 'done()', 'sum([Cost], below)', '(('])]],
            ['name' => 'row.set', 'type' => 'kind', 'row' => $chance->pick($rows(Kind::class)), 'fields' => ['name' => 'Kind', 'todo' => $chance->yes(30), 'stamp' => $chance->pick([null, 'stamp:idea']), 'size' => $chance->pick([null, 22])]],
            ['name' => 'row.remove', 'type' => 'kind', 'rows' => [$chance->pick($rows(Kind::class))]],
            ['name' => 'task.set', 'topics' => $some, 'by' => $chance->pick(['', 'fri', '2026-11-20', '5 Dec']), 'progress' => $chance->pick([null, 20, 100])] + $today,
            ['name' => 'task.set', 'topics' => $some, 'who' => $chance->pick(['', 'Ines', 'Ines, Theo']), 'effort' => $chance->pick([null, 8]), 'repeats' => $chance->pick([null, 'weekly'])] + $today,
            ['name' => 'task.report', 'topics' => $some, 'progress' => $chance->pick([null, 0, 50, 100]), 'on' => self::TODAY, 'said' => $chance->words(4), 'private' => $chance->yes(20)],
            ['name' => 'task.report', 'topics' => $some, 'progress' => 100, 'on' => self::TODAY],
            ['name' => 'branch.again', 'topic' => $chance->pick($ids), 'start' => '2027-11-27', 'weekdays' => $chance->yes(50), 'copy' => $chance->yes(60)] + $today,
            ['name' => 'row.remove', 'type' => 'task', 'rows' => array_slice($rows(Task::class), -2)],
            ['name' => 'row.set', 'type' => 'rule', 'row' => $chance->pick($rows(LookRule::class)), 'fields' => self::rule($chance, $ids)],
            ['name' => 'row.set', 'type' => 'digest', 'topics' => $some, 'fields' => self::digest($chance, $ids)],
            ['name' => 'row.remove', 'type' => 'digest', 'rows' => array_slice($rows(Digest::class), -2)],
            ['name' => 'row.set', 'type' => 'table', 'row' => $chance->pick([...array_keys($map->rowsOf(Table::class)), Ids::next()]), 'fields' => self::table($chance, $ids)],
            ['name' => 'cells.set', 'cells' => array_map(fn (string $id): array => ['topic' => $id, 'column' => $chance->pick(['title', 'caption', 'note', 'tags', 'stamps', 'kind', 'who', 'by', 'progress', 'effort', 'field:'.$chance->pick($rows(KindField::class))]), 'text' => $chance->pick(['', '12', 'fri', 'Ines, Theo', 'idea', 'done, 3', 'Meeting', 'yes'])], $some)] + $today,
            ['name' => 'rows.order', 'branch' => $chance->pick($ids), 'deep' => $chance->yes(50), 'order' => $chance->pick(['title', '-title', 'by -progress', 'kind'])] + $today,
            ['name' => 'rows.bring', 'parent' => $chance->pick($ids), 'columns' => ['title', null, $chance->pick(['tags', 'who', 'caption'])], 'rows' => [[$chance->words(3), 'x', 'Ines'], ['Oil', '', $chance->words(2)], ['', '', '']], 'key' => $chance->pick([null, 0])] + $today,
            ['name' => 'row.set', 'type' => 'words', 'row' => $chance->pick($rows(WordsShown::class)), 'fields' => ['shown' => $chance->yes(50)]],
            ['name' => 'row.remove', 'type' => 'rule', 'rows' => [$chance->pick($rows(LookRule::class))]],
            ['name' => 'row.set', 'type' => 'remark', 'row' => $chance->pick($rows(Remark::class)), 'fields' => ['said' => $chance->words(5)] + ($chance->yes(50) ? ['at' => $chance->pick($ids)] : [])],
        ]);
    }
}
