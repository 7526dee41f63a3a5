<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Arrange\View;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Features;
use ChalkTree\Kind\TopicKind;
use ChalkTree\Kind\Values;
use ChalkTree\Link\Link;
use ChalkTree\Link\SeeAlso;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Rank;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Number\BranchNumbering;
use ChalkTree\Picture\TopicPicture;
use ChalkTree\Sign\TopicStamps;
use ChalkTree\Task\Remark;
use ChalkTree\Task\Task;
use ChalkTree\Text\InlineMarkdown;

/** What was chosen of a map that may leave, as a map of its own in which the topics keep their ids. */
final class Selected
{
    private const PICTURE = '/!\[(?:[^\[\]\\\\]|\\\\.)*+\]\([^()\n]*\)/u';

    private const LINK = '/(?<!!)\[((?:[^\[\]\\\\\n]|\\\\.)*+)\]\([^()\n]*\)/u';

    private const TABLE = '/^[^\n]*\|[^\n]*\n[ \t]*\|?[ \t]*:?-+:?[ \t]*(?:\|[ \t]*:?-+:?[ \t]*)*\|?[ \t]*(?:\n[^\n]*\|[^\n]*)*(?:\n|\z)/mu';

    /** @var array<string, Topic> those that go along, parents first */
    private array $topics = [];

    /**
     * @param  TopicMap  $map  as Outgoing has it
     * @param  string|null  $branch  the topic whose branch is wanted
     * @param  list<string>  $chosen  where only these are wanted, each with what is below it
     * @param  View  $view  how the board is folded, where what is shown is wanted
     * @param  bool  $isText  whether it will be read, so that what is stamped as cut stays behind with what is below it
     */
    public static function of(TopicMap $map, Choices $choices, ?string $branch = null, array $chosen = [], View $view = new View, bool $isText = false): TopicMap
    {
        $selected = new self($map, $choices, $isText && ! $choices->flag('cut'));
        $selected->choose($branch, $chosen, in_array($choices->text('what'), ['shown', 'area'], true) ? $view : new View);

        return $selected->map();
    }

    private function __construct(private readonly TopicMap $map, private readonly Choices $choices, private readonly bool $isWithoutCut)
    {
    }

    /** @param  list<string>  $chosen */
    private function choose(?string $branch, array $chosen, View $view): void
    {
        $root = $branch === null ? $this->map->root() : $this->map->topic($branch);
        $chosen = array_values(array_filter($chosen, $this->map->has(...)));
        $this->topics[$root->id] = $root->with(['parent' => null, 'x' => null, 'y' => null, 'column' => null]);
        if ($chosen !== []) {
            $tops = array_values(array_filter(TopicChoice::tops($this->map, $chosen), fn (Topic $top): bool => $top->id !== $root->id));
            foreach (array_combine(Rank::run(null, null, count($tops)), $tops) as $rank => $top) {
                $this->take($top->with(['parent' => $root->id, 'rank' => $rank, 'x' => null, 'y' => null, 'column' => null]), 1, $view);
            }
            if ($tops !== []) {
                return;
            }
        }
        $this->below($root->id, 0, $view);
        if ($branch === null) {
            foreach ($this->kept($this->map->loose()) as $loose) {
                $this->take($loose, 1, $view);
            }
        }
    }

    private function take(Topic $topic, int $level, View $view): void
    {
        if ($level <= ($this->choices->number('depth') ?? $level)) {
            $this->topics[$topic->id] = $topic;
            $this->below($topic->id, $level, $view);
        }
    }

    private function below(string $id, int $level, View $view): void
    {
        foreach ($this->ordered($this->kept($view->below($this->map, $id))) as $topic) {
            $this->take($topic, $level + 1, $view);
        }
    }

    /**
     * @param  array<string, Topic>  $topics
     * @return array<string, Topic>
     */
    private function kept(array $topics): array
    {
        return $this->isWithoutCut ? array_filter($topics, fn (Topic $topic): bool => ! TopicStamps::isCut($this->map, $topic->id)) : $topics;
    }

    /**
     * @param  array<string, Topic>  $siblings
     * @return array<array-key, Topic>
     */
    private function ordered(array $siblings): array
    {
        $order = $this->choices->text('order');
        if ($order === '' || count($siblings) < 2) {
            return $siblings;
        }
        $ordered = array_values($siblings);
        if ($order === 'reversed') {
            $ordered = array_reverse($ordered);
        } else {
            $titles = array_map(fn (Topic $topic): string => mb_strtolower(InlineMarkdown::oneLine($topic->title)), $ordered);
            array_multisort($titles, SORT_NATURAL, array_keys($titles), $ordered);
        }

        return array_map(fn (Topic $topic, string $rank): Topic => $topic->with(['rank' => $rank]), $ordered, Rank::run(null, null, count($ordered)));
    }

    private function map(): TopicMap
    {
        $words = $this->words();
        $made = new TopicMap;
        $sheet = $this->map->sheet();
        $root = (string) array_key_first($this->topics);
        $made->put(new Sheet($root === $sheet->root ? $sheet->title : null, $root, $sheet->arrangement));
        $made->fill(array_map(fn (Topic $topic): Topic => $this->dressed($topic, $words[$topic->id] ?? []), array_values($this->topics)));
        foreach ($this->map->living() as $row) {
            if ($made->isLiving($row) && $this->wants($row)) {
                $made->put($row);
            }
        }
        if ($this->choices->flag('numbered')) {
            $made->put(BranchNumbering::fromFields($root, ['style' => '1.1*']));
        }

        return $made;
    }

    private function wants(FeatureRow $row): bool
    {
        return match (true) {
            $row instanceof TopicPicture => ! $this->choices->flag('noPictures'),
            $row instanceof Link, $row instanceof SeeAlso => ! $this->choices->flag('noLinks'),
            $row instanceof BranchNumbering => ! $this->choices->flag('numbered'),
            $row instanceof Values, $row instanceof TopicKind, $row instanceof Task, $row instanceof Remark => ! $this->choices->flag('noFacts'),
            default => ! $row instanceof Choices,
        };
    }

    /** @param  list<string>  $words */
    private function dressed(Topic $topic, array $words): Topic
    {
        $title = $this->text($topic->title).($words === [] ? '' : ' *('.InlineMarkdown::escape(implode(', ', $words)).')*');
        $caption = $this->choices->flag('noCaptions') ? '' : $topic->caption;
        $note = $this->choices->flag('noNotes') ? '' : $this->text($topic->note);
        if ($this->choices->flag('noTables') && str_contains($note, '|')) {
            $note = trim((string) preg_replace([self::TABLE, '/\n{3,}/'], ['', "\n\n"], $note));
        }

        return $title === $topic->title && $caption === $topic->caption && $note === $topic->note ? $topic : $topic->with(['title' => $title, 'caption' => $caption, 'note' => $note]);
    }

    private function text(string $text): string
    {
        if (! str_contains($text, '](')) {
            return $text;
        }
        $text = $this->choices->flag('noPictures') ? (string) preg_replace(self::PICTURE, '', $text) : $text;

        return $this->choices->flag('noLinks') ? (string) preg_replace(self::LINK, '$1', $text) : $text;
    }

    /** @return array<string, list<string>> what signs say, by topic */
    private function words(): array
    {
        $words = [];
        foreach (Features::all() as $feature) {
            foreach ($feature instanceof SaysInWords ? $feature->inWords($this->map) : [] as $choice => $said) {
                foreach ($this->choices->flag($choice) ? $said : [] as $topic => $its) {
                    $words[$topic] = [...$words[$topic] ?? [], ...$its];
                }
            }
        }

        return $words;
    }
}
