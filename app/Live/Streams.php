<?php

declare(strict_types=1);

namespace App\Live;

use App\Models\LiveChannel;
use App\Models\MapRecord;
use App\Models\Person;
use App\Sharing\Access;
use App\Sharing\Role;
use App\Store\MapAnswers;
use App\Store\ViewStore;
use Illuminate\Contracts\Cache\LockProvider;
use Illuminate\Contracts\Cache\Repository;
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

    /** Bytes; whoever would be told more asks for it. */
    private const LONGEST = 400_000;

    /** Seconds after which telling that never ended, because its process did, counts as over. */
    private const STUCK = 20;

    public function __construct(private Hub $hub, private Access $access, private ViewStore $views, private MapAnswers $answers, private ReaderNews $readers, private Repository $cache)
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
        $kind = $look['filter'] !== null ? ChannelKind::Asks : ($role->isAtLeast(Role::Edit) ? ChannelKind::Whole : ChannelKind::Cut);
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
            if ($kind === ChannelKind::Cut) {
                $this->readers->begin($channel, $map);
            }
        }
        $channel->fill(['access' => $access, 'opened' => time()]);
        // Somebody else may have begun to listen in the same view just now.
        LiveChannel::query()->upsert([$channel->getAttributes()], ['name'], ['opened']);

        return [$name, self::people($map, $role)];
    }

    /** Tells what is new in a map, and ends the streams of which somebody may no longer listen. */
    public function tell(string $map): void
    {
        $store = $this->cache->getStore();
        if (! $this->hub->isThere() || ! $store instanceof LockProvider) {
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

    private function tellAll(string $map): void
    {
        $channels = LiveChannel::query()->where('map_id', $map)->get();
        $record = $channels->isEmpty() ? null : MapRecord::query()->find($map);
        $access = $record === null ? '' : $this->access->fingerprint($record);
        foreach ($channels as $channel) {
            if ($record === null || $channel->access !== $access) {
                $this->end($channel);
            } elseif ($channel->seq < $record->seq) {
                $this->tellOne($channel, $record);
            }
        }
    }

    private function tellOne(LiveChannel $channel, MapRecord $record): void
    {
        $news = match ($channel->kind) {
            ChannelKind::Whole => $this->answers->told($record, $channel->view(), "live {$channel->name}", $channel->seq),
            ChannelKind::Cut => $this->readers->of($channel, $record),
            ChannelKind::Asks => null,
        };
        $seq = is_int($news['seq'] ?? null) ? $news['seq'] : $record->seq;
        $message = $news === null ? '' : json_encode(['news' => $news], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR, 4096);
        if ($news === null || strlen($message) > self::LONGEST) {
            $message = json_encode(['asks' => $seq], JSON_THROW_ON_ERROR);
        }
        $listening = $this->hub->publish($channel->name, $message);
        if ($listening === 0 && $channel->opened < time() - self::ALONE) {
            $this->end($channel);
        } else {
            LiveChannel::query()->whereKey($channel->name)->update(['seq' => $seq]);
        }
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
