<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\Ids;

/** What a person said of the look of one topic. What is not said is inherited. */
final readonly class TopicLook extends FeatureRow
{
    public static function type(): string
    {
        return 'look';
    }

    public static function words(): string
    {
        return 'look';
    }

    /** "named" is the look by name that it has; "chalk" begins a chalk of its own for its branch. */
    public static function declared(): array
    {
        return LookFields::all() + [
            'named' => Field::formed(Ids::valid(...), 26, 'be the id of a look with a name')->called('look by name'),
            'chalk' => LookFields::chalk()->called('chalk'),
        ];
    }

    public function needs(): array
    {
        $named = $this->text('named');

        return [...$named === '' ? [] : [[NamedLook::class, $named]], ...LookFields::mixedIn($this)];
    }
}
