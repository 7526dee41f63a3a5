<?php

declare(strict_types=1);

namespace ChalkTree\Picture;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\ContentName;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\NamesContent;

/** The picture in a topic: a drawing of the box, or a file kept by its content. */
final readonly class TopicPicture extends FeatureRow implements NamesContent
{
    public const PLACES = ['above', 'below', 'left', 'right', 'instead'];

    public const LONGEST_ABOUT = 2_000;

    /** The side of a drawing on the board, pixels, where nothing is said of it. */
    private const DRAWING = 48;

    /** The largest side of any other picture on the board then. */
    private const FILE = 200;

    public static function type(): string
    {
        return 'picture';
    }

    public static function words(): string
    {
        return 'picture';
    }

    /**
     * "source" names it: "drawing:red-apple", "file:" and the SHA-256 of its bytes. "wide" and "high" are how large it is by
     * itself, "width" how wide on the board; "place" is where it stands to the text, above it if nothing is said.
     */
    public static function declared(): array
    {
        return [
            'source' => Field::formed(self::isSource(...), 100, 'be a picture such as “drawing:red-apple”, or “file:” with 64 hexadecimal digits')->called('picture'),
            'place' => Field::choice(self::PLACES)->called('place of the picture'),
            'width' => Field::number(Bounds::SMALLEST_PICTURE, Bounds::WIDEST)->called('size of the picture'),
            'wide' => Field::number(1, 1_000_000),
            'high' => Field::number(1, 1_000_000),
            'about' => Field::text(self::LONGEST_ABOUT)->called('description of the picture'),
        ];
    }

    public static function isSource(string $source): bool
    {
        return preg_match('/^(drawing:[a-z0-9]+(-[a-z0-9]+)*|file:[0-9a-f]{64})$/D', $source) === 1;
    }

    public function isDrawing(): bool
    {
        return str_starts_with($this->text('source'), 'drawing:');
    }

    /** Null for a drawing. */
    public function content(): ?string
    {
        return ContentName::hash($this->text('source'));
    }

    public function naming(string $hash): static
    {
        return $this->with(['source' => ContentName::of($hash)]);
    }

    /** @return array{float, float} width and height on the board */
    public function size(): array
    {
        $wide = max(1, $this->number('wide') ?? 1);
        $ratio = max(1, $this->number('high') ?? 1) / $wide;
        $most = $this->isDrawing() ? self::DRAWING : min(self::FILE, max($wide, (int) ($wide * $ratio)));
        $width = (float) ($this->number('width') ?? $most / max(1.0, $ratio));
        $height = $width * $ratio;
        if ($height > Bounds::WIDEST) {
            [$width, $height] = [$width * Bounds::WIDEST / $height, (float) Bounds::WIDEST];
        }

        return [max(1.0, round($width, 1)), max(1.0, round($height, 1))];
    }
}
