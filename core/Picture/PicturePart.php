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

    /** @param  string  $title  of its topic; without one it stands alone, and instead of one it says it to those who cannot see it */
    public function __construct(private TopicPicture $picture, private string $title)
    {
        $this->isAlone = $title === '' || $picture->text('place') === 'instead';
    }

    public function place(Look $look): FacePlace
    {
        return match ($this->isAlone ? 'instead' : $this->picture->text('place')) {
            'below' => FacePlace::Under,
            'left' => FacePlace::Before,
            'right' => FacePlace::After,
            'instead' => FacePlace::Instead,
            default => FacePlace::Over,
        };
    }

    public function key(): string
    {
        return 'picture '.($this->isAlone ? 'alone ' : '').implode(' ', [...$this->picture->size(), ...array_intersect_key($this->picture->fields(), ['source' => 1, 'place' => 1, 'about' => 1])]);
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        [$w, $h] = $this->picture->size();
        $place = $this->place($look);

        return match (true) {
            $place === FacePlace::Instead => [$w, $h],
            $place->isBeside() => [$w + self::GAP, $h],
            default => [$w, $h + self::GAP],
        };
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        [$w, $h] = $this->picture->size();
        $place = $this->place($look);
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
