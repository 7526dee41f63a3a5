<?php

declare(strict_types=1);

namespace Tests\Browser;

use PDO;
use Tests\Support\Browser;
use Tests\Support\TestServer;

/** One server and one browser for all tests of a run, ended with it. */
final class Studio
{
    private const DEMO = 'wren@saltmere.example';

    private static ?TestServer $server = null;

    private static ?Browser $browser = null;

    private static ?Browser $beside = null;

    /** @var list<string> ids of maps that were made for one test */
    private static array $copies = [];

    /** @var list<string> ids of the maps of the demo */
    private static array $demo = [];

    public static function server(): TestServer
    {
        if (self::$server === null) {
            self::$server = new TestServer;
            register_shutdown_function(self::close(...));
        }

        return self::$server;
    }

    /** A browser in the demo library, as if newly opened. */
    public static function browser(): Browser
    {
        self::prepared()->enterDemo()->complaints();
        self::$demo = self::$demo === [] ? array_map(strval(...), self::data()->query('select id from maps')->fetchAll(PDO::FETCH_COLUMN)) : self::$demo;

        return self::$browser;
    }

    /** A browser that remembers nothing of the tests before, signed in as the person of the demo, on no page of the application. */
    private static function entered(): Browser
    {
        $isSignedIn = self::prepared()->driver->executeAsyncScript('const done = arguments[0]; fetch("/api/me").then((answer) => answer.json()).then(({ person }) => done(person?.email ?? ""))') === self::DEMO;
        if (! $isSignedIn) {
            return self::browser();
        }
        self::$browser->complaints();

        return self::$browser;
    }

    private static function prepared(): Browser
    {
        self::$browser ??= new Browser(self::server()->address);
        self::$browser->size(1280, 800)->visit('/mark.svg');
        self::$browser->script('localStorage.clear(); indexedDB.deleteDatabase("chalk-tree")');
        // What was chosen for the eyes and the hands is kept with the person; maps that were made for one test are no other's.
        $database = self::data();
        $database->exec('update people set calm = null, face = null, keys = null');
        foreach (self::$copies as $id) {
            $database->prepare('delete from maps where id = ?')->execute([$id]);
        }
        self::$copies = [];

        return self::$browser;
    }

    /** A browser of somebody else's, signed in with an account of their own, made where there is none. */
    public static function beside(string $name): Browser
    {
        $email = strtolower($name).'@beside.saltmere.example';
        self::data()->prepare('insert or ignore into people (name, email, password) values (?, ?, ?)')->execute([$name, $email, password_hash('a long password', PASSWORD_BCRYPT, ['cost' => 4])]);
        self::$beside ??= new Browser(self::server()->address);
        self::$beside->size(1280, 800)->visit('/mark.svg');
        self::$beside->script('localStorage.clear(); indexedDB.deleteDatabase("chalk-tree")');
        // However fast tests follow each other, nobody signs in too often.
        if (self::$beside->driver->executeAsyncScript('const done = arguments[0]; fetch("/api/me").then((answer) => answer.json()).then(({ person }) => done(person?.email ?? ""))') === $email) {
            self::$beside->visit('/')->waitFor('.library')->complaints();

            return self::$beside;
        }
        self::$beside->visit('/sign-in')->waitFor('.account, .library');
        if (self::$beside->has('.library')) {
            self::$beside->driver->executeAsyncScript('const done = arguments[0]; const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? ""); fetch("/api/sign-out", { method: "POST", headers: { Accept: "application/json", "X-XSRF-TOKEN": token } }).then(done)');
            self::$beside->visit('/sign-in')->waitFor('.account');
        }
        self::$beside->find('input[name=email]')->sendKeys($email);
        self::$beside->find('input[type=password]')->sendKeys('a long password');
        self::$beside->press('Sign in')->waitFor('.library')->complaints();

        return self::$beside;
    }

    /** The demo library without the maps that other tests have made: there are hundreds at the end of a run. */
    public static function tidied(): Browser
    {
        self::browser();
        self::data()->prepare('delete from maps where id not in ('.implode(', ', array_fill(0, count(self::$demo), '?')).')')->execute(self::$demo);

        return self::browser();
    }

    public static function close(): void
    {
        self::$browser?->quit();
        self::$beside?->quit();
        self::$server?->stop();
        self::$browser = self::$beside = self::$server = null;
    }

    /** A map made of a text, open, that goes again before the next test: so many would fill the library. */
    public static function lent(string $text): Browser
    {
        $browser = self::opened($text);
        self::$copies[] = basename((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));

        return $browser;
    }

    /** The database of the server. */
    public static function data(): PDO
    {
        $database = new PDO('sqlite:'.self::server()->database());
        $database->exec('pragma foreign_keys = on; pragma busy_timeout = 5000');

        return $database;
    }

    /** A map made of a text, open. */
    public static function opened(string $text): Browser
    {
        $file = sys_get_temp_dir().'/seen-'.bin2hex(random_bytes(4)).'.txt';
        file_put_contents($file, $text);
        $id = trim(self::server()->artisan('map:import', $file));
        unlink($file);

        return self::entered()->visit("/maps/{$id}")->ready();
    }

    /** A map of the demo, made anew and open, so that no other test meets what is done to it. */
    public static function copyOf(string $demo): Browser
    {
        $browser = self::entered();
        self::$copies[] = $id = trim(self::server()->artisan('map:import', dirname(__DIR__, 2)."/database/demo/{$demo}.json", '--title=Of its own'));

        return $browser->visit("/maps/{$id}")->ready();
    }

    /** What a copy puts on the clipboard, by type. */
    public static function listenForCopy(Browser $browser): void
    {
        $browser->script('window.copied = null; document.addEventListener("copy", (e) => { window.copied = Object.fromEntries([...e.clipboardData.types].map(t => [t, e.clipboardData.getData(t)])) }); const add = window.addEventListener.bind(window); window.addEventListener = (type, run, options) => add(type, type !== "copy" ? run : (e) => { run(e); window.copied = Object.fromEntries([...e.clipboardData.types].map(t => [t, e.clipboardData.getData(t)])) }, options)');
    }
}
