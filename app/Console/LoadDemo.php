<?php

declare(strict_types=1);

namespace App\Console;

use App\Comments\Comments;
use App\Files\Contents;
use App\Files\JoinedFile;
use App\Files\KeptFiles;
use App\Library\Arrivals;
use App\Library\Demo\ArchiveIndex;
use App\Library\Demo\SchoolDemo;
use App\Models\MapRecord;
use App\Models\Person;
use App\Publishing\PublishedPages;
use App\Sharing\Role;
use App\Sharing\Shares;
use App\Store\MapStore;
use App\Store\ViewStore;
use ChalkTree\HandOver\Choices;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use Illuminate\Console\Command;
use Illuminate\Support\Str;

/** Makes the demo person with the demo maps, once; a person who is there already is left alone. */
final class LoadDemo extends Command
{
    protected $signature = 'demo:load';

    protected $description = 'Makes the demo person with the demo maps, if they are not there yet.';

    /** The latest made stands first in the library. */
    private const MAPS = ['archive', 'light-and-shadow', 'meeting-log', 'ninth-lamp', 'late-procession', 'crew-chart', 'dark-lamp', 'lantern-year', 'festival-week', 'why-boats-float', 'guidebook', 'festival-plan'];

    /** Whoever shares this map with the demo person; nobody signs in as her. */
    private const FRIEND = ['name' => 'Ines', 'email' => 'ines@boathouse.saltmere.example', 'map' => 'boathouse-supper'];

    /** The end of the address of a page that is published. */
    private const PAGE = 'saltmerevisitorguide';

    public function handle(MapStore $store, Arrivals $arrivals, ViewStore $views, KeptFiles $files, PublishedPages $pages, Shares $shares, Comments $comments, SchoolDemo $school): int
    {
        $email = (string) config('chalk.demo_email');
        if (Person::query()->where('email', $email)->exists()) {
            return self::SUCCESS;
        }
        $person = Person::query()->create(['name' => 'Wren', 'email' => $email, 'password' => Str::random(40)]);
        $ids = [];
        foreach (self::MAPS as $name) {
            if ($name !== 'archive') {
                $record = $arrivals->bring($person, $this->file($name, $ids), "{$name}.json");
                $this->addFiles($record, $store->load($record), $files);
                $ids["map:{$record->root}/"] = "map:{$record->id}/";
            } else {
                $map = ArchiveIndex::make();
                $record = $store->create($person, $map);
                // So large a map is met with its shelves closed.
                $shelves = array_keys(array_filter($map->all(), fn (Topic $topic): bool => count($map->ancestors($topic->id)) === 2));
                $views->save($record, $person, ['folded' => $shelves, 'outlineFolded' => $shelves, 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'showing' => false, 'filter' => null]);
            }
            if ($name === 'ninth-lamp') {
                // The chapters first: sheets and old notes are folded.
                $map = $store->load($record);
                $sheets = array_values(array_map(fn (Topic $topic): string => $topic->id, array_filter($map->children($map->sheet()->root), fn (Topic $topic): bool => in_array($topic->title, ['People', 'Places', 'Things', 'Threads', 'Old notes'], true))));
                $views->save($record, $person, ['folded' => $sheets, 'outlineFolded' => $sheets, 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'showing' => false, 'filter' => null]);
            }
            if ($name === 'festival-plan') {
                $record->update(['favourite' => true]);
            }
            if ($name === 'why-boats-float') {
                $school->make($person, $record);
                usleep(2000);
            }
            if ($name === 'guidebook') {
                $pages->publish($record, 'For the harbour site', null, Choices::fromFields('', []), false, self::PAGE);
            }
            usleep(2000);
        }
        $friend = Person::query()->create(['name' => self::FRIEND['name'], 'email' => self::FRIEND['email'], 'password' => Str::random(40)]);
        $supper = $arrivals->bring($friend, (string) file_get_contents(database_path('demo/'.self::FRIEND['map'].'.md')), self::FRIEND['map'].'.md');
        $shares->give($friend, $supper, $person->email, Role::Edit, 'Write in what you can bring.');
        $topics = array_column(array_map(fn (Topic $topic): array => [$topic->title, $topic->id], $store->load($supper)->all()), 1, 0);
        $asked = $comments->say($supper, $friend, Ids::next(), $topics['Smoked eel on black bread'], null, 'Who has the black bread, @Wren? The baker is closed on the day after.');
        $comments->say($supper, $friend, Ids::next(), $topics['Smoked eel on black bread'], $asked->id, 'Four loaves would do.');
        $comments->say($supper, $friend, Ids::next(), $topics['Cider, two barrels'], null, 'Last year one was enough.');

        return self::SUCCESS;
    }

    /** What topics of a demo map have lies in a folder beside it. */
    private function addFiles(MapRecord $record, TopicMap $map, KeptFiles $files): void
    {
        $named = Contents::of($map)->files;
        foreach ($named === [] ? [] : (glob(database_path('demo/files/*')) ?: []) as $path) {
            if (isset($named[hash_file('sha256', $path)])) {
                $files->add($record, JoinedFile::copyOf($path), basename($path));
            }
        }
    }

    /**
     * The file of a demo map. Its links lead to maps that were made before it, which it names by their roots, and to the site that
     * stands in for the network.
     *
     * @param  array<string, string>  $ids  of maps as links have them, by what they are called in the files
     */
    private function file(string $name, array $ids): string
    {
        $site = (string) config('chalk.stand_in');

        return strtr((string) file_get_contents(database_path("demo/{$name}.json")), $ids + ($site === '' ? [] : ['https://harbour-office.saltmere.example' => $site]));
    }
}
