<?php

declare(strict_types=1);

namespace App\Show;

use ChalkTree\Arrange\Scene;
use ChalkTree\Attach\AttachedFile;
use ChalkTree\Attach\FileSort;
use ChalkTree\Draw\PictureSource;
use ChalkTree\Draw\WindowWriter;
use ChalkTree\Link\Link;
use ChalkTree\Look\StyleSheet;
use ChalkTree\Map\TopicMap;
use ChalkTree\Picture\TopicPicture;
use ChalkTree\Show\Deck;
use ChalkTree\Show\SaidLines;
use ChalkTree\Show\Slide;
use ChalkTree\Show\SlideBoard;
use ChalkTree\Show\SlideWriter;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\TypeFace;

/**
 * Decks as whoever shows them needs them: what each slide says and has to open, and its drawing. The shapes are "ShownDeck"
 * and "SlideDrawing" in resources/ts/slides/deck.ts.
 *
 * @phpstan-type Opening array{topic: string, sort: string, title: string, source: string}
 * @phpstan-type Drawing array{svg: string, region: list<float>, frame: list<float>, key: string, way: string, topics: list<array{string, float, float, float, float}>, css: string}
 */
final readonly class ShownDeck
{
    /** How many times as wide and high as its frame what is drawn of a slide is at least, so that screens of any form are filled. */
    private const AROUND = 1.2;

    /** Width to height of the widest and the narrowest screen that is filled. */
    private const WIDEST = 2.4;

    private const NARROWEST = 0.6;

    /** Titles of topics on one slide that are told. */
    private const TOPICS = 400;

    /**
     * @param  TopicMap  $map  as Outgoing has it
     * @param  list<Slide>  $slides
     * @return array{id: string, title: string, pace: int, veil: string, gaps: bool, slides: list<array<string, mixed>>}
     */
    public static function of(TopicMap $map, Deck $deck, array $slides): array
    {
        $opens = self::openings($map);
        $pace = $deck->number('pace') ?? Deck::PACE;

        return [
            'id' => $deck->id, 'title' => $deck->text('name'), 'pace' => $pace, 'veil' => $deck->text('veil'), 'gaps' => $deck->flag('gaps'),
            'slides' => array_map(fn (Slide $slide): array => self::slide($map, $slide, $pace, $opens), $slides),
        ];
    }

    /**
     * @param  TopicMap  $map  as Outgoing has it
     * @return Drawing
     */
    public static function drawing(TopicMap $map, Deck $deck, Slide $slide, PictureSource $pictures, ?string $way = null, ?TypeFace $face = null): array
    {
        $board = SlideBoard::of($map, $slide, $way, $face);
        ['x' => $x, 'y' => $y, 'w' => $w, 'h' => $h] = $board->frame;
        [$wide, $high] = [self::AROUND * max($w, $h * self::WIDEST), self::AROUND * max($h, $w / self::NARROWEST)];
        $region = ['x' => round($x + $w / 2 - $wide / 2, 2), 'y' => round($y + $h / 2 - $high / 2, 2), 'w' => round($wide, 2), 'h' => round($high, 2)];
        $boxes = array_intersect_key($board->scene->boxes(), array_flip(array_slice($board->seen, 0, self::TOPICS)));

        return [
            'svg' => (new SlideWriter(null, $pictures))->write($board, $region, $slide->number('dim') ?? Slide::DIM, $deck->text('veil'), $deck->flag('gaps') ? $slide->chosen()->covered() : []),
            'region' => array_values($region), 'frame' => [round($x, 2), round($y, 2), round($w, 2), round($h, 2)], 'key' => $board->key, 'way' => $board->way,
            'topics' => array_values(array_map(fn (string $id): array => [$id, $boxes[$id]['x'], $boxes[$id]['y'], $boxes[$id]['w'], $boxes[$id]['h']], array_values(array_filter($board->seen, fn (string $id): bool => isset($boxes[$id]))))),
            'css' => $board->scene->palette->css().StyleSheet::faces(TypeFace::cases()),
        ];
    }

    /**
     * The whole of what a slide is a part of, from afar, to be seen for as long as the view flies over it.
     *
     * @return array{svg: string, region: list<float>}
     */
    public static function afar(TopicMap $map, Slide $slide, ?string $way = null, ?TypeFace $face = null): array
    {
        $scene = SlideBoard::of($map, $slide, $way, $face)->scene;
        $bounds = self::bounds($scene);

        return ['svg' => (new WindowWriter)->write($scene, $bounds, 0.0), 'region' => array_values($bounds)];
    }

    /** @return array{x: float, y: float, w: float, h: float} */
    private static function bounds(Scene $scene): array
    {
        return array_map(fn (float $one): float => round($one, 2), $scene->bounds());
    }

    /**
     * @param  array<string, list<Opening>>  $opens
     * @return array<string, mixed>
     */
    private static function slide(TopicMap $map, Slide $slide, int $pace, array $opens): array
    {
        $seen = $slide->seen($map, self::TOPICS);
        $says = fn (string $id): array => ['id' => $id, 'title' => InlineMarkdown::oneLine($map->topic($id)->title)];

        return [
            'id' => $slide->id, 'title' => $slide->titleIn($map), 'heading' => trim($slide->text('title')), 'notes' => SaidLines::of($slide->saidIn($map)), 'isOwn' => $slide->text('notes') !== '',
            'seconds' => $slide->secondsIn($map, $pace), 'moves' => $slide->text('moves') === 'cut' ? 'cut' : 'glide', 'way' => $slide->text('way') === '' ? 'only' : $slide->text('way'),
            'dim' => $slide->number('dim') ?? Slide::DIM, 'covered' => $slide->chosen()->covered(), 'isHidden' => $slide->flag('hidden'),
            'topics' => array_map($says, $seen), 'opens' => array_merge(...array_values(array_intersect_key($opens, array_flip($seen)))),
        ];
    }

    /** @return array<string, list<Opening>> what topics have to open, by topic */
    private static function openings(TopicMap $map): array
    {
        $opens = [];
        foreach ($map->rowsOf(AttachedFile::class) as $file) {
            $sort = match ($file->sort()) {
                FileSort::Film => 'film', FileSort::Sound => 'sound', FileSort::Picture => 'picture', FileSort::Page, FileSort::Other => null
            };
            if ($sort !== null && $file->content() !== null) {
                $opens[$file->at()][] = ['topic' => $file->at(), 'sort' => $sort, 'title' => $file->text('name'), 'source' => "file:{$file->content()}"];
            }
        }
        foreach ($map->rowsOf(TopicPicture::class) as $id => $picture) {
            if ($picture->content() !== null) {
                $opens[$id][] = ['topic' => (string) $id, 'sort' => 'picture', 'title' => $picture->text('about'), 'source' => "picture:{$picture->content()}"];
            }
        }
        foreach ($map->rowsOf(Link::class) as $link) {
            if (preg_match('~^https?://~i', $link->to()) === 1) {
                $opens[$link->at()][] = ['topic' => $link->at(), 'sort' => 'page', 'title' => $link->text('title') === '' ? $link->to() : $link->text('title'), 'source' => $link->to()];
            }
        }

        return $opens;
    }
}
