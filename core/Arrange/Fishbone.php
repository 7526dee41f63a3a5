<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/**
 * A plan of causes: a spine towards the head, subtopics as slanted ribs above and below it in turn, the first nearest to
 * the head; their subtopics along the rib, and what is deeper as stepped lists. It places two levels at once.
 *
 * Ribs are parallel, so each has a slanted strip to itself that nothing else enters.
 */
final readonly class Fishbone implements Arrangement
{
    /** How far a rib leans away from the head for each pixel from the spine. */
    private const LEAN = 0.45;

    /** Between the spine and what stands nearest to it, and between subtopics along a rib. */
    private const CLEAR = 16;

    private const ALONG = 10;

    /** Between a rib and what stands along it. */
    private const OFF = 14;

    private const GAP = 26;

    /** Between the feet of two ribs, at least. */
    private const STEP = 40;

    /** Ribs are at least so high. */
    private const HIGH = 70;

    public static function name(): string
    {
        return 'fishbone';
    }

    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth
    {
        return $index % 2 === 0 ? Growth::Up : Growth::Down;
    }

    public function handsDown(Growth $growth): string
    {
        return FishRib::name();
    }

    /** The spine is at the left of the head. */
    public function enters(Growth $growth): Growth
    {
        return $growth === Growth::Right ? Growth::Down : $growth;
    }

    public function opens(): Growth
    {
        return Growth::Left;
    }

    public function isMirrorable(): bool
    {
        return true;
    }

    public function hasAxis(): bool
    {
        return true;
    }

    public function siblings(): Siblings
    {
        return Siblings::Tabled;
    }

    public function phrases(): PhraseWay
    {
        return PhraseWay::InBox;
    }

    public function levels(): int
    {
        return 2;
    }

    public function place(Slip $slip, array $children, array $below): void
    {
        $slip->closeUp();
        if ($children === []) {
            return;
        }
        $line = $slip->h / 2;
        $free = [-1 => -(float) $children[0]->look->spacing->reach, 1 => -(float) $children[0]->look->spacing->reach];
        $foot = 0.0;
        foreach ($children as $rib) {
            $side = $rib->growth === Growth::Up ? -1 : 1;
            $along = $below[$rib->topic->id] ?? [];
            // It may have the rectangle of an earlier drawing.
            $rib->closeUp();
            $high = $this->high($along) + $rib->apartX;
            [$least, $most] = $this->strip($rib, $along, $side);
            $foot = floor(min($free[$side] - $most, $foot - self::STEP)) - abs($rib->apartY);
            $free[$side] = $foot + $least - self::GAP;
            $this->stand($slip, $rib, $along, $foot, $high, $side, $line);
            $slip->embrace($rib);
        }
        $end = $foot - self::CLEAR;
        $slip->axis = [0.0, $line, $end, $line];
        $slip->left = max($slip->left, -$end);
        $slip->top = $slip->bottom = max($slip->top, $slip->bottom);
    }

    /** @param  list<Slip>  $along */
    private function high(array $along): float
    {
        $high = (float) self::CLEAR;
        foreach ($along as $topic) {
            $high += self::lane($topic) + $topic->top + $topic->h + $topic->bottom + self::ALONG;
        }

        return max(self::HIGH, $high + self::CLEAR - self::ALONG);
    }

    private static function lane(Slip $topic): int
    {
        return $topic->enters === Growth::Down ? Bands::LANE : 0;
    }

    /**
     * How far what belongs to a rib reaches to both sides of its line, measured along the spine.
     *
     * @param  list<Slip>  $along
     * @return array{float, float} below and above zero
     */
    private function strip(Slip $rib, array $along, int $side): array
    {
        // Its own box stands over its end; what is beyond the rib's line grows with its height.
        $least = -$rib->w / 2 - $rib->left;
        $most = $rib->w / 2 + $rib->right + self::LEAN * ($rib->h + ($side < 0 ? $rib->top : $rib->bottom));
        foreach ($along as $topic) {
            $high = self::lane($topic) + $topic->top + $topic->h + $topic->bottom;
            $least = min($least, -self::OFF - $topic->left - $topic->w - $topic->right - self::LEAN * $high);
        }

        return [$least, $most];
    }

    /** @param  list<Slip>  $along  from above to below */
    private function stand(Slip $slip, Slip $rib, array $along, float $foot, float $high, int $side, float $line): void
    {
        $rib->x = round($foot - self::LEAN * $high - $rib->w / 2);
        $rib->y = $side < 0 ? $line - $high - $rib->h : $line + $high;
        $rib->leaves = Growth::Left;
        $rib->isCurved = false;
        $rib->isWinding = true;
        $end = $side < 0 ? $rib->h : 0.0;
        $rib->route = [-$rib->x, $line - $rib->y, $foot - $rib->x, $line - $rib->y, $rib->w / 2, $end];
        // From the rib's own box: how far below or above it, and where the rib is there.
        $at = $side < 0 ? self::CLEAR + $rib->apartX : self::CLEAR;
        foreach ($along as $topic) {
            $lane = self::lane($topic);
            $tall = $lane + $topic->top + $topic->h + $topic->bottom;
            // From the spine to that end of it which is farther away, where the rib is nearest.
            $far = $side < 0 ? $high - $at : $at + $tall;
            $right = $foot - self::LEAN * $far - self::OFF;
            $topic->x = floor($right - $topic->right - $topic->w - $rib->x);
            $topic->y = ($side < 0 ? $rib->h + $at : $at - $high) + $lane + $topic->top;
            $this->alongside($rib, $topic, $high, $side, $foot, $end);
            $rib->embrace($topic);
            $at += $tall + self::ALONG;
        }
    }

    /** Along the rib, and across to the box. */
    private function alongside(Slip $rib, Slip $topic, float $high, int $side, float $foot, float $end): void
    {
        $isFromTop = self::lane($topic) > 0;
        $row = $isFromTop ? -$topic->top - Bands::LANE / 2 : $topic->h / 2;
        // How far from the spine that row is.
        $far = $side < 0 ? $high + $rib->h - $topic->y - $row : $high + $topic->y + $row;
        $x = $foot - self::LEAN * $far - $rib->x - $topic->x;
        $topic->leaves = $side < 0 ? Growth::Down : Growth::Up;
        $topic->isCurved = false;
        $topic->isWinding = true;
        $topic->route = [$rib->w / 2 - $topic->x, $end - $topic->y, $x, $row];
        array_push($topic->route, ...$isFromTop ? [$topic->w / 2, $row, $topic->w / 2, 0.0] : [$topic->w, $row]);
    }
}
