<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\EditRecord;
use App\Models\MapRecord;
use ChalkTree\Edit\Change;
use ChalkTree\Edit\Changes;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/**
 * Makes one record of the many that the pauses in typing one text leave, as soon as another step begins. Those it
 * stands for stay as names only, so that a repeat of one of them is known; a browser that saw some of them and not all
 * is answered with everything.
 */
final readonly class TypedSteps
{
    /** The edits that typing makes. */
    private const TYPED = ['topic.retitle', 'topic.caption', 'topic.note'];

    /**
     * Closes what was typed last, if the next edit is of another step.
     *
     * @param  TopicMap  $map  as it is before that edit
     */
    public function close(MapRecord $record, TopicMap $map, string $next): void
    {
        $last = EditRecord::query()->where('map_id', $record->id)->where('seq', $record->seq)->first();
        if ($last === null || $last->step === $next || $last->first_seq !== null || ! $this->isTyped($last)) {
            return;
        }
        $records = [];
        foreach (EditRecord::query()->where('map_id', $record->id)->where('step', $last->step)->latest('seq')->get() as $one) {
            if ($one->seq !== $record->seq - count($records) || ! $this->isTyped($one) || $one->name !== $last->name || $one->person_id !== $last->person_id) {
                break;
            }
            $records[] = $one;
        }
        $joined = count($records) < 2 ? null : self::joined($map, $records);
        if ($joined === null || $joined->isEmpty()) {
            return;
        }
        $first = $records[count($records) - 1]->seq;
        $these = EditRecord::query()->where('map_id', $record->id)->where('step', $last->step)->where('seq', '>=', $first);
        (clone $these)->where('seq', '<', $last->seq)->update(['kind' => 'joined', 'changes' => '[]']);
        (clone $these)->where('seq', $last->seq)->update(['first_seq' => $first, 'changes' => json_encode($joined->toArray(), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)]);
    }

    private function isTyped(EditRecord $record): bool
    {
        return $record->kind === 'do' && $record->state === 'done' && in_array($record->name, self::TYPED, true);
    }

    /**
     * What several records changed together; null where the map is not as they left it.
     *
     * @param  list<EditRecord>  $records  the latest first
     */
    private static function joined(TopicMap $map, array $records): ?Changes
    {
        /** @var array<string, array<string, scalar|null>> $before the fields of topics, followed back */
        $before = [];
        foreach ($records as $record) {
            foreach (array_reverse($record->changes->all) as $change) {
                $fields = $before[$change->id] ?? $map->row($change->type, $change->id)?->fields();
                if ($change->type !== Topic::type() || $change->before === null || $change->after === null || $fields === null || ! $change->reversed()->fits($fields)) {
                    return null;
                }
                $before[$change->id] = $change->reversed()->on($fields);
            }
        }
        $changes = [];
        foreach ($before as $id => $fields) {
            $changes[] = Change::between(Topic::type(), (string) $id, RowTypes::make(Topic::type(), (string) $id, $fields), $map->row(Topic::type(), (string) $id));
        }

        return new Changes(array_values(array_filter($changes)));
    }
}
