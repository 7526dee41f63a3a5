<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** A document in the one form between maps and all formats that word processors know. */
final readonly class Document
{
    /**
     * @param  list<Inline>  $title
     * @param  list<Block>  $blocks
     * @param  string  $language  as BCP 47 names it
     * @param  bool  $isOurs  of one that is read: whether our styles tell topics from text
     * @param  string  $author  empty where it names nobody
     */
    public function __construct(public array $title, public array $blocks, public string $language = 'en', public bool $isOurs = false, public string $author = '')
    {
    }

    /** @return list<Image> every picture in it, in order */
    public function images(): array
    {
        return self::within($this->blocks);
    }

    /**
     * @param  list<Block>  $blocks
     * @return list<Image>
     */
    private static function within(array $blocks): array
    {
        $all = [];
        foreach ($blocks as $block) {
            $found = match (true) {
                $block instanceof Heading, $block instanceof Paragraph => self::ofText($block->text),
                $block instanceof Styled, $block instanceof Quote => self::within($block->blocks),
                $block instanceof Listing => array_merge(...array_map(self::within(...), $block->items)),
                $block instanceof Grid => array_merge(...array_map(self::ofText(...), array_merge([$block->head === [] ? [] : array_merge(...$block->head)], array_map(fn (array $row): array => array_merge(...$row), $block->rows)))),
                default => [],
            };
            array_push($all, ...$found);
        }

        return $all;
    }

    /**
     * @param  list<Inline>  $text
     * @return list<Image>
     */
    private static function ofText(array $text): array
    {
        return array_values(array_filter($text, fn (Inline $one): bool => $one instanceof Image));
    }
}
