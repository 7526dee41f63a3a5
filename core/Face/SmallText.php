<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Draw\TextLine;
use ChalkTree\Look\Look;
use ChalkTree\Text\Wrapper;

/** Plain text in the small type of a look, above or below a title: a caption, who does it, what fields say. */
final readonly class SmallText implements FacePart
{
    /** From baseline to baseline, and from the top to the first one, for a type size of 1. */
    public const LINE = 16 / 12;

    public const FIRST = 13 / 12;

    private const ROOM = 3.0;

    private const ROOM_OF_PHRASE = 2.0;

    /**
     * @param  string  $part  what it is called among the parts of what is drawn
     * @param  FacePlace|null  $place  null for where the look has captions
     * @param  float  $room  what keeps it from the title, pixels
     */
    private function __construct(private string $part, private string $text, private ?FacePlace $place, private float $room)
    {
    }

    /** What follows from what is said elsewhere. */
    public static function below(string $part, string $text): self
    {
        return new self($part, $text, FacePlace::Below, self::ROOM);
    }

    /** The short second line of a topic. */
    public static function caption(string $text): self
    {
        return new self('caption', $text, null, self::ROOM);
    }

    /** The phrase of a topic whose connector has no room for it. */
    public static function phrase(string $text): self
    {
        return new self('phrase', $text, FacePlace::Above, self::ROOM_OF_PHRASE);
    }

    public function place(Look $look): FacePlace
    {
        return $this->place ?? ($look->type->captionAbove ? FacePlace::Above : FacePlace::Below);
    }

    public function key(): string
    {
        return "{$this->part} {$this->text}";
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        [$wide, $count] = $wrapper->plainExtent($this->text, $look->type->small, $widest, $look->type->face->cut());

        return [$wide, $count * self::LINE * $look->type->small + $this->room];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        $small = $look->type->small;
        $parts = [];
        foreach ($wrapper->wrapPlain($this->text, $small, $area->widest, $look->type->face->cut()) as $i => $line) {
            $y = round($area->y + ($i * self::LINE + self::FIRST) * $small, 2);
            array_push($parts, ...TextLine::of($this->part, $line, $area->begin($line), $y, $small, $look->type->softInk, $look));
        }

        return $parts;
    }
}
