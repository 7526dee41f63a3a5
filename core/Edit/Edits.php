<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;

/** The list of all edits, and the way from a body on the wire to one of them and onto a map. */
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
        HoldApart::class,
        JoinTopics::class,
        LiftChildren::class,
        MergeDuplicates::class,
        MoveTopics::class,
        NumberBranch::class,
        ParkTopics::class,
        PasteLines::class,
        RemoveEmpties::class,
        RemoveTopics::class,
        RenameMap::class,
        ReplaceText::class,
        RestoreTopics::class,
        RetitleTopic::class,
        SendText::class,
        SetCaption::class,
        SetNote::class,
        SetSide::class,
        SetWidth::class,
        SortTopics::class,
        SplitTopic::class,
        TidyText::class,
        WrapTopics::class,
    ];

    /**
     * @param  array<mixed>  $arguments  the body without what belongs to the protocol
     */
    public static function read(string $name, array $arguments): Edit
    {
        foreach (self::ALL as $class) {
            if ($class::name() === $name) {
                $read = new Arguments($arguments);
                $edit = $class::read($read);
                $read->refuseRest();

                return $edit;
            }
        }

        throw new InvalidEdit("There is no edit called “{$name}”.", 'name');
    }

    /**
     * Applies an edit to a map, whole or not at all, and gives the record of it.
     *
     * @param  int|null  $now  seconds since 1970; see Recorder
     */
    public static function apply(Edit $edit, TopicMap $map, ?int $now = null): Changes
    {
        $recorder = new Recorder($map, $now);
        try {
            $edit->apply($map, $recorder);
        } catch (Refusal $refusal) {
            $recorder->rollBack();

            throw $refusal;
        }

        return $recorder->changes();
    }
}
