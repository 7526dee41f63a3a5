<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;
use ChalkTree\Text\Slices;

/** Joins topics into the first of them: titles with a glue between, captions and notes too, and all that is below, in order. */
final readonly class JoinTopics implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private string $glue)
    {
    }

    public static function name(): string
    {
        return 'topic.join';
    }

    public static function read(Arguments $arguments): self
    {
        $glue = $arguments->has('glue') ? $arguments->caption('glue') : ' ';
        if (mb_strlen($glue) > 40) {
            throw $arguments->wrong('glue', 'What stands between has at most 40 characters.');
        }

        return new self($arguments->ids('topics'), $glue);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $ids = TopicChoice::inOrder($map, $this->topics);
        if (count($ids) < 2) {
            throw new InvalidEdit('Choose two topics or more to join.', 'topics');
        }
        $first = array_shift($ids);
        foreach ($ids as $id) {
            self::into($map, $recorder, $map->topic($first), $map->topic($id), $this->glue);
        }
    }

    /** Joins one topic into another; what is below it comes last below the other. */
    public static function into(TopicMap $map, Recorder $recorder, Topic $keeps, Topic $goes, ?string $glue): void
    {
        $caption = $goes->caption === '' || $goes->caption === $keeps->caption ? $keeps->caption : ($keeps->caption === '' ? $goes->caption : "{$keeps->caption}, {$goes->caption}");
        $recorder->put($keeps->with(TextPlaces::bounded([
            'title' => $glue === null ? $keeps->title : self::title($keeps->title, $goes->title, $glue),
            'caption' => $caption,
            'note' => $goes->note === $keeps->note ? $keeps->note : TextPlaces::appended($keeps->note, $goes->note),
        ])));
        $children = array_values($map->children($goes->id));
        foreach (Place::below($keeps->id)->ranks($map, $recorder, count($children)) as $i => $rank) {
            Lifting::put($map, $recorder, $map->topic($children[$i]->id), $keeps->id, $rank, $keeps->id === $map->sheet()->root ? Place::below($keeps->id)->sideFor($map) : null);
        }
        self::handOn($map, $recorder, $keeps->id, $goes->id);
        Lifting::removeAlone($map, $recorder, $goes->id);
    }

    /** What features say of the topic that goes and of another is said of the one that stays; of a row of its own there is one there. */
    private static function handOn(TopicMap $map, Recorder $recorder, string $keeps, string $goes): void
    {
        foreach (RowTypes::all() as $class) {
            $ends = is_subclass_of($class, FeatureRow::class) ? $class::ends() : [];
            foreach (is_subclass_of($class, FeatureRow::class) && $ends !== [] ? $map->rowsOf($class) : [] as $id => $row) {
                $ended = array_filter($ends, fn (string $end): bool => $row->text($end) === $goes);
                if ($ended === [] || ! $map->isLiving($row)) {
                    continue;
                }
                $new = $row->with(array_fill_keys($ended, $keeps));
                // About one topic twice it says nothing.
                if (count(array_unique($new->topics())) < count($ends)) {
                    $recorder->drop($class::type(), (string) $id);
                } else {
                    $recorder->put($new);
                }
            }
        }
    }

    private static function title(string $first, string $second, string $glue): string
    {
        if ($first === '' || $second === '') {
            return $first.$second;
        }

        return InlineMarkdown::write(Slices::joined(InlineMarkdown::runs($first), $glue === '' ? [] : [new Run($glue)], InlineMarkdown::runs($second)));
    }

    public function sentence(TopicMap $map): string
    {
        return 'Joined '.count($this->topics).' topics into '.Wording::several(TopicChoice::titles($map, [TopicChoice::firstLeft($map, $this->topics)]));
    }
}
