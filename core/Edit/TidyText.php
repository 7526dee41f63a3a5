<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;
use ChalkTree\Text\Slices;

/** Tidies the text of topics: superfluous spaces and empty lines, or the case of letters. Formatting stays. */
final readonly class TidyText implements Edit
{
    private const WAYS = ['spaces', 'lower', 'upper', 'words', 'begin'];

    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private string $way, private bool $deep)
    {
    }

    public static function name(): string
    {
        return 'text.tidy';
    }

    /** "way": spaces; or as to case: lower, upper, words (each word with a capital), begin (the first letter). */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->oneOf('way', self::WAYS), $arguments->flag('deep'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach (TopicChoice::reach($map, $this->topics, $this->deep) as $topic) {
            $recorder->put($topic->with($this->way === 'spaces'
                ? ['title' => self::spaced($topic->title), 'caption' => self::spaced($topic->caption), 'note' => self::spacedNote($topic->note)]
                : ['title' => $this->cased($topic->title)]));
        }
    }

    private static function spaced(string $text): string
    {
        $lines = array_map(fn (string $line): string => trim((string) preg_replace('/[^\S\n]+/u', ' ', $line)), explode("\n", $text));

        return implode("\n", array_filter($lines, fn (string $line): bool => $line !== ''));
    }

    /** Of a note only empty lines beyond one: spaces mean something in Markdown. */
    private static function spacedNote(string $note): string
    {
        return trim((string) preg_replace('/\n[^\S\n]*(?:\n[^\S\n]*)+\n/u', "\n\n", $note), "\n");
    }

    private function cased(string $title): string
    {
        $runs = [];
        $began = false;
        foreach (InlineMarkdown::runs($title) as $run) {
            $text = match ($this->way) {
                'lower' => mb_strtolower($run->text),
                'upper' => mb_strtoupper($run->text),
                // Not mb_convert_case, which would take the capitals inside words away and begin anew after an apostrophe.
                'words' => (string) preg_replace_callback('/(?<![\p{L}\p{M}\p{N}\'’])\p{Ll}/u', fn (array $m): string => mb_strtoupper($m[0]), $run->text),
                default => $began ? $run->text : (string) preg_replace_callback('/\A(\P{L}*)(\p{Ll})/u', fn (array $m): string => $m[1].mb_strtoupper($m[2]), $run->text),
            };
            $began = $began || preg_match('/\p{L}/u', $run->text) === 1;
            $runs[] = new Run($text, $run->marks, $run->href);
        }

        return InlineMarkdown::plain($title) === implode('', array_map(fn (Run $run): string => $run->text, $runs)) ? $title : InlineMarkdown::write(Slices::joined($runs));
    }

    public function sentence(TopicMap $map): string
    {
        return ($this->way === 'spaces' ? 'Tidied the spaces of ' : 'Changed the case of ').Wording::several(TopicChoice::titles($map, $this->topics)).($this->deep ? ' and all below' : '');
    }
}
