<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Ask\Moment;
use ChalkTree\Face\FaceParts;
use ChalkTree\Face\SmallText;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** Makes the slips of topics, with all that is said of each: its number, what stands in its box, its phrase, how far it was moved apart. */
final class SlipMaking
{
    /** @var array<string, string> see Numbers */
    private array $numbers = [];

    /** @var array<string, Apart> by topic */
    private array $apart = [];

    /** @var array<string, ConnectorPhrase> by topic */
    private array $phrases = [];

    private readonly FaceParts $faces;

    public function __construct()
    {
        $this->faces = new FaceParts;
    }

    /**
     * Reads what stands in boxes.
     *
     * @param  bool  $isAnew  whether nothing of before is to be compared with
     * @return bool whether all topics of which nothing else is known have in their boxes what they had
     */
    public function readFaces(TopicMap $map, bool $isAnew, Moment $now): bool
    {
        return $this->faces->read($map, $isAnew, $now);
    }

    /** @param  array<string, string>  $numbers */
    public function read(TopicMap $map, array $numbers): void
    {
        $this->numbers = $numbers;
        $this->apart = $map->rowsOf(Apart::class);
        $this->phrases = $map->rowsOf(ConnectorPhrase::class);
    }

    public function hasPhrases(): bool
    {
        return $this->phrases !== [];
    }

    /** Whether a phrase is said of a topic, which may stand in its box. */
    public function hasPhrase(string $topic): bool
    {
        return isset($this->phrases[$topic]);
    }

    /** @param  array{int, int}|null  $standsAt  its middle from that of its parent, where it stands free */
    public function of(Topic $topic, ?Slip $above, Given $given, ?array $standsAt): Slip
    {
        $id = $topic->id;
        $slip = new Slip($topic, $above?->topic->id, $given);
        $slip->number = $this->numbers[$id] ?? '';
        $slip->parts = $this->faces->of($topic);
        $slip->standsAt = $standsAt;
        if (isset($this->apart[$id])) {
            [$slip->apartX, $slip->apartY] = [$this->apart[$id]->number('x') ?? 0, $this->apart[$id]->number('y') ?? 0];
        }
        if (isset($this->phrases[$id]) && $given->phrase !== PhraseWay::Hidden) {
            $phrase = $this->phrases[$id]->text('phrase');
            $slip->phrase = $given->phrase === PhraseWay::InBox ? '' : $phrase;
            array_push($slip->parts, ...($given->phrase === PhraseWay::InBox && $phrase !== '' ? [SmallText::phrase($phrase)] : []));
        }

        return $slip;
    }

    /** Puts into a box what stands there now. */
    public function renew(Slip $slip): void
    {
        $slip->parts = $this->faces->of($slip->topic);
    }
}
