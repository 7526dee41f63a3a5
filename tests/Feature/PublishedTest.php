<?php

declare(strict_types=1);

use App\Models\EditRecord;
use App\Models\MapRecord;
use App\Models\PublishedPage;
use App\Pictures\KeptPictures;
use App\Publishing\PageFiles;
use App\Publishing\PageViews;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use ChalkTree\Picture\PictureFile;
use Illuminate\Support\Facades\File;
use Tests\Support\Photos;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove, new TopicDraft('Fair', children: [
        new TopicDraft('Stalls <b>&', 'twelve', "Along the **quay**.\n\n[odd](javascript:alert(1)) and [the site](https://fair.example/a?b=1&c=2)", [new TopicDraft('Soup'), new TopicDraft('Bread')]),
        new TopicDraft('Music', children: [new TopicDraft('Drums')]),
    ]));
    $this->publish = fn (array $said = []): array => $this->postJson("/api/maps/{$this->map->id}/published", $said + ['name' => 'For the site', 'topic' => null, 'choices' => [], 'isFrozen' => false])->assertCreated()->json();
    $this->read = fn (array $page, string $below = '') => $this->get(parse_url($page['address'], PHP_URL_PATH).$below);
});

afterEach(function () {
    foreach (PublishedPage::query()->pluck('address') as $address) {
        app(PageFiles::class)->forget($address);
    }
});

it('gives a map a page that needs no account, sets no cookie, runs nothing of the editor and may load nothing from elsewhere', function () {
    $page = ($this->publish)();
    $this->flushSession();
    auth()->forgetGuards();
    $answer = ($this->read)($page)->assertOk();
    $html = $answer->getContent();
    expect($answer->headers->getCookies())->toBe([])
        ->and($answer->headers->get('Content-Security-Policy'))->toContain("default-src 'none'")->toContain("script-src 'self'")->not->toContain('unsafe-eval')
        ->and($answer->headers->get('Cache-Control'))->toContain('no-cache')->toContain('public')
        ->and($html)->toContain('<h1>Fair</h1>')->toContain('Stalls &lt;b&gt;&amp;')->toContain('<strong>quay</strong>')->toContain('https://fair.example/a?b=1&amp;c=2')
        ->not->toContain('javascript:')->not->toContain('main-')->not->toContain($this->map->id)->not->toContain($this->id($this->map, 'Soup'));
    preg_match_all('/<script[^>]*>/', $html, $scripts);
    expect($scripts[0])->toHaveCount(1)->and($scripts[0][0])->toMatch('~src="/build/assets/page-[\w-]+\.js"~');
    // The outline is in the page itself, so it is read without a script, level by level.
    $document = new DOMDocument;
    @$document->loadHTML('<?xml encoding="utf-8">'.$html);
    $titles = fn (string $path): array => array_map(fn (DOMNode $node): string => trim($node->textContent), iterator_to_array((new DOMXPath($document))->query($path)));
    expect($titles('//main/noscript/ul/li/p[@id]'))->toBe(['Stalls <b>&', 'Music'])->and($titles('//main/noscript/ul/li/ul/li/p[@id]'))->toBe(['Soup', 'Bread', 'Drums']);
    foreach (['/board.svg' => 'image/svg+xml', '/drawing.svg' => 'image/svg+xml', '/320.png' => 'image/png', '/2400.png' => 'image/png'] as $below => $media) {
        $part = ($this->read)($page, $below)->assertOk();
        // By itself, nothing in a part may do anything.
        expect($part->headers->get('Content-Type'))->toBe($media)->and($part->headers->get('Content-Security-Policy'))->toContain("default-src 'none'")->toContain('sandbox')->not->toContain('script-src');
    }
    expect(getimagesizefromstring(($this->read)($page, '/500.png')->getContent())[0])->toBe(500);
    foreach (['/501.png', '/pictures/'.str_repeat('0', 64).'-large', '/index.php', '/../../.env'] as $below) {
        ($this->read)($page, $below)->assertNotFound();
    }
});

it('follows the map, or stays as it was until it is renewed', function () {
    [$following, $frozen] = [($this->publish)(), ($this->publish)(['isFrozen' => true, 'name' => 'As it was'])];
    ($this->read)($following)->assertSee('Soup');
    ($this->read)($frozen)->assertSee('Soup');
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Soup'), 'title' => 'Broth']])->assertOk();
    ($this->read)($following)->assertSee('Broth')->assertDontSee('Soup');
    expect(($this->read)($following, '/board.svg')->getContent())->toContain('Broth')->not->toContain('Soup');
    ($this->read)($frozen)->assertSee('Soup')->assertDontSee('Broth');
    $this->patchJson("/api/published/{$frozen['id']}", ['renew' => true])->assertOk()->assertJson(['isFrozen' => true]);
    ($this->read)($frozen)->assertSee('Broth');
    $this->patchJson("/api/published/{$frozen['id']}", ['isFrozen' => false, 'name' => 'Follows'])->assertOk()->assertJson(['isFrozen' => false, 'name' => 'Follows']);
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Broth'), 'title' => 'Chowder']])->assertOk();
    ($this->read)($frozen)->assertSee('Chowder');
});

