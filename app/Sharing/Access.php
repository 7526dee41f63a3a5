<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\Folder;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Share;
use Closure;
use Illuminate\Support\Collection;

/** Who may do what with which map: its owner, and those with whom it, or a folder in which it stands, is shared. Asked anew each time, so that what changes holds at once. */
final readonly class Access
{
    /** Folders stand no deeper in each other. */
    private const DEEPEST = 20;

    public function role(Person $person, MapRecord $map): ?Role
    {
        if ($map->person_id === $person->id) {
            return Role::Owner;
        }
        $shares = Share::query()->where('email', $person->email)->where('owner_id', $map->person_id)->get();

        return Role::greatest(...$this->reaching($map, $shares)->map(fn (Share $share): Role => $share->role)->all());
    }

    /** Whether anybody but its owner may open it. */
    public function isShared(MapRecord $map): bool
    {
        $shares = Share::query()->where('owner_id', $map->person_id)->where(fn ($query) => $query->where('map_id', $map->id)->orWhereNotNull('folder_id'))->get();

        return $this->reaching($map, $shares)->isNotEmpty();
    }

    /** Who may do what with a map, in a few letters: others as soon as anybody's rights are. */
    public function fingerprint(MapRecord $map): string
    {
        $shares = Share::query()->where('owner_id', $map->person_id)->where(fn ($query) => $query->where('map_id', $map->id)->orWhereNotNull('folder_id'))->get();
        $reaching = $this->reaching($map, $shares)->sortBy('id')->map(fn (Share $share): string => "{$share->id} {$share->email} {$share->role->value}")->all();

        return hash('xxh128', implode("\n", [$map->person_id, $map->trashed_at === null ? 'there' : 'in the trash', ...$reaching]));
    }

    /**
     * Those of its owner's shares that reach a map, by itself or by a folder.
     *
     * @param  Collection<int, Share>  $shares
     * @return Collection<int, Share>
     */
    public function reaching(MapRecord $map, Collection $shares): Collection
    {
        $above = $shares->contains(fn (Share $share): bool => $share->folder_id !== null) ? $this->above($map->folder) : [];

        return $shares->filter(fn (Share $share): bool => $share->map_id === $map->id || ($share->folder_id !== null && in_array($share->folder_id, $above, true)))->values();
    }

    /** @return list<string> a folder, and those in which it stands */
    private function above(?string $folder): array
    {
        $all = [];
        for ($at = $folder; $at !== null && count($all) < self::DEEPEST; $at = Folder::query()->whereKey($at)->value('parent')) {
            $all[] = (string) $at;
        }

        return $all;
    }

    /**
     * Keeps to the maps in which somebody may work, in a query that has the table of maps.
     *
     * @return Closure(\Illuminate\Contracts\Database\Query\Builder): mixed
     */
    public function workable(Person $person): Closure
    {
        $shares = Share::query()->where('email', $person->email)->where('role', Role::Edit->value)->get();
        $maps = $shares->pluck('map_id')->filter()->values()->all();
        $folders = $this->within(array_values($shares->pluck('folder_id')->filter()->map(strval(...))->all()));

        return fn ($query) => $query->where('maps.person_id', $person->id)
            ->when($maps !== [], fn ($query) => $query->orWhereIn('maps.id', $maps))
            ->when($folders !== [], fn ($query) => $query->orWhereIn('maps.folder', $folders));
    }

    /**
     * @param  list<string>  $folders
     * @return list<string> these, and all that stand in them
     */
    public function within(array $folders): array
    {
        $all = $next = array_values(array_unique($folders));
        for ($depth = 0; $next !== [] && $depth < self::DEEPEST; $depth++) {
            /** @var list<string> $next */
            $next = Folder::query()->whereIn('parent', $next)->pluck('id')->diff($all)->values()->all();
            $all = [...$all, ...$next];
        }

        return $all;
    }
}
