<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\HandOver\WishReader;
use App\Http\PlainJson;
use App\Http\Requests\ChangePage;
use App\Http\Requests\PublishMap;
use App\Library\PictureCache;
use App\Models\MapRecord;
use App\Models\PublishedPage;
use App\Publishing\PageMaker;
use App\Publishing\PageViews;
use App\Publishing\PublishedPages;
use App\Publishing\Snippets;
use App\Store\MapStore;
use ChalkTree\HandOver\NothingLeaves;
use Illuminate\Http\JsonResponse;

/** The pages of a map, for whoever may change it. */
final readonly class PublishedController
{
    public function __construct(private PublishedPages $pages, private PageMaker $maker, private PictureCache $cache)
    {
    }

    public function index(MapRecord $map, PageViews $views): JsonResponse
    {
        $views->take();

        return new PlainJson(['pages' => $this->pages->of($map)->map($this->told(...))->values()->all()]);
    }

    public function store(PublishMap $request, MapRecord $map, MapStore $store): JsonResponse
    {
        $page = $this->pages->publish($map, $request->name(), $request->topic(), WishReader::choices((array) $request->json('choices'), $store->load($map)), $request->boolean('isFrozen'));

        return new JsonResponse($this->told($page), 201);
    }

    public function update(ChangePage $request, PublishedPage $published): JsonResponse
    {
        return new PlainJson($this->told($this->pages->change($published, $request->name(), $request->isFrozen(), $request->boolean('renew'), $request->boolean('move'))));
    }

    public function destroy(PublishedPage $published): JsonResponse
    {
        $this->pages->withdraw($published);

        return new PlainJson(['id' => $published->id]);
    }

    /** @return array<string, mixed> "PublishedAnswer" in the wire schema */
    private function told(PublishedPage $page): array
    {
        try {
            $known = (array) json_decode($this->cache->of($page->map ?? throw new NothingLeaves, ['page', $page->id, $page->version], function () use ($page): string {
                $content = $this->maker->content($page);

                return json_encode([$content->title, ...$this->maker->size($content, Snippets::WIDTH)], JSON_THROW_ON_ERROR);
            }), true);
        } catch (NothingLeaves) {
            $known = null;
        }
        [$title, $width, $height] = [(string) ($known[0] ?? ''), (int) ($known[1] ?? 0), (int) ($known[2] ?? 0)];

        return [
            'id' => $page->id, 'name' => $page->name, 'address' => $page->url(), 'topic' => $page->topic, 'title' => $title, 'isShown' => $known !== null,
            'isFrozen' => $page->frozen !== null, 'views' => $page->views, 'made' => $page->made, 'renewed' => $page->renewed,
            'picture' => $page->url('/'.Snippets::WIDTH.'.png'), 'width' => $width, 'height' => $height,
            'pictureSnippet' => $known === null ? '' : Snippets::picture($page, $title, $width, $height), 'frameSnippet' => $known === null ? '' : Snippets::frame($page, $title),
        ];
    }
}
