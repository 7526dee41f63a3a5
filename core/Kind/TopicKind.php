<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\Ids;

/** The kind of a topic. */
final readonly class TopicKind extends FeatureRow
{
    public static function type(): string
    {
        return 'of-kind';
    }

    public static function words(): string
    {
        return 'kind';
    }

    public static function declared(): array
    {
        return ['kind' => Field::formed(Ids::valid(...), 26, 'be the id of a kind')];
    }

    public function needs(): array
    {
        return $this->text('kind') === '' ? [] : [[Kind::class, $this->text('kind')]];
    }
}
