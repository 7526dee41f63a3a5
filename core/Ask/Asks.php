<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Feature;
use ChalkTree\Map\FeatureRow;

/** A feature of whose rows conditions can ask. */
interface Asks extends Feature
{
    /** @return list<class-string<Question>> */
    public function questions(): array;

    /** @return array<string, class-string<FeatureRow>> what a topic can have, by the word for it; see AskHas */
    public function had(): array;
}
