<?php

declare(strict_types=1);

namespace App\Links;

use App\Models\MapRecord;
use App\Pictures\KeptPictures;
use ChalkTree\Link\PageHead;
use ChalkTree\Map\Bounds;
use ChalkTree\Picture\PictureFile;
use ChalkTree\Picture\UnusablePicture;
use Illuminate\Contracts\Cache\Repository;

/** What pages are that links lead to, fetched when a person asks, and remembered for a day. */
final readonly class PagePreviews
{
    private const DAY = 86_400;

    private const PAGES = ['text/html', 'application/xhtml+xml'];

    public function __construct(private PageFetcher $fetcher, private KeptPictures $pictures, private Repository $cache)
    {
    }

    /**
     * @param  bool  $again  whether to ask anew, whatever is remembered
     * @return array{address: string, title: string, description: string, picture: string|null, framed: bool, at: int} the picture by its hash
     *
     * @throws UnreachablePage
     */
    public function of(MapRecord $map, string $address, bool $again = false): array
    {
        $key = 'page '.hash('sha256', "{$map->id} {$address}");
        /** @var array{address: string, title: string, description: string, picture: string|null, framed: bool, at: int}|null $known */
        $known = $again ? null : $this->cache->get($key);
        if ($known === null) {
            $known = $this->asked($map, $address);
            $this->cache->put($key, $known, self::DAY);
        }

        return $known;
    }

    /** @return array{address: string, title: string, description: string, picture: string|null, framed: bool, at: int} */
    private function asked(MapRecord $map, string $address): array
    {
        $page = $this->fetcher->get($address, PageHead::MOST, 'text/html, application/xhtml+xml, */*;q=0.5');
        if (! in_array($page->type, self::PAGES, true)) {
            $name = rawurldecode(basename((string) parse_url($page->address, PHP_URL_PATH)));

            return ['address' => $page->address, 'title' => mb_scrub(mb_substr($name, 0, 200)), 'description' => $page->type, 'picture' => null, 'framed' => false, 'at' => time()];
        }
        $head = PageHead::read($page->body, $page->charset);

        return [
            'address' => $page->address, 'title' => $head->title, 'description' => $head->description,
            'picture' => $head->picture === '' ? null : $this->picture($map, PageFetcher::resolved($page->address, $head->picture)),
            'framed' => $this->isShown($page->address) && PageHead::maybeFramed($page->headers), 'at' => time(),
        ];
    }

    /** Whether the page of the map lets a frame show it; see SafetyHeaders. */
    private function isShown(string $address): bool
    {
        $site = (string) config('chalk.stand_in');

        return stripos($address, 'https://') === 0 || ($site !== '' && str_starts_with($address, "{$site}/"));
    }

    /** The hash of its picture, where that is one and can be had. */
    private function picture(MapRecord $map, string $address): ?string
    {
        try {
            $file = $this->fetcher->get($address, Bounds::LARGEST_PICTURE, 'image/*', true);

            return $this->pictures->add($map, PictureFile::read($file->body))->hash;
        } catch (UnreachablePage|UnusablePicture) {
            return null;
        }
    }
}
