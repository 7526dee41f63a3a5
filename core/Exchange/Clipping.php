<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Number\Numbers;
use ChalkTree\Text\Address;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;

/** Branches as they go to the clipboard: as text, Markdown and HTML at once, and as drafts that keep everything. */
final readonly class Clipping
{
    /**
     * @param  list<TopicDraft>  $drafts  all that was chosen
     * @param  list<TopicDraft>  $leaving  as much of it as may leave the map
     */
    private function __construct(private array $drafts, private array $leaving)
    {
    }

    /**
     * @param  list<string>  $topics
     * @param  bool  $alone  each without what is below it
     */
    public static function of(TopicMap $map, array $topics, bool $alone): self
    {
        $drafts = self::drafts($map, $topics, $alone);
        $held = Outgoing::held($map);
        $leaving = array_values(array_filter($topics, fn (string $id): bool => ! isset($held[$id])));
        if ($held === [] || $leaving === []) {
            return new self($drafts, $held === [] ? $drafts : []);
        }
        $outgoing = Outgoing::of($map);

        return new self($drafts, self::drafts($outgoing, array_values(array_filter($leaving, $outgoing->has(...))), $alone));
    }

    /**
     * @param  list<string>  $topics
     * @return list<TopicDraft>
     */
    private static function drafts(TopicMap $map, array $topics, bool $alone): array
    {
        return match (true) {
            $topics === [] => [],
            $alone => TopicDraft::alone($map, TopicChoice::inOrder($map, $topics)),
            default => TopicDraft::several($map, array_map(strval(...), array_keys(TopicChoice::tops($map, $topics)))),
        };
    }

    /** @return array{text: string, markdown: string, html: string, topics: list<array<string, mixed>>, leaving: list<array<string, mixed>>|null} "leaving" where less than all may leave */
    public function toArray(): array
    {
        $text = $markdown = $html = '';
        foreach ($this->leaving as $draft) {
            $map = NewMap::from($draft);
            $text .= Formats::write($map, 'txt');
            $markdown .= Formats::write($map, 'md', ['headings' => 0]);
            $html .= $this->html($map);
        }
        $topics = array_map(fn (TopicDraft $draft): array => $draft->toArray(), $this->drafts);
        $leaving = $this->leaving === $this->drafts ? null : array_map(fn (TopicDraft $draft): array => $draft->toArray(), $this->leaving);
        $kept = base64_encode(json_encode($leaving ?? $topics, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR, 4 * Bounds::DEEPEST));

        return ['text' => $text, 'markdown' => $markdown, 'html' => "<ul data-chalk-tree=\"{$kept}\">{$html}</ul>", 'topics' => $topics, 'leaving' => $leaving];
    }

    /** Nested lists, which every editor takes; notes as paragraphs of plain Markdown. */
    private function html(TopicMap $map): string
    {
        $numbers = Numbers::of($map);
        $out = '';
        $open = [];
        foreach ($map->all() as $id => $topic) {
            while ($open !== [] && end($open) !== $topic->parent) {
                array_pop($open);
                $out .= '</ul></li>';
            }
            $out .= '<li>'.(isset($numbers[$id]) ? "{$numbers[$id]} " : '').$this->inline($topic->title)
                .($topic->caption === '' ? '' : '<br><small>'.self::text($topic->caption).'</small>');
            foreach ($topic->note === '' ? [] : (preg_split('/\n{2,}/', trim($topic->note)) ?: []) as $paragraph) {
                $out .= '<p>'.$this->inline($paragraph).'</p>';
            }
            if ($map->children($id) === []) {
                $out .= '</li>';
            } else {
                $out .= '<ul>';
                $open[] = $id;
            }
        }

        return $out.str_repeat('</ul></li>', count($open));
    }

    private function inline(string $markdown): string
    {
        $html = '';
        foreach (InlineMarkdown::runs($markdown) as $run) {
            $part = str_replace("\n", '<br>', self::text($run->text));
            foreach ([Run::CODE => 'code', Run::SUB => 'sub', Run::SUPER => 'sup', Run::STRIKE => 's', Run::UNDERLINE => 'u', Run::ITALIC => 'em', Run::BOLD => 'strong'] as $mark => $tag) {
                $part = $run->marks & $mark ? "<{$tag}>{$part}</{$tag}>" : $part;
            }
            $html .= $run->href !== null && Address::isSafe($run->href) ? '<a href="'.self::text($run->href)."\">{$part}</a>" : $part;
        }

        return $html;
    }

    private static function text(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_HTML5 | ENT_SUBSTITUTE, 'UTF-8');
    }
}
