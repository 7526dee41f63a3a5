<?php

declare(strict_types=1);

namespace App\Store;

use App\Http\BoardFrame;
use App\Models\MapRecord;
use App\Models\Person;
use App\Pictures\ServedPictures;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Scene;
use ChalkTree\Draw\WindowWriter;
use ChalkTree\Look\Look;
use Closure;
use Illuminate\Contracts\Cache\Repository;

/**
 * The picture that the page of a map carries, so that the map is seen before any script runs: just what the board will
 * show, where it will show it. It is kept for one state of the map, view and window; a small map is drawn when the page
 * is asked for, a large one after an answer that nobody waits for any more.
 *
 * @phpstan-type Box array{x: float, y: float, w: float, h: float}
 */
final readonly class FirstPicture
{
    /** Changed whenever the same would be drawn otherwise by another version. */
    private const VERSION = 6;

    /** Larger maps are not drawn while somebody waits. */
    private const MOST_WAITED_FOR = 2_000;

    private const SECONDS = 3 * 24 * 3600;

    /** As the board has them: around what is fitted, and what the controls take of its foot. */
    private const MARGIN = 48;

    private const FOOT = 48;

    public function __construct(
        private Repository $cache,
        private LayoutMemories $memories,
        private MapStore $store,
        private ViewStore $views,
    ) {
    }

    /**
     * The picture as SVG; null where it is not there and would take long.
     *
     * @param  Closure(): bool  $mayDraw  asked where it is not there
     */
    public function of(MapRecord $map, Person $person, BoardFrame $frame, Closure $mayDraw): ?string
    {
        if ($frame->board === null || $this->isNarrowed($map, $person)) {
            return null;
        }
        $kept = $this->cache->get($this->name($map, $person));
        if (is_array($kept) && ($kept['key'] ?? null) === $this->key($map, $person, $frame)) {
            return is_string($kept['svg'] ?? null) ? $kept['svg'] : null;
        }

        return $map->topics()->count() <= self::MOST_WAITED_FOR && $mayDraw() ? $this->make($map, $person, $frame) : null;
    }

    /** Sees to it that the picture is there when the page is asked for the next time. */
    public function prepare(MapRecord $map, Person $person, ?BoardFrame $frame): void
    {
        if ($frame?->board === null || $this->isNarrowed($map, $person)) {
            return;
        }
        $kept = $this->cache->get($this->name($map, $person));
        if (! is_array($kept) || ($kept['key'] ?? null) !== $this->key($map, $person, $frame)) {
            $this->make($map, $person, $frame);
        }
    }

    /** What a person has narrowed a map to is asked of the whole of it, which takes longer than a picture may. */
    private function isNarrowed(MapRecord $map, Person $person): bool
    {
        return $this->views->of($map, $person)['filter'] !== null;
    }

    private function make(MapRecord $map, Person $person, BoardFrame $frame): ?string
    {
        if ($frame->board === null) {
            return null;
        }
        $layout = Layout::of($this->store->load($map), $this->views->board($map, $person));
        $scene = $layout->scene();
        $camera = $this->views->place($map, $person) ?? $this->fitting($scene, $layout->levels(), $frame->board['w'], $frame->board['h']);
        [$w, $h] = [$frame->board['w'] / $camera['scale'], $frame->board['h'] / $camera['scale']];
        $svg = (new WindowWriter(new ServedPictures($map->id)))->write($scene, ['x' => $camera['x'] - $w / 2, 'y' => $camera['y'] - $h / 2, 'w' => $w, 'h' => $h], $camera['scale']);
        $this->cache->put($this->name($map, $person), ['key' => $this->key($map, $person, $frame), 'svg' => $svg], self::SECONDS);

        return $svg;
    }

    /**
     * Where the board stands the first time: as many levels as can be read are in view, or else all.
     *
     * @param  list<Look>  $looks  of the levels
     * @return array{x: float, y: float, scale: float}
     */
    private function fitting(Scene $scene, array $looks, int $width, int $height): array
    {
        $boxes = $scene->boxes();
        $around = null;
        $scale = 1.0;
        for ($level = count($looks) - 1; $level >= 0; $level--) {
            $around = $this->around(array_filter($boxes, fn (array $box): bool => $level === 0 || $scene->slips[$box['id']]->level <= $level));
            $scale = max(0.01, min(1.0, ($width - self::MARGIN) / $around['w'], ($height - self::MARGIN - self::FOOT) / $around['h']));
            if ($level === 0 || $looks[$level]->type->size * $scale >= WindowWriter::LEAST_TYPE) {
                break;
            }
        }
        $around ??= ['x' => 0.0, 'y' => 0.0, 'w' => 1.0, 'h' => 1.0];

        return ['x' => $around['x'] + $around['w'] / 2, 'y' => $around['y'] + $around['h'] / 2 + self::FOOT / 2 / $scale, 'scale' => $scale];
    }

    /**
     * @param  array<string, array{id: string, parent: string|null, x: float, y: float, w: float, h: float}>  $boxes
     * @return Box
     */
    private function around(array $boxes): array
    {
        [$left, $top, $right, $bottom] = [INF, INF, -INF, -INF];
        foreach ($boxes as $box) {
            [$left, $top] = [min($left, $box['x']), min($top, $box['y'])];
            [$right, $bottom] = [max($right, $box['x'] + $box['w']), max($bottom, $box['y'] + $box['h'])];
        }

        return ['x' => $left, 'y' => $top, 'w' => $right - $left, 'h' => $bottom - $top];
    }

    private function name(MapRecord $map, Person $person): string
    {
        return "first {$map->id} {$person->id}";
    }

    private function key(MapRecord $map, Person $person, BoardFrame $frame): string
    {
        $place = $this->views->place($map, $person);

        return implode(' ', [self::VERSION, $this->memories->key($map, $this->views->board($map, $person)), ...($place ?? ['fit']), $frame->board['w'] ?? 0, $frame->board['h'] ?? 0]);
    }
}
