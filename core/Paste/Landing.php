<?php

declare(strict_types=1);

namespace ChalkTree\Paste;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\TextPlaces;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Bounds;
use ChalkTree\Text\InlineMarkdown;

/** What becomes of the lines of a clip: topics in one of three ways, or text for a note or a caption. */
final readonly class Landing
{
    /** @param  non-empty-list<array{level: int, text: string, gap: bool, note: string}>  $lines */
    private function __construct(private array $lines, private ?string $source)
    {
    }

    /** "lines" with level, text, gap where a paragraph begins, and a note that goes along; "source", the address it comes from. */
    public static function read(Arguments $arguments): self
    {
        $lines = [];
        foreach ($arguments->nestedList('lines') as $line) {
            $text = trim($line->title('text'));
            $level = $line->int('level', 0, 1000);
            $gap = $line->flag('gap');
            $note = $line->has('note') ? $line->note() : '';
            $line->refuseRest();
            if (trim(InlineMarkdown::plain($text)) !== '') {
                $lines[] = ['level' => $level, 'text' => $text, 'gap' => $gap, 'note' => $note];
            }
        }
        $source = $arguments->has('source') ? Clip::read('', source: $arguments->string('source'))->source : null;
        if (count($lines) > Bounds::MOST_TOPICS) {
            throw $arguments->wrong('lines', 'One paste adds at most 20,000 topics.');
        }

        return $lines === [] ? throw $arguments->wrong('lines', 'There is no text here to land.') : new self($lines, $source);
    }

    /**
     * @param  string  $as  "branches", "paragraphs" (one topic each) or "one"
     * @return non-empty-list<TopicDraft>
     */
    public function topics(string $as): array
    {
        $tops = match ($as) {
            'paragraphs' => $this->paragraphs(),
            'one' => [new TopicDraft(implode("\n", array_column($this->lines, 'text')), note: $this->notes($this->lines))],
            default => $this->branches(),
        };
        $this->keepSource($tops[0]);
        foreach ($tops as $top) {
            TextPlaces::bounded(['title' => $top->title, 'note' => $top->note]);
        }

        return $tops;
    }

    /** The lines as Markdown: paragraphs, or a nested list where they have levels. */
    public function note(): string
    {
        $isFlat = max(array_column($this->lines, 'level')) === 0;
        $note = '';
        foreach ($this->lines as $line) {
            $note .= $isFlat ? ($note === '' ? '' : "\n\n").TextPlaces::appended($line['text'], $line['note'])
                : str_repeat('  ', $line['level']).'- '.str_replace("\n", ' ', $line['text'])."\n".($line['note'] === '' ? '' : "\n".preg_replace('/^(?=.)/m', str_repeat('  ', $line['level'] + 1), $line['note'])."\n\n");
        }

        return TextPlaces::appended(rtrim($note), $this->source === null ? '' : "Source: <{$this->source}>");
    }

    public function caption(): string
    {
        return implode(' ', array_map(fn (array $line): string => str_replace("\n", ' ', InlineMarkdown::plain($line['text'])), $this->lines));
    }

    /** @return non-empty-list<TopicDraft> */
    private function branches(): array
    {
        $top = new TopicDraft;
        $trail = [[-1, $top]];
        foreach ($this->lines as ['level' => $level, 'text' => $text, 'note' => $note]) {
            while ($trail[count($trail) - 1][0] >= $level) {
                array_pop($trail);
            }
            $draft = new TopicDraft($text, note: $note);
            $trail[count($trail) - 1][1]->children[] = $draft;
            $trail[] = [$level, $draft];
        }

        return $top->children === [] ? throw new InvalidEdit('There is no text here to land.', 'lines') : $top->children;
    }

    /** @param  list<array{level: int, text: string, gap: bool, note: string}>  $lines */
    private function notes(array $lines): string
    {
        return array_reduce($lines, fn (string $all, array $line): string => TextPlaces::appended($all, $line['note']), '');
    }

    /** @return non-empty-list<TopicDraft> */
    private function paragraphs(): array
    {
        $paragraphs = [];
        $open = new TopicDraft($this->lines[0]['text'], note: $this->lines[0]['note']);
        foreach (array_slice($this->lines, 1) as $line) {
            if ($line['gap']) {
                $paragraphs[] = $open;
                $open = new TopicDraft($line['text'], note: $line['note']);
            } else {
                $open->title .= ' '.$line['text'];
                $open->note = TextPlaces::appended($open->note, $line['note']);
            }
        }

        return [...$paragraphs, $open];
    }

    /** The address becomes a link on the first topic; where that has links or formatting of its own, a line of its note. */
    private function keepSource(TopicDraft $top): void
    {
        if ($this->source === null) {
            return;
        }
        $runs = InlineMarkdown::runs($top->title);
        if (count($runs) === 1 && $runs[0]->marks === 0 && $runs[0]->href === null && ! str_contains($top->title, "\n")) {
            $top->title = "[{$top->title}](<{$this->source}>)";
        } else {
            $top->note = TextPlaces::appended($top->note, "Source: <{$this->source}>");
        }
    }
}
