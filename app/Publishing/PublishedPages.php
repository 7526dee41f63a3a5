<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Models\MapRecord;
use App\Models\PublishedPage;
use App\Store\MapStore;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Exchange\Formats;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\Ids;
use Illuminate\Support\Collection;

/** The pages of maps: made, changed, renewed and withdrawn. */
final readonly class PublishedPages
{
    /** Of one map. */
    public const MOST = 20;

    private const LETTERS = '0123456789abcdefghjkmnpqrstvwxyz';

    public function __construct(private MapStore $store, private PageFiles $files)
    {
    }

    /** @return Collection<int, PublishedPage> the newest first */
    public function of(MapRecord $map): Collection
    {
        return PublishedPage::query()->with('map')->where('map_id', $map->id)->get()->sortByDesc('id')->values();
    }

    /**
     * @param  string|null  $topic  whose branch it is to be
     * @param  string|null  $address  twenty letters and digits; null for some that nobody guesses
     *
     * @throws NothingLeaves|InvalidEdit
     */
    public function publish(MapRecord $map, string $name, ?string $topic, Choices $choices, bool $isFrozen, ?string $address = null): PublishedPage
    {
        if (PublishedPage::query()->where('map_id', $map->id)->count() >= self::MOST) {
            throw new InvalidEdit('A map has at most '.self::MOST.' pages. Withdraw one that nobody needs any more.', 'name');
        }
        $topics = $this->store->load($map);
        $topic === null || $topics->topic($topic);
        $leaving = Outgoing::of($topics, $topic);

        return PublishedPage::query()->create([
            'id' => Ids::next(), 'map_id' => $map->id, 'address' => $address ?? self::address(), 'topic' => $topic, 'name' => $name, 'choices' => $choices->saying(),
            'frozen' => $isFrozen ? Formats::write($leaving, 'json') : null, 'views' => 0, 'made' => time(), 'renewed' => time(), 'version' => 0,
        ]);
    }

    /**
     * @param  bool|null  $isFrozen  null for as it is
     * @param  bool  $isRenewed  whether a frozen one shows the map as it is now
     * @param  bool  $isMoved  whether it gets another address, and the one it has leads nowhere any more
     *
     * @throws NothingLeaves
     */
    public function change(PublishedPage $page, ?string $name, ?bool $isFrozen, bool $isRenewed, bool $isMoved): PublishedPage
    {
        $before = $page->address;
        $page->name = $name ?? $page->name;
        $wasFrozen = $page->frozen !== null;
        if ($isFrozen === false) {
            $page->frozen = null;
        } elseif (($isFrozen === true && ! $wasFrozen) || ($isRenewed && $wasFrozen)) {
            $page->frozen = Formats::write(Outgoing::of($this->store->load($page->map ?? throw new NothingLeaves), $page->topic), 'json');
        }
        if ($isRenewed || $isFrozen !== null) {
            $page->renewed = time();
        }
        if ($isMoved) {
            $page->address = self::address();
        }
        $page->version++;
        $page->save();
        $this->files->forget($before);

        return $page;
    }

    public function withdraw(PublishedPage $page): void
    {
        $page->delete();
        $this->files->forget($page->address);
    }

    /** Twenty letters, a hundred bits, that nobody guesses. */
    private static function address(): string
    {
        return implode('', array_map(fn (): string => self::LETTERS[random_int(0, 31)], range(1, 20)));
    }
}
