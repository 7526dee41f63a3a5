<?php

declare(strict_types=1);

namespace App\Publishing;

use App\HandOver\MakingFolder;
use App\HandOver\NotMade;
use App\Limits\BoundedProgram;
use App\Models\PublishedPage;
use App\Pictures\PictureSize;
use ChalkTree\Document\PandocWriter;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\MapDocument;

/** The topics of a page as nested lists, with their notes, for whoever reads, and for whatever cannot draw. */
final readonly class PageOutline
{
    private const SECONDS = 60;

    /**
     * @return string HTML without a title; "topic-…" are the ids of topics
     *
     * @throws NotMade
     */
    public function write(PublishedPage $page, PageContent $content): string
    {
        $application = rtrim((string) config('app.url'), '/');
        $document = MapDocument::of($content->map, Choices::fromFields('', ['headings' => 0]), $application);
        $names = [];
        foreach ($document->images() as $image) {
            $names[$image->source] = match (true) {
                str_starts_with($image->source, 'drawing:') => '/drawings/'.substr($image->source, 8).'.svg',
                str_starts_with($image->source, 'file:') => PublishedPictures::of($page->path(), substr($image->source, 5), PictureSize::Large),
                default => '',
            };
        }
        $folder = MakingFolder::begin();
        try {
            $folder->put('page.json', (new PandocWriter(array_filter($names, fn (string $name): bool => $name !== '')))->write($document));
            if (BoundedProgram::run(['pandoc', '--from=json', '--to=html5', '--mathml', '--wrap=none', '--output=page.html', 'page.json'], $folder->path, self::SECONDS) === null) {
                throw new NotMade('This page could not be made.');
            }

            return self::slimmed($folder->get('page.html'), $application);
        } finally {
            $folder->end();
        }
    }

    private static function slimmed(string $html, string $application): string
    {
        return (string) preg_replace([
            '/ data-custom-style="[^"]*"/',
            '~<div class="topic">\s*<p><span id="(topic-[0-9a-z]{26})">(.*?)</span></p>\s*</div>~s',
            // What leads into somebody's library leads strangers nowhere.
            '~<a href="'.preg_quote($application, '~').'/maps/[^"]*"[^>]*>(.*?)</a>~s',
            '/<a href="(https?:|mailto:)/',
            '~(</?(?:ul|li|p|div)[^>]*>)\s+(?=<)~',
        ], ['', '<p id="$1">$2</p>', '$1', '<a rel="nofollow noopener" href="$1', '$1'], $html);
    }
}
