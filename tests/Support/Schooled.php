<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Classroom\HandOuts;
use App\Classroom\Ideas;
use App\Classroom\SchoolClasses;
use App\Models\HandOutCopy;
use App\Models\Idea;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Pupil;

/** A class with one pupil, to which a map is given, and an idea that waits in that map. */
final class Schooled
{
    /** @return array<string, string> the ids of all of it, by what routes call them */
    public static function ids(Person $teacher, MapRecord $map): array
    {
        $class = app(SchoolClasses::class)->make($teacher, '7b');
        app(SchoolClasses::class)->openDoor($class, true);
        app(SchoolClasses::class)->add($class, ['Ada']);
        $handOut = app(HandOuts::class)->give($class, $map, ['title' => 'Floating', 'question' => '', 'due' => null, 'byTeam' => false]);
        $box = app(Ideas::class)->open($map, $map->root, 'What floats?', true);
        app(Ideas::class)->send($box, 'Ice');
        $pupil = Pupil::query()->where('class_id', $class->id)->firstOrFail();

        return [
            '{schoolClass}' => $class->id, '{pupil}' => $pupil->id, '{handOut}' => $handOut->id, '{copy}' => (string) HandOutCopy::query()->where('hand_out_id', $handOut->id)->value('id'),
            '{idea}' => (string) Idea::query()->where('box_id', $box->id)->value('id'), '{code}' => $box->code, '{joinCode}' => (string) $class->code, '{word}' => $pupil->word,
        ];
    }
}
