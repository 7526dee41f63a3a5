<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Look\LookFields;
use ChalkTree\Look\NamedLook;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** A coloured word for topics of one map; topics name it by its id, so that it is renamed and recoloured for all. */
final readonly class Tag extends FeatureRow
{
    public static function type(): string
    {
        return 'tag';
    }

    public static function words(): string
    {
        return 'tag';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    /** "hidden": whether it is left out on the topics themselves; "private": whether topics that have it never leave, with all below them. */
    public static function declared(): array
    {
        return ['name' => NamedLook::named('name of a tag'), 'chalk' => LookFields::chalk()->called('chalk of a tag'), 'hidden' => Field::flag()->called('showing of a tag'), 'private' => Field::flag()->called('privacy of a tag')];
    }

    public function needs(): array
    {
        return LookFields::mixedIn($this);
    }

    public function chalk(): string
    {
        return $this->text('chalk') === '' ? 'mussel' : $this->text('chalk');
    }

    /** Tags of one name are one tag. */
    public function sameness(): string
    {
        return mb_strtolower(trim($this->text('name')));
    }
}
