<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\TopicMap;

/** Makes a map of the contents of a file in one open format. */
interface Reader
{
    /**
     * @param  string  $contents  of text, valid UTF-8 without a byte order mark, line breaks "\n"; see Formats::read()
     * @param  string  $title  what to call the root where the file does not say
     *
     * @throws UnreadableFile with a sentence that says what is wrong
     */
    public function read(string $contents, string $title): TopicMap;
}
