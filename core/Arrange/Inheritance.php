<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Look\Look;
use ChalkTree\Look\LookResolver;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/**
 * What slips are given by what stands above them, and by what is said of their topics: arrangement, direction, level,
 * look and chalk. Slips that are given the same share one Given, from one pass of a layout to the next.
 */
final class Inheritance
{
    private readonly Arrangements $arrangements;

    /** @var array<string, Given> those given so far, by their key */
    private array $given = [];

    private TopicMap $map;

    private string $root = '';

    private Chalks $chalks;

    private ?Groups $groups = null;

    /** @var array<string, BranchArrangement> what is said of branches, by topic */
    private array $said = [];

    /** @var array<string, Place> by topic */
    private array $places = [];

    /** @var array<string, BranchPhrases> by topic */
    private array $phrases = [];

    /** @param  string  $arrangement  that of the map */
    public function __construct(private readonly string $arrangement, private readonly LookResolver $looks)
    {
        $this->arrangements = new Arrangements;
    }

    /**
     * From now on for this map, as it is now; its looks have to have been read.
     *
     * @param  string  $root  the topic drawn as the root
     * @param  Groups|null  $groups  null where nothing holds siblings together
     */
    public function read(TopicMap $map, string $root, ?Groups $groups = null): void
    {
        [$this->map, $this->root, $this->groups] = [$map, $root, $groups];
        $this->chalks = new Chalks($map, $this->looks);
        $this->said = $map->rowsOf(BranchArrangement::class);
        $this->places = $map->rowsOf(Place::class);
        $this->phrases = $map->rowsOf(BranchPhrases::class);
    }

    /** What is said of the arrangement of a branch. */
    public function said(string $topic): ?BranchArrangement
    {
        return $this->said[$topic] ?? null;
    }

    /** Where a person put a topic that stands free. */
    public function placeOf(string $topic): ?Place
    {
        return $this->places[$topic] ?? null;
    }

    /** What a topic at the top of what is drawn is given: the root, or a loose topic. */
    public function onTop(string $id): Given
    {
        [$chalk, $keeps] = [$this->chalks->onTop($id), $this->chalks->keepsOnTop($id)];
        $growth = $this->looks->isMirrored() ? Growth::Left : Growth::Right;
        if ($id === $this->root) {
            $handed = $this->map->ancestors($id) === [] ? $this->arrangement : BranchArrangement::nearest($this->map, $id);

            return $this->give($id, $this->own($id) ?? $handed, $growth, 0, $chalk, $this->looks->of($id, 0), $keeps, null, PhraseWay::Hidden, BranchPhrases::nearest($this->map, $id));
        }
        $handed = $this->arrangement === BothSides::name() ? Rightward::name() : $this->arrangement;

        return $this->give($id, $this->own($id) ?? $handed, $growth, 1, $chalk, $this->looks->of($id, 1), $keeps, null, PhraseWay::Hidden, BranchPhrases::nearest($this->map, $id));
    }

    /**
     * What the topics right below a slip are given.
     *
     * @param  array<string, Topic>  $children  in their order
     * @return array<string, Given> by topic
     */
    public function below(Slip $above, array $children): array
    {
        $level = $this->looks->clamp($above->level + 1);
        [$arrangement, $keeps, $isMirrored] = [$above->given->arrangement, $above->given->keepsChalk, $above->given->isMirrored];
        $chalks = $keeps ? [] : $this->chalks->below($above->topic->id);
        // The steps of a process are all of one chalk.
        $chalks = $arrangement instanceof FollowsTies && $chalks !== [] ? array_map(fn (): string => reset($chalks), $chalks) : $chalks;
        // Where two levels are placed at once, both are what their head makes of them.
        $isPlacedByHead = $arrangement->levels() > 1 || $arrangement instanceof FollowsTies;
        $asHead = $isPlacedByHead ? $isMirrored : null;
        $phrases = $above->given->phrases;
        $phrase = $phrases === BranchPhrases::HIDDEN ? PhraseWay::Hidden : $arrangement->phrases();
        $index = 0;
        $braces = $this->groups === null ? [] : array_filter($children, fn (Topic $topic): bool => $this->groups->isBrace($topic->id, $arrangement));
        $count = count($children) - count($braces);
        $alike = $given = $growths = [];
        // A brace stands beyond what it spans, whatever its place among these.
        foreach ($braces === [] ? $children : array_diff_key($children, $braces) + $braces as $id => $topic) {
            $growth = $braces !== [] && isset($braces[$id]) ? $growths[$this->groups?->firstOf((string) $id) ?? ''] ?? null : null;
            $growth ??= $arrangement->growth($above, $topic, $index++, $count, $this->places[$id] ?? null);
            if ($braces !== []) {
                $growths[$id] = $growth;
            }
            $handed = $arrangement->handsDown($growth);
            $seen = $isMirrored ? $growth->mirrored() : $growth;
            // Siblings are mostly given the same.
            $its = isset($braces[$id]) && $phrase !== PhraseWay::Hidden ? PhraseWay::InBox : $phrase;
            if (! isset($braces[$id]) && $chalks === [] && ! isset($this->said[$id]) && ! isset($this->phrases[$id]) && ! $this->looks->hasOwn($id)) {
                $given[$id] = $alike[$growth->value] ??= $this->give($id, $handed, $seen, $level, $above->chalk, $this->looks->ofLevel($level), $keeps, $asHead, $phrase, $phrases);

                continue;
            }
            $own = $this->looks->chalkOf($id);
            // What stands beyond rows and columns is laid out by itself.
            $isWithin = $isPlacedByHead && ! isset($braces[$id]);
            $arranged = $isWithin ? $handed : $this->own($id) ?? ($isPlacedByHead ? SteppedList::name() : $handed);
            $given[$id] = $this->give($id, $arranged, $seen, $level, $own ?? $chalks[$id] ?? $above->chalk, $this->looks->of($id, $level), $keeps || $own !== null, $isWithin ? $asHead : null, $its, isset($this->phrases[$id]) && $this->phrases[$id]->saying() !== [] ? $this->phrases[$id]->text('are') : $phrases);
        }

        return $given;
    }

    /** The name of the arrangement that a branch has of its own; null where it has that of what stands above it. */
    private function own(string $id): ?string
    {
        $name = isset($this->said[$id]) ? $this->said[$id]->text('name') : '';

        return $name === '' ? null : $name;
    }

    /**
     * @param  string  $topic  which may want its arrangement otherwise than it mostly is
     * @param  bool|null  $isMirrored  null where that is for the map and the topic to say
     */
    private function give(string $topic, string $arrangement, Growth $growth, int $level, string $chalk, Look $look, bool $keepsChalk, ?bool $isMirrored, PhraseWay $phrase, string $phrases): Given
    {
        $said = $this->said[$topic] ?? null;
        $its = $this->arrangements->called($said === null ? $arrangement : Arrangements::variant($arrangement, $said));
        $isMirrored ??= $its->isMirrorable() && $this->looks->isMirrored() !== ($arrangement === Fishbone::name() && $said?->text('head') === 'left');
        $enters = $isMirrored ? $its->enters($growth->mirrored())->mirrored() : $its->enters($growth);

        return $this->given[Given::key($its::name(), $growth, $enters, $level, $chalk, $look, $keepsChalk, $isMirrored, $phrase, $phrases)] ??= new Given($its, $growth, $enters, $level, $chalk, $look, $keepsChalk, $isMirrored, $phrase, $phrases);
    }
}
