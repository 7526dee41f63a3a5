<?php

declare(strict_types=1);

namespace App\Live;

use App\Models\LiveChannel;
use App\Models\MapRecord;
use App\Models\Person;
use App\Sharing\Access;
use App\Sharing\Role;
use App\Store\LayoutMemories;
use App\Store\ViewNews;
use App\Store\ViewStore;
use Illuminate\Contracts\Cache\LockProvider;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Config;

/**
 * Tells those who have a map open what is new in it, without their asking. There is a channel for each map, set of
 * rights and view: what changed is computed once for all who see it alike. What a person may is asked when they begin
 * to listen; as soon as anybody's rights are others, all streams of the map end, and whoever may begins anew.
 */
final readonly class Streams
{
    /** Seconds after which a channel that nobody listens to is no more; whoever has just begun is not counted yet. */
    private const ALONE = 30;

    /** Seconds within which all web servers know of somebody who listens at one of them. */
    private const UNHEARD = 3;

    /** Views of one map that are computed; whoever sees it in yet another one asks. */
    private const MOST = 40;

    /** Bytes; whoever would be told more asks for it. */
    private const LONGEST = 400_000;

    /** Seconds after which telling that never ended, because its process did, counts as over. */
    private const STUCK = 30;

    /** Seconds after which whoever tells has told enough, and the next one goes on. */
    private const ENOUGH = 10;

    /** So many times as long as it took to tell those who only look, they are not told again. */
    private const RESTS = 1.5;

    /** Microseconds between two looks while they are not. */
    private const PAUSE = 10_000;

    public function __construct(private Hub $hub, private Access $access, private ViewStore $views, private ViewNews $news, private Repository $cache)
    {
    }

    /**
     * Lets somebody who may open a map listen.
     *
     * @return array{string, string}|null the names of the channel of what is new, and of that of who is there; null where there are no streams
     */
    public function open(MapRecord $map, Person $person, string $pane): ?array
    {
        $role = $this->access->role($person, $map);
        if ($role === null || ! $this->hub->isThere()) {
            return null;
        }
        $look = $this->views->of($map, $person, $pane);
        $isAsking = $look['filter'] !== null || $this->isFull($map);
        $kind = $isAsking ? ChannelKind::Asks : ($role->isAtLeast(Role::Edit) ? ChannelKind::Whole : ChannelKind::Cut);
        sort($look['folded']);
        $look = ['folded' => $look['folded'], 'outlineFolded' => [], 'chosen' => null, 'scope' => $look['scope'], 'outlineScope' => null, 'showing' => $look['showing'] && $kind === ChannelKind::Whole, 'filter' => null];
        [$face, $today] = $kind === ChannelKind::Asks ? [null, ''] : [$person->face?->value, $person->today()];
        $look = $kind === ChannelKind::Asks ? ['folded' => [], 'scope' => null, 'showing' => false] + $look : $look;
        $name = self::name($map, $kind->value, json_encode([$look, $face, $today], JSON_THROW_ON_ERROR));
        $access = $this->access->fingerprint($map);
        $channel = LiveChannel::query()->find($name);
        if ($channel !== null && $channel->access !== $access) {
            // Among those who listen somebody may be who no longer may.
            $this->end($channel);
            $channel = null;
        }
        if ($channel === null) {
            $channel = new LiveChannel(['name' => $name, 'map_id' => $map->id, 'kind' => $kind, 'look' => $look, 'face' => $face, 'today' => $today, 'seq' => $map->seq]);
        }
        $channel->fill(['access' => $access, 'opened' => time()]);
        // Somebody else may have begun to listen in the same view just now.
        LiveChannel::query()->upsert([$channel->getAttributes()], ['name'], ['opened']);

        return [$name, self::people($map, $role)];
    }

    /** Whether there are as many views of a map as are computed. */
    private function isFull(MapRecord $map): bool
    {
        return LiveChannel::query()->where('map_id', $map->id)->where('kind', '<>', ChannelKind::Asks)->count() >= self::MOST;
    }

    /** Tells what is new in a map, and ends the streams of which somebody may no longer listen. */
    public function tell(string $map): void
    {
        $store = $this->cache->getStore();
        if (! $this->hub->isThere() || ! $store instanceof LockProvider || LiveChannel::query()->where('map_id', $map)->doesntExist()) {
            return;
        }
        do {
            // Whoever tells already looks again once it is done, so nobody waits for it.
            $lock = $store->lock("telling {$map}", self::STUCK);
            if (! $lock->get()) {
                return;
            }
            try {
                $this->tellAll($map);
            } finally {
                $lock->release();
            }
        } while ($this->isBehind($map));
    }

    /** The same for all maps of somebody that are listened to. */
    public function tellOf(int $owner): void
    {
        if ($this->hub->isThere()) {
            LiveChannel::query()->join('maps', 'maps.id', '=', 'live_channels.map_id')->where('maps.person_id', $owner)->distinct()->pluck('maps.id')->each(fn (mixed $id) => $this->tell(is_string($id) ? $id : ''));
        }
    }

    private function isBehind(string $map): bool
    {
        $record = MapRecord::query()->find($map);

        return $record !== null && LiveChannel::query()->where('map_id', $map)
            ->where(fn ($channels) => $channels->where('seq', '<', $record->seq)->orWhere('access', '<>', $this->access->fingerprint($record)))->exists();
    }

    /**
     * Tells all until nothing is new. What may leave a large map takes a while to tell; in between those are told who work
     * in it.
     */
    private function tellAll(string $map): void
    {
        $end = microtime(true) + self::ENOUGH;
        $rests = 0.0;
        do {
            $isLast = microtime(true) > $end;
            $record = $this->endUnwelcome($map);
            if ($record === null) {
                return;
            }
            $behind = fn (bool $isCut): Collection => LiveChannel::query()->where('map_id', $map)->where('kind', $isCut ? '=' : '<>', ChannelKind::Cut)->where('seq', '<', $record->seq)->get();
            $this->tellThese($record, $behind(false));
            $cut = $behind(true);
            if ($cut->isNotEmpty() && ($isLast || microtime(true) >= $rests)) {
                $begun = microtime(true);
                $this->tellThese($record, $cut);
                $rests = microtime(true) + self::RESTS * (microtime(true) - $begun);
            } elseif ($cut->isNotEmpty()) {
                usleep(self::PAUSE);
            }
        } while (! $isLast && $this->isBehind($map));
    }

    /** Ends the streams among whose listeners somebody may be who no longer may, and gives the map as it is. */
    private function endUnwelcome(string $map): ?MapRecord
    {
        $record = MapRecord::query()->find($map);
        $access = $record === null ? '' : $this->access->fingerprint($record);
        LiveChannel::query()->where('map_id', $map)->where('access', '<>', $access)->get()->each($this->end(...));

        return $record;
    }

    /** @param  Collection<int, LiveChannel>  $channels  all of those who only look, or none of them */
    private function tellThese(MapRecord $record, Collection $channels): void
    {
        $channels = $channels->filter(fn (LiveChannel $channel): bool => $this->isHeard($channel, $record));
        $asked = [];
        foreach ($channels as $channel) {
            if ($channel->kind !== ChannelKind::Asks) {
                $isCut = $channel->kind === ChannelKind::Cut;
                $asked[$channel->name] = ['view' => $channel->view(), 'whose' => LayoutMemories::ofAll($channel->view(), $isCut), 'since' => $channel->seq, 'isCut' => $isCut];
            }
        }
        $news = $asked === [] ? [] : $this->news->of($record, $asked);
        foreach ($channels as $channel) {
            $this->tellOne($channel, $record, $news[$channel->name] ?? null);
        }
    }

    /** Whether somebody listens; what nobody hears is not computed, and whoever comes asks for what was before. */
    private function isHeard(LiveChannel $channel, MapRecord $record): bool
    {
        // Of somebody who has just begun at one web server another may not know yet.
        if ($this->hub->listening($channel->name) !== 0 || ($this->hub->isShared() && $channel->opened > time() - self::UNHEARD)) {
            return true;
        }
        if ($channel->opened < time() - self::ALONE) {
            $this->end($channel);
        } else {
            LiveChannel::query()->whereKey($channel->name)->update(['seq' => $record->seq]);
        }

        return false;
    }

    /** @param  array<string, mixed>|null  $news  null where they have to ask */
    private function tellOne(LiveChannel $channel, MapRecord $record, ?array $news): void
    {
        $seq = is_int($news['seq'] ?? null) ? $news['seq'] : $record->seq;
        $message = $news === null ? '' : json_encode(['news' => $news], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR, 4096);
        if ($news === null || strlen($message) > self::LONGEST) {
            $message = json_encode(['asks' => $seq], JSON_THROW_ON_ERROR);
        }
        $this->hub->publish($channel->name, $message);
        LiveChannel::query()->whereKey($channel->name)->update(['seq' => $seq]);
    }

    private function end(LiveChannel $channel): void
    {
        $this->hub->close($channel->name);
        $channel->delete();
    }

    /** Where those with a role hear who else is there. */
    public static function people(MapRecord $map, Role $role): string
    {
        return self::name($map, 'people', match ($role) {
            Role::View, Role::Comment => $role->value,
            Role::Edit, Role::Owner => Role::Edit->value,
        });
    }

    private static function name(MapRecord $map, string ...$of): string
    {
        return substr(hash_hmac('sha256', implode(' ', [$map->id, ...$of]), Config::string('app.key')), 0, 32);
    }
}
