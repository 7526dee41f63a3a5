<?php

declare(strict_types=1);

namespace App\Classroom;

use App\Comments\Comments;
use App\Files\FileName;
use App\Files\HandedZip;
use App\Files\ZippedMap;
use App\Models\Comment;
use App\Models\HandOut;
use App\Models\HandOutCopy;
use App\Models\MapRecord;
use App\Models\Pupil;
use App\Models\SchoolClass;
use App\Store\MapStore;

/**
 * All of a class in one archive: class.json with its pupils, what was given out, and what was said of it; for each
 * hand-out a folder with its table and, of each copy, the map as an archive of its own that can be opened again.
 */
final readonly class ClassArchive
{
    public function __construct(private MapStore $store, private ClassTable $table, private ZippedMap $zipped)
    {
    }

    /** @return string the path of the archive, which whoever asked takes away */
    public function write(SchoolClass $class): string
    {
        return HandedZip::write(fn (HandedZip $zip) => $this->fill($zip, $class));
    }

    private function fill(HandedZip $zip, SchoolClass $class): void
    {
        $handOuts = HandOut::query()->with('given')->where('class_id', $class->id)->oldest('id')->get();
        $pupils = Pupil::query()->where('class_id', $class->id)->get()->sortBy('name');
        $told = [];
        foreach ($handOuts as $n => $handOut) {
            $folder = ($n + 1).' '.FileName::clean($handOut->title);
            $zip->zip->addFromString("{$folder}/table.csv", $this->table->csv($handOut));
            $all = ['given' => $handOut->given];
            $copies = HandOutCopy::query()->with(['map', 'pupils'])->where('hand_out_id', $handOut->id)->oldest('id')->get();
            $said = [];
            foreach ($copies as $k => $copy) {
                $all[($k + 1).' '.FileName::clean($copy->label)] = $copy->map;
                $said[] = [
                    'label' => $copy->label, 'pupils' => $copy->pupils->sortBy('name')->pluck('name')->values()->all(), 'map' => "{$folder}/".($k + 1).' '.FileName::clean($copy->label).'.zip', 'state' => $copy->state->value,
                    'handedIn' => $copy->handed_in === null ? null : gmdate('Y-m-d\TH:i:s\Z', $copy->handed_in), 'marks' => $copy->marks, 'words' => $copy->words, 'comments' => $this->comments($copy->map),
                ];
            }
            foreach ($all as $name => $map) {
                $zip->move($this->zipped->write($map, $this->store->load($map)), "{$folder}/{$name}.zip");
            }
            $told[] = ['title' => $handOut->title, 'question' => $handOut->question, 'due' => $handOut->due, 'rubric' => $handOut->rubric, 'given' => "{$folder}/given.zip", 'copies' => $said];
        }
        $zip->tell('class.json', ['class' => $class->name, 'pupils' => $pupils->map(fn (Pupil $pupil): array => ['name' => $pupil->name, 'team' => $pupil->team])->values()->all(), 'handOuts' => $told]);
    }

    /** @return list<array{by: string, text: string, made: string}> */
    private function comments(MapRecord $map): array
    {
        return array_values(Comment::query()->with('person')->where('map_id', $map->id)->oldest('id')->get()->map(fn (Comment $one): array => ['by' => $one->person->name, 'text' => $one->text, 'made' => Comments::time($one->made)])->all());
    }
}
