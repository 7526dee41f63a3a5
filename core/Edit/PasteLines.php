<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;
use ChalkTree\Paste\Landing;

/** Lands the lines of a clip: as topics in a place, or in the note or caption of a topic. */
final readonly class PasteLines implements Edit
{
    private function __construct(private Landing $landing, private string $as, private ?Place $place, private ?string $topic)
    {
    }

    public static function name(): string
    {
        return 'topic.paste';
    }

    /** "as" branches, paragraphs, one, with a place; or note, caption, with the "topic" that gets it. */
    public static function read(Arguments $arguments): self
    {
        $as = $arguments->oneOf('as', ['branches', 'paragraphs', 'one', 'note', 'caption']);
        $isText = $as === 'note' || $as === 'caption';

        return new self(Landing::read($arguments), $as, $isText ? null : Place::read($arguments), $isText ? $arguments->id('topic') : null);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        if ($this->place !== null) {
            Planting::plant($map, $recorder, $this->place, $this->landing->topics($this->as));

            return;
        }
        $topic = $map->topic((string) $this->topic);
        if ($this->as === 'note') {
            $note = TextPlaces::appended($topic->note, $this->landing->note());
            $recorder->put($topic->with(TextPlaces::bounded(['note' => $note])));
        } else {
            $caption = trim("{$topic->caption} {$this->landing->caption()}");
            $recorder->put($topic->with(TextPlaces::bounded(['caption' => $caption])));
        }
    }

    public function sentence(TopicMap $map): string
    {
        return match ($this->as) {
            'note', 'caption' => "Pasted into the {$this->as} of ".Wording::several(TopicChoice::titles($map, [(string) $this->topic])),
            default => 'Pasted topics '.$this->place?->words($map),
        };
    }
}
