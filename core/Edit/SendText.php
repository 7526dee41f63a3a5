<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Sends text from one place of topics to another: title, caption, note. The place it came from is empty then. */
final readonly class SendText implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private string $from, private string $to)
    {
    }

    public static function name(): string
    {
        return 'text.send';
    }

    public static function read(Arguments $arguments): self
    {
        $from = $arguments->oneOf('from', TextPlaces::ALL);
        $to = $arguments->oneOf('to', TextPlaces::ALL);

        return $from === $to ? throw $arguments->wrong('to', 'The text is there already.') : new self($arguments->ids('topics'), $from, $to);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics');
            $before = ['title' => $topic->title, 'caption' => $topic->caption, 'note' => $topic->note][$this->to];
            $text = TextPlaces::carried($topic, $this->from, $this->to);
            if (trim($text) === '') {
                continue;
            }
            $joined = $this->to === 'note' ? TextPlaces::appended($before, $text) : ($before === '' ? $text : "{$before}\n{$text}");
            $recorder->put($topic->with([$this->from => '', ...TextPlaces::bounded([$this->to => $joined])]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        return "Sent the {$this->from} of ".Wording::several(TopicChoice::titles($map, $this->topics))." to the {$this->to}";
    }
}
