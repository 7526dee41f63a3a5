<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\Folder;
use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\Ids;
use Illuminate\Database\Connection;

/** The folders of a library, which stand in each other like topics in a tree. */
final readonly class Folders
{
    private const MOST = 2000;

    private const DEEPEST = 20;

    public function __construct(private Connection $database)
    {
    }

    /** @return list<array{id: string, parent: string|null, name: string}> by name */
    public function list(Person $person): array
    {
        return array_values(Folder::query()->where('person_id', $person->id)->get()->sortBy(fn (Folder $folder): string => mb_strtolower($folder->name))
            ->map(fn (Folder $folder): array => ['id' => $folder->id, 'parent' => $folder->parent, 'name' => $folder->name])->all());
    }

    public function make(Person $person, string $name, ?string $parent): Folder
    {
        $this->check($person, $parent);
        if (Folder::query()->where('person_id', $person->id)->count() >= self::MOST) {
            throw new InvalidEdit('A library holds at most 2,000 folders.', 'name');
        }

        return Folder::query()->create(['id' => Ids::next(), 'person_id' => $person->id, 'name' => $name, 'parent' => $parent]);
    }

    public function move(Person $person, Folder $folder, ?string $parent): void
    {
        $depth = $this->check($person, $parent);
        for ($at = $parent; $at !== null; $at = $this->folder($person, $at)?->parent) {
            if ($at === $folder->id) {
                throw new InvalidEdit('A folder cannot be put into itself.', 'parent');
            }
        }
        if ($depth + $this->height($person, $folder->id) > self::DEEPEST) {
            throw new InvalidEdit('Folders stand at most 20 deep.', 'parent');
        }
        $folder->update(['parent' => $parent]);
    }

    /** Takes a folder away; what is in it goes to where it stood. */
    public function remove(Person $person, Folder $folder): void
    {
        $this->database->transaction(function () use ($person, $folder): void {
            Folder::query()->where('person_id', $person->id)->where('parent', $folder->id)->update(['parent' => $folder->parent]);
            MapRecord::query()->where('person_id', $person->id)->where('folder', $folder->id)->update(['folder' => $folder->parent]);
            $folder->delete();
        });
    }

    /**
     * Refuses a folder that is not this person's.
     *
     * @return int how deep what is put into it stands
     */
    public function check(Person $person, ?string $folder): int
    {
        $depth = 1;
        for ($at = $folder; $at !== null; $at = $found->parent) {
            $found = $this->folder($person, $at) ?? throw new InvalidEdit('This folder is not in your library, or no longer.', 'folder');
            if (++$depth > self::DEEPEST) {
                throw new InvalidEdit('Folders stand at most 20 deep.', 'folder');
            }
        }

        return $depth;
    }

    private function height(Person $person, string $folder, int $guard = 0): int
    {
        $below = Folder::query()->where('person_id', $person->id)->where('parent', $folder)->pluck('id')->all();

        return $guard > self::DEEPEST ? $guard : array_reduce($below, fn (int $most, string $id): int => max($most, 1 + $this->height($person, $id, $guard + 1)), 0);
    }

    private function folder(Person $person, string $id): ?Folder
    {
        return Folder::query()->where('person_id', $person->id)->find($id);
    }
}
