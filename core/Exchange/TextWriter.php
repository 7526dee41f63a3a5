<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\TopicMap;
use ChalkTree\Number\Numbers;
use ChalkTree\Text\InlineMarkdown;

/** Writes titles as plain text, a line a topic, indented by tabs. Notes, captions and formatting stay behind. */
final class TextWriter implements Writer
{
    public function write(TopicMap $map): string
    {
        $depths = [];
        $out = '';
        $numbers = Numbers::of($map);
        foreach (TiedLines::written($map)->all() as $id => $topic) {
            $depths[$id] = $topic->parent === null ? 0 : $depths[$topic->parent] + 1;
            $title = trim(($numbers[$id] ?? '').' '.InlineMarkdown::oneLine($topic->title));
            $out .= str_repeat("\t", $depths[$id]).$title."\n";
        }

        return $out;
    }
}
