<?php

declare(strict_types=1);

namespace ChalkTree\Paste;

use ChalkTree\Edit\Wording;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Map\Bounds;
use ChalkTree\Text\Address;

/** What was pasted, as lines with levels. */
final readonly class Clip
{
    /** Bytes. */
    public const LARGEST = 8 * 1024 * 1024;

    /** Elements of HTML within each other. */
    private const DEEPEST = 400;

    /**
     * @param  list<ClipLine>  $lines
     * @param  string|null  $source  the address of the page it comes from, if the clipboard told
     */
    private function __construct(public array $lines, public ?string $source)
    {
    }

    /**
     * Reads HTML where it says more than the text beside it, else the text.
     *
     * @param  string|null  $source  an address that came with the clip by other ways
     * @param  bool  $headingWords  whether lines that only read as headings become parents
     *
     * @throws UnreadableFile where it is too large or not text
     */
    public static function read(string $text, string $html = '', ?string $source = null, bool $headingWords = true): self
    {
        if (strlen($text) > self::LARGEST || strlen($html) > self::LARGEST) {
            throw new UnreadableFile('This is more than 8 MB of text, more than can be pasted at once.', 'text');
        }
        $text = str_replace("\r\n", "\n", $text);
        $html = Wording::clean($html, 'html');
        $source = self::address($source ?? '') ?? self::sourceIn($html);
        if (Nesting::depth($html, self::DEEPEST) > self::DEEPEST) {
            // No page nests like this; its words are all that is taken from it.
            $text = trim($text) === '' ? html_entity_decode(strip_tags($html), ENT_QUOTES | ENT_HTML5, 'UTF-8') : $text;
            $html = '';
        }
        $lines = self::saysMore($html) ? HtmlClip::lines((string) preg_replace('/\AVersion:[^<]*/', '', $html), $source) : [];
        $lines = $lines === [] ? TextClip::lines(Wording::clean($text, 'text')) : $lines;
        if (count($lines) > Bounds::MOST_TOPICS) {
            throw new UnreadableFile('This has more than 20,000 lines, more than a map can take in.', 'text');
        }

        return new self(Levels::decide($lines, $headingWords ? HeadingWords::in($lines) : []), $source);
    }

    /** Whether nothing about its levels is a guess, so that it can land without being looked at. */
    public function isSure(): bool
    {
        foreach ($this->lines as $line) {
            if ($line->how === 'offered') {
                return false;
            }
        }

        return true;
    }

    /** Whether HTML holds more than lines of text wrapped in tags. */
    private static function saysMore(string $html): bool
    {
        return preg_match('/<(?:h[1-6]|ul|ol|li|menu|table|t[drh]|p|pre|blockquote|b|strong|i|em|u|s|del|code|a|d[ldt]|br|div|span)[\s>\/]/i', $html) === 1;
    }

    private static function sourceIn(string $html): ?string
    {
        foreach (['/\AVersion:[^<]*?SourceURL:(\S+)/', '/<base\s[^<>]{0,300}?href\s{0,9}=\s{0,9}["\']([^"\']{1,2000})/i', '/<link\s[^<>]{0,300}?rel\s{0,9}=\s{0,9}["\']canonical["\'][^<>]{0,300}?href\s{0,9}=\s{0,9}["\']([^"\']{1,2000})/i'] as $pattern) {
            if (preg_match($pattern, substr($html, 0, 100_000), $m) === 1 && ($address = self::address(html_entity_decode($m[1]))) !== null) {
                return $address;
            }
        }

        return null;
    }

    private static function address(string $address): ?string
    {
        $address = trim(strtok($address, "\n") ?: '');

        return preg_match('~\Ahttps?://[^\s<>"]{1,1990}\z~i', $address) === 1 && Address::isSafe($address) ? $address : null;
    }
}
