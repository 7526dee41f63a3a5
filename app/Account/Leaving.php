<?php

declare(strict_types=1);

namespace App\Account;

use App\Classroom\SchoolClasses;
use App\Mail\Letter;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Pupil;
use App\Models\SchoolClass;
use App\Models\Share;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Database\Connection;

/** Takes an account away with all that is its own. What others keep stays with them, with what was written there. */
final readonly class Leaving
{
    public function __construct(private Connection $database, private SchoolClasses $classes, private Mailer $mailer)
    {
    }

    /** @return array{maps: int, shared: int, classes: int, pupils: int} what would go: "shared" are those of the maps that others can open */
    public function means(Person $person): array
    {
        return [
            'maps' => MapRecord::query()->where('person_id', $person->id)->where('hand_out', null)->count(),
            'shared' => Share::query()->where('owner_id', $person->id)->whereNotNull('map_id')->distinct()->count('map_id'),
            'classes' => SchoolClass::query()->where('person_id', $person->id)->count(),
            'pupils' => Pupil::query()->whereIn('class_id', SchoolClass::query()->where('person_id', $person->id)->select('id'))->count(),
        ];
    }

    public function go(Person $person): void
    {
        $this->database->transaction(function () use ($person): void {
            foreach (SchoolClass::query()->where('person_id', $person->id)->get() as $class) {
                $this->classes->delete($class);
            }
            // By address, so nothing else takes them along.
            Share::query()->where('email', $person->email)->delete();
            MapRecord::query()->where('offered_to', $person->email)->update(['offered_to' => null]);
            $person->delete();
        });
        $this->mailer->to($person->email)->send(new Letter('Your account is gone', ["Goodbye, {$person->name}. Your Chalk Tree account and all maps that were yours have been taken away, and nobody can bring them back."]));
    }
}
