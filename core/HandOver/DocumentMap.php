<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Document\Block;
use ChalkTree\Document\BlockMarkdown;
use ChalkTree\Document\CodeText;
use ChalkTree\Document\Document;
use ChalkTree\Document\Grid;
use ChalkTree\Document\Heading;
use ChalkTree\Document\Image;
use ChalkTree\Document\Inline;
use ChalkTree\Document\Listing;
use ChalkTree\Document\Paragraph;
use ChalkTree\Document\Quote;
use ChalkTree\Document\Rule;
use ChalkTree\Document\Style;
use ChalkTree\Document\Styled;
use ChalkTree\Document\Words;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\TiedLines;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Features;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;

/**
 * A map of a document: headings and lists become levels, what stands below them notes, and what is in our own styles what
 * it was.
 */
final class DocumentMap
{
    private readonly TopicDraft $root;

    /** @var list<array{int, TopicDraft}> the headings one is within, with their levels; the root first */
    private array $open;

    /** @var array<string, list<Block>> what belongs in the notes of topics, by their ids */
    private array $notes = [];

    /** @var list<array{Block, string}> what may say something of a topic */
    private array $said = [];

    private int $count = 1;

    private function __construct(private readonly Document $document, string $title)
    {
        $own = self::title($document->title);
        $this->root = new TopicDraft($own === '' ? $title : $own, id: Ids::next());
        $this->open = [[0, $this->root]];
    }

    /**
     * @param  string  $title  of the root where the document has none
     *
     * @throws UnreadableFile
     */
    public static function of(Document $document, string $title): TopicMap
    {
        $made = new self($document, $title);
        $made->take($document->blocks);

        return $made->map();
    }

    /** @param  list<Block>  $blocks */
    private function take(array $blocks): void
    {
        foreach ($blocks as $block) {
            $here = $this->open[count($this->open) - 1][1];
            if ($block instanceof Heading) {
                while ($this->open[count($this->open) - 1][0] >= $block->level) {
                    array_pop($this->open);
                }
                $this->open[] = [$block->level, $this->topic($this->open[count($this->open) - 1][1], $block->text)];
            } elseif ($block instanceof Listing && $this->isOfTopics($block)) {
                $this->items($block, $here);
            } else {
                $this->belonging($block, $here);
            }
        }
    }

    private function items(Listing $list, TopicDraft $above): void
    {
        // A list before the first topic is in the note of the one above.
        if ($this->document->isOurs && $above->children === [] && ! self::isTopic($list->items[0][0] ?? null)) {
            $this->notes[(string) $above->id][] = new Listing(array_map(self::bare(...), $list->items), $list->from);

            return;
        }
        foreach ($list->items as $blocks) {
            $first = $blocks[0] ?? null;
            $isTopic = $first instanceof Styled && $first->style === Style::Topic;
            // Word processors know no item of several paragraphs: what belongs to one comes as another item without a title.
            $goesOn = $this->document->isOurs && ! $isTopic && $above->children !== [];
            $title = $isTopic ? $first->blocks[0] ?? null : $first;
            $hasTitle = ! $goesOn && $title instanceof Paragraph;
            $topic = $goesOn ? $above->children[count($above->children) - 1] : $this->topic($above, $title instanceof Paragraph ? $title->text : []);
            foreach ($hasTitle || $isTopic ? array_slice($blocks, 1) : $blocks as $block) {
                $block instanceof Listing && $this->isOfTopics($block) ? $this->items($block, $topic) : $this->belonging($block, $topic);
            }
        }
    }

    private static function holdsTopics(Listing $list): bool
    {
        for ($waiting = $list->items; ($blocks = array_pop($waiting)) !== null;) {
            foreach ($blocks as $block) {
                if (self::isTopic($block)) {
                    return true;
                }
                array_push($waiting, ...($block instanceof Listing ? $block->items : []));
            }
        }

        return false;
    }

    private static function isTopic(?Block $block): bool
    {
        return $block instanceof Styled && $block->style === Style::Topic;
    }

    /**
     * Blocks of a note without the style that says so.
     *
     * @param  list<Block>  $blocks
     * @return list<Block>
     */
    private static function bare(array $blocks): array
    {
        $bare = [];
        foreach ($blocks as $block) {
            array_push($bare, ...match (true) {
                $block instanceof Styled && $block->style === Style::Note => self::bare($block->blocks),
                $block instanceof Listing => [new Listing(array_map(self::bare(...), $block->items), $block->from)],
                default => [$block],
            });
        }

        return $bare;
    }

