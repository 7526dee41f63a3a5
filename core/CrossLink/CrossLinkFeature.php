<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\Tie;
use ChalkTree\Arrange\TiesTopics;
use ChalkTree\Ask\Asks;
use ChalkTree\Document\Block;
use ChalkTree\Document\Heading;
use ChalkTree\Document\Listing;
use ChalkTree\Document\Paragraph;
use ChalkTree\Document\Words;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Exchange\WritesLines;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\DocumentPlace;
use ChalkTree\HandOver\PutsInDocuments;
use ChalkTree\Look\Look;
use ChalkTree\Look\LookResolver;
use ChalkTree\Look\Looks;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/** Cross-links: lines between any two topics, each with a phrase. */
final class CrossLinkFeature implements Asks, PutsInDocuments, Settles, TiesTopics, WritesLines
{
    private const SIGN = '→ ';

    /** The level of topics in whose type phrases are set. */
    private const TYPE = 2;

    public function rows(): array
    {
        return [CrossLink::class, ScoreWeights::class];
    }

    public function questions(): array
    {
        return [];
    }

    public function had(): array
    {
        return ['cross-link' => CrossLink::class];
    }

    public function edits(): array
    {
        return [TieTopics::class, TurnLinks::class, SpliceTopic::class];
    }

    public function schema(): array
    {
        $text = ['type' => 'string'];
        $ids = ['type' => 'array', 'items' => $text];

        return [
            'TieTopics' => ['name' => TieTopics::name(), 'properties' => ['topics' => $ids, 'to' => $text, 'as' => $ids, 'turns' => ['type' => 'boolean']], 'required' => ['topics', 'to', 'as']],
            'TurnLinks' => ['name' => TurnLinks::name(), 'properties' => ['links' => $ids], 'required' => ['links']],
            'SpliceTopic' => ['name' => SpliceTopic::name(), 'properties' => ['link' => $text, 'topic' => $text, 'as' => $text], 'required' => ['link', 'topic', 'as']],
        ];
    }

    public function drawn(): array
    {
        return [CrossLink::class];
    }

    public function marks(TopicMap $map, Scene $scene): iterable
    {
        if ($scene->ground === null) {
            return [];
        }

        return (new LinkMarks($map, $scene->ground, self::look($map), $scene->ways))->all();
    }

    public function ties(TopicMap $map): iterable
    {
        $links = $map->rowsOf(CrossLink::class);
        $look = $links === [] ? null : self::look($map);
        ksort($links);
        foreach ($links as $link) {
            $phrase = $link->text('phrase');
            $words = $phrase === '' || $look === null ? null : PhraseLines::of($link, $phrase, $look, PhraseLines::WIDEST[0]);
            if ($map->isLiving($link)) {
                yield new Tie($link->id, $link->from(), $link->to(), $words->w ?? 0.0, $words->h ?? 0.0);
            }
        }
    }

    /** How the topics look in whose type phrases are set. */
    private static function look(TopicMap $map): Look
    {
        $looks = new LookResolver(Looks::standard());
        $looks->read($map);

        return $looks->ofLevel(self::TYPE);
    }

    public function signs(): array
    {
        return [self::SIGN];
    }

    /** "→ phrase: title", and where several topics are called so, which of them: "→ phrase: title [2]". */
    public function lines(TopicMap $map): array
    {
        $links = $map->rowsOf(CrossLink::class);
        if ($links === []) {
            return [];
        }
        ksort($links);
        $titles = $places = $lines = [];
        foreach ($map->all() as $id => $topic) {
            $title = InlineMarkdown::oneLine($topic->title);
            $titles[$title][] = $id;
            $places[$id] = [$title, count($titles[$title])];
        }
        foreach ($links as $link) {
            // What has no title cannot be called.
            if (isset($places[$link->from()], $places[$link->to()]) && $places[$link->to()][0] !== '') {
                [$title, $nth] = $places[$link->to()];
                $phrase = trim((string) preg_replace('/\s+/u', ' ', $link->text('phrase')));
                $lines[$link->from()][] = self::SIGN.($phrase === '' ? '' : "{$phrase}: ").$title.(count($titles[$title]) > 1 ? " [{$nth}]" : '');
            }
        }

        return $lines;
    }

    public function readLine(TopicMap $map, string $topic, string $line, array $titles): array
    {
        $said = substr($line, strlen(self::SIGN));
        // A phrase or a title may hold a colon of its own: the first that leaves a title is taken.
        for ($at = 0; $at !== false; $at = strpos($said, ': ', $at) === false ? false : strpos($said, ': ', $at) + 2) {
            $title = substr($said, $at);
            $nth = 1;
            if (! isset($titles[$title]) && preg_match('/^(.*) \[(\d{1,5})\]$/suD', $title, $m) === 1) {
                [$title, $nth] = [$m[1], (int) $m[2]];
            }
            $to = $titles[$title][$nth - 1] ?? null;
            if ($to !== null && $to !== $topic && ($nth > 1 || count($titles[$title]) === 1 || str_ends_with($said, ' [1]'))) {
                $phrase = $at === 0 ? '' : substr($said, 0, $at - 2);

                return mb_strlen($phrase) > CrossLink::LONGEST_PHRASE ? [] : [CrossLink::fromFields(Ids::next(), ['from' => $topic, 'to' => $to, 'phrase' => $phrase])];
            }
        }

        return [];
    }

    /** No cross-link ties a topic to itself, whatever edit it was. */
    public function settle(TopicMap $map, Recorder $recorder): void
    {
        foreach (array_keys($recorder->beforeOf(CrossLink::type())) as $id) {
            $link = $map->row(CrossLink::type(), (string) $id);
            if ($link instanceof CrossLink && $link->from() === $link->to()) {
                throw new InvalidEdit('A topic cannot be tied to itself.', 'to');
            }
        }
        $new = array_filter($recorder->beforeOf(CrossLink::type()), is_null(...));
        if ($new !== [] && count($map->rowsOf(CrossLink::class)) > CrossLink::MOST) {
            throw new InvalidEdit('A map holds at most '.CrossLink::MOST.' cross-links.', 'topics');
        }
    }

    public function inDocument(TopicMap $map, DocumentPlace $place): array
    {
        return [];
    }

    /** The map read out. */
    public function atEnd(TopicMap $map, Choices $choices): array
    {
        $sentences = $choices->flag('sentences') ? Sentences::of($map)->all : [];

        return $sentences === [] ? [] : [new Heading(1, [Words::plain('Sentences')], 'sentences'), new Listing(array_map(fn (Sentence $one): array => [new Paragraph([Words::plain($one->text())])], $sentences))];
    }

    public function fromDocument(Block $block, string $topic, array $titles): array
    {
        return [];
    }
}
