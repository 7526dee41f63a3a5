<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Arrange\Scene;
use ChalkTree\Ask\Asks;
use ChalkTree\Ask\HasColumns;
use ChalkTree\Ask\Moment;
use ChalkTree\Document\Block;
use ChalkTree\Document\Grid;
use ChalkTree\Document\Heading;
use ChalkTree\Document\Words;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Face\PutsInBoxes;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\DocumentPlace;
use ChalkTree\HandOver\HeldSign;
use ChalkTree\HandOver\HoldsBack;
use ChalkTree\HandOver\PutsInDocuments;
use ChalkTree\HandOver\SaysInWords;
use ChalkTree\Look\LookResolver;
use ChalkTree\Look\Looks;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

/** Signs on topics, stamps and tags, and the legend that says what they mean. */
final class SignFeature implements Asks, HasColumns, HoldsBack, PutsInBoxes, PutsInDocuments, SaysInWords, Settles
{
    /** @var array<string, StampsPart|null> by what the rows say */
    private array $stamps = [];

    /** @var array<string, TagsPart|null> by what the rows say, for the tags known last */
    private array $tags = [];

    /** @var array<string, Tag> */
    private array $known = [];

    /** The level of topics in whose type the legend is set. */
    private const TYPE = 2;

    public function columns(Moment $now): iterable
    {
        return SignColumns::of($now);
    }

    public function rows(): array
    {
        return [TopicStamps::class, Tag::class, TopicTags::class, Meaning::class, LegendPlace::class];
    }

    public function edits(): array
    {
        return [PutTag::class, JoinTags::class, SayMeaning::class];
    }

    public function schema(): array
    {
        $text = ['type' => 'string'];

        return [
            'PutTag' => [
                'name' => PutTag::name(),
                'properties' => ['topics' => ['type' => 'array', 'items' => $text], 'tag' => $text, 'off' => ['type' => 'boolean']],
                'required' => ['topics', 'tag'],
            ],
            'JoinTags' => ['name' => JoinTags::name(), 'properties' => ['tag' => $text, 'into' => $text], 'required' => ['tag', 'into']],
            'SayMeaning' => ['name' => SayMeaning::name(), 'properties' => ['sign' => $text, 'means' => ['type' => ['string', 'null']]], 'required' => ['sign', 'means']],
        ];
    }

    public function questions(): array
    {
        return [AskStamp::class, AskTag::class];
    }

    public function had(): array
    {
        return ['stamp' => TopicStamps::class, 'tag' => TopicTags::class];
    }

    public function inBoxes(): array
    {
        return [TopicStamps::class, TopicTags::class];
    }

    /** Topics with the same signs share what is drawn of these. */
    public function parts(TopicMap $map, FeatureRow $row): array
    {
        if ($row instanceof TopicStamps) {
            $part = $this->stamps[implode(' ', $row->fields())] ??= StampsPart::of($row->signs());

            return $part === null ? [] : [$part];
        }
        $known = $map->rowsOf(Tag::class);
        if ($known !== $this->known) {
            [$this->known, $this->tags] = [$known, []];
        }
        $part = $this->tags[$row->text('tags')] ??= $row instanceof TopicTags ? self::tagsPart($known, $row) : null;
        $isHeld = $row instanceof TopicTags && array_filter(array_intersect_key($known, array_flip($row->tags())), fn (Tag $tag): bool => $tag->flag('private')) !== [];

        return [...($part === null ? [] : [$part]), ...($isHeld ? [new HeldSign] : [])];
    }

    /** @param  array<string, Tag>  $known  of the map */
    private static function tagsPart(array $known, TopicTags $row): ?TagsPart
    {
        $tags = array_values(array_filter(array_intersect_key($known, array_flip($row->tags())), fn (Tag $tag): bool => ! $tag->flag('hidden')));
        usort($tags, fn (Tag $a, Tag $b): int => [$a->sameness(), $a->id] <=> [$b->sameness(), $b->id]);

        return $tags === [] ? null : new TagsPart($tags);
    }

    public function drawn(): array
    {
        return [LegendPlace::class];
    }

    public function marks(TopicMap $map, Scene $scene): iterable
    {
        $places = array_filter($map->rowsOf(LegendPlace::class), fn (LegendPlace $place): bool => $place->flag('shown'));
        $legend = $places === [] ? null : Legend::onBoard($map);
        if ($legend !== null && $legend->lines !== []) {
            ksort($places);
            $looks = new LookResolver(Looks::standard());
            $looks->read($map);
            yield (new LegendMark($looks->ofLevel(self::TYPE)))->draw($places[array_key_first($places)], $legend, $scene);
        }
    }

    /** Tags of one name, as renaming and copying from other maps bring about, become one: the older. */
    public function settle(TopicMap $map, Recorder $recorder): void
    {
        $tags = $map->rowsOf(Tag::class);
        ksort($tags);
        $known = [];
        foreach ($tags as $id => $tag) {
            $into = $known[$tag->sameness()] ??= (string) $id;
            if ($into !== (string) $id) {
                JoinTags::join($map, $recorder, (string) $id, $into);
            }
        }
    }

    /** Topics with a private tag. */
    public function heldTopics(TopicMap $map): array
    {
        $private = array_filter($map->rowsOf(Tag::class), fn (Tag $tag): bool => $tag->flag('private'));
        $has = fn (TopicTags $row): bool => array_intersect_key(array_flip($row->tags()), $private) !== [];

        return $private === [] ? [] : array_map(strval(...), array_keys(array_filter($map->rowsOf(TopicTags::class), $has)));
    }

    public function heldRows(TopicMap $map): array
    {
        return array_values(array_filter($map->rowsOf(Tag::class), fn (Tag $tag): bool => $tag->flag('private')));
    }

    public function inWords(TopicMap $map): array
    {
        $known = $map->rowsOf(Tag::class);
        $stamps = $tags = [];
        foreach ($map->rowsOf(TopicStamps::class) as $id => $row) {
            $stamps[(string) $id] = array_map(Sign::words(...), $row->signs());
        }
        foreach ($map->rowsOf(TopicTags::class) as $id => $row) {
            $tags[(string) $id] = array_values(array_map(fn (Tag $tag): string => $tag->text('name'), array_intersect_key($known, array_flip($row->tags()))));
        }

        return ['stamps' => $stamps, 'tags' => $tags];
    }

    public function inDocument(TopicMap $map, DocumentPlace $place): array
    {
        return [];
    }

    /** The legend, as a table: sign, meaning, on how many topics. */
    public function atEnd(TopicMap $map, Choices $choices): array
    {
        $lines = $choices->flag('legend') ? Legend::of($map)->lines : [];
        $cells = fn (string ...$texts): array => array_values(array_map(fn (string $text): array => [Words::plain($text)], $texts));

        return $lines === [] ? [] : [new Heading(1, [Words::plain('Legend')], 'legend'), new Grid(['', '', 'right'], $cells('Sign', 'Means', 'Topics'), array_map(
            fn (LegendLine $line): array => $cells(Sign::words($line->sign), $line->means === '' ? '–' : $line->means, (string) $line->count), $lines,
        ))];
    }

    public function fromDocument(Block $block, string $topic, array $titles): array
    {
        return [];
    }
}
