<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** What stands inside the box of a slip and decides its size. */
final readonly class Face
{
    /**
     * @param  list<string>  $parts  the keys of what stands there besides the title
     * @param  string  $look  its hash
     */
    public function __construct(
        public string $text,
        public array $parts,
        public string $look,
    ) {
    }

    /** 16 bytes; equal for faces that measure and look the same. */
    public function hash(): string
    {
        return hash('xxh128', serialize([$this->text, $this->parts, $this->look]), true);
    }
}
