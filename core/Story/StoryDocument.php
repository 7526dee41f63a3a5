<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Ask\Moment;
use ChalkTree\Document\Block;
use ChalkTree\Document\BlockMarkdown;
use ChalkTree\Document\Document;
use ChalkTree\Document\Grid;
use ChalkTree\Document\Heading;
use ChalkTree\Document\Inline;
use ChalkTree\Document\NoteBlocks;
use ChalkTree\Document\Paragraph;
use ChalkTree\Document\Style;
use ChalkTree\Document\Styled;
use ChalkTree\Document\Words;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\DocumentPlace;
use ChalkTree\HandOver\MapDocument;
use ChalkTree\Kind\Fields;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\Kinds;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;
use ChalkTree\Text\WordCount;

/**
 * A map as the text that it is written for: its chapters with the text of their scenes and nothing else, or what is said of
 * it, as a synopsis, a list of the cast, a table of scenes.
 */
final readonly class StoryDocument
{
    /** In the look in which publishers read; in that of a book; what is said of it. */
    public const FORMS = Choices::FORMS;

    /** What stands between two scenes. */
    private const BREAKS = ['manuscript' => '#', 'book' => '· · ·'];

    /** Columns of the table of scenes, by the words of fields. */
    private const COLUMNS = ['viewpoint', 'place', 'story-day', 'in-scene', 'happens', 'changes', 'threads'];

    private Story $story;

    private function __construct(private TopicMap $map, private string $form, private string $today)
    {
        $this->story = Story::of($map, $map->sheet()->root);
    }

    /**
     * @param  TopicMap  $map  as Selected has it
     * @param  string  $form  one of FORMS
     * @param  string  $author  empty where nobody is named
     */
    public static function of(TopicMap $map, string $form, string $author, string $language, string $today): Document
    {
        $its = new self($map, $form, $today);
        $blocks = match ($form) {
            'synopsis' => $its->synopsis(),
            'cast' => $its->cast(),
            'scenes' => $its->scenes(),
            default => $its->text(),
        };

        return new Document($its->title(), $blocks, $language, author: in_array($form, ['manuscript', 'book'], true) ? $author : '');
    }

    /** The same as Markdown. */
    public static function markdown(Document $document): string
    {
        $title = BlockMarkdown::line($document->title);
        $author = $document->author === '' ? '' : InlineMarkdown::escape($document->author)."\n\n";

        return "# {$title}\n\n{$author}".BlockMarkdown::write(array_map(fn (Block $block): Block => $block instanceof Heading ? new Heading(min(6, $block->level + 1), $block->text, '', $block->isAlone) : $block, $document->blocks))."\n";
    }

    /** @return list<Inline> */
    private function title(): array
    {
        $title = $this->inline($this->map->root()->title);

        return match ($this->form) {
            'synopsis' => [...$title, Words::plain(': synopsis')],
            'cast' => [...$title, Words::plain(': who is in it')],
            'scenes' => [...$title, Words::plain(': its scenes')],
            default => $title,
        };
    }

    /** @return list<Inline> */
    private function inline(string $title): array
    {
        $runs = InlineMarkdown::runs($title);

        return $runs === [] ? [Words::plain(MapDocument::UNTITLED, Run::ITALIC)] : array_map(fn (Run $run): Inline => new Words($run), $runs);
    }

    /** @return list<Block> */
    private function text(): array
    {
        $root = $this->map->root();
        $blocks = [];
        $front = $root->caption === '' ? [] : [$root->caption];
        if ($this->form === 'manuscript') {
            $front[] = 'About '.number_format(self::about($this->words())).' words';
        }
        foreach ($front as $line) {
            $blocks[] = new Styled(Style::TitlePage, [new Paragraph([Words::plain($line)])]);
        }
        if ($root->note !== '') {
            array_push($blocks, ...$this->section($root->note));
        }
        $heading = [];
        $chapter = null;
        $isFirst = true;
        foreach ($this->story->scenes as $scene) {
            if ($scene->chapter !== $chapter && $scene->chapter !== null) {
                $chapter = $scene->chapter;
                $own = $chapter === $scene->topic ? [] : $this->section($this->map->topic($chapter)->note);
                $heading = [new Heading(1, $this->inline($this->map->topic($chapter)->title), DocumentPlace::anchor($chapter)), ...$own];
                $isFirst = $own === [];
                if (! $isFirst) {
                    array_push($blocks, ...$heading);
                    $heading = [];
                }
            }
            $its = array_merge(...array_map(fn (string $topic): array => $this->paragraphs($this->map->topic($topic)->note), $this->told($scene->topic)));
            if ($its === []) {
                continue;
            }
            // A chapter in which nothing is written yet has no page.
            array_push($blocks, ...$heading, ...($isFirst ? [] : [new Styled(Style::SceneBreak, [new Paragraph([Words::plain(self::BREAKS[$this->form] ?? '#')])])]), ...self::styled($its));
            $heading = [];
            $isFirst = false;
        }

        return $blocks;
    }

    /** @return list<string> a scene and what is below it, in the order in which it is read */
    private function told(string $scene): array
    {
        return array_map(strval(...), array_keys($this->map->branch($scene)));
    }

    /** @return list<Block> */
    private function section(string $note): array
    {
        return self::styled($this->paragraphs($note));
    }

    /** @return list<Block> */
    private function paragraphs(string $note): array
    {
        return MapDocument::lowered(NoteBlocks::read($note));
    }

    /**
     * The first paragraph is not indented.
     *
     * @param  list<Block>  $blocks
     * @return list<Block>
     */
    private static function styled(array $blocks): array
    {
        return $blocks === [] ? [] : [
            new Styled(Style::SceneBegin, [$blocks[0]]),
            ...(count($blocks) > 1 ? [new Styled(Style::SceneText, array_slice($blocks, 1))] : []),
        ];
    }

    private function words(): int
    {
        $topics = array_unique([...array_map(strval(...), array_keys($this->story->chapters)), ...array_merge(...array_map(fn (StoryScene $scene): array => $this->told($scene->topic), $this->story->scenes))]);

        return array_sum(array_map(fn (string $topic): int => WordCount::of($this->map->topic($topic)->note), $topics));
    }

    /** As publishers have it: to the nearest hundred, of little text to the nearest ten. */
    private static function about(int $words): int
    {
        return $words < 1_000 ? (int) round($words, -1) : (int) round($words, -2);
    }

    /** @return list<Block> */
    private function synopsis(): array
    {
        $root = $this->map->root();
        $blocks = $root->caption === '' ? [] : [new Styled(Style::Caption, [new Paragraph([Words::plain($root->caption)])])];
        $chapter = null;
        foreach ($this->story->scenes as $scene) {
            if ($scene->chapter !== $chapter && $scene->chapter !== null) {
                $chapter = $scene->chapter;
                $caption = $this->map->topic($chapter)->caption;
                $blocks[] = new Heading(1, $this->inline($this->map->topic($chapter)->title));
                array_push($blocks, ...($caption === '' || $chapter === $scene->topic ? [] : [new Paragraph([Words::plain($caption, Run::ITALIC)])]));
            }
            $happens = Kinds::values($this->map, $scene->topic)[ShippedKinds::fieldId('happens')] ?? '';
            // What a writer says of a scene in short; else what happens in it.
            $said = trim($this->map->topic($scene->topic)->caption) !== '' ? $this->map->topic($scene->topic)->caption : $happens;
            array_push($blocks, ...($said === '' ? [] : [new Paragraph([Words::plain($said)])]));
        }

        return $blocks;
    }

    /** @return list<Block> */
    private function cast(): array
    {
        $now = new Moment($this->map, $this->today);
        $blocks = [];
        foreach (Cast::KINDS as $kind) {
            $members = Cast::of($this->map)->ofKind($kind);
            if ($members === []) {
                continue;
            }
            $blocks[] = new Heading(1, [Words::plain(['character' => 'People', 'place' => 'Places', 'object' => 'Objects', 'source' => 'Sources'][$kind])]);
            foreach ($members as $member) {
                $topic = $this->map->topic($member->topic);
                $blocks[] = new Heading(2, $this->inline($topic->title));
                array_push($blocks, ...($topic->caption === '' ? [] : [new Styled(Style::Caption, [new Paragraph([Words::plain($topic->caption)])])]));
                foreach (Kinds::fieldsOf($this->map, $member->topic) as $field) {
                    $told = Fields::told($now, $member->topic, $field);
                    if ($told !== null && ! $told[1]) {
                        $blocks[] = new Paragraph([Words::plain("{$field->text('name')}: ", Run::BOLD), Words::plain($told[0])]);
                    }
                }
                array_push($blocks, ...$this->paragraphs($topic->note));
            }
        }

        return $blocks;
    }

    /** @return list<Block> */
    private function scenes(): array
    {
        $now = new Moment($this->map, $this->today);
        $fields = array_values(array_filter(array_map(fn (string $word) => $this->map->row(KindField::type(), ShippedKinds::fieldId($word)), self::COLUMNS), fn ($field): bool => $field instanceof KindField));
        $rows = array_map(fn (StoryScene $scene): array => [
            [Words::plain($this->story->chapters[$scene->chapter ?? ''] ?? '')], $this->inline($this->map->topic($scene->topic)->title),
            ...array_map(fn ($field): array => [Words::plain(Fields::told($now, $scene->topic, $field)[0] ?? '')], $fields),
            [Words::plain(number_format(array_sum(array_map(fn (string $topic): int => WordCount::of($this->map->topic($topic)->note), $scene->texts))))],
        ], $this->story->scenes);
        $head = [[Words::plain('Chapter')], [Words::plain('Scene')], ...array_map(fn ($field): array => [Words::plain($field->text('name'))], $fields), [Words::plain('Words')]];

        return $rows === [] ? [] : [new Grid([...array_fill(0, count($head) - 1, 'left'), 'right'], $head, $rows)];
    }
}
