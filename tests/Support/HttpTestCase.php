<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Models\MapRecord;
use App\Models\Person;
use App\Store\MapStore;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;

/** Tests that send real requests through the whole application, on a database of their own. */
abstract class HttpTestCase extends TestCase
{
    use RefreshDatabase;

    public function createApplication(): Application
    {
        $app = require __DIR__.'/../../bootstrap/app.php';
        $app->useEnvironmentPath(__DIR__);
        $app->loadEnvironmentFrom('testing.env');
        if (getenv('CHALK_TEST_PGSQL') === false) {
            $_ENV['DB_CONNECTION'] = 'sqlite';
            $_ENV['DB_DATABASE'] = ':memory:';
            $_SERVER['DB_DATABASE'] = ':memory:';
        }
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }

    protected function setUp(): void
    {
        $this->mockConsoleOutput = false;
        parent::setUp();
        $this->withoutVite();
        // Files of pictures go where they are gone again.
        Storage::fake('local');
    }

    public function person(string $email = 'tove@saltmere.example'): Person
    {
        return Person::query()->firstOrCreate(['email' => $email], ['name' => ucfirst(strtok($email, '@')), 'password' => 'a long password']);
    }

    public function mapOf(Person $person, ?TopicDraft $root = null): MapRecord
    {
        return $this->app->make(MapStore::class)->create($person, NewMap::from($root ?? new TopicDraft('Festival', children: [
            new TopicDraft('Lanterns', children: [new TopicDraft('Paper'), new TopicDraft('Willow')]),
            new TopicDraft('Boats'),
        ])));
    }

    public function topics(MapRecord $record): TopicMap
    {
        return $this->app->make(MapStore::class)->load($record->fresh());
    }

    /** @param  list<array<string, mixed>>  $edits */
    public function sendEdits(MapRecord $record, array $edits, int $since = 0): TestResponse
    {
        return $this->postJson("/api/maps/{$record->id}/edits", ['since' => $since, 'edits' => array_map(
            fn (array $edit): array => $edit + ['id' => Ids::next()],
            $edits,
        )]);
    }

    public function id(MapRecord $record, string $title): string
    {
        foreach ($this->topics($record)->all() as $topic) {
            if ($topic->title === $title) {
                return $topic->id;
            }
        }

        throw new \RuntimeException("No topic is called {$title}.");
    }
}
