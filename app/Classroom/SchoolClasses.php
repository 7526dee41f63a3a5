<?php

declare(strict_types=1);

namespace App\Classroom;

use App\Models\HandOut;
use App\Models\HandOutCopy;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Pupil;
use App\Models\SchoolClass;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\Ids;
use Illuminate\Database\Connection;

/** Makes classes, lets pupils in, and takes all of it away again. */
final readonly class SchoolClasses
{
    /** Of one person. */
    private const MOST = 100;

    /** In one class. */
    private const MOST_PUPILS = 200;

    /** The end of addresses that nobody has and nothing is sent to (RFC 2606). */
    public const NO_ADDRESS = '@pupil.invalid';

    /** A hash of a password that nobody has. */
    private const NO_PASSWORD = '$2y$12$YcJLyf97.UGBKMzkl/TO0O8Y4jpuK4t4TYK6Wng.5W22ukLtSmx8K';

    public function __construct(private Connection $database, private HandOuts $handOuts)
    {
    }

    public function make(Person $person, string $name): SchoolClass
    {
        if (SchoolClass::query()->where('person_id', $person->id)->count() >= self::MOST) {
            throw new InvalidEdit('There are at most 100 classes. Take one away that is over.', 'name');
        }

        return SchoolClass::query()->create(['id' => Ids::next(), 'person_id' => $person->id, 'name' => $name, 'code' => null, 'made' => time()]);
    }

    /** Opens the door, by a new code, or closes it. */
    public function openDoor(SchoolClass $class, bool $isOpen): void
    {
        $class->update(['code' => $isOpen ? Codes::make(Codes::DOOR) : null]);
    }

    /**
     * Adds pupils by their names; those of whom there is one by that name are left.
     *
     * @param  list<string>  $names
     */
    public function add(SchoolClass $class, array $names): void
    {
        $this->database->transaction(function () use ($class, $names): void {
            foreach ($names as $name) {
                if (! $this->isTaken($class, $name)) {
                    $this->pupil($class, $name);
                }
            }
        });
    }

    /** Lets somebody in by the code on the wall, under a name of their own. */
    public function join(string $code, string $name): Pupil
    {
        $class = SchoolClass::query()->where('code', Codes::read($code))->first() ?? throw new InvalidEdit('There is no class with this code, or its door is closed.', 'code');

        return $this->entered($this->database->transaction(function () use ($class, $name): Pupil {
            if ($this->isTaken($class, $name)) {
                throw new InvalidEdit('Somebody in this class has this name. If it is you, come in by your own word; else add a letter to it.', 'name');
            }

            return $this->pupil($class, $name);
        }));
    }

    /** Lets a pupil in again, by their own word. */
    public function enter(string $word): Pupil
    {
        $pupil = Pupil::query()->where('hash', hash('sha256', Codes::read($word)))->first() ?? throw new InvalidEdit('Nobody has this word. Look at it once more, or ask for it.', 'word');

        return $this->entered($pupil);
    }

    private function entered(Pupil $pupil): Pupil
    {
        if ($pupil->came === null) {
            $pupil->update(['came' => time()]);
        }
        $this->handOuts->catchUp($pupil->load('person'));

        return $pupil;
    }

    /** One after the other, so that no two have one name, and not more come in than may. */
    private function isTaken(SchoolClass $class, string $name): bool
    {
        SchoolClass::query()->whereKey($class->id)->lockForUpdate()->value('id');
        $names = Pupil::query()->where('class_id', $class->id)->pluck('name')->map(fn (mixed $one): string => mb_strtolower((string) $one))->all();
        if (count($names) >= self::MOST_PUPILS) {
            throw new InvalidEdit('A class has at most 200 pupils.', 'name');
        }

        return in_array(mb_strtolower($name), $names, true);
    }

    private function pupil(SchoolClass $class, string $name): Pupil
    {
        // Nobody has the password, so none is hashed: a class of thirty would wait for that.
        $id = Person::query()->toBase()->insertGetId(['name' => $name, 'email' => strtolower(Ids::next()).self::NO_ADDRESS, 'password' => self::NO_PASSWORD, 'pupil_of' => $class->id]);
        $word = Codes::make(Codes::OWN);

        return Pupil::query()->create(['id' => Ids::next(), 'class_id' => $class->id, 'person_id' => $id, 'name' => $name, 'team' => null, 'word' => $word, 'hash' => hash('sha256', $word), 'came' => null]);
    }

    /** Says what a pupil is called, or in which team they are; what was given to that team is theirs too. */
    public function change(Pupil $pupil, string $name, ?string $team): void
    {
        $this->database->transaction(function () use ($pupil, $name, $team): void {
            $isOther = $pupil->team !== $team;
            $class = SchoolClass::query()->findOrFail($pupil->class_id);
            if (mb_strtolower($name) !== mb_strtolower($pupil->name) && $this->isTaken($class, $name)) {
                throw new InvalidEdit('Somebody in this class has this name.', 'name');
            }
            $pupil->update(['name' => $name, 'team' => $team]);
            Person::query()->whereKey($pupil->person_id)->update(['name' => $name]);
            if ($isOther) {
                $this->handOuts->leaveTeams($pupil->load('person'));
                $this->handOuts->catchUp($pupil);
            }
        });
    }

    /** Takes a pupil away, with the copies that are theirs alone. */
    public function remove(Pupil $pupil): void
    {
        $this->database->transaction(function () use ($pupil): void {
            $copies = HandOutCopy::query()->whereHas('pupils', fn ($query) => $query->whereKey($pupil->id))->withCount('pupils')->get();
            Person::query()->whereKey($pupil->person_id)->delete();
            MapRecord::query()->whereKey($copies->where('pupils_count', 1)->pluck('map_id'))->where('person_id', SchoolClass::query()->whereKey($pupil->class_id)->value('person_id'))->delete();
        });
    }

    /** Takes a class away with its pupils, all that was given to it, and all that became of that. */
    public function delete(SchoolClass $class): void
    {
        $this->database->transaction(function () use ($class): void {
            foreach (HandOut::query()->where('class_id', $class->id)->get() as $handOut) {
                $this->handOuts->delete($handOut);
            }
            Person::query()->where('pupil_of', $class->id)->delete();
            $class->delete();
        });
    }
}
