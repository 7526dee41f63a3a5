<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use XMLReader;

/**
 * Reads OPML, ours and that of other programs: attributes it does not know are passed over, simple HTML in "text" is
 * taken as formatting. It reads as a stream and never expands an entity or fetches anything.
 */
final class OpmlReader implements Reader
{
    public function read(string $contents, string $title): TopicMap
    {
        $before = libxml_use_internal_errors(true);
        $xml = new XMLReader;
        try {
            if (preg_match('/<!(DOCTYPE|ENTITY)/i', $contents) === 1) {
                throw new UnreadableFile('This file brings definitions of its own (a DOCTYPE), which are not read for safety. Remove them and try again.');
            }
            XmlBounds::check($contents);
            $xml->XML($contents, 'UTF-8', LIBXML_NONET | LIBXML_PARSEHUGE);

            return $this->outlines($xml, $title);
        } finally {
            $xml->close();
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }
    }

    private function outlines(XMLReader $xml, string $title): TopicMap
    {
        $topics = new Gathering;
        $opml = false;
        while ($xml->read()) {
            if ($xml->nodeType !== XMLReader::ELEMENT) {
                continue;
            }
            $opml = $opml || $xml->localName === 'opml';
            if ($xml->localName === 'title' && $topics->isEmpty()) {
                $said = trim($xml->readString());
                $title = $said === '' ? $title : $said;
            } elseif ($xml->localName === 'outline') {
                $topics->add($xml->depth, $this->title($xml), (string) $xml->getAttribute('description'), $this->note($xml));
            }
        }
        $error = libxml_get_last_error();
        if ($error !== false && $error->level >= LIBXML_ERR_ERROR) {
            throw new UnreadableFile("This file is not complete XML (line {$error->line}: ".trim($error->message).'); it may have been cut off.');
        }
        if (! $opml) {
            throw new UnreadableFile('This XML file is not an OPML outline.');
        }

        return $topics->map(InlineMarkdown::escape($title));
    }

    private function title(XMLReader $xml): string
    {
        $text = (string) ($xml->getAttribute('text') ?? $xml->getAttribute('title') ?? '');
        $number = (string) $xml->getAttribute('_number');
        $text = $number !== '' && str_starts_with($text, "{$number} ") ? substr($text, strlen($number) + 1) : $text;
        $markdown = $xml->getAttribute('_markdown');
        if ($markdown !== null && InlineMarkdown::plain($markdown) === $text) {
            return $markdown;
        }

        return self::titleOf($text);
    }

    /** What a "text" alone reads as. */
    public static function titleOf(string $text): string
    {
        return preg_match('/<\/?[a-z][^<>]*>|&(?:amp|lt|gt|quot|nbsp|#\d+);/i', $text) === 1 ? InlineHtml::markdown($text) : InlineMarkdown::escape($text);
    }

    private function note(XMLReader $xml): string
    {
        return (string) ($xml->getAttribute('_note') ?? $xml->getAttribute('note') ?? '');
    }
}
