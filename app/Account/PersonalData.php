<?php

declare(strict_types=1);

namespace App\Account;

use App\Files\FileName;
use App\Files\HandedZip;
use App\Files\ZippedMap;
use App\Library\Folders;
use App\Library\Shelf;
use App\Models\Ask;
use App\Models\Block;
use App\Models\Comment;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\PublishedPage;
use App\Models\SchoolClass;
use App\Models\Share;
use App\Models\ViewingLink;
use App\Models\Visit;
use App\Models\WritingDay;
use App\Store\MapStore;
use Illuminate\Contracts\Session\Session;
use Illuminate\Database\Eloquent\Builder;

/** All that is kept of somebody, in one archive: account.json, and each of their maps as an archive of its own that can be opened again. */
final readonly class PersonalData
{
    public function __construct(private MapStore $store, private ZippedMap $zipped, private Folders $folders, private SignIns $signIns)
    {
    }

    /** @return string the path of the archive, which whoever asked takes away */
    public function write(Person $person, Session $session): string
    {
        return HandedZip::write(fn (HandedZip $zip) => $this->fill($zip, $person, $session));
    }

    private function fill(HandedZip $zip, Person $person, Session $session): void
    {
        $maps = [];
        foreach (MapRecord::query()->where('person_id', $person->id)->oldest('id')->get() as $n => $map) {
            $topics = $this->store->load($map);
            $title = Shelf::title($map->title, $topics->root()->title);
            $within = 'maps/'.($n + 1).' '.FileName::clean($title).'.zip';
            $zip->move($this->zipped->write($map, $topics), $within);
            $maps[] = ['title' => $title, 'file' => $within, 'isInTrash' => $map->trashed_at !== null];
        }
        $zip->tell('account.json', $this->told($person, $session) + ['maps' => $maps]);
    }

    /** @return array<string, mixed> */
    private function told(Person $person, Session $session): array
    {
        $own = fn (Builder $map): Builder => $map->where('person_id', $person->id);
        $time = fn (int $seconds): string => gmdate('Y-m-d\TH:i:s\Z', $seconds);

        return [
            'name' => $person->name, 'address' => $person->email, 'timeZone' => $person->zone, 'eyes' => $person->calm, 'keys' => $person->keys, 'typeface' => $person->face?->value, 'asksForCodes' => TwoFactor::isOn($person),
            'folders' => array_column($this->folders->list($person), 'name'),
            'sharedByYou' => array_values(Share::query()->where('owner_id', $person->id)->get()->map(fn (Share $share): array => ['with' => $share->email, 'role' => $share->role->value, 'map' => $share->map_id, 'folder' => $share->folder_id])->all()),
            'sharedWithYou' => array_values(Share::query()->where('email', $person->email)->get()->map(fn (Share $share): array => ['role' => $share->role->value, 'map' => $share->map_id, 'folder' => $share->folder_id])->all()),
            'blocked' => Block::query()->where('person_id', $person->id)->pluck('email')->all(),
            'comments' => array_values(Comment::query()->where('person_id', $person->id)->oldest('id')->get()->map(fn (Comment $one): array => ['map' => $one->map_id, 'topic' => $one->topic_id, 'text' => $one->text, 'made' => $time($one->made)])->all()),
            'published' => array_values(PublishedPage::query()->whereHas('map', $own)->oldest('made')->get()->map(fn (PublishedPage $one): array => ['map' => $one->map_id, 'name' => $one->name, 'address' => $one->url(), 'made' => $time($one->made), 'views' => $one->views])->all()),
            'viewingLinks' => array_values(ViewingLink::query()->whereHas('map', $own)->oldest('made')->get()->map(fn (ViewingLink $one): array => ['map' => $one->map_id, 'address' => $one->url(), 'until' => $one->until === null ? null : $time($one->until), 'hasPassword' => $one->password !== null, 'made' => $time($one->made), 'views' => $one->views])->all()),
            'askedToJoin' => array_values(Ask::query()->where('person_id', $person->id)->oldest('made')->get()->map(fn (Ask $one): array => ['map' => $one->map_id, 'words' => $one->words, 'made' => $time($one->made)])->all()),
            'wordsByDay' => array_values(WritingDay::query()->where('person_id', $person->id)->oldest('day')->get()->map(fn (WritingDay $one): array => ['map' => $one->map_id, 'day' => $one->day, 'words' => $one->words])->all()),
            'visits' => array_values(Visit::query()->where('person_id', $person->id)->get()->map(fn (Visit $one): array => ['map' => $one->map_id, 'last' => $time($one->last)])->all()),
            'classes' => SchoolClass::query()->where('person_id', $person->id)->pluck('name')->all(),
            'signedIn' => array_map(fn (array $one): array => array_diff_key($one, ['id' => 1, 'isThis' => 1]), $this->signIns->of($person, $session)),
        ];
    }
}
