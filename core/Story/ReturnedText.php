<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Document\BlockMarkdown;
use ChalkTree\Document\PandocReader;
use ChalkTree\Document\Style;
use ChalkTree\Exchange\UnreadableFile;

/**
 * A manuscript that comes back from an editor: its paragraphs as they read with all changes taken over, with whoever changed
 * or remarked on them. What is no text of scenes (titles, title page, what stands between scenes) is passed over.
 *
 * @phpstan-type Remark array{who: string, text: string}
 * @phpstan-type Given array{text: string, who: list<string>, remarks: list<Remark>}
 */
final class ReturnedText
{
    private const BREAK = '/^(?:#|\\\\#|[·•∙](?:\s*[·•∙])*|(?:\\\\?\*\s*)+|⁂|-{3,}|~+)$/u';

    private const MOST = 50_000;

    /** @var list<Given> */
    public array $paragraphs = [];

    /** @var Given what is waited with, since its end was struck out and the next goes on there */
    private array $open = ['text' => '', 'who' => [], 'remarks' => []];

    private function __construct()
    {
    }

    /**
     * @param  string  $json  as pandoc writes it with all tracked changes
     *
     * @throws UnreadableFile
     */
    public static function read(string $json): self
    {
        $data = json_decode($json, true, 1_000);
        if (! is_array($data) || ! is_array($data['blocks'] ?? null)) {
            throw new UnreadableFile('This document cannot be read.');
        }
        $text = new self;
        $text->blocks($data['blocks'], '');
        $text->close();

        return $text;
    }

    /** @param  array<mixed>  $blocks */
    private function blocks(array $blocks, string $style): void
    {
        foreach ($blocks as $block) {
            $type = is_array($block) ? $block['t'] ?? '' : '';
            $c = is_array($block) ? $block['c'] ?? null : null;
            if ($type === 'Div' && is_array($c)) {
                $this->blocks(is_array($c[1] ?? null) ? $c[1] : [], self::style($c[0] ?? null) ?? $style);
            } elseif (is_array($block) && ! in_array($type, ['Header', 'HorizontalRule', 'Null', 'RawBlock'], true)
                && ! in_array(Style::called($style), [Style::TitlePage, Style::SceneBreak], true) && ! in_array($style, ['Title', 'Subtitle', 'Author', 'Date'], true)) {
                $level = Style::called($style)?->level();
                $this->paragraph($level !== null && $type === 'Para' ? ['t' => 'Header', 'c' => [$level, ['', [], []], $c]] : $block);
            }
        }
    }

    /** @param  mixed  $attributes  of a Div */
    private static function style(mixed $attributes): ?string
    {
        foreach (is_array($attributes) && is_array($attributes[2] ?? null) ? $attributes[2] : [] as $pair) {
            if (is_array($pair) && ($pair[0] ?? '') === 'custom-style' && is_string($pair[1] ?? null)) {
                return $pair[1];
            }
        }

        return null;
    }

    /** @param  array<mixed>  $block */
    private function paragraph(array $block): void
    {
        if (count($this->paragraphs) >= self::MOST) {
            return;
        }
        $goesOn = false;
        $clean = $this->clean($block, $goesOn);
        $document = PandocReader::read(json_encode(['pandoc-api-version' => [1, 23], 'meta' => (object) [], 'blocks' => [$clean]], JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE, 2_000));
        $this->open['text'] = trim("{$this->open['text']} ".trim(BlockMarkdown::write($document->blocks)));
        if (! $goesOn) {
            $this->close();
        }
    }

    private function close(): void
    {
        ['text' => $text, 'who' => $who, 'remarks' => $remarks] = $this->open;
        $this->open = ['text' => '', 'who' => [], 'remarks' => []];
        if (trim($text) !== '' && preg_match(self::BREAK, trim($text)) !== 1) {
            $this->paragraphs[] = ['text' => trim($text), 'who' => array_values(array_unique($who)), 'remarks' => $remarks];
        } elseif ($remarks !== [] && $this->paragraphs !== []) {
            // A remark on what is no text goes to what stands before it.
            array_push($this->paragraphs[array_key_last($this->paragraphs)]['remarks'], ...$remarks);
        }
    }

    /**
     * The same with all changes taken over, without remarks.
     *
     * @param  array<mixed>  $node
     * @return array<mixed>
     */
    private function clean(array $node, bool &$goesOn): array
    {
        $kept = [];
        foreach ($node as $key => $one) {
            if (! is_array($one)) {
                $kept[$key] = $one;

                continue;
            }
            $classes = ($one['t'] ?? '') === 'Span' && is_array($one['c'][0][1] ?? null) ? $one['c'][0][1] : [];
            $change = array_values(array_intersect(['insertion', 'deletion', 'paragraph-insertion', 'paragraph-deletion', 'comment-start', 'comment-end'], $classes))[0] ?? null;
            if ($change === null) {
                $cleaned = $this->clean($one, $goesOn);
                $kept[$key] = $cleaned;

                continue;
            }
            $inner = is_array($one['c'][1] ?? null) ? $one['c'][1] : [];
            $who = self::author($one['c'][0] ?? null);
            if ($change === 'comment-start') {
                $text = trim(self::plain($inner));
                $this->open['remarks'] = $text === '' ? $this->open['remarks'] : [...$this->open['remarks'], ['who' => $who, 'text' => mb_substr($text, 0, 5_000)]];
            } elseif ($change !== 'comment-end' && $who !== '') {
                $this->open['who'][] = $who;
            }
            $goesOn = $goesOn || $change === 'paragraph-deletion';
            if ($change === 'insertion') {
                array_push($kept, ...array_values($this->clean($inner, $goesOn)));
            }
        }

        return array_is_list($node) ? array_values($kept) : $kept;
    }

    private static function author(mixed $attributes): string
    {
        foreach (is_array($attributes) && is_array($attributes[2] ?? null) ? $attributes[2] : [] as $pair) {
            if (is_array($pair) && ($pair[0] ?? '') === 'author' && is_string($pair[1] ?? null)) {
                return mb_substr($pair[1], 0, 100);
            }
        }

        return '';
    }

    /** @param  array<mixed>  $inlines */
    private static function plain(array $inlines): string
    {
        $text = '';
        array_walk_recursive($inlines, function (mixed $value, int|string $key) use (&$text): void {
            if ($key === 'c' && is_string($value)) {
                $text .= $value;
            } elseif ($key === 't' && in_array($value, ['Space', 'SoftBreak', 'LineBreak', 'Para'], true)) {
                $text .= ' ';
            }
        });

        return $text;
    }
}
