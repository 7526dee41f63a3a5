<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Library\Pictures;
use App\Library\Shelf;
use App\Models\PublishedPage;
use App\Pictures\KeptPictures;
use App\Pictures\PictureSize;
use App\Store\MapStore;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\BoardWriter;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Draw\WindowWriter;
use ChalkTree\HandOver\Choices;
use ChalkTree\Look\StyleSheet;
use ChalkTree\Print\SmallestType;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\TypeFace;

/**
 * Makes what a published page consists of.
 *
 * @phpstan-import-type Frame from SvgWriter
 */
final readonly class PageMaker
{
    /** Pixels of the widths in which a page has its picture. */
    public const WIDTHS = [320, 500, 800, 1200, 1600, 2400];

    /** Pixels of the part of the board that is in view first, as they are on many screens. */
    private const VIEW = [1240.0, 580.0];

    /** How large things are in it where all of them would be too small. */
    private const SCALE = 0.85;

    /** Letters of the description. */
    private const LONGEST = 200;

    public function __construct(private MapStore $store, private Shelf $shelf, private Pictures $pictures, private KeptPictures $kept, private PageOutline $outline, private PageAssets $assets)
    {
    }

    public function content(PublishedPage $page): PageContent
    {
        return PageContent::of($page, $this->store, $this->shelf);
    }

    /**
     * @param  array<string, string>  $files  names of files that can be had there, by hash
     * @param  bool  $isCopied  whether its topics can be had as an outline
     */
    public function html(PublishedPage $page, array $files = [], bool $isCopied = false): string
    {
        $content = $this->content($page);
        $drawing = $content->drawing();
        [$window, $isWhole] = self::firstView($drawing->scene, $drawing->frame, $page->topic ?? $content->map->root()->id);
        $scale = self::VIEW[0] / $window['w'];
        $picture = (new WindowWriter(new PublishedPictures($page->path())))->write($drawing->scene, $window, max($scale, $isWhole ? 1.0 : self::SCALE));
        $size = $this->size($content, 1200);
        $html = view('published', [
            'page' => $page, 'content' => $content, 'picture' => $picture, 'window' => $window, 'isWhole' => $isWhole, 'frame' => $drawing->frame,
            'outline' => $this->outline->write($page, $content), 'colours' => $drawing->paints->css($drawing->scene->palette), 'faces' => StyleSheet::faces(TypeFace::cases()),
            'assets' => $this->assets, 'files' => $files, 'isCopied' => $isCopied, 'description' => self::description($content), 'pictureSize' => $size, 'isDark' => $drawing->paints->board->isDark(),
        ])->render();

        return self::numbered($html, $content);
    }

    /** The whole board, which the script of the page puts where its beginning was. */
    public function board(PublishedPage $page): string
    {
        $content = $this->content($page);

        return self::numbered((new BoardWriter(new PublishedPictures($page->path())))->write($content->drawing()->scene, $content->map, $content->drawing()->frame), $content);
    }

    /** The drawing by itself, with all that it needs. */
    public function drawing(PublishedPage $page): string
    {
        $content = $this->content($page);

        return $this->pictures->picture($content->record, $content->drawing(), $content->title, 'svg', Choices::fromFields('', []));
    }

    public function png(PublishedPage $page, int $width): string
    {
        $content = $this->content($page);

        return $this->pictures->picture($content->record, $content->drawing(), $content->title, 'png', Choices::fromFields('', ['width' => $width]));
    }

    /** @return array{string, string}|null  bytes and media type of a picture that is on the page; null for any other */
    public function picture(PublishedPage $page, string $hash, PictureSize $size): ?array
    {
        $content = $this->content($page);
        $isShown = false;
        foreach ([...$content->map->living(), ...array_values($content->map->all())] as $row) {
            $isShown = $isShown || array_filter($row->fields(), fn (mixed $field): bool => is_string($field) && str_contains($field, "file:{$hash}")) !== [];
        }
        $picture = $isShown ? $this->kept->find($content->record->id, $hash) : null;

        return $picture === null ? null : $this->kept->read($picture, $size);
    }

    /** @return array{int, int} width and height of the picture in that width */
    public function size(PageContent $content, int $width): array
    {
        $size = \ChalkTree\Print\PictureSize::of($content->drawing()->frame, Choices::fromFields('', ['width' => $width]));

        return [$size->width, $size->height];
    }

    /**
     * All of it, where it can be read so, else what is around the root.
     *
     * @param  Frame  $frame
     * @return array{Frame, bool}
     */
    private static function firstView(\ChalkTree\Arrange\Scene $scene, array $frame, string $root): array
    {
        $scale = min(1.0, self::VIEW[0] / $frame['w'], self::VIEW[1] / $frame['h']);
        if (SmallestType::of($scene) * $scale >= SmallestType::PIXELS) {
            // What is small stays as large as it is drawn, in the middle.
            [$w, $h] = $scale < 1.0 ? [$frame['w'], $frame['h']] : self::VIEW;

            return [['x' => $frame['x'] - ($w - $frame['w']) / 2, 'y' => $frame['y'] - ($h - $frame['h']) / 2, 'w' => $w, 'h' => $h], true];
        }
        [$w, $h] = [min($frame['w'], self::VIEW[0] / self::SCALE), min($frame['h'], self::VIEW[1] / self::SCALE)];
        $box = $scene->boxes()[$root];
        $x = max($frame['x'], min($box['x'] + $box['w'] / 2 - $w / 2, $frame['x'] + $frame['w'] - $w));
        $y = max($frame['y'], min($box['y'] + $box['h'] / 2 - $h / 2, $frame['y'] + $frame['h'] - $h));

        return [['x' => $x, 'y' => $y, 'w' => $w, 'h' => $h], false];
    }

    /** The first topics, for whoever only looks the page up. */
    private static function description(PageContent $content): string
    {
        $titles = array_map(fn ($topic): string => InlineMarkdown::oneLine($topic->title), array_values($content->map->children($content->map->root()->id)));
        $words = implode(', ', array_filter($titles, fn (string $title): bool => $title !== ''));

        return mb_strlen($words) > self::LONGEST ? mb_substr($words, 0, self::LONGEST - 1).'…' : $words;
    }

    /** Ids of topics as short numbers, which say nothing. */
    private static function numbered(string $written, PageContent $content): string
    {
        $short = [];
        foreach (array_keys($content->map->all()) as $n => $id) {
            $short["topic-{$id}"] = "t{$n}";
            $short[(string) $id] = "t{$n}";
        }

        return strtr($written, $short);
    }
}
