<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** Something that has a say in how topics look; a feature hands it in (SaysLooks). */
interface LookSource
{
    public function place(): LookPlace;

    /** Whether it says nothing against what was set by hand at the topic itself. */
    public function yields(): bool;

    /**
     * What it says of one topic.
     *
     * @return array<string, scalar> by the names in LookFields
     */
    public function said(string $topic): array;

    /** What it is of a topic, for the question why that looks so: "the kind “Meeting”"; empty where its place says enough. */
    public function words(string $topic): string;
}
