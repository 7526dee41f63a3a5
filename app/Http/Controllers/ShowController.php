<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Files\SentFiles;
use App\Http\Requests\SeeSlide;
use App\Library\PictureCache;
use App\Library\Pictures;
use App\Models\MapRecord;
use App\Models\Person;
use App\Pictures\ServedPictures;
use App\Show\ShownDeck;
use App\Show\SlidePicture;
use App\Store\MapStore;
use App\Store\ViewStore;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\TopicMap;
use ChalkTree\Show\Deck;
use ChalkTree\Show\Decks;
use ChalkTree\Show\Slide;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Decks as they are shown. Of what is private nothing is in any answer. */
final readonly class ShowController
{
    public function __construct(private MapStore $store, private ViewStore $views, private PictureCache $cache)
    {
    }

    /** What is on the slides of a deck, also of those that are hidden, and what is said. */
    public function deck(MapRecord $map, string $deck): Response
    {
        return self::json($this->cache->of($map, ['deck', $deck], function () use ($map, $deck): string {
            [$topics, $its] = $this->found($map, $deck);

            return self::text(ShownDeck::of($topics, $its, Decks::slides($topics, $its)));
        }));
    }

    /** What a slide is drawn of. */
    public function slide(SeeSlide $request, MapRecord $map, string $deck, string $slide, #[CurrentUser] Person $person): Response
    {
        $face = $this->views->board($map, $person)->face;
        $way = $request->way();

        return self::json($this->cache->of($map, ['slide', $deck, $slide, $way, $face?->value], function () use ($map, $deck, $slide, $way, $face): string {
            [$topics, $its] = $this->found($map, $deck);

            return self::text(ShownDeck::drawing($topics, $its, self::slideOf($topics, $its, $slide), new ServedPictures($map->id), $way, $face));
        }));
    }

    /** The whole of what it is a part of, from afar. */
    public function afar(SeeSlide $request, MapRecord $map, string $deck, string $slide, #[CurrentUser] Person $person): Response
    {
        $face = $this->views->board($map, $person)->face;
        $way = $request->way();

        return self::json($this->cache->of($map, ['afar', $deck, $slide, $way, $face?->value], function () use ($map, $deck, $slide, $way, $face): string {
            [$topics, $its] = $this->found($map, $deck);

            return self::text(ShownDeck::afar($topics, self::slideOf($topics, $its, $slide), $way, $face));
        }));
    }

    /** A small true picture of it; nothing where it went while it was asked for, as happens to whoever looks at all of them. */
    public function picture(SeeSlide $request, MapRecord $map, string $deck, string $slide, Pictures $pictures): Response
    {
        $board = $request->board();
        try {
            $svg = $this->cache->of($map, ['slide picture', $deck, $slide, $board->value], function () use ($map, $deck, $slide, $board, $pictures): string {
                [$topics, $its] = $this->found($map, $deck);

                return SlidePicture::of($topics, $its, self::slideOf($topics, $its, $slide), $board, $pictures->shown($map));
            });
        } catch (NotFoundHttpException) {
            return new Response('', 204);
        }

        return new Response($svg, 200, ['Content-Type' => 'image/svg+xml', 'Content-Security-Policy' => SentFiles::POLICY, 'X-Content-Type-Options' => 'nosniff', 'Cache-Control' => 'private, max-age=600']);
    }

    /** @return array{TopicMap, Deck} the map as it may leave */
    private function found(MapRecord $map, string $deck): array
    {
        $topics = Outgoing::of($this->store->load($map));
        $its = $topics->row(Deck::type(), $deck);

        return $its instanceof Deck ? [$topics, $its] : throw new NotFoundHttpException;
    }

    private static function slideOf(TopicMap $map, Deck $deck, string $slide): Slide
    {
        $its = $map->row(Slide::type(), $slide);

        return $its instanceof Slide && $its->deck() === $deck->id ? $its : throw new NotFoundHttpException;
    }

    /** @param  array<string, mixed>  $data */
    private static function text(array $data): string
    {
        return json_encode($data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    private static function json(string $text): Response
    {
        return new Response($text, 200, ['Content-Type' => 'application/json', 'Cache-Control' => 'private, no-cache']);
    }
}
