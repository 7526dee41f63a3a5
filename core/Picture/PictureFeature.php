<?php

declare(strict_types=1);

namespace ChalkTree\Picture;

use ChalkTree\Arrange\Scene;
use ChalkTree\Face\PutsInBoxes;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

/** Pictures in topics. */
final class PictureFeature implements PutsInBoxes
{
    public function rows(): array
    {
        return [TopicPicture::class];
    }

    public function edits(): array
    {
        return [MovePicture::class];
    }

    public function schema(): array
    {
        return ['MovePicture' => ['name' => MovePicture::name(), 'properties' => ['topic' => ['type' => 'string'], 'to' => ['type' => 'string']], 'required' => ['topic', 'to']]];
    }

    public function inBoxes(): array
    {
        return [TopicPicture::class];
    }

    public function parts(TopicMap $map, FeatureRow $row): array
    {
        return $row instanceof TopicPicture && $row->text('source') !== '' ? [new PicturePart($row, $map->find($row->id)->title ?? '')] : [];
    }

    public function drawn(): array
    {
        return [];
    }

    public function marks(TopicMap $map, Scene $scene): iterable
    {
        return [];
    }
}
