<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

/** Where whoever draws a scene has its pictures from; they are named as TopicPicture names them. */
interface PictureSource
{
    /** A drawing of the box as SVG, 32 by 32, to be trusted; null for anything else. */
    public function drawing(string $picture): ?string;

    /**
     * The address of any other picture, also one that holds it ("data:…"); null where it is not there.
     *
     * @param  float  $width  with which it is drawn, pixels at scale 1
     */
    public function address(string $picture, float $width): ?string;
}
