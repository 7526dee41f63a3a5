<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Draw\Primitive;
use ChalkTree\Look\Look;
use ChalkTree\Text\Wrapper;

/**
 * Something that stands in the box of a topic besides its title: a caption, the sign of a note, whatever a feature puts
 * there. Parts at one place stand in the order in which they are given, from the title outwards.
 */
interface FacePart
{
    /** @param  Look  $look  of the topic */
    public function place(Look $look): FacePlace;

    /** All that decides its size and how it is drawn: two with one key look alike. */
    public function key(): string;

    /**
     * The room it takes, with what keeps it from its neighbours.
     *
     * @param  float  $widest  the width at which text wraps, pixels
     * @param  Look  $look  of the topic
     * @return array{float, float} width and height
     */
    public function size(float $widest, Look $look, Wrapper $wrapper): array;

    /**
     * Of what it is drawn.
     *
     * @param  Area  $area  the room it asked for; beside the text it is as high as the text
     * @return list<Primitive>
     */
    public function draw(Area $area, Look $look, Wrapper $wrapper): array;
}
