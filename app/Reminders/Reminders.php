<?php

declare(strict_types=1);

namespace App\Reminders;

use App\Find\FactSearch;
use App\Library\Shelf;
use App\Models\FactRecord;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\ReminderRecord;
use App\Store\MapStore;
use Carbon\CarbonImmutable;
use ChalkTree\Ask\Moment;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Task\Reminder;
use ChalkTree\Task\Tasks;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Database\Eloquent\Collection;

/** The to-dos in all maps of a person that come up, of which they wished to be reminded. */
final readonly class Reminders
{
    /** More than anybody reads. */
    private const MOST = 200;

    /** To-dos with a reminder that are looked at, the earliest first. */
    private const MOST_ASKED = 5000;

    /** Maps that are opened for it; of more, those count in which something is due first. */
    private const MOST_MAPS = 40;

    private const WIDEST = 160;

    public function __construct(private FactSearch $facts, private MapStore $store, private Shelf $shelf)
    {
    }

    /**
     * Those that have come and were not put away, the earliest first.
     *
     * @return list<DueReminder>
     */
    public function of(Person $person): array
    {
        $today = $person->today();
        $due = [];
        foreach ($this->candidates($person, $today) as $id => $topics) {
            $record = $person->map((string) $id);
            // Of a map that is shared its owner is told, once.
            if ($record?->person_id === $person->id) {
                array_push($due, ...$this->inMap($record, $topics, $today));
            }
        }
        usort($due, fn (DueReminder $a, DueReminder $b): int => [$a->by, $a->title] <=> [$b->by, $b->title]);

        return array_slice($due, 0, self::MOST);
    }

    /**
     * What the index says, so that no map is opened in vain.
     *
     * @return array<string, list<string>> the topics in each map whose reminder has come
     */
    private function candidates(Person $person, string $today): array
    {
        $reminders = $this->facts->find($person, 'task.remind', from: 0, most: self::MOST_ASKED);
        if ($reminders->isEmpty()) {
            return [];
        }
        $dates = [];
        foreach (FactRecord::query()->where('field', 'task.by')->whereIn('map_id', $reminders->pluck('map_id')->unique())->get() as $fact) {
            $dates[$fact->map_id][$fact->topic_id] = (string) $fact->date;
        }
        $topics = $first = [];
        foreach ($reminders as $fact) {
            $by = $dates[$fact->map_id][$fact->topic_id] ?? '';
            if (Reminder::comes($fact->number, $by, $today)) {
                $topics[$fact->map_id][] = $fact->topic_id;
                $first[$fact->map_id] = min($by, $first[$fact->map_id] ?? $by);
            }
        }
        asort($first);

        return array_intersect_key($topics, array_slice($first, 0, self::MOST_MAPS));
    }

    /**
     * @param  list<string>  $topics
     * @return list<DueReminder>
     */
    private function inMap(MapRecord $record, array $topics, string $today): array
    {
        $now = new Moment($this->store->load($record), $today);
        $kept = $this->kept($record);
        $private = Outgoing::held($now->map);
        $title = $this->shelf->titleOf($record, $now->map->root()->title);
        $due = [];
        foreach ($topics as $topic) {
            $reminder = Reminder::of($now, $topic);
            $its = $reminder === null ? null : $kept->first(fn (ReminderRecord $one): bool => $one->topic_id === $topic && $one->by === $reminder->by);
            if ($reminder !== null && $its?->away_at === null) {
                $due[] = new DueReminder(
                    $record->id, $title, $topic, InlineMarkdown::oneLine($now->map->topic($topic)->title, self::WIDEST), $reminder->by, $reminder->when($today),
                    Tasks::task($now->map, $topic)?->who() ?? [], isPrivate: isset($private[$topic]), isSent: $its?->sent_at !== null,
                );
            }
        }

        return $due;
    }

    /** @return Collection<int, ReminderRecord> */
    private function kept(MapRecord $record): Collection
    {
        return ReminderRecord::query()->where('map_id', $record->id)->get();
    }

    /** Puts the reminder of a to-do away, until it has another date. */
    public function putAway(MapRecord $record, string $topic, string $today): void
    {
        $reminder = Reminder::of(new Moment($this->store->load($record), $today), $topic);
        if ($reminder !== null) {
            $this->note($record->id, $reminder->topic, $reminder->by, 'away_at');
        }
    }

    public function wasSent(DueReminder $reminder): void
    {
        $this->note($reminder->map, $reminder->topic, $reminder->by, 'sent_at');
    }

    private function note(string $map, string $topic, string $by, string $what): void
    {
        ReminderRecord::query()->upsert([['map_id' => $map, 'topic_id' => $topic, 'by' => $by, $what => CarbonImmutable::now()]], ['map_id', 'topic_id', 'by'], [$what]);
    }
}
