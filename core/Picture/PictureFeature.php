<?php

declare(strict_types=1);

namespace ChalkTree\Picture;

use ChalkTree\Ask\Asks;
use ChalkTree\Document\Block;
use ChalkTree\Document\Image;
use ChalkTree\Document\Paragraph;
use ChalkTree\Face\PutsInBoxes;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\DocumentPlace;
use ChalkTree\HandOver\PutsInDocuments;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\WithoutMarks;

/** Pictures in topics. */
final class PictureFeature implements Asks, PutsInBoxes, PutsInDocuments
{
    use WithoutMarks;

    public function rows(): array
    {
        return [TopicPicture::class];
    }

    public function questions(): array
    {
        return [];
    }

    public function had(): array
    {
        return ['picture' => TopicPicture::class];
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

    /** A picture by itself, as wide as on the board; what it shows, or else the title of its topic, is said for those who do not see it. */
    public function inDocument(TopicMap $map, DocumentPlace $place): array
    {
        $parts = [];
        foreach ($map->rowsOf(TopicPicture::class) as $id => $picture) {
            $topic = $map->find((string) $id);
            if ($topic !== null && $picture->text('source') !== '') {
                $about = $picture->text('about') === '' ? InlineMarkdown::oneLine($topic->title) : $picture->text('about');
                $parts[(string) $id] = [[new Paragraph([new Image($picture->text('source'), $about, (int) round($picture->size()[0]))])], []];
            }
        }

        return $parts;
    }

    public function atEnd(TopicMap $map, Choices $choices): array
    {
        return [];
    }

    public function fromDocument(Block $block, string $topic, array $titles): array
    {
        $image = $block instanceof Paragraph && count($block->text) === 1 ? $block->text[0] : null;
        if (! $image instanceof Image || $image->size === null || ! TopicPicture::isSource($image->source)) {
            return [];
        }
        $width = $image->wide === null ? null : max(Bounds::SMALLEST_PICTURE, min(Bounds::WIDEST, $image->wide));

        return [TopicPicture::fromFields($topic, ['source' => $image->source, 'wide' => $image->size[0], 'high' => $image->size[1], 'width' => $width, 'about' => mb_substr($image->about, 0, TopicPicture::LONGEST_ABOUT)])];
    }
}
