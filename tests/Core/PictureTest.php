<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\NoPictures;
use ChalkTree\Draw\PictureSource;
use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\SlipParts;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\JsonReader;
use ChalkTree\Exchange\JsonWriter;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\NewMap;
use ChalkTree\Picture\DrawingBox;
use ChalkTree\Picture\PictureFile;
use ChalkTree\Picture\TopicPicture;
use ChalkTree\Picture\UnusablePicture;
use Tests\Support\Chance;
use Tests\Support\Photos;
use Tests\Support\RandomMaps;

const FILE_SOURCE = 'file:abababababababababababababababababababababababababababababababab';

beforeEach(function () {
    $this->map = NewMap::from(new TopicDraft('Harbour', children: [new TopicDraft('Quay'), new TopicDraft('Ferry', caption: 'at ten')]));
    $this->ids = array_column(array_map(fn ($topic) => [$topic->title, $topic->id], array_values($this->map->all())), 1, 0);
    $this->set = fn (string $title, array $fields) => Edits::apply(Edits::read('row.set', ['type' => 'picture', 'topics' => [$this->ids[$title]], 'fields' => $fields]), $this->map);
    $this->slip = fn (string $title) => Layout::of($this->map, new View)->slips()[$this->ids[$title]];
    $this->parts = fn (string $title, string $part): array => array_values(array_filter((new SlipParts)->of(($this->slip)($title)), fn (Primitive $one): bool => $one->part === $part));
    $this->box = new DrawingBox(dirname(__DIR__, 2).'/public/drawings', dirname(__DIR__, 2).'/packages/drawings/words.php');
});

it('takes in what is a picture, tells its size, and leaves out where and with what it was taken', function (string $bytes, string $media) {
    expect(str_contains($bytes, Photos::SECRET))->toBeTrue();
    $file = PictureFile::read($bytes);
    expect([$file->media, $file->wide, $file->high])->toBe([$media, 40, 30])->and(str_contains($file->bytes, Photos::SECRET))->toBeFalse()
        // Nothing else is lost: it is the same picture, pixel by pixel.
        ->and(pixels($file->bytes))->toBe(pixels($bytes))
        // What was clean already stays as it is, so that its name does.
        ->and(PictureFile::read($file->bytes)->hash())->toBe($file->hash());
})->with([
    'png' => fn () => [Photos::png(), 'image/png'], 'jpeg' => fn () => [Photos::jpeg(), 'image/jpeg'],
    'gif' => fn () => [Photos::gif(), 'image/gif'], 'webp' => fn () => [Photos::webp(), 'image/webp'],
]);

/** @return list<int> some of its pixels */
function pixels(string $bytes): array
{
    $image = imagecreatefromstring($bytes);

    return array_map(fn (int $i): int => imagecolorat($image, $i * 7 % imagesx($image), $i * 5 % imagesy($image)), range(0, 50));
}

it('knows how a photograph is turned, and keeps that alone', function (int $turn, array $size) {
    $file = PictureFile::read(Photos::jpeg(turn: $turn));
    expect([$file->wide, $file->high])->toBe($size)->and(str_contains($file->bytes, Photos::SECRET))->toBeFalse()
        ->and(PictureFile::read($file->bytes)->hash())->toBe($file->hash());
})->with([[1, [40, 30]], [3, [40, 30]], [6, [30, 40]], [8, [30, 40]], [9, [40, 30]]]);

it('leaves what stands behind a picture, between its scans, and in chunks that it does not know', function (string $bytes) {
    expect(str_contains($bytes, Photos::SECRET))->toBeTrue();
    $file = PictureFile::read($bytes);
    expect(str_contains($file->bytes, Photos::SECRET))->toBeFalse()->and(PictureFile::read($file->bytes)->hash())->toBe($file->hash())->and(pixels($file->bytes))->toHaveCount(51);
})->with([
    // Telephones put a second photograph with all of its own there.
    'a second jpeg' => fn () => PictureFile::read(Photos::jpeg())->bytes.Photos::jpeg(20, 20),
    'text behind a jpeg' => fn () => PictureFile::read(Photos::jpeg())->bytes.Photos::SECRET,
    'a comment between scans' => fn () => Photos::between(PictureFile::read(Photos::jpeg(progressive: true))->bytes),
    'behind a png' => fn () => PictureFile::read(Photos::png())->bytes.Photos::SECRET,
    'a chunk of somebody' => fn () => substr_replace(PictureFile::read(Photos::png())->bytes, pack('N', strlen(Photos::SECRET)).'caBX'.Photos::SECRET.pack('N', crc32('caBX'.Photos::SECRET)), 33, 0),
    'behind a gif' => fn () => PictureFile::read(Photos::gif())->bytes.Photos::SECRET,
    'behind a webp' => fn () => PictureFile::read(Photos::webp())->bytes.Photos::SECRET,
]);

