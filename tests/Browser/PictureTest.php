<?php

declare(strict_types=1);

use ChalkTree\Arrange\Arrangements;
use ChalkTree\Arrange\BranchArrangement;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\Look\MixedChalk;
use ChalkTree\Look\TopicLook;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Picture\TopicPicture;
use ChalkTree\Shape\Shapes;
use ChalkTree\Sign\LegendPlace;
use ChalkTree\Sign\Meaning;
use ChalkTree\Sign\Stamp;
use ChalkTree\Sign\Tag;
use ChalkTree\Sign\TopicStamps;
use ChalkTree\Sign\TopicTags;
use ChalkTree\Text\TypeFace;
use Tests\Browser\Studio;
use Tests\Support\Browser;

/** A map in which every shape, face, form of a connector and arrangement is. */
function everyLook(): TopicMap
{
    $draft = fn (string $title, int $below = 2): TopicDraft => new TopicDraft($title, 'with a caption', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Lantern {$n} by the quay", children: $n === 1 ? [new TopicDraft('Wick **and** wax')] : []), range(1, $below)));
    $map = NewMap::from(new TopicDraft('Everything', children: [...array_map($draft, Shapes::names()), $draft('שלום **עולם** נמל'), ...array_map(fn (string $name): TopicDraft => $draft("As {$name}", 3), Arrangements::names())]));
    $signal = Ids::next();
    $map->put(MixedChalk::fromFields($signal, ['name' => 'Signal', 'day' => '#b00020', 'slate' => '#ff8090']));
    $tag = Ids::next();
    $map->put(Tag::fromFields($tag, ['name' => 'by boat', 'chalk' => 'coral']));
    $n = 0;
    foreach ($map->children($map->sheet()->root) as $id => $topic) {
        $name = substr($topic->title, 3);
        if (in_array($name, Arrangements::names(), true)) {
            $map->put(BranchArrangement::fromFields($id, ['name' => $name]));
        } else {
            $map->put(TopicLook::fromFields($id, [
                'shape' => in_array($topic->title, Shapes::names(), true) ? $topic->title : null, 'face' => TypeFace::names()[$n % count(TypeFace::names())], 'size' => 14 + $n % 5,
                'fill' => ['tint', "tint:{$signal}", 'slip'][$n % 3], 'edge' => 'chalk', 'edgeThick' => 2, 'line' => ['curve', 'straight', 'corner'][$n % 3], 'lineDash' => [null, 'dashed', 'dotted'][$n % 3], 'chalk' => $n % 4 === 0 ? $signal : null,
            ]));
        }
        // Signs and a drawing among them, in every place that it can have.
        $below = array_map(strval(...), array_keys($map->children((string) $id)));
        $map->put(TopicStamps::fromFields($below[0], [Stamp::cases()[$n % count(Stamp::cases())]->value => true, 'idea' => true, 'rank' => 1 + $n % 9, 'letter' => 'K']));
        $map->put(TopicTags::fromFields($below[1] ?? $below[0], [])->having([$tag]));
        $map->put(TopicPicture::fromFields((string) $id, ['source' => 'drawing:sailboat', 'place' => TopicPicture::PLACES[$n % count(TopicPicture::PLACES)], 'width' => 30 + $n]));
        $n++;
    }
    $map->put(Meaning::of('stamp:idea', 'to be tried before the tide turns, and never without a boat standing by'));
    $map->put(Meaning::of('chalk:tide', 'on the water'));
    $map->put(Meaning::of('shape:oval', 'a lantern'));
    $map->put(LegendPlace::fromFields(Ids::next(), ['shown' => true]));

    return $map;
}

function open(TopicMap $map): Browser
{
    $file = tempnam(sys_get_temp_dir(), 'map').'.json';
    file_put_contents($file, Formats::write($map, 'json'));
    $id = trim(Studio::server()->artisan('map:import', $file));
    unlink($file);

    return Studio::browser()->visit("/maps/{$id}")->ready();
}

/** What is drawn of each topic, from the corner of its box, by where that is: extents of paths and of texts. */
const DRAWN = <<<'JS'
    const place = (x, y) => `${Math.round(x)} ${Math.round(y)}`
    const extent = (element) => { const { x, y, width, height } = element.getBBox(); return [x, y, x + width, y + height] }
    // Where nothing is painted the board still has something to hit.
    const isPainted = (path) => { const { fill, stroke } = getComputedStyle(path); return fill !== 'none' || stroke !== 'none' }
    const of = (groups) => Object.fromEntries([...groups].map(([at, group]) => [at, {
        paths: [...group.querySelectorAll('path:not(.ring)')].filter((path) => !path.closest('.fold-handle, svg svg') && isPainted(path)).map(extent),
        // A drawing is a picture on the board and stands in the file as what it is made of.
        pictures: [...group.querySelectorAll('image, svg')].map((one) => ['x', 'y', 'width', 'height'].map((name) => Number(one.getAttribute(name)))),
        texts: [...group.querySelectorAll('text')].map((text) => [text.textContent, ...extent(text)]),
    }]))
    JS;

it('draws the same on the board, in an SVG and in a PNG', function () {
    $map = everyLook();
    $browser = open($map);
    $boxes = Layout::of($map, new View)->scene()->boxes();
    $browser->press('Show all');
    // From near enough for all to be drawn as it is; the extents are those of the board itself.
    $browser->size(5000, 4200)->press('Show all')->script('document.querySelector(".board").focus()');
    $browser->keys('Escape');
    $browser->waitUntil(fn (): bool => $browser->count('.board .slip') === count($boxes) && $browser->count('.board .slip :is(text.title, image)') >= count($boxes), 'every topic on the board');
    sleep(1);
    $board = $browser->script(DRAWN.';return of([...document.querySelectorAll(".board .slip")].map((slip) => { const m = /translate\(([-\d.]+)px, ([-\d.]+)px\)/.exec(slip.style.transform); return [place(m[1], m[2]), slip] }))');
    $connectors = $browser->script(DRAWN.';return [...document.querySelectorAll(".board path.connector")].map((path) => { const m = /translate\(([-\d.]+)px, ([-\d.]+)px\)/.exec(path.style.transform); return [place(m[1], m[2]), extent(path)] })');
    $browser->script(<<<'JS'
        window.asSvg = null
        const map = location.pathname.split('/')[2]
        fetch(`/api/maps/${map}/export?to=svg`, { headers: { Accept: 'application/json' } }).then((answer) => answer.text()).then(async (text) => {
            const holder = document.createElement('div')
            holder.style.cssText = 'position:fixed;left:0;top:0;opacity:0;pointer-events:none'
            holder.append(document.importNode(new DOMParser().parseFromString(text, 'image/svg+xml').documentElement, true))
            document.body.append(holder)
            await document.fonts.ready
            await Promise.all([...document.fonts].map((face) => face.load().catch(() => null)))
            window.asSvg = holder.firstChild
        })
        JS);
    $browser->waitUntil(fn (): bool => (bool) $browser->script('return window.asSvg !== null'), 'the SVG');
    $at = 'const at = (one) => { const m = /translate\(([-\d.]+) ([-\d.]+)\)/.exec(one.getAttribute("transform")); return place(m[1], m[2]) };';
    $svg = $browser->script(DRAWN.';'.$at.'return of([...asSvg.querySelectorAll(":scope > g[transform]")].map((group) => [at(group), group]))');
    $svgConnectors = $browser->script(DRAWN.';'.$at.'return [...asSvg.querySelectorAll(":scope > path[transform]")].map((path) => [at(path), extent(path)])');
    expect(array_keys($svg))->toHaveCount(count($boxes))->toEqualCanonicalizing(array_keys($board));
    foreach ($board as $place => $drawn) {
        expect($svg[$place]['paths'])->toHaveSameSize($drawn['paths'], $place)->and($svg[$place]['texts'])->toHaveSameSize($drawn['texts'], $place);
        foreach ($drawn['paths'] as $i => $extent) {
            foreach ($extent as $edge => $value) {
                expect($svg[$place]['paths'][$i][$edge])->toEqualWithDelta($value, 0.5, "{$place} path {$i}");
            }
        }
        foreach ($drawn['texts'] as $i => [$text]) {
            expect($svg[$place]['texts'][$i][0])->toBe($text);
            foreach (range(1, 4) as $edge) {
                expect($svg[$place]['texts'][$i][$edge])->toEqualWithDelta($drawn['texts'][$i][$edge], 1.0, "{$place} {$text}");
            }
        }
    }
    expect(array_filter(array_column($board, 'pictures')))->toHaveCount(count(Shapes::names()) + count(Arrangements::names()) + 1);
    foreach ($board as $place => $drawn) {
        expect($svg[$place]['pictures'])->toEqualWithDelta($drawn['pictures'], 0.01, $place);
    }
    [$legend, $legendInFile] = [$browser->script(DRAWN.';return Object.values(of([["", document.querySelector(".board .mark")]]))[0]'), $browser->script(DRAWN.';return Object.values(of([["", asSvg.querySelector(":scope > g:not([transform])")]]))[0]')];
    expect($legend['texts'])->not->toBe([])->and(array_column($legendInFile['texts'], 0))->toBe(array_column($legend['texts'], 0))
        ->and($legendInFile['paths'])->toEqualWithDelta($legend['paths'], 0.5);
    expect($svgConnectors)->toHaveSameSize($connectors);
    $byPlace = array_column($svgConnectors, 1, 0);
    foreach ($connectors as [$place, $extent]) {
        foreach ($extent as $edge => $value) {
            expect($byPlace[$place][$edge])->toEqualWithDelta($value, 0.5, "the connector to {$place}");
        }
    }
    // The PNG is another program's: both are painted at twice the size, and where anything is painted in each box is compared.
    $browser->script(<<<'JS'
        window.told = null
        const map = location.pathname.split('/')[2]
        const [x0, y0, w, h] = asSvg.getAttribute('viewBox').split(' ').map(Number)
        const boxes = arguments[0]
        const fetched = (to) => fetch(`/api/maps/${map}/export?to=${to}`).then((answer) => answer.blob())
        const pixels = (image, scale) => {
            const canvas = new OffscreenCanvas(Math.round(w * scale), Math.round(h * scale))
            const context = canvas.getContext('2d')
            context.drawImage(image, 0, 0, canvas.width, canvas.height)
            return (box) => {
                const [left, top, wide, high] = [Math.floor((box.x - x0) * scale) - 8, Math.floor((box.y - y0) * scale) - 8, Math.ceil(box.w * scale) + 16, Math.ceil(box.h * scale) + 16]
                const { data } = context.getImageData(left, top, wide, high)
                let edges = [Infinity, Infinity, -Infinity, -Infinity]
                // What stands inside is darker than any paper.
                const inset = Math.round(10 * scale)
                for (let y = inset; y < high - inset; y++) for (let x = inset; x < wide - inset; x++) {
                    const i = 4 * (y * wide + x)
                    if (0.3 * data[i] + 0.59 * data[i + 1] + 0.11 * data[i + 2] < 110) edges = [Math.min(edges[0], x), Math.min(edges[1], y), Math.max(edges[2], x), Math.max(edges[3], y)]
                }
                return edges.map((edge) => edge / scale)
            }
        }
        // One after the other: nobody is given two large pictures at a time.
        fetched('png').then(createImageBitmap).then((png) => fetched('svg').then((blob) => { const image = new Image(); image.src = URL.createObjectURL(blob); return image.decode().then(() => [png, image]) })).then(([png, svg]) => {
            const scale = png.width / w
            const [a, b] = [pixels(png, scale), pixels(svg, scale)]
            window.told = Object.entries(boxes).map(([id, box]) => [id, a(box), b(box)])
        }).catch((error) => { window.told = String(error) })
        JS, $boxes);
    $browser->waitUntil(fn (): bool => $browser->script('return window.told') !== null, 'the pixels', 60);
    $told = $browser->script('return window.told');
    expect($told)->toBeArray()->toHaveCount(count($boxes));
    $seen = 0;
    foreach ($told as [$id, $png, $svg]) {
        foreach ($png as $edge => $value) {
            // In which font letters are set that no shipped one has is for each program to say.
            if ($value !== null && preg_match('/\p{Hebrew}/u', $map->topic($id)->title) === 0) {
                $seen++;
                expect($value)->toEqualWithDelta($svg[$edge], 1.01, "{$map->topic($id)->title} in the PNG");
            }
        }
    }
    expect($seen)->toBeGreaterThan(300)->and($browser->complaints())->toBe([]);
});
