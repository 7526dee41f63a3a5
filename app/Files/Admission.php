<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\FileRecord;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\PictureRecord;
use App\Models\Share;
use App\Sharing\Access;
use App\Sharing\Sight;
use ChalkTree\Attach\AttachedFile;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Link\Link;
use ChalkTree\Map\ContentName;
use ChalkTree\Map\NamesContent;
use ChalkTree\Map\TopicMap;
use ChalkTree\Picture\TopicPicture;
use Illuminate\Contracts\Container\Container;
use Illuminate\Database\Eloquent\Model;

/**
 * Lets maps have the files and pictures that come into them with topics: those which the same person has in another map
 * of theirs, or sees in one that is shared with them. Nobody gets at bytes by knowing their hash.
 */
final readonly class Admission
{
    /** @var array<class-string<PictureRecord|FileRecord>, array<class-string<TopicPicture|AttachedFile|Link>, string>> the fields that name each sort */
    private const NAMED = [
        PictureRecord::class => [TopicPicture::class => 'source'],
        FileRecord::class => [AttachedFile::class => 'source', Link::class => 'to'],
    ];

    /** @param  Container  $container  of what somebody sees, made when it is needed: that somebody sees is read by the store, which asks here */
    public function __construct(private Container $container)
    {
    }

    /**
     * What an edit has brought; what the map named before it may name again.
     *
     * @throws InvalidEdit where a file is nowhere to be had for this person
     */
    public function admit(MapRecord $record, TopicMap $map, Person $person, Changes $changes): void
    {
        foreach (self::NAMED as $sort => $fields) {
            foreach ($fields as $row => $field) {
                $this->admitSort($record, $map, $person, $changes, $sort, $row, $field);
            }
        }
        $this->admitInNotes($record, $person, $changes);
    }

    /** The same for all that is in a map that was just made; what cannot be had is left as an empty place. */
    public function admitAll(MapRecord $record, Person $person, TopicMap $map): void
    {
        foreach (self::NAMED as $sort => $fields) {
            foreach (array_keys($fields) as $row) {
                foreach ($map->rowsOf($row) as $naming) {
                    if ($naming->content() !== null) {
                        $this->isAdmitted($record, $person, $sort, $naming->content());
                    }
                }
            }
        }
        foreach ($map->everything() as $topic) {
            $this->admitNote($record, $person, $topic->note);
        }
    }

    /**
     * @param  class-string<PictureRecord|FileRecord>  $sort
     * @param  class-string<TopicPicture|AttachedFile|Link>  $row
     */
    private function admitSort(MapRecord $record, TopicMap $map, Person $person, Changes $changes, string $sort, string $row, string $field): void
    {
        $brought = $before = $changed = [];
        foreach ($changes->all as $change) {
            if ($change->type === $row::type()) {
                $brought[] = self::hashIn($change->after[$field] ?? null);
                $before[] = self::hashIn($change->before[$field] ?? null);
                $changed[$change->id] = true;
            }
        }
        $brought = array_diff(array_filter($brought), $before);
        if ($brought === []) {
            return;
        }
        $others = array_map(fn (NamesContent $naming): ?string => $naming->content(), array_diff_key($map->rowsOf($row), $changed));
        foreach (array_diff($brought, $others) as $hash) {
            if (! $this->isAdmitted($record, $person, $sort, $hash)) {
                throw new InvalidEdit($sort === PictureRecord::class ? 'This picture is not among yours. Bring its file into the map.' : 'This file is not among yours any more. Bring it into the map again.', 'fields');
            }
        }
    }

    /** A note may name what it likes; what cannot be had is just not shown. */
    private function admitInNotes(MapRecord $record, Person $person, Changes $changes): void
    {
        foreach ($changes->all as $change) {
            $note = $change->type === 'topic' ? $change->after['note'] ?? null : null;
            if (is_string($note)) {
                $this->admitNote($record, $person, $note);
            }
        }
    }

    private function admitNote(MapRecord $record, Person $person, string $note): void
    {
        foreach (array_slice(Contents::inNote($note), 0, 200) as $hash) {
            $this->isAdmitted($record, $person, PictureRecord::class, $hash);
        }
    }

    private static function hashIn(mixed $name): ?string
    {
        return is_string($name) ? ContentName::hash($name) : null;
    }

    /** @param  class-string<PictureRecord|FileRecord>  $sort */
    private function isAdmitted(MapRecord $record, Person $person, string $sort, string $hash): bool
    {
        if ($sort::query()->where('map_id', $record->id)->where('hash', $hash)->exists()) {
            return true;
        }
        /** @var Model|null $other */
        $other = $sort::query()->where('hash', $hash)->whereIn('map_id', $person->maps()->select('id'))->first() ?? $this->shared($person, $sort, $hash);
        if ($other !== null) {
            $sort::query()->insertOrIgnore(['map_id' => $record->id] + $other->getAttributes());
        }

        return $other !== null;
    }

    /** @param  class-string<PictureRecord|FileRecord>  $sort */
    private function shared(Person $person, string $sort, string $hash): PictureRecord|FileRecord|null
    {
        $owners = Share::query()->where('email', $person->email)->distinct()->pluck('owner_id');
        /** @var list<PictureRecord|FileRecord> $candidates */
        $candidates = $owners->isEmpty() ? [] : $sort::query()->where('hash', $hash)->whereIn('map_id', MapRecord::query()->whereIn('person_id', $owners)->whereNull('trashed_at')->select('id'))->get()->all();
        foreach ($candidates as $candidate) {
            $map = MapRecord::query()->whereKey($candidate->map_id)->first();
            if ($map !== null && $this->container->make(Access::class)->role($person, $map) !== null && $this->container->make(Sight::class)->has($person, $map, $hash)) {
                return $candidate;
            }
        }

        return null;
    }
}
