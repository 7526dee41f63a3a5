<?php

declare(strict_types=1);

use App\Library\Demo\ArchiveIndex;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\MapStore;
use App\Store\ViewStore;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\TreeCheck;
use Illuminate\Contracts\Console\Kernel;

function demoFile(string $name): TopicMap
{
    return Formats::read((string) file_get_contents(database_path("demo/{$name}.json")), "{$name}.json");
}

function depthOf(TopicMap $map): int
{
    return max(array_map(fn (Topic $topic): int => count($map->ancestors($topic->id)), $map->all()));
}

it('loads the demo person and maps once, and leaves them alone afterwards', function () {
    $kernel = app(Kernel::class);
    expect($kernel->call('demo:load'))->toBe(0);
    $person = Person::query()->where('email', config('chalk.demo_email'))->firstOrFail();
    $maps = MapRecord::query()->where('person_id', $person->id)->get();
    // In the library; besides what was given to a class of twelve, with the map as it was given.
    expect($maps->whereNull('hand_out'))->toHaveCount(13)->and($maps->whereNotNull('hand_out'))->toHaveCount(13);

    $maps->whereNull('hand_out')->first()->delete();
    expect($kernel->call('demo:load'))->toBe(0)
        ->and(MapRecord::query()->where('person_id', $person->id)->whereNull('hand_out')->count())->toBe(12)
        // And whoever shares a map with them, and the pupils.
        ->and(Person::query()->whereNull('pupil_of')->count())->toBe(2)->and(Person::query()->whereNotNull('pupil_of')->count())->toBe(12)
        ->and(array_column(app(App\Sharing\SharedShelf::class)->list($person), 'title', 'role'))->toBe(['edit' => 'Boathouse supper']);
});

it('shows the archive with its shelves closed', function () {
    app(Kernel::class)->call('demo:load');
    $person = Person::query()->firstOrFail();
    $archive = MapRecord::query()->get()->first(fn (MapRecord $map): bool => $map->topics()->count() > 1_000);
    expect(count(app(ViewStore::class)->of($archive, $person)['folded']))->toBeGreaterThan(0);
    $map = app(MapStore::class)->load($archive);
    $scene = Layout::of($map, app(ViewStore::class)->board($archive, $person))->scene();

    expect($map->all())->toHaveCount(3000)
        ->and(count($scene->slips))->toBeLessThan(80)
        ->and($map->root()->title)->toBe('Saltmere archive');
});

it('has a festival plan of some hundred and twenty topics on four levels and both sides', function () {
    $map = demoFile('festival-plan');
    $sides = array_count_values(array_map(fn (Topic $topic): string => $topic->side?->value ?? '', $map->children($map->root()->id)));

    expect(count($map->all()))->toBeGreaterThanOrEqual(115)->toBeLessThanOrEqual(130)
        ->and(depthOf($map))->toBeGreaterThanOrEqual(3)
        ->and($map->sheet()->arrangement)->toBe('both-sides')
        ->and($sides['left'])->toBeGreaterThan(1)
        ->and($sides['right'])->toBeGreaterThan(1);
});

it('has a guidebook with true paragraphs in its notes', function () {
    $map = demoFile('guidebook');
    $notes = array_filter(array_map(fn (Topic $topic): string => $topic->note, $map->all()));

    expect(count($map->all()))->toBeGreaterThanOrEqual(55)
        ->and(count($notes))->toBeGreaterThan(30)
        ->and(str_word_count(implode(' ', $notes)))->toBeGreaterThan(900);
});

it('has a meeting log that grows rightward', function () {
    $map = demoFile('meeting-log');

    expect($map->sheet()->arrangement)->toBe('rightward')
        ->and(count($map->all()))->toBeGreaterThan(40);
});

it('makes the same archive every time, of any size', function (int $topics) {
    $titles = fn (TopicMap $map): array => array_map(fn (Topic $topic): string => $topic->title.$topic->caption, array_values($map->all()));
    $map = ArchiveIndex::make($topics);

    expect($map->all())->toHaveCount($topics)
        ->and(TreeCheck::problems($map))->toBe([])
        ->and($titles(ArchiveIndex::make($topics)))->toBe($titles($map))
        ->and(implode('', $titles($map)))->not->toContain('%s');
})->with([60, 500, 3000]);

it('lays every demo map out and reads it back from every format', function (string $name) {
    $map = demoFile($name);
    expect(TreeCheck::problems($map))->toBe([])
        ->and(Layout::of($map, new View)->scene()->slips)->toHaveCount(count($map->all()));
    // Numbers go out with the titles, and loose topics have no place in a file that has one tree.
    $titles = fn (TopicMap $map): array => array_map(fn (Topic $topic): string => (string) preg_replace('/\A\d+\\\\?\. /', '', $topic->title), array_values($map->all()));
    expect($titles(Formats::read(Formats::write($map, 'json'), 'x.json')))->toBe($titles($map));
    $tree = NewMap::from(TopicDraft::of($map, $map->root()->id));
    foreach (['opml', 'md'] as $format) {
        expect($titles(Formats::read(Formats::write($tree, $format), "x.{$format}")))->toBe($titles($tree));
    }
})->with(['festival-plan', 'guidebook', 'meeting-log', 'late-procession', 'crew-chart', 'dark-lamp', 'ninth-lamp', 'festival-week', 'lantern-year', 'light-and-shadow']);
