<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** A picture in the text. */
final readonly class Image implements Inline
{
    /**
     * @param  string  $source  as topics and notes name it, "file:…" or "drawing:…"; of a document that is read, the file in it
     * @param  string  $about  what it shows, for those who do not see it
     * @param  int|null  $wide  pixels at 96 to the inch, where it is not to be as large as it is by itself
     * @param  array{int, int}|null  $size  of one that is read: its own width and height, pixels
     */
    public function __construct(public string $source, public string $about = '', public ?int $wide = null, public ?array $size = null)
    {
    }
}
