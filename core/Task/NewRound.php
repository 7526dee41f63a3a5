<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Days;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Kind\FieldSort;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\Values;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

/** What rows of topics become when these are done once more: days moved, progress cleared, remarks left behind. */
final class NewRound
{
    /** Years by which days can be moved; beyond that it is a slip of the pen. */
    private const FARTHEST = 50 * 366;

    /** @param  array<string, FieldSort>  $sorts  of the fields of the map */
    private function __construct(private readonly array $sorts, private readonly int $by)
    {
    }

    /**
     * @param  list<string>  $topics  of which the earliest day comes to be the new start
     * @param  bool  $keepsWeekdays  whether days move by whole weeks, to those nearest
     *
     * @throws InvalidEdit where there is no day to begin from
     */
    public static function of(TopicMap $map, array $topics, string $start, bool $keepsWeekdays): self
    {
        $sorts = array_map(fn (KindField $field): FieldSort => $field->sort(), $map->rowsOf(KindField::class));
        $days = [];
        foreach ($topics as $topic) {
            foreach ([$map->row(Task::type(), $topic), $map->row(Values::type(), $topic)] as $row) {
                array_push($days, ...match (true) {
                    $row instanceof Task => array_filter([$row->text('begins'), $row->text('by')], fn (string $day): bool => $day !== ''),
                    $row instanceof Values => self::daysIn($row, $sorts),
                    default => [],
                });
            }
        }
        if ($days === []) {
            throw new InvalidEdit('There is no day in this branch that could be moved to a new start.', 'topics');
        }
        $by = Days::between(min($days), $start);
        $by = $keepsWeekdays ? 7 * (int) round($by / 7) : $by;

        return abs($by) <= self::FARTHEST ? new self($sorts, $by) : throw new InvalidEdit('That is more than fifty years away from how it was.', 'start');
    }

    /**
     * @param  array<string, FieldSort>  $sorts
     * @return list<string>
     */
    private static function daysIn(Values $row, array $sorts): array
    {
        $days = [];
        foreach ($row->all() as $field => $value) {
            array_push($days, ...(($sorts[$field] ?? null)?->isDay() === true ? array_filter(explode('/', $value), Days::isOne(...)) : []));
        }

        return $days;
    }

    /** Null for what is left behind. */
    public function row(FeatureRow $row): ?FeatureRow
    {
        return match (true) {
            $row instanceof Remark => null,
            $row instanceof Task => $row->anew($this->day(...)),
            $row instanceof Values => $row->having($this->moved($row)),
            default => $row,
        };
    }

    private function day(string $day): string
    {
        return Days::plus($day, $this->by);
    }

    /** @return array<string, string> */
    private function moved(Values $row): array
    {
        $moved = [];
        foreach ($row->all() as $field => $value) {
            if (($this->sorts[$field] ?? null)?->isDay() === true) {
                $moved[$field] = implode('/', array_map(fn (string $day): string => Days::isOne($day) ? $this->day($day) : $day, explode('/', $value)));
            }
        }

        return $moved;
    }

    /** The title of what is done again, with the year in it that has become another. */
    public static function title(string $title, string $before, string $start): string
    {
        [$from, $to] = [substr($before, 0, 4), substr($start, 0, 4)];

        return $from === $to ? $title : (string) preg_replace('/(?<!\d)'.$from.'(?!\d)/', $to, $title);
    }

    /** The day that comes to be another, by as many days as all. */
    public function before(string $start): string
    {
        return Days::plus($start, -$this->by);
    }

    /** Lets the rows of a draft, which has those of all below it too, be of the new round. */
    public function renew(TopicDraft $draft): void
    {
        $draft->rows = array_values(array_filter(array_map($this->row(...), $draft->rows)));
    }
}
