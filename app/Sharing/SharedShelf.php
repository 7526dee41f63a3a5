<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Classroom\SchoolClasses;
use App\Library\Shelf;
use App\Models\Ask;
use App\Models\Folder;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Share;
use App\Models\TopicRecord;
use Illuminate\Support\Collection;

/** What others share with somebody, as the library lists it, and who is in a map or folder, as its panel lists them. */
final readonly class SharedShelf
{
    public function __construct(private Access $access, private Sight $sight, private Visits $visits, private Shares $shares)
    {
    }

    /** @return list<array{id: string, title: string, topics: int, seq: int, updated: string, role: string, owner: string, email: string, share: string, folder: string|null, isOffered: bool}> "SharedEntry" in the wire schema, the latest changed first */
    public function list(Person $person): array
    {
        $shares = Share::query()->where('email', $person->email)->get();
        if ($shares->isEmpty()) {
            return [];
        }
        $folders = $this->access->within(array_values($shares->pluck('folder_id')->filter()->map(strval(...))->all()));
        /** @var Collection<int, MapRecord> $maps */
        $maps = MapRecord::query()->with('person')->whereNull('trashed_at')->whereIn('person_id', $shares->pluck('owner_id')->unique())
            ->where(fn ($query) => $query->whereIn('id', $shares->pluck('map_id')->filter())->orWhereIn('folder', $folders))
            ->get()->sortBy('id')->sortByDesc('updated_at');
        $names = Folder::query()->whereIn('id', $shares->pluck('folder_id')->filter())->pluck('name', 'id');
        $listed = [];
        foreach ($maps as $map) {
            $its = $this->access->reaching($map, $shares->where('owner_id', $map->person_id)->values());
            $role = Role::greatest(...$its->map(fn (Share $share): Role => $share->role)->all());
            $by = $its->firstWhere('role', $role);
            $told = $role === null ? null : $this->told($map, $role);
            if ($role === null || $by === null || $told === null) {
                continue;
            }
            $listed[] = [
                'id' => $map->id, ...$told, 'seq' => $map->seq, 'updated' => $map->updated_at->toIso8601ZuluString('millisecond'), 'role' => $role->value,
                'owner' => $map->person->name ?? '', 'email' => self::address($map->person->email ?? '', $person), 'share' => $by->id, 'folder' => $by->folder_id === null ? null : (string) $names->get($by->folder_id), 'isOffered' => $map->offered_to === $person->email,
            ];
        }

        return $listed;
    }

    /** @return array{title: string, topics: int}|null */
    private function told(MapRecord $map, Role $role): ?array
    {
        if (! $role->isAtLeast(Role::Edit)) {
            return $this->sight->told($map);
        }
        $root = TopicRecord::query()->where('map_id', $map->id)->where('id', $map->root)->value('title');

        return ['title' => Shelf::title($map->title, (string) $root), 'topics' => TopicRecord::query()->where('map_id', $map->id)->whereNull('removed')->count()];
    }

    /** @return array<string, mixed> "SharesAnswer" in the wire schema */
    public function ofMap(MapRecord $map, Person $person): array
    {
        $role = $this->access->role($person, $map) ?? Role::View;
        $isOwner = $role === Role::Owner;
        $owner = $map->person()->firstOrFail();
        $here = $this->visits->of($map);
        $all = $this->access->reaching($map, Share::query()->where('owner_id', $map->person_id)->get());
        /** @var Collection<int, Ask> $asks */
        $asks = $isOwner ? Ask::query()->with('person')->where('map_id', $map->id)->oldest('id')->get() : new Collection;

        return [
            'role' => $role->value,
            'owner' => ['name' => $owner->name, 'email' => self::address($owner->email, $person), ...self::seen($here[$owner->id] ?? null)],
            'people' => $role->isAtLeast(Role::Edit) ? $this->people($all, $here, $person) : [],
            'asks' => $asks->map(fn (Ask $ask): array => ['person' => $ask->person_id, 'name' => $ask->person->name, 'email' => $ask->person->email, 'words' => $ask->words, 'made' => gmdate('Y-m-d\TH:i:s\Z', $ask->made)])->all(),
            'offered' => $isOwner || $map->offered_to === $person->email ? $map->offered_to : null,
            'own' => $all->first(fn (Share $share): bool => $share->email === $person->email)?->id,
        ];
    }

    /** @return array<string, mixed> the same of a folder, by whose owner it is asked */
    public function ofFolder(Folder $folder, Person $person): array
    {
        return [
            'role' => Role::Owner->value,
            'owner' => ['name' => $person->name, 'email' => $person->email, ...self::seen(null)],
            'people' => $this->people($this->shares->of($folder)->get(), [], $person),
            'asks' => [], 'offered' => null, 'own' => null,
        ];
    }

    /**
     * @param  Collection<int, Share>  $shares
     * @param  array<int, array{last: int, days: int}>  $here
     * @return list<array{share: string, email: string, name: string|null, role: string, folder: string|null, last: string|null, days: int}>
     */
    private function people(Collection $shares, array $here, Person $for): array
    {
        $known = Person::query()->whereIn('email', $shares->pluck('email'))->get()->keyBy('email');
        $folders = Folder::query()->whereIn('id', $shares->pluck('folder_id')->filter())->pluck('name', 'id');

        return array_values($shares->sortBy(fn (Share $share): string => ($known->get($share->email)->name ?? '~').$share->email.($share->folder_id === null ? 0 : 1).$share->id)->map(fn (Share $share): array => [
            'share' => $share->id, 'email' => self::address($share->email, $for), 'name' => $known->get($share->email)?->name, 'role' => $share->role->value,
            'folder' => $share->map_id !== null ? null : (string) $folders->get((string) $share->folder_id), ...self::seen($here[$known->get($share->email)->id ?? 0] ?? null),
        ])->all());
    }

    /** An address as it is told: pupils have none, and are told nobody's. */
    private static function address(string $email, Person $for): string
    {
        return $for->pupil_of !== null || str_ends_with($email, SchoolClasses::NO_ADDRESS) ? '' : $email;
    }

    /**
     * @param  array{last: int, days: int}|null  $visit
     * @return array{last: string|null, days: int}
     */
    private static function seen(?array $visit): array
    {
        return ['last' => $visit === null ? null : gmdate('Y-m-d\TH:i:s\Z', $visit['last']), 'days' => $visit['days'] ?? 0];
    }
}
