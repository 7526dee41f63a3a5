<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** What is different in a scene from the one before: slips new or changed, and the ids of those that are gone. */
final readonly class SceneChange
{
    /**
     * @param  array<string, Slip>  $slips
     * @param  list<string>  $gone
     */
    public function __construct(public array $slips, public array $gone)
    {
    }
}