it('is gone at once when it is withdrawn, moved, or its map is thrown away, and comes back with the map', function () {
    $page = ($this->publish)();
    ($this->read)($page)->assertOk();
    ($this->read)($page, '/500.png')->assertOk();
    $folder = PageFiles::folder(basename((string) parse_url($page['address'], PHP_URL_PATH)));
    expect(is_file("{$folder}/index.html"))->toBeTrue()->and(is_file("{$folder}/500.png"))->toBeTrue();
    $this->deleteJson("/api/maps/{$this->map->id}")->assertOk();
    expect(is_dir($folder))->toBeFalse();
    ($this->read)($page)->assertNotFound()->assertSee('There is nothing at this address');
    $this->postJson("/api/maps/{$this->map->id}/restore")->assertOk();
    ($this->read)($page)->assertOk();
    $moved = $this->patchJson("/api/published/{$page['id']}", ['move' => true])->assertOk()->json();
    expect($moved['address'])->not->toBe($page['address'])->and(is_dir($folder))->toBeFalse();
    ($this->read)($page)->assertNotFound();
    ($this->read)($moved)->assertOk();
    $this->deleteJson("/api/published/{$page['id']}")->assertOk();
    foreach (['', '/board.svg', '/drawing.svg', '/500.png'] as $below) {
        ($this->read)($moved, $below)->assertNotFound();
    }
    $this->patchJson("/api/published/{$page['id']}", ['renew' => true])->assertNotFound();
});

it('shows a branch, down to a level, without notes, as was chosen', function () {
    $page = ($this->publish)(['topic' => $this->id($this->map, 'Stalls <b>&'), 'choices' => ['noNotes' => true, 'on' => 'slate']]);
    ($this->read)($page)->assertSee('Soup')->assertDontSee('Music')->assertDontSee('quay');
    $flat = ($this->publish)(['choices' => ['depth' => 1]]);
    ($this->read)($flat)->assertSee('Music')->assertDontSee('Drums');
    // Its branch is removed: nothing is left to be shown, until it comes back.
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$this->id($this->map, 'Stalls <b>&')]]])->assertOk();
    ($this->read)($page)->assertNotFound();
    expect($this->getJson("/api/maps/{$this->map->id}/published")->assertOk()->json('pages.1.isShown'))->toBeFalse();
    $this->sendEdits($this->map, [['name' => 'undo']])->assertOk();
    ($this->read)($page)->assertOk();
});

it('never shows what is private, nor what has become so since it was frozen', function () {
    [$following, $frozen] = [($this->publish)(), ($this->publish)(['isFrozen' => true])];
    ($this->read)($frozen)->assertSee('Drums');
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [$this->id($this->map, 'Drums')], 'fields' => ['held' => true]]])->assertOk();
    $late = ($this->publish)(['isFrozen' => true]);
    foreach ([$following, $frozen, $late] as $page) {
        foreach (['', '/board.svg', '/drawing.svg'] as $below) {
            expect(($this->read)($page, $below)->assertOk()->getContent())->toContain('Music')->not->toContain('Drums');
        }
    }
    expect(PublishedPage::query()->find($late['id'])->frozen)->not->toContain('Drums');
    // All of it.
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [$this->map->root], 'fields' => ['held' => true]]])->assertOk();
    foreach ([$following, $frozen, $late] as $page) {
        ($this->read)($page)->assertNotFound();
        ($this->read)($page, '/500.png')->assertNotFound();
    }
    $this->postJson("/api/maps/{$this->map->id}/published", ['name' => 'x', 'topic' => null, 'choices' => [], 'isFrozen' => false])->assertUnprocessable()->assertJson(['code' => 'private']);
});

it('gives nobody else a word about pages, nor lets them change any', function () {
    $page = ($this->publish)();
    $this->flushSession();
    $this->actingAs($this->person('ines@saltmere.example'));
    $this->getJson("/api/maps/{$this->map->id}/published")->assertNotFound();
    $this->postJson("/api/maps/{$this->map->id}/published", ['name' => 'x', 'topic' => null, 'choices' => [], 'isFrozen' => false])->assertNotFound();
    $this->patchJson("/api/published/{$page['id']}", ['move' => true])->assertNotFound();
    $this->deleteJson("/api/published/{$page['id']}")->assertNotFound();
    ($this->read)($page)->assertOk();
});