it('refuses with a sentence what is not a picture, or too much of one', function (string $bytes, string $sentence) {
    expect(fn () => PictureFile::read($bytes))->toThrow(UnusablePicture::class, $sentence);
})->with([
    'nothing' => ['', 'empty'],
    'text' => ['hello', 'PNG, JPEG, GIF, WebP and SVG'],
    'page' => ['<html><svg></svg></html>', 'PNG, JPEG, GIF, WebP and SVG'],
    'too long' => fn () => [str_pad(Photos::png(), Bounds::LARGEST_PICTURE + 1, 'x'), 'at most 20 MB'],
    // The header says so; nothing of that size is ever made.
    'too large' => fn () => [substr_replace(Photos::png(), pack('NN', 10_000, 6_001), 16, 8), '60 megapixels'],
    'cut png' => fn () => [substr(Photos::png(), 0, 60), 'damaged'],
    'cut jpeg' => fn () => [substr(Photos::jpeg(), 0, 70), 'damaged'],
    'cut gif' => fn () => [substr(Photos::gif(), 0, 12), 'damaged'],
    'cut webp' => fn () => [substr(Photos::webp(), 0, 18), 'damaged'],
]);

it('never fails otherwise than with a sentence, whatever is in a file', function (int $seed) {
    $chance = new Chance($seed);
    $bytes = $chance->pick([Photos::png(), Photos::jpeg(), Photos::gif(), Photos::webp(), Photos::svg()]);
    for ($i = 0; $i < 6; $i++) {
        $bytes = substr_replace($bytes, $chance->pick(['', "\xff", "\0\0\0", "\x7f\xff\xff\xff", '<', '"', 'svg']), $chance->int(0, strlen($bytes)), $chance->int(0, 4));
    }
    try {
        expect(str_contains(PictureFile::read($bytes)->bytes, Photos::SECRET) && $bytes === '')->toBeFalse();
    } catch (UnusablePicture $refused) {
        expect($refused->getMessage())->toMatch('/^[A-Z].*\.$/');
    }
})->with(range(1, 60));

it('takes in an SVG that only draws', function (string $svg, array $size) {
    $file = PictureFile::read($svg);
    expect([$file->media, $file->wide, $file->high])->toBe(['image/svg+xml', ...$size])->and(PictureFile::read($file->bytes)->hash())->toBe($file->hash());
})->with([
    'by its box' => fn () => [Photos::svg(), [40, 30]],
    'by width' => fn () => [Photos::svg(with: 'width="80px" viewBox="0 0 40 30"'), [80, 60]],
    'without a box' => fn () => [Photos::svg(with: 'width="12" height="34"'), [12, 34]],
    'with nothing' => fn () => [Photos::svg(with: ''), [300, 150]],
    'with a heading' => fn () => ['<?xml version="1.0"?>'."\n<!-- a boat -->\n<!DOCTYPE svg PUBLIC \"-//W3C//DTD SVG 1.1//EN\" \"x.dtd\">\n".Photos::svg(), [40, 30]],
    'with references inside' => fn () => [Photos::svg('<defs><linearGradient id="g"/></defs><rect fill="url(#g)"/><use href="#g"/><image href="data:image/png;base64,AAAA"/>'), [40, 30]],
]);

it('refuses an SVG that does more than draw', function (string $inside) {
    expect(fn () => PictureFile::read(Photos::svg($inside)))->toThrow(UnusablePicture::class);
})->with([
    '<script>alert(1)</script>', '<x:script xmlns:x="http://www.w3.org/2000/svg">1</x:script>', '<SCRIPT/>', '<foreignObject/>', '<rect onload="x()"/>', '<rect ONCLICK="x()"/>',
    '<image href="http://example.org/x.png"/>', '<image xlink:href="//example.org/x.png"/>', '<use href="other.svg#a"/>', '<image href="data:image/svg+xml;base64,AAAA"/>',
    '<image href="javascript:x()"/>', '<a href="#x"/>', '<rect fill="url(http://example.org/a#b)"/>', '<rect style="fill:url(\'//example.org\')"/>',
    '<style>@import "x.css";</style>', '<style>rect{fill:u\72l(http://example.org)}</style>', '<animate attributeName="href" to="x"/>', '<set/>', '<rect filter=" URL( x.svg#f )"/>',
    '<g xml:base="http://example.org/"><use href="#a"/></g>',
    // Each of these draws the one before it ten times.
    '<g id="a0"><circle r="1"/></g>'.implode('', array_map(fn (int $n): string => "<g id=\"a{$n}\">".str_repeat('<use href="#a'.($n - 1).'"/>', 10).'</g>', range(1, 7))),
    '<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>',
    '<?xml-stylesheet href="http://example.org/x.css"?><rect/>',
    '<rect', '<g>',
]);

