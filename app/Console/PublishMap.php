<?php

declare(strict_types=1);

namespace App\Console;

use App\HandOver\WishReader;
use App\Models\PublishedPage;
use App\Publishing\PageViews;
use App\Publishing\PublishedPages;
use App\Store\MapStore;
use RuntimeException;

/** Gives a map a page that needs no account, tells of those it has, brings one up to date or withdraws it. */
final class PublishMap extends MapCommand
{
    protected $signature = 'map:publish {id} {--name=Page : what it is for} {--topic= : the id of a topic, for its branch alone} {--frozen : stays as it is now} {--set=* : as for map:export, as depth=2 or noNotes=1}
        {--list : prints the pages of the map: address, name, how often opened} {--renew= : brings the page at this address up to date} {--withdraw= : the page at this address} {--owner=}';

    protected $description = 'Gives a map a page at an address of its own that needs no account, and prints the address. Nothing private is on it.';

    public function handle(MapStore $store, PublishedPages $pages, PageViews $views): int
    {
        $record = $this->record();
        $views->take();
        if ($this->option('list') === true) {
            foreach ($pages->of($record) as $page) {
                $this->put(implode("\t", [$page->url(), $page->name, $page->views])."\n");
            }

            return self::SUCCESS;
        }
        $at = $this->text('withdraw') ?? $this->text('renew');
        if ($at !== null) {
            $page = $pages->of($record)->first(fn (PublishedPage $one): bool => $one->address === basename($at)) ?? throw new RuntimeException("This map has no page at {$at}.");
            $this->text('withdraw') === null ? $pages->change($page, null, null, true, false) : $pages->withdraw($page);

            return self::SUCCESS;
        }
        $topics = $store->load($record);
        $said = [];
        foreach ((array) $this->option('set') as $one) {
            [$name, $value] = [...explode('=', is_string($one) ? $one : '', 2), ''];
            $said[$name] = $value;
        }
        $topic = $this->text('topic');
        $page = $pages->publish($record, $this->text('name') ?? 'Page', $topic === null ? null : $topics->topic(strtolower($topic))->id, WishReader::choices($said, $topics), $this->option('frozen') === true);
        $this->put($page->url()."\n");

        return self::SUCCESS;
    }
}
