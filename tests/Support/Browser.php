<?php

declare(strict_types=1);

namespace Tests\Support;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\ElementClickInterceptedException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverDimension;
use RuntimeException;
use Symfony\Component\Process\Process;
use Throwable;

/** Chromium without a window, driven as a person would use it: by keys, by mouse, by what is to be seen. */
final class Browser
{
    use Hands;

    public readonly RemoteWebDriver $driver;

    private readonly Process $service;

    private readonly string $profile;

    public function __construct(private readonly string $address, int $width = 1280, int $height = 800, bool $touch = false)
    {
        $port = TestServer::freePort();
        $this->service = new Process(['chromedriver', "--port={$port}", '--log-level=OFF'], null, null, null, null);
        $this->service->disableOutput();
        $this->service->start();
        $this->profile = sys_get_temp_dir().'/chalk-chromium-'.bin2hex(random_bytes(6));
        $options = new ChromeOptions;
        $options->addArguments([
            '--headless=new', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking',
            '--disable-component-update', '--disable-sync', '--disable-dev-shm-usage', '--hide-scrollbars', '--force-device-scale-factor=1',
            '--lang=en-GB', "--window-size={$width},{$height}", "--user-data-dir={$this->profile}",
        ]);
        if ($touch) {
            $options->setExperimentalOption('mobileEmulation', ['deviceMetrics' => ['width' => $width, 'height' => $height, 'pixelRatio' => 1.0, 'touch' => true]]);
        }
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        $this->driver = $this->connect("http://127.0.0.1:{$port}", $capabilities);
        $slowness = (int) getenv('TEST_SLOWNESS');
        if ($slowness > 1) {
            (new ChromeDevToolsDriver($this->driver))->execute('Emulation.setCPUThrottlingRate', ['rate' => $slowness]);
        }
        if (! $touch) {
            $this->size($width, $height);
        }
    }

    /** Sets the size of the page itself, whatever the window around it takes. */
    public function size(int $width, int $height): self
    {
        $this->driver->manage()->window()->setSize(new WebDriverDimension($width, $height));
        [$w, $h] = $this->script('return [innerWidth, innerHeight]');
        $this->driver->manage()->window()->setSize(new WebDriverDimension(2 * $width - $w, 2 * $height - $h));

        return $this;
    }

    public function quit(): void
    {
        try {
            $this->driver->quit();
        } finally {
            $this->service->stop(1);
            (new Process(['rm', '-rf', $this->profile]))->run();
        }
    }

    public function visit(string $path): self
    {
        $this->driver->get($this->address.$path);

        return $this;
    }

    /** Opens the demo library, and the map whose title begins so. */
    public function enterDemo(?string $map = null): self
    {
        $this->visit('/')->waitFor('.library, .account');
        if ($this->has('.account')) {
            $this->press('Open the demo library');
        }
        $this->waitFor('.card');
        if ($map !== null) {
            $this->openMap($map);
        }

        return $this;
    }

    /** Opens the map whose title begins so, from the library that is shown. */
    public function openMap(string $map): self
    {
        $this->bringCard($map)->script('[...document.querySelectorAll("a.picture")].find(a => a.ariaLabel.startsWith(arguments[0])).click()', "Open {$map}");

        return $this->ready();
    }

    /** Scrolls the library until the card of a map is there; only those in view are in the page. */
    public function bringCard(string $map): self
    {
        return $this->waitUntil(fn (): bool => $this->script(<<<'JS'
            const card = [...document.querySelectorAll('a.picture, div.picture')].find((one) => one.ariaLabel.startsWith(arguments[0]))
            const list = document.querySelector('.shelf .v-vl') ?? document.querySelector('.shelf')
            if (card) { card.scrollIntoView({block: 'nearest'}); return true }
            if (list) list.scrollTop = list.scrollTop + list.clientHeight >= list.scrollHeight - 2 ? 0 : list.scrollTop + list.clientHeight * 0.7
            return false
            JS, "Open {$map}"), "the card of {$map}");
    }

    /** Waits until a map is open and drawn. */
    public function ready(): self
    {
        $this->waitFor('.outline [role=treeitem], .slip');

        return $this;
    }

    /** Begins a new map from the library. */
    public function newMap(): self
    {
        $this->press('New map');
        $this->waitFor('.title-editor');

        return $this;
    }

    public function find(string $css): RemoteWebElement
    {
        $this->waitFor($css);

        return $this->driver->findElement(WebDriverBy::cssSelector($css));
    }

    public function has(string $css): bool
    {
        return $this->driver->findElements(WebDriverBy::cssSelector($css)) !== [];
    }

    public function count(string $css): int
    {
        return count($this->driver->findElements(WebDriverBy::cssSelector($css)));
    }

    public function waitFor(string $css): self
    {
        return $this->waitUntil(fn (): bool => $this->has($css), $css);
    }