    /** In a document of ours only lists in the style of topics are such, and what goes on after one; in others all lists are levels. */
    private function isOfTopics(Listing $list): bool
    {
        foreach ($this->document->isOurs ? $list->items : [] as $blocks) {
            foreach ($blocks as $i => $block) {
                $goesOn = $block instanceof Styled || $block instanceof Quote || $block instanceof CodeText || $block instanceof Grid || $block instanceof Rule || self::isPicture($block);
                if (($i === 0 && $goesOn) || ($block instanceof Listing && self::holdsTopics($block))) {
                    return true;
                }
            }
        }

        return ! $this->document->isOurs;
    }

    private function belonging(Block $block, TopicDraft $topic): void
    {
        $style = $block instanceof Styled ? $block->style : null;
        if ($style === Style::Caption && $topic->caption === '') {
            $topic->caption = mb_substr(self::plain($block), 0, Bounds::LONGEST_CAPTION);
        } elseif ($style === Style::Note && $block instanceof Styled) {
            $this->notes[(string) $topic->id] = [...$this->notes[(string) $topic->id] ?? [], ...self::bare($block->blocks)];
        } elseif ($style === Style::Link || $style === Style::SeeAlso || $style === Style::Facts || $style === Style::Todo || self::isPicture($block)) {
            $this->said[] = [$block, (string) $topic->id];
        } elseif ($style !== Style::Drawing && $style !== Style::File && $style !== Style::Gathered) {
            $this->notes[(string) $topic->id][] = $block;
        }
    }

    /** Whether it is a picture by itself, which stands in its topic and not in its note. */
    private static function isPicture(Block $block): bool
    {
        return $block instanceof Paragraph && count($block->text) === 1 && $block->text[0] instanceof Image && $block->text[0]->size !== null;
    }

    /** @param  list<Inline>  $title */
    private function topic(TopicDraft $above, array $title): TopicDraft
    {
        if (++$this->count > Bounds::MOST_TOPICS) {
            throw new UnreadableFile('This document has more than 20,000 headings and items, more than a map can take in.');
        }
        $topic = new TopicDraft(self::title($title), id: Ids::next());
        $above->children[] = $topic;

        return $topic;
    }

    private function map(): TopicMap
    {
        $waiting = [[$this->root, 1]];
        while (($next = array_pop($waiting)) !== null) {
            [$topic, $depth] = $next;
            if ($depth > Bounds::DEEPEST) {
                throw new UnreadableFile('This document is nested deeper than 1,000 levels.');
            }
            $topic->note = BlockMarkdown::write($this->notes[(string) $topic->id] ?? []);
            if (mb_strlen($topic->note) > Bounds::LONGEST_NOTE) {
                throw new UnreadableFile('A piece of text in this document is longer than a note can be.');
            }
            foreach ($topic->children as $child) {
                $waiting[] = [$child, $depth + 1];
            }
        }
        $map = NewMap::from($this->root);
        $titles = [];
        foreach ($map->all() as $id => $topic) {
            $titles[InlineMarkdown::oneLine($topic->title)][] = (string) $id;
        }
        foreach ($this->said as [$block, $id]) {
            $rows = $this->rows($block, $id, $titles);
            $rest = array_values(array_filter($rows, fn (FeatureRow $row): bool => ! $row::isOfTopic() || $map->row($row::type(), $id) === null));
            $rest = TiedLines::hasRoom($map, $rest) ? $rest : [];
            array_map($map->put(...), $rest);
            if ($rest === [] && ! $block instanceof Styled) {
                // A second picture stands in the note.
                $topic = $map->topic($id);
                $map->put($topic->with(['note' => trim($topic->note."\n\n".BlockMarkdown::write([$block]))]));
            }
        }

        return $map;
    }

    /**
     * @param  array<string, list<string>>  $titles
     * @return list<FeatureRow>
     */
    private function rows(Block $block, string $topic, array $titles): array
    {
        foreach (Features::all() as $feature) {
            $rows = $feature instanceof PutsInDocuments ? $feature->fromDocument($block, $topic, $titles) : [];
            if ($rows !== []) {
                return $rows;
            }
        }

        return [];
    }

    /**
     * Inline Markdown of a title; pictures and formulas in it are told by their words.
     *
     * @param  list<Inline>  $line
     */
    private static function title(array $line): string
    {
        $runs = [];
        foreach ($line as $one) {
            if ($one instanceof Words) {
                $runs[] = $one->run;
            } elseif ($one instanceof Image && $one->about !== '') {
                $runs[] = new Run($one->about);
            }
        }
        $title = InlineMarkdown::write($runs);

        return str_contains($title, MapDocument::UNTITLED) ? '' : mb_substr(trim($title), 0, Bounds::LONGEST_TITLE);
    }

    private static function plain(Block $block): string
    {
        $text = '';
        foreach ($block instanceof Styled ? $block->blocks : [$block] as $one) {
            foreach ($one instanceof Paragraph ? $one->text : [] as $word) {
                $text .= $word instanceof Words ? $word->run->text : '';
            }
        }

        return trim($text);
    }
}
