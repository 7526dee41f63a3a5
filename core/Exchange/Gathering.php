<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\TextPlaces;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;

/**
 * Collects topics with their depth, in the order in which a reader comes upon them, into a tree. Any depth may follow
 * any other: a topic goes below the nearest one before it that is less deep.
 */
final class Gathering
{
    /** @var list<array{depth: int, draft: TopicDraft}> the way down to the latest topic */
    private array $trail = [];

    /** @var list<TopicDraft> */
    private array $tops = [];

    private int $count = 0;

    /** @throws UnreadableFile where there are too many, too deep, or too long a text */
    public function add(int $depth, string $title, string $caption = '', string $note = ''): TopicDraft
    {
        if (++$this->count > Bounds::MOST_TOPICS) {
            throw new UnreadableFile('This file has more than 20,000 topics, more than a map can take in.');
        }
        $draft = new TopicDraft($this->bounded('title', $title), $this->bounded('caption', $caption), $this->bounded('note', $note));
        while ($this->trail !== [] && $this->trail[count($this->trail) - 1]['depth'] >= $depth) {
            array_pop($this->trail);
        }
        if ($this->trail === []) {
            $this->tops[] = $draft;
        } else {
            $this->trail[count($this->trail) - 1]['draft']->children[] = $draft;
        }
        $this->trail[] = ['depth' => $depth, 'draft' => $draft];
        if (count($this->trail) > Bounds::DEEPEST) {
            throw new UnreadableFile('This file is nested more than 1,000 levels deep.');
        }

        return $draft;
    }

    public function isEmpty(): bool
    {
        return $this->tops === [];
    }

    /** A single top becomes the root; several hang below a root with the title given (inline Markdown). */
    public function map(string $title): TopicMap
    {
        if ($this->tops === []) {
            throw new UnreadableFile('No topics were found in this file.');
        }

        return count($this->tops) === 1 ? TiedLines::takeIn(NewMap::from($this->tops[0])) : TiedLines::takeIn(NewMap::from(new TopicDraft($title, children: $this->tops)), false);
    }

    /** @throws UnreadableFile */
    public function bounded(string $key, string $text): string
    {
        if ($text === '') {
            return '';
        }
        try {
            return TextPlaces::bounded([$key => $text])[$key];
        } catch (InvalidEdit $refused) {
            throw new UnreadableFile('Topic '.$this->count.' ('.Wording::excerpt(mb_scrub($text)).'): '.$refused->getMessage());
        }
    }
}