it('refuses an SVG with entities of its own', function () {
    expect(fn () => PictureFile::read('<!DOCTYPE svg [<!ENTITY a "b">]>'.Photos::svg('<text>&a;</text>')))->toThrow(UnusablePicture::class);
});

it('stands in the topic where it is asked to: the box holds both, and neither covers the other', function (?string $place, Closure $holds) {
    ($this->set)('Ferry', ['source' => FILE_SOURCE, 'wide' => 400, 'high' => 200, 'place' => $place]);
    $slip = ($this->slip)('Ferry');
    [$x, $y, $w, $h] = ($this->parts)('Ferry', 'picture')[0]->what['box'];
    $title = ($this->parts)('Ferry', 'title')[0] ?? null;
    expect([$w, $h])->toBe([200.0, 100.0])->and(min($x, $y))->toBeGreaterThan(0)->and($x + $w)->toBeLessThan($slip->w)->and($y + $h)->toBeLessThan($slip->h);
    $caption = ($this->parts)('Ferry', 'caption')[0]->what['y'];
    expect($holds($title?->what['spans'][0]['x'], $title?->what['y'], $x, $y, $caption))->toBeTrue();
})->with([
    'above' => [null, fn ($tx, $ty, $x, $y, $caption) => $ty > $y + 100 && $caption > $ty],
    'below' => ['below', fn ($tx, $ty, $x, $y, $caption) => $ty < $y && $caption < $y],
    'left' => ['left', fn ($tx, $ty, $x, $y) => $tx >= $x + 200 && abs($ty - $y - 50) < 20],
    'right' => ['right', fn ($tx, $ty, $x, $y) => $tx < $x && abs($ty - $y - 50) < 20],
    'instead' => ['instead', fn ($tx, $ty, $x, $y, $caption) => $tx === null && $caption > $y + 100],
]);

it('stands alone where there is no title', function () {
    Edits::apply(Edits::read('topic.retitle', ['topic' => $this->ids['Quay'], 'title' => '']), $this->map);
    ($this->set)('Quay', ['source' => 'drawing:red-apple']);
    $slip = ($this->slip)('Quay');
    [, , $w, $h] = ($this->parts)('Quay', 'picture')[0]->what['box'];
    expect([$w, $h])->toBe([48.0, 48.0])->and($slip->h)->toBeLessThan(48 + 3 * $slip->look->box->padY);
});

it('leaves the topic as it was when it is taken away', function () {
    $before = [($this->slip)('Ferry')->w, ($this->slip)('Ferry')->h, RandomMaps::contents($this->map)];
    ($this->set)('Ferry', ['source' => FILE_SOURCE, 'wide' => 40, 'high' => 20, 'place' => 'left', 'width' => 99]);
    Edits::apply(Edits::read('row.remove', ['type' => 'picture', 'rows' => [$this->ids['Ferry']]]), $this->map);
    expect([($this->slip)('Ferry')->w, ($this->slip)('Ferry')->h, RandomMaps::contents($this->map)])->toEqual($before);
});

it('is never larger than bounds allow, in the ratio that it has', function (array $says, array $size) {
    expect(TopicPicture::fromFields('x', $says)->size())->toBe($size);
})->with([
    [['source' => FILE_SOURCE, 'wide' => 4000, 'high' => 3000], [200.0, 150.0]],
    [['source' => FILE_SOURCE, 'wide' => 3000, 'high' => 4000], [150.0, 200.0]],
    [['source' => FILE_SOURCE, 'wide' => 50, 'high' => 40], [50.0, 40.0]],
    [['source' => FILE_SOURCE, 'wide' => 1, 'high' => 1_000_000], [1.0, 200.0]],
    [['source' => FILE_SOURCE, 'wide' => 1, 'high' => 4, 'width' => 400], [300.0, 1200.0]],
    [['source' => 'drawing:boat', 'width' => 90], [90.0, 90.0]],
]);

