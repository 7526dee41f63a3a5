<?php

declare(strict_types=1);

namespace App\Viewing;

use App\Models\MapRecord;
use App\Models\Person;
use App\Models\PublishedPage;
use App\Models\ViewingLink;
use App\Sharing\ShareLetters;
use App\Store\MapStore;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\Ids;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Contracts\Hashing\Hasher;

/** Ways into maps without an account: made, told, sent by letter, found, withdrawn. */
final readonly class ViewingLinks
{
    /** Of one map. */
    private const MOST = 50;

    private const LETTERS = '0123456789abcdefghjkmnpqrstvwxyz';

    public function __construct(private MapStore $store, private Hasher $hasher, private ShareLetters $letters)
    {
    }

    /**
     * @param  array{topic: string|null, until: int|null, password: string|null, notes: bool, files: bool, copying: bool}  $wish
     *
     * @throws NothingLeaves|InvalidEdit
     */
    public function make(MapRecord $map, array $wish): ViewingLink
    {
        if (ViewingLink::query()->where('map_id', $map->id)->count() >= self::MOST) {
            throw new InvalidEdit('A map has at most 50 viewing links. Withdraw one that nobody needs any more.', 'topic');
        }
        if ($wish['until'] !== null && $wish['until'] <= time()) {
            throw new InvalidEdit('This day is over.', 'until');
        }
        $topics = $this->store->load($map);
        $wish['topic'] === null || $topics->topic($wish['topic']);
        Outgoing::of($topics, $wish['topic']);
        // Twenty letters, a hundred bits, that nobody guesses.
        $address = implode('', array_map(fn (): string => self::LETTERS[random_int(0, 31)], range(1, 20)));

        return ViewingLink::query()->create(['id' => Ids::next(), 'map_id' => $map->id, 'hash' => hash('sha256', $address), 'address' => $address, 'views' => 0, 'last' => null, 'made' => time()]
            + ['topic' => $wish['topic'] === $map->root ? null : $wish['topic'], 'password' => $wish['password'] === null ? null : $this->hasher->make($wish['password'])] + $wish);
    }

    /** @return array<string, mixed> "LinksAnswer" in the wire schema, the newest first */
    public function told(MapRecord $map): array
    {
        $topics = $this->store->load($map);

        return ['links' => array_values(ViewingLink::query()->where('map_id', $map->id)->get()->sortByDesc('id')->map(fn (ViewingLink $link): array => [
            'id' => $link->id, 'url' => $link->url(), 'topic' => $link->topic, 'title' => $link->topic === null ? null : InlineMarkdown::oneLine($topics->find($link->topic)->title ?? ''),
            'until' => $link->until === null ? null : gmdate('Y-m-d\TH:i:s\Z', $link->until), 'isOver' => self::isOver($link), 'hasPassword' => $link->password !== null, 'notes' => $link->notes, 'files' => $link->files, 'copying' => $link->copying,
            'views' => $link->views, 'last' => $link->last === null ? null : gmdate('Y-m-d\TH:i:s\Z', $link->last), 'made' => gmdate('Y-m-d\TH:i:s\Z', $link->made),
        ])->all())];
    }

    /** The link at an address that still leads somewhere; null for any other. */
    public function find(string $address): ?ViewingLink
    {
        $link = ViewingLink::query()->with('map')->where('hash', hash('sha256', $address))->first();

        return $link === null || self::isOver($link) || $link->map === null || $link->map->trashed_at !== null ? null : $link;
    }

    /** Sends it by letter. */
    public function send(Person $from, ViewingLink $link, string $to, string $words): void
    {
        $this->letters->link($from, $link, $to, $words);
    }

    public function withdraw(ViewingLink $link): void
    {
        $link->delete();
    }

    /** What it shows, as a page that is kept nowhere. */
    public static function page(ViewingLink $link): PublishedPage
    {
        $page = new PublishedPage(['id' => $link->id, 'map_id' => $link->map_id, 'address' => $link->address, 'topic' => $link->topic, 'name' => '', 'choices' => $link->notes ? [] : ['noNotes' => true], 'frozen' => null, 'views' => 0, 'made' => $link->made, 'renewed' => $link->made, 'version' => 0]);
        $page->setRelation('map', $link->map);
        $page->way = 'v';
        $page->hasFiles = $link->files;

        return $page;
    }

    private static function isOver(ViewingLink $link): bool
    {
        return $link->until !== null && $link->until <= time();
    }
}
