<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Feature;
use ChalkTree\Features;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;

/** The list of all edits but those of features, and the way from a body on the wire to one of them and onto a map. */
final class Edits
{
    /** @var list<class-string<Edit>> a new edit is one class and one line here */
    public const ALL = [
        AddTopic::class,
        AddTopics::class,
        AppendText::class,
        ArrangeMap::class,
        BalanceMap::class,
        BreakTopics::class,
        BringBackTopics::class,
        CopyTopics::class,
        DissolveLevels::class,
        DissolveTopics::class,
        JoinTopics::class,
        LiftChildren::class,
        MergeDuplicates::class,
        MoveTopics::class,
        ParkTopics::class,
        PasteLines::class,
        RemoveEmpties::class,
        RemoveRows::class,
        RemoveTopics::class,
        RenameMap::class,
        ReplaceText::class,
        RestoreTopics::class,
        RetitleTopic::class,
        SendText::class,
        SetCaption::class,
        SetNote::class,
        SetRows::class,
        SetSide::class,
        SortTopics::class,
        SplitTopic::class,
        TidyText::class,
        WrapTopics::class,
    ];

    /** @return list<class-string<Edit>> */
    private static function all(): array
    {
        return array_merge(self::ALL, ...array_values(array_map(fn (Feature $feature): array => $feature->edits(), Features::all())));
    }

    /**
     * @param  array<mixed>  $arguments  the body without what belongs to the protocol
     */
    public static function read(string $name, array $arguments): Edit
    {
        foreach (self::all() as $class) {
            if ($class::name() === $name) {
                $read = new Arguments($arguments);
                $edit = $class::read($read);
                $read->refuseRest();

                return $edit;
            }
        }

        throw new InvalidEdit("There is no edit called “{$name}”.", 'name');
    }

    /** Whether edits of this name have something to do before they are applied. */
    public static function isPrepared(string $name): bool
    {
        foreach (self::all() as $class) {
            if ($class::name() === $name) {
                return is_subclass_of($class, PreparedEdit::class);
            }
        }

        return false;
    }

    /**
     * Applies an edit to a map, whole or not at all, and gives the record of it.
     *
     * @param  int|null  $now  seconds since 1970; see Recorder
     * @param  string  $author  the name of whoever makes it
     */
    public static function apply(Edit $edit, TopicMap $map, ?int $now = null, string $author = ''): Changes
    {
        $recorder = new Recorder($map, $now, $author);
        try {
            $edit->apply($map, $recorder);
            $problem = Invariants::settle($map, $recorder);
            if ($problem !== null) {
                throw new InvalidEdit("This would break the map, so nothing was changed. {$problem}");
            }
            foreach (Features::all() as $feature) {
                if ($feature instanceof Settles) {
                    $feature->settle($map, $recorder);
                }
            }
        } catch (Refusal $refusal) {
            $recorder->rollBack();

            throw $refusal;
        }

        return $recorder->changes();
    }
}