it('refuses what is no page, and more than twenty of them', function (array $said, string $field) {
    $this->postJson("/api/maps/{$this->map->id}/published", $said + ['name' => 'x', 'topic' => null, 'choices' => [], 'isFrozen' => false])->assertUnprocessable()->assertJson(['field' => $field]);
    expect(PublishedPage::query()->count())->toBe(0);
})->with([
    [['name' => ''], 'name'], [['name' => "a\nb"], 'name'], [['name' => str_repeat('a', 101)], 'name'], [['name' => ['x']], 'name'],
    [['topic' => 'root'], 'topic'], [['topic' => Ids::next()], 'topic'], [['choices' => ['depth' => 'deep']], 'depth'], [['isFrozen' => 'yes'], 'isFrozen'],
]);

it('lets a map have twenty pages', function () {
    for ($i = 0; $i < 20; $i++) {
        ($this->publish)(['name' => "Page {$i}"]);
    }
    $this->postJson("/api/maps/{$this->map->id}/published", ['name' => 'x', 'topic' => null, 'choices' => [], 'isFrozen' => false])->assertUnprocessable()->assertJson(['field' => 'name']);
});

it('gives snippets whose pictures are there, and which hold what is in a title as text', function () {
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'Fair "><script>alert(1)</script>']])->assertOk();
    $page = ($this->publish)();
    foreach (['pictureSnippet', 'frameSnippet'] as $snippet) {
        $document = new DOMDocument;
        $document->loadHTML($page[$snippet]);
        expect($document->getElementsByTagName('script')->length)->toBe(0);
    }
    preg_match_all('~https?://[^ "]+\.png~', $page['pictureSnippet'], $m);
    expect(array_unique($m[0]))->toHaveCount(6);
    foreach (array_unique($m[0]) as $address) {
        $this->get(parse_url($address, PHP_URL_PATH))->assertOk();
    }
    expect($page['frameSnippet'])->toContain($page['address'].'?frame');
});

it('counts how often it was opened, also where the web server sent it by itself', function () {
    $page = ($this->publish)();
    $address = basename((string) parse_url($page['address'], PHP_URL_PATH));
    ($this->read)($page);
    ($this->read)($page, '/board.svg');
    config(['chalk.page_notes' => $notes = (string) tempnam(sys_get_temp_dir(), 'notes')]);
    file_put_contents($notes, "200 /p/{$address}\n304 /p/{$address}?frame\n200 /p/{$address}/board.svg\n404 /p/{$address}\n200 /p/".str_repeat('0', 20)."\n200 /p/{$address}");
    expect($this->getJson("/api/maps/{$this->map->id}/published")->json('pages.0.views'))->toBe(3);
    // The last line was not whole yet; it is taken once, when it is.
    file_put_contents($notes, "\n", FILE_APPEND);
    app(PageViews::class)->take();
    app(PageViews::class)->take();
    expect(PublishedPage::query()->find($page['id'])->views)->toBe(4);
    // Begun anew.
    file_put_contents($notes, "200 /p/{$address}\n");
    app(PageViews::class)->take();
    expect(PublishedPage::query()->find($page['id'])->views)->toBe(5);
    unlink($notes);
});

it('keeps nothing that was made of a state which is past', function () {
    $page = PublishedPage::query()->findOrFail(($this->publish)()['id']);
    $before = PageFiles::state($page);
    MapRecord::query()->whereKey($this->map->id)->update(['seq' => 99]);
    app(PageFiles::class)->keep($page, $before, 'index.html', 'old');
    expect(is_dir(PageFiles::folder($page->address)))->toBeFalse();
    app(PageFiles::class)->keep($page, PageFiles::state($page), 'index.html', 'new');
    expect(file_get_contents(PageFiles::folder($page->address).'/index.html'))->toBe('new')->and(gzdecode((string) file_get_contents(PageFiles::folder($page->address).'/index.html.gz')))->toBe('new');
});

it('takes what was made of one state of a map for no other, though it has the same number', function () {
    $page = PublishedPage::query()->findOrFail(($this->publish)()['id']);
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'Fair in the rain']])->assertOk();
    $before = PageFiles::state($page);
    // As after a backup was put back, and something else was done then.
    EditRecord::query()->where('map_id', $this->map->id)->where('seq', $this->map->refresh()->seq)->update(['edit_id' => Ids::next()]);
    expect(PageFiles::state($page))->not->toBe($before);
});

