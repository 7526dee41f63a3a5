<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Document\Block;
use ChalkTree\Document\Document;
use ChalkTree\Document\Footnote;
use ChalkTree\Document\Heading;
use ChalkTree\Document\Image;
use ChalkTree\Document\Inline;
use ChalkTree\Document\Listing;
use ChalkTree\Document\NoteBlocks;
use ChalkTree\Document\Paragraph;
use ChalkTree\Document\Quote;
use ChalkTree\Document\Style;
use ChalkTree\Document\Styled;
use ChalkTree\Document\Words;
use ChalkTree\Features;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Number\Numbers;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;

/**
 * A map as a document: the root is its title, topics are headings down to a level that can be chosen and lists below it,
 * with their captions, pictures, notes, links where they belong.
 */
final class MapDocument
{
    /** The title of a topic that has none; the sign that nobody sees tells it from one that is called so. */
    public const UNTITLED = "Untitled\u{2060}";

    /** The picture of the whole map, which whoever makes the file has. */
    public const DRAWING = 'drawing-of-the-map';

    /** @var array<string, array{list<Block>, list<Block>}> what features have around notes, by topic */
    private array $parts = [];

    /** @var array<string, string> */
    private array $numbers;

    private function __construct(private readonly TopicMap $map, private readonly Choices $choices, string $application, private readonly ?int $drawing)
    {
        $this->numbers = Numbers::of($map);
        $place = new DocumentPlace($map, $application);
        foreach (self::features() as $feature) {
            foreach ($feature->inDocument($map, $place) as $topic => [$before, $after]) {
                $known = $this->parts[$topic] ?? [[], []];
                $this->parts[$topic] = [[...$known[0], ...$before], [...$known[1], ...$after]];
            }
        }
    }

    /**
     * @param  TopicMap  $map  as Selected has it
     * @param  string  $application  see DocumentPlace
     * @param  string  $language  as BCP 47 names it
     * @param  int|null  $drawing  how wide the drawing at the front is, pixels at 96 to the inch
     */
    public static function of(TopicMap $map, Choices $choices, string $application = '', string $language = 'en', ?int $drawing = null): Document
    {
        return (new self($map, $choices, $application, $drawing))->document($language);
    }

    private function document(string $language): Document
    {
        $root = $this->map->root();
        $blocks = $this->choices->flag('drawing') ? [new Styled(Style::Drawing, [new Paragraph([new Image(self::DRAWING, 'Drawing of the map', $this->drawing)])])] : [];
        array_push($blocks, ...$this->body($root));
        array_push($blocks, ...$this->below(array_values($this->map->children($root->id)), 1));
        array_push($blocks, ...$this->below(array_values($this->map->loose()), 1));
        foreach (self::features() as $feature) {
            array_push($blocks, ...$feature->atEnd($this->map, $this->choices));
        }

        return new Document($this->title($root), $blocks, $language);
    }

    /**
     * @param  list<Topic>  $topics
     * @return list<Block>
     */
    private function below(array $topics, int $level): array
    {
        if ($topics === []) {
            return [];
        }
        if ($level > $this->choices->headings()) {
            return [new Listing(array_map(fn (Topic $topic): array => [
                new Styled(Style::Topic, [new Paragraph($this->title($topic), DocumentPlace::anchor($topic->id))]),
                ...$this->body($topic),
                ...$this->below(array_values($this->map->children($topic->id)), $level + 1),
            ], $topics))];
        }
        $blocks = [];
        foreach ($topics as $topic) {
            $its = [...$this->body($topic), ...$this->below(array_values($this->map->children($topic->id)), $level + 1)];
            $blocks[] = new Heading($level, $this->title($topic), DocumentPlace::anchor($topic->id), $its === []);
            array_push($blocks, ...$its);
        }

        return $blocks;
    }

    /** @return list<Inline> */
    private function title(Topic $topic): array
    {
        $title = array_map(fn (Run $run): Inline => new Words($run), InlineMarkdown::runs($topic->title));
        if ($title === []) {
            $title = [Words::plain(self::UNTITLED, Run::ITALIC)];
        }
        $number = $this->numbers[$topic->id] ?? '';
        $note = $this->choices->flag('footnotes') && $topic->caption !== '' && $topic->parent !== null ? [new Footnote([Words::plain($topic->caption)])] : [];

        return [...($number === '' ? [] : [Words::plain("{$number} ")]), ...$title, ...$note];
    }

    /** @return list<Block> */
    private function body(Topic $topic): array
    {
        [$before, $after] = $this->parts[$topic->id] ?? [[], []];
        $note = self::lowered(NoteBlocks::read($topic->note));

        return [
            ...($topic->caption !== '' && ($topic->parent === null || ! $this->choices->flag('footnotes')) ? [new Styled(Style::Caption, [new Paragraph([Words::plain($topic->caption)])])] : []),
            ...$before,
            ...($note === [] ? [] : [new Styled(Style::Note, $note)]),
            ...$after,
        ];
    }

    /**
     * Headings within a note are no topics.
     *
     * @param  list<Block>  $blocks
     * @return list<Block>
     */
    public static function lowered(array $blocks): array
    {
        return array_map(self::low(...), $blocks);
    }

    private static function low(Block $block): Block
    {
        return match (true) {
            $block instanceof Heading => new Styled(Style::ofHeading($block->level), [new Paragraph($block->text)]),
            $block instanceof Quote => new Quote(self::lowered($block->blocks)),
            $block instanceof Listing => new Listing(array_map(self::lowered(...), $block->items), $block->from),
            default => $block,
        };
    }

    /** @return list<PutsInDocuments> */
    private static function features(): array
    {
        return array_values(array_filter(Features::all(), fn (object $feature): bool => $feature instanceof PutsInDocuments));
    }
}
