<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\Arguments;
use ChalkTree\Features;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Text\InlineMarkdown;

/** Whether words stand in the texts of a topic, and in those that features keep of it, whatever their case: {"ask": "text", "has": "lantern", "in": "title"}. */
final readonly class AskText implements LeavesTraces
{
    private const IN = ['all', 'title', 'caption', 'note'];

    private const LONGEST = 200;

    private bool $isPlain;

    private bool $isWord;

    private function __construct(public string $has, private string $in)
    {
        $this->isPlain = preg_match('/^[\x20-\x7e]+$/D', $has) === 1;
        $this->isWord = $this->isPlain && ! str_contains($has, ' ');
    }

    public static function name(): string
    {
        return 'text';
    }

    public static function read(Arguments $from): self
    {
        $has = trim($from->string('has'));
        if ($has === '' || mb_strlen($has) > self::LONGEST) {
            throw $from->wrong('has', 'Name words of 1 to 200 letters.');
        }

        return new self($has, $from->has('in') ? $from->oneOf('in', self::IN) : 'all');
    }

    public function holds(Moment $now, string $topic): bool
    {
        $row = $now->map->find($topic);
        if ($row === null) {
            return false;
        }

        return match ($this->in) {
            'title' => $this->isInTitle($row->title),
            'caption' => $this->isIn($row->caption),
            'note' => $this->isIn($row->note),
            default => $this->isInTitle($row->title) || $this->isIn($row->caption) || $this->isIn($row->note) || $this->isSaidOf($now, $topic),
        };
    }

    /** Whether features keep a text of a topic with these words: what is in fields, remarks, phrases. */
    private function isSaidOf(Moment $now, string $topic): bool
    {
        if (isset($this->saidBeside($now)[$topic])) {
            return true;
        }
        foreach ($this->mayBeOf($now) as $class => $topics) {
            $row = $topics === null || isset($topics[$topic]) ? $now->map->row($class::type(), $topic) : null;
            if ($row instanceof FeatureRow && $this->isInTexts($now, $row)) {
                return true;
            }
        }

        return false;
    }

    private function isInTexts(Moment $now, FeatureRow $row): bool
    {
        foreach ($row->textsIn($now->map) as [$text]) {
            if ($this->isIn($text)) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, true> the topics about which rows are that say it and are not those of one topic alone */
    private function saidBeside(Moment $now): array
    {
        return $now->once("topics beside which is said {$this->has}", function () use ($now): array {
            $topics = [];
            foreach (self::sortsWithTexts() as $class) {
                foreach ($class::isOfTopic() ? [] : $this->mayHave($now, $class) as $row) {
                    $topics += $this->isInTexts($now, $row) ? array_fill_keys($row->topics(), true) : [];
                }
            }

            return $topics;
        });
    }

    /** @return array<class-string<FeatureRow>, array<string, int>|null> sorts of rows of which there is one a topic, with the topics of which one can say it; null for all. Most are passed over as they are written. */
    private function mayBeOf(Moment $now): array
    {
        return $now->once("topics of which may be said {$this->has}", function () use ($now): array {
            $of = [];
            foreach (self::sortsWithTexts() as $class) {
                if ($class::isOfTopic() && $now->map->hasRowsOf($class)) {
                    $of[$class] = $this->isFoundAsWritten() ? array_flip($now->map->rowsNaming($class, $this->has, anyCase: true)) : null;
                }
            }

            return $of;
        });
    }

    /** @return list<class-string<FeatureRow>> */
    private static function sortsWithTexts(): array
    {
        return array_values(array_filter(Features::rows(), fn (string $class): bool => $class::hasTexts() && ! $class::isOfMap()));
    }

    /**
     * The rows of a sort in which the words can stand. Most are passed over as they are written, before they are made.
     *
     * @param  class-string<FeatureRow>  $class
     * @return iterable<FeatureRow>
     */
    private function mayHave(Moment $now, string $class): iterable
    {
        if (! $this->isFoundAsWritten()) {
            return $now->map->rowsOf($class);
        }

        return array_filter(array_map(fn (string $id): ?FeatureRow => ($row = $now->map->row($class::type(), $id)) instanceof FeatureRow ? $row : null, $now->map->rowsNaming($class, $this->has, anyCase: true)));
    }

    /** Whether it stands in fields just as it is said, however they are written. */
    private function isFoundAsWritten(): bool
    {
        return $this->isPlain && strpbrk($this->has, '"\\/') === false;
    }

    /** One word stands in a title on one line just where it stands in the title; there may be ten thousand to be asked. */
    private function isInTitle(string $markdown): bool
    {
        return $this->isWord && ! InlineMarkdown::isFormatted($markdown) ? stripos($markdown, $this->has) !== false : $this->isIn(InlineMarkdown::oneLine($markdown));
    }

    /** Bytes are much faster to look for than letters, and do where all are of ASCII. */
    private function isIn(string $text): bool
    {
        return $text !== '' && ($this->isPlain ? stripos($text, $this->has) !== false : mb_stripos($text, $this->has) !== false);
    }

    public static function heard(Said $said, Moment $now): ?array
    {
        $in = $said->takesOneOf(['all' => 'text', 'title' => 'title', 'caption' => 'caption', 'note' => 'note']);
        $has = $in === null ? null : $said->word();

        return $has === null || mb_strlen($has) > self::LONGEST ? null : ['ask' => self::name(), 'has' => $has, 'in' => $in];
    }

    public static function offers(Moment $now): iterable
    {
        return [];
    }

    public function words(Moment $now): string
    {
        return ($this->in === 'all' ? 'text' : $this->in)." “{$this->has}”";
    }

    public static function namedBy(): array
    {
        return [];
    }

    /** What topics say themselves is among the traces as it is. */
    public static function traces(Moment $now): iterable
    {
        foreach (self::sortsWithTexts() as $class) {
            foreach ($now->map->rowsOf($class) as $row) {
                foreach ($row->textsIn($now->map) as [$text]) {
                    yield $text;
                }
            }
        }
    }

    public function trace(Moment $now): string
    {
        return Traces::folded($this->has);
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