it('refuses pictures that cannot be', function (array $fields) {
    expect(fn () => ($this->set)('Ferry', $fields))->toThrow(InvalidEdit::class);
})->with([[['source' => 'http://example.org/a.png']], [['source' => 'file:../../etc']], [['source' => 'drawing:../x']], [['source' => 'drawing:A']], [['place' => 'middle']], [['width' => 5]], [['width' => 5000]], [['about' => str_repeat('x', 2001)]]]);

it('moves from topic to topic, and changes places with another', function () {
    ($this->set)('Ferry', ['source' => 'drawing:ferry', 'about' => 'a ship']);
    $move = fn (string $from, string $to) => Edits::apply(Edits::read('picture.move', ['topic' => $this->ids[$from], 'to' => $this->ids[$to]]), $this->map);
    $sources = fn (): array => array_map(fn (string $title): ?string => ($this->map->rowsOf(TopicPicture::class)[$this->ids[$title]] ?? null)?->text('source'), ['Ferry', 'Quay']);
    $move('Ferry', 'Quay');
    expect($sources())->toBe([null, 'drawing:ferry']);
    ($this->set)('Ferry', ['source' => 'drawing:anchor']);
    $move('Quay', 'Ferry');
    expect($sources())->toBe(['drawing:ferry', 'drawing:anchor'])->and($this->map->rowsOf(TopicPicture::class)[$this->ids['Ferry']]->text('about'))->toBe('a ship')
        ->and(fn () => $move('Harbour', 'Quay'))->toThrow(InvalidEdit::class);
});

it('writes and reads pictures with the map', function () {
    ($this->set)('Ferry', ['source' => FILE_SOURCE, 'wide' => 40, 'high' => 20, 'place' => 'left', 'about' => "a ship\nat night"]);
    $again = (new JsonReader)->read((new JsonWriter)->write($this->map), '');
    expect(RandomMaps::contents($again)['picture'])->toEqual(RandomMaps::contents($this->map)['picture']);
});

it('draws drawings as vectors, other pictures by their address, and an empty place where there is none', function () {
    ($this->set)('Ferry', ['source' => 'drawing:ferry', 'about' => 'a <ship>']);
    ($this->set)('Quay', ['source' => FILE_SOURCE, 'wide' => 400, 'high' => 200]);
    $source = new class($this->box) implements PictureSource
    {
        public function __construct(private DrawingBox $box)
        {
        }

        public function drawing(string $picture): ?string
        {
            return str_starts_with($picture, 'drawing:') ? $this->box->body(substr($picture, 8)) : null;
        }

        public function address(string $picture, float $width): ?string
        {
            return "data:image/png;base64,{$width}\"";
        }
    };
    $svg = (new SvgWriter(pictures: $source))->write(Layout::of($this->map, new View)->scene(), 'Harbour');
    $document = new DOMDocument;
    expect($document->loadXML($svg))->toBeTrue()
        ->and($document->getElementsByTagName('image')->item(0)?->getAttribute('href'))->toBe('data:image/png;base64,200"')
        ->and($svg)->toContain('viewBox="0 0 32 32"')->and($svg)->toContain('<title>a &lt;ship&gt;</title>')
        ->and((new SvgWriter(pictures: new NoPictures))->write(Layout::of($this->map, new View)->scene(), 'Harbour'))->toContain('stroke-dasharray="5 5"');
});

it('has some three thousand drawings, each of which draws and does nothing else', function () {
    expect($this->box->count())->toBeGreaterThan(3_000)->and($this->box->has('../index'))->toBeFalse()->and($this->box->body('../index'))->toBeNull();
    foreach ($this->box->find('', 9_999) as $one) {
        $body = (string) $this->box->body($one['name']);
        expect($body)->not->toBe('', $one['name'])->and(TopicPicture::isSource("drawing:{$one['name']}"))->toBeTrue($one['name']);
        if (preg_match('/<(script|filter|foreignObject|image|a)\b|\son\w+=|href="(?!#)/i', $body) === 1) {
            $this->fail("{$one['name']} does more than draw.");
        }
    }
});

it('finds drawings by words as one types them', function (string $words, string $first) {
    expect($this->box->find($words)[0]['name'] ?? null)->toBe($first);
})->with([['lantern', 'jack-o-lantern'], ['red app', 'red-apple'], ['APPLE red', 'red-apple'], ['sailboat', 'sailboat'], ['teach', 'man-teacher'], ['owl', 'owl']]);

it('finds nothing where there is nothing, and never more than asked for', function () {
    expect($this->box->find('zzzz'))->toBe([])->and($this->box->find('red zzzz'))->toBe([])->and($this->box->find('a', 7))->toHaveCount(7)->and($this->box->find('', 5))->toHaveCount(5);
});
