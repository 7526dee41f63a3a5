<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Number\Numbers;
use ChalkTree\Text\InlineMarkdown;
use XMLWriter;

/**
 * Writes OPML 2.0. "text" is the title in plain words; a formatted title stands besides in "_markdown". The note
 * goes into "_note", the caption into "description", which outliners commonly read.
 */
final class OpmlWriter implements Writer
{
    public function write(TopicMap $map): string
    {
        $xml = new XMLWriter;
        $xml->openMemory();
        $xml->setIndent(true);
        $xml->setIndentString('  ');
        $xml->startDocument('1.0', 'UTF-8');
        $xml->startElement('opml');
        $xml->writeAttribute('version', '2.0');
        $xml->startElement('head');
        $xml->writeElement('title', $map->sheet()->title ?? InlineMarkdown::plain($map->root()->title));
        $xml->endElement();
        $xml->startElement('body');
        $this->topics($xml, $map);
        $xml->endElement();
        $xml->endElement();
        $xml->endDocument();

        return $xml->outputMemory();
    }

    private function topics(XMLWriter $xml, TopicMap $map): void
    {
        $open = [];
        $numbers = Numbers::of($map);
        foreach (TiedLines::written($map)->all() as $topic) {
            while ($open !== [] && $open[count($open) - 1] !== $topic->parent) {
                array_pop($open);
                $xml->endElement();
            }
            $open[] = $topic->id;
            $xml->startElement('outline');
            $this->attributes($xml, $topic, $numbers[$topic->id] ?? '');
        }
        foreach ($open as $_) {
            $xml->endElement();
        }
    }

    /** Programs that know nothing of numbering find the number in the text; ours finds in "_number" what to leave out. */
    private function attributes(XMLWriter $xml, Topic $topic, string $number): void
    {
        $text = InlineMarkdown::plain($topic->title);
        $xml->writeAttribute('text', $number === '' ? $text : "{$number} {$text}");
        $said = [
            '_number' => $number,
            '_markdown' => $topic->title === OpmlReader::titleOf($text) ? '' : $topic->title,
            'description' => $topic->caption,
            '_note' => $topic->note,
        ];
        foreach (array_filter($said, fn (string $value): bool => $value !== '') as $name => $value) {
            $xml->writeAttribute($name, $value);
        }
    }
}