it('throws away what a process that was killed left of a state which is past', function () {
    [$page, $other] = [($this->publish)(), ($this->publish)()];
    $folder = fn (array $one): string => PageFiles::folder(basename((string) parse_url($one['address'], PHP_URL_PATH)));
    foreach ([$page, $other] as $one) {
        ($this->read)($one)->assertOk();
    }
    // Changed behind our back, as where nobody was left to throw it away.
    PublishedPage::query()->whereKey($page['id'])->update(['version' => 7]);
    File::ensureDirectoryExists($stray = PageFiles::folder(str_repeat('z', 20)));
    app(PageFiles::class)->sweep();
    expect(is_dir($folder($page)))->toBeFalse()->and(is_file($folder($other).'/index.html'))->toBeTrue()->and(is_dir($stray))->toBeFalse();
});

it('makes pages anew on another day, as looks may follow the day', function () {
    $page = ($this->publish)();
    $file = PageFiles::folder(basename((string) parse_url($page['address'], PHP_URL_PATH))).'/index.html';
    ($this->read)($page)->assertOk();
    app(PageFiles::class)->sweep();
    expect(is_file($file))->toBeTrue();
    $this->travelTo(now('UTC')->addDay());
    app(PageFiles::class)->sweep();
    expect(is_file($file))->toBeFalse();
});

it('sends the pictures that are on it, kept as files, and no other picture of the map', function () {
    $kept = app(KeptPictures::class);
    [$shown, $hidden] = [$kept->add($this->map, PictureFile::read(Photos::png(40, 30))), $kept->add($this->map, PictureFile::read(Photos::png(20, 10)))];
    $set = fn (string $title, string $hash): array => ['name' => 'row.set', 'type' => 'picture', 'topics' => [$this->id($this->map, $title)], 'fields' => ['source' => "file:{$hash}", 'wide' => 40, 'high' => 30]];
    $this->sendEdits($this->map, [$set('Soup', $shown->hash), $set('Drums', $hidden->hash), ['name' => 'row.set', 'type' => 'private', 'topics' => [$this->id($this->map, 'Drums')], 'fields' => ['held' => true]]])->assertOk();
    $page = ($this->publish)();
    expect(($this->read)($page, '/board.svg')->getContent())->toContain($shown->hash)->not->toContain($hidden->hash)
        ->and(($this->read)($page)->getContent())->toContain("/pictures/{$shown->hash}-large");
    $answer = ($this->read)($page, "/pictures/{$shown->hash}-large")->assertOk();
    expect($answer->headers->get('Content-Type'))->toBe('image/jpeg')->and($answer->headers->get('Content-Security-Policy'))->toContain('sandbox')
        ->and(is_file(PageFiles::folder(basename((string) parse_url($page['address'], PHP_URL_PATH)))."/pictures/{$shown->hash}-large.jpg"))->toBeTrue();
    ($this->read)($page, "/pictures/{$hidden->hash}-large")->assertNotFound();
    $without = ($this->publish)(['choices' => ['noPictures' => true]]);
    ($this->read)($without, "/pictures/{$shown->hash}-large")->assertNotFound();
});

it('shows small maps as large as they are drawn, and of large ones what is around the root', function () {
    $window = function (string $html): array {
        preg_match('/<svg [^>]*viewBox="([^"]+)"/', $html, $m);

        return array_map(floatval(...), explode(' ', $m[1]));
    };
    [, , $w, $h] = $window(($this->read)(($this->publish)())->getContent());
    expect($w)->toBe(1240.0)->and($h)->toBe(580.0);
    $large = $this->mapOf($this->tove, new TopicDraft('Large', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Topic {$n}", children: array_map(fn (int $k): TopicDraft => new TopicDraft("Below {$n} {$k}"), range(1, 9))), range(1, 60))));
    $address = $this->postJson("/api/maps/{$large->id}/published", ['name' => 'Large', 'topic' => null, 'choices' => [], 'isFrozen' => false])->assertCreated()->json();
    $html = ($this->read)($address)->getContent();
    [$x, $y, $w, $h] = $window($html);
    // The root is in it, and only what is near.
    expect($x)->toBeLessThan(0.0)->and($x + $w)->toBeGreaterThan(0.0)->and($y)->toBeLessThan(0.0)->and($y + $h)->toBeGreaterThan(0.0)
        ->and(substr_count($html, '<text'))->toBeLessThan(200)->and(substr_count($html, '<li>'))->toBe(600);
});
