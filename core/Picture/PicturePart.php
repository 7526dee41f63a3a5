<?php

declare(strict_types=1);

namespace ChalkTree\Picture;

use ChalkTree\Draw\Primitive;
use ChalkTree\Face\Area;
use ChalkTree\Face\FacePart;
use ChalkTree\Face\FacePlace;
use ChalkTree\Look\Look;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Wrapper;

/** The picture in a topic. */
final readonly class PicturePart implements FacePart
{
    /** What keeps it from the text. */
    private const GAP = 8.0;

    private bool $isAlone;

    private FacePlace $place;

    /** @var array{float, float} width and height */
    private array $size;

    /** @param  string  $title  of its topic; without one it stands alone, and instead of one it says it to those who cannot see it */
    public function __construct(private TopicPicture $picture, private string $title)
    {
        $place = $picture->text('place');
        $this->isAlone = $title === '' || $place === 'instead';
        $this->size = $picture->size();
        $this->place = $this->isAlone ? FacePlace::Instead : match ($place) {
            'below' => FacePlace::Under,
            'left' => FacePlace::Before,
            'right' => FacePlace::After,
            default => FacePlace::Over,
        };
    }

    public function place(Look $look): FacePlace
    {
        return $this->place;
    }

    public function key(): string
    {
        return 'picture '.($this->isAlone ? 'alone ' : '').implode(' ', [...$this->size, ...array_intersect_key($this->picture->fields(), ['source' => 1, 'place' => 1, 'about' => 1])]);
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        [$w, $h] = $this->size;
        $place = $this->place;

        return match (true) {
            $place === FacePlace::Instead => [$w, $h],
            $place->isBeside() => [$w + self::GAP, $h],
            default => [$w, $h + self::GAP],
        };
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        [$w, $h] = $this->size;
        $place = $this->place;
        $x = match ($place) {
            FacePlace::Before => $area->x,
            FacePlace::After => $area->x + self::GAP,
            default => $area->at($w),
        };
        $y = match (true) {
            $place->isBeside() => $area->y + ($area->h - $h) / 2,
            $place === FacePlace::Under => $area->y + self::GAP,
            default => $area->y,
        };

        return [Primitive::picture('picture', $this->picture->text('source'), [round($x, 2), round($y, 2), $w, $h], $this->about())];
    }

    private function about(): string
    {
        $about = $this->picture->text('about');

        return $about === '' && $this->isAlone ? InlineMarkdown::plain($this->title) : $about;
    }
}
