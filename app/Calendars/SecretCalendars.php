<?php

declare(strict_types=1);

namespace App\Calendars;

use App\Models\CalendarAddress;
use App\Models\MapRecord;
use App\Store\MapStore;
use ChalkTree\Exchange\Formats;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;

/** What of maps has a date, at addresses that are secret: made, withdrawn, read by whoever knows one. */
final readonly class SecretCalendars
{
    /** Bytes of chance in an address. */
    private const CHANCE = 24;

    public function __construct(private MapStore $store)
    {
    }

    /** The address of a map; null where it has none. */
    public function of(MapRecord $map): ?string
    {
        $kept = CalendarAddress::query()->find($map->id);

        return $kept === null ? null : self::whole($kept->address);
    }

    /** Gives a map an address; the one that it had leads nowhere any more. */
    public function make(MapRecord $map): string
    {
        $address = bin2hex(random_bytes(self::CHANCE));
        CalendarAddress::query()->updateOrCreate(['map_id' => $map->id], ['hash' => hash('sha256', $address), 'address' => $address]);

        return self::whole($address);
    }

    public function withdraw(MapRecord $map): void
    {
        CalendarAddress::query()->where('map_id', $map->id)->delete();
    }

    /** What stands at an address, as iCalendar without what is private; null where nothing does. */
    public function read(string $address): ?string
    {
        $map = CalendarAddress::query()->where('hash', hash('sha256', $address))->first()?->map;
        if ($map === null || $map->trashed_at !== null) {
            return null;
        }
        try {
            return Formats::write(Outgoing::of($this->store->load($map)), 'ics');
        } catch (NothingLeaves) {
            return null;
        }
    }

    private static function whole(string $address): string
    {
        return url("/api/calendars/{$address}.ics");
    }
}
