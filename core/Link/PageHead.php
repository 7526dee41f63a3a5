<?php

declare(strict_types=1);

namespace ChalkTree\Link;

use ChalkTree\Paste\Nesting;
use DOMDocument;
use DOMElement;
use Masterminds\HTML5;

/** What a page says of itself: its title, a description, a picture. */
final readonly class PageHead
{
    private const LONGEST_TITLE = 300;

    private const LONGEST_DESCRIPTION = 600;

    private const DEEPEST = 100;

    /** So much of a page is looked at, bytes. */
    public const MOST = 400_000;

    /** @param  string  $picture  an address as the page has it, which may be relative; empty for none */
    private function __construct(public string $title, public string $description, public string $picture)
    {
    }

    /** @param  string  $charset  as the server named it; empty where it did not */
    public static function read(string $html, string $charset = ''): self
    {
        $html = self::utf8(substr($html, 0, self::MOST), $charset);
        // What is nested as no page is would cost more than it tells.
        $end = stripos($html, '</head>');
        $head = $end === false ? $html : substr($html, 0, $end + 7);
        if (Nesting::depth($head, self::DEEPEST) > self::DEEPEST) {
            return new self('', '', '');
        }
        $document = (new HTML5(['disable_html_ns' => true]))->loadHTML($head);
        $said = self::said($document);
        $title = $document->getElementsByTagName('title')->item(0)->textContent ?? '';

        return new self(
            self::line($said['og:title'] ?? $title, self::LONGEST_TITLE),
            self::line($said['og:description'] ?? $said['description'] ?? '', self::LONGEST_DESCRIPTION),
            trim(mb_substr($said['og:image'] ?? '', 0, Address::LONGEST)),
        );
    }

    /**
     * Whether a page lets itself be shown in a frame of another.
     *
     * @param  array<string, string>  $headers  by names in lower case
     */
    public static function maybeFramed(array $headers): bool
    {
        $ancestors = preg_match('/(?:^|;)\s*frame-ancestors\s+([^;]*)/i', $headers['content-security-policy'] ?? '', $m) === 1 ? trim($m[1]) : null;

        return $ancestors !== null ? preg_match('/(?:^|\s)\*(?:\s|$)/', $ancestors) === 1 : ! isset($headers['x-frame-options']);
    }

    /** @return array<string, string> what its meta elements say, by name */
    private static function said(DOMDocument $document): array
    {
        $said = [];
        foreach ($document->getElementsByTagName('meta') as $meta) {
            if ($meta instanceof DOMElement) {
                $name = mb_strtolower($meta->getAttribute('property') ?: $meta->getAttribute('name'));
                $said[$name] ??= $meta->getAttribute('content');
            }
        }

        return array_filter($said, fn (string $content): bool => trim($content) !== '');
    }

    private static function utf8(string $html, string $charset): string
    {
        $named = $charset !== '' ? $charset : (preg_match('/<meta[^>]+charset=["\']?([\w.:-]{1,40})/i', substr($html, 0, 2048), $m) === 1 ? $m[1] : 'UTF-8');
        $known = array_map(mb_strtolower(...), mb_list_encodings());
        $text = in_array(mb_strtolower($named), $known, true) && strcasecmp($named, 'utf-8') !== 0 ? mb_convert_encoding($html, 'UTF-8', $named) : $html;

        return mb_scrub(is_string($text) ? $text : '', 'UTF-8');
    }

    private static function line(string $text, int $longest): string
    {
        $text = trim((string) preg_replace('/[\s\x00-\x1f\x7f]+/u', ' ', $text));

        return mb_strlen($text) > $longest ? mb_substr($text, 0, $longest - 1).'…' : $text;
    }
}
