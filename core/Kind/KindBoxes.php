<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\Moment;
use ChalkTree\Face\BoxSource;
use ChalkTree\Face\SmallText;
use ChalkTree\Sign\StampsPart;
use ChalkTree\Sign\TopicStamps;

/** What kinds and fields put on topics: the stamp of the kind, the fields that are shown, and what is below of those that are rolled up. */
final readonly class KindBoxes implements BoxSource
{
    /** @var list<KindField> those that are rolled up */
    private array $rolled;

    public function __construct(private Moment $now)
    {
        $this->rolled = array_values(array_filter($now->map->rowsOf(KindField::class), fn (KindField $field): bool => $field->text('rolls') !== '' && $field->flag('shown')));
    }

    public function parts(string $topic): array
    {
        $kind = Kinds::kindOf($this->now->map, $topic);
        $parts = [];
        $stamp = $kind?->text('stamp') ?? '';
        if ($stamp !== '' && ! in_array($stamp, $this->now->row(TopicStamps::class, $topic)?->signs() ?? [], true)) {
            $stamps = StampsPart::of([$stamp]);
            $parts = $stamps === null ? [] : [$stamps];
        }
        $lines = [];
        foreach ($kind === null && $this->now->row(Values::class, $topic) === null ? [] : Kinds::fieldsOf($this->now->map, $topic) as $field) {
            $told = $field->flag('shown') ? Fields::told($this->now, $topic, $field) : null;
            if ($told !== null) {
                $lines[] = "{$field->text('name')}: {$told[0]}";
            }
        }
        foreach ($this->rolled as $field) {
            $below = Fields::rolledUp($this->now, $topic, $field);
            if ($below !== null) {
                $lines[] = "{$field->text('name')}, ".($field->text('rolls') === 'sum' ? '' : "{$field->text('rolls')} ")."below: {$below}";
            }
        }

        return $lines === [] ? $parts : [...$parts, SmallText::below('facts', implode("\n", $lines))];
    }
}