    /** Waits for what a busy machine may take long for; where all is well, nothing waits for the end of it. */
    public function waitUntil(callable $is, string $what = 'something', float $seconds = 40): self
    {
        $end = microtime(true) + $seconds;
        do {
            try {
                if ($is()) {
                    return $this;
                }
            } catch (StaleElementReferenceException|ElementClickInterceptedException) {
                // The page changed while it was looked at, or something still lies over what is to be clicked.
            }
            usleep(30_000);
        } while (microtime(true) < $end);

        throw new RuntimeException("Waited in vain for {$what}. At ".$this->script('return location.pathname').', complaints: '.json_encode($this->complaints(), JSON_UNESCAPED_SLASHES).', what has not been answered: '.$this->script('return performance.getEntriesByType("resource").filter((one) => one.responseEnd === 0).map((one) => one.name).join()').'. The page: '.mb_substr((string) $this->script('return document.body.innerText'), 0, 800));
    }

    /** Waits until everything is kept by the server. */
    public function saved(): self
    {
        return $this->waitUntil(fn (): bool => $this->script('return document.querySelector(".saved")?.dataset.state') === 'saved', 'everything to be saved');
    }

    public function script(string $code, mixed ...$arguments): mixed
    {
        return $this->driver->executeScript($code, $arguments);
    }

    /** @return list<string> the outline as it is to be seen, indented by two spaces a level */
    public function outline(): array
    {
        return $this->script(
            'return [...document.querySelectorAll(".outline [role=treeitem]")].sort((a, b) => a.offsetTop - b.offsetTop)'
            .'.map(l => "  ".repeat(l.ariaLevel - 1) + (l.querySelector(".text, .title-editor")?.innerText.trim() ?? ""))',
        );
    }

    /** The id of the topic on the board with this text. */
    public function topic(string $text): string
    {
        $id = null;
        $this->waitUntil(function () use ($text, &$id): bool {
            $id = $this->script('return [...document.querySelectorAll(".slip, .far-label")].find(s => [...s.querySelectorAll("text:not(.caption, .tag, .stamp, .phrase, .how-far, .task, .facts, .gathered, .ruler-words, .ruler-break)")].map(t => t.textContent).join(" ") === arguments[0])?.dataset.topic', $text);

            return $id !== null;
        }, "a topic “{$text}” on the board");

        return $id;
    }

    /** @return array{x: float, y: float, w: float, h: float} where a topic is in the window */
    public function boxOf(string $text): array
    {
        $id = $this->topic($text);
        // A slip that glides to its place is hit where it was a moment ago, and between two looks there may be no frame.
        $read = 'const [id, done] = arguments; const at = () => { const r = document.querySelector(`.slip[data-topic="${id}"] .paper, .far-label[data-topic="${id}"] .chip`)?.getBoundingClientRect(); return r && {x: r.x, y: r.y, w: r.width, h: r.height} };'
            .'const before = JSON.stringify(at()); requestAnimationFrame(() => requestAnimationFrame(() => done(JSON.stringify(at()) === before ? at() : null)))';
        $box = null;
        $this->waitUntil(function () use ($read, $id, &$box): bool {
            $box = $this->driver->executeAsyncScript($read, [$id]);

            return $box !== null;
        }, "“{$text}” to stand still");

        return (array) $box;
    }

    public function offline(bool $offline): self
    {
        $this->tools('Network.enable', []);
        $this->tools('Network.emulateNetworkConditions', ['offline' => $offline, 'latency' => 0, 'downloadThroughput' => -1, 'uploadThroughput' => -1]);

        return $this;
    }

    /** Makes every answer come so many milliseconds later. */
    public function delayed(int $milliseconds): self
    {
        $this->tools('Network.enable', []);
        $this->tools('Network.emulateNetworkConditions', ['offline' => false, 'latency' => $milliseconds, 'downloadThroughput' => -1, 'uploadThroughput' => -1]);

        return $this;
    }

    public function tools(string $command, array $parameters): mixed
    {
        return (new ChromeDevToolsDriver($this->driver))->execute($command, $parameters);
    }

    public function picture(string $file): self
    {
        $this->driver->takeScreenshot($file);

        return $this;
    }

    /** @return list<string> what went wrong in the page's own eyes */
    public function complaints(): array
    {
        $severe = array_filter(
            $this->driver->manage()->getLog('browser'),
            fn (array $entry): bool => $entry['level'] === 'SEVERE' && ! str_contains($entry['message'], 'ERR_INTERNET_DISCONNECTED'),
        );

        return array_values(array_map(fn (array $entry): string => $entry['message'], $severe));
    }

    private function connect(string $service, DesiredCapabilities $capabilities): RemoteWebDriver
    {
        for ($i = 0; ; $i++) {
            try {
                return RemoteWebDriver::create($service, $capabilities, 60_000, 120_000);
            } catch (Throwable $refused) {
                if ($i > 60) {
                    throw $refused;
                }
                usleep(100_000);
            }
        }
    }
}
