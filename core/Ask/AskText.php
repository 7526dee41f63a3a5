<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\Arguments;
use ChalkTree\Text\InlineMarkdown;

/** Whether words stand in the texts of a topic, whatever their case: {"ask": "text", "has": "lantern", "in": "title"}. */
final readonly class AskText implements Question
{
    private const IN = ['all', 'title', 'caption', 'note'];

    private const LONGEST = 200;

    private function __construct(private string $has, private string $in)
    {
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
        $texts = ['title' => InlineMarkdown::oneLine($row->title), 'caption' => $row->caption, 'note' => $row->note];
        foreach ($this->in === 'all' ? $texts : [$texts[$this->in]] as $text) {
            if (mb_stripos($text, $this->has) !== false) {
                return true;
            }
        }

        return false;
    }

    public function words(Moment $now): string
    {
        return ($this->in === 'all' ? 'text' : $this->in)." “{$this->has}”";
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
