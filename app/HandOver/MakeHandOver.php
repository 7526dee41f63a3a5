<?php

declare(strict_types=1);

namespace App\HandOver;

use App\Library\Exports;
use App\Models\HandOver;
use App\Sharing\Access;
use App\Sharing\Sight;
use App\Store\ViewStore;
use ChalkTree\Refusal;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/** Makes a file that somebody waits for, telling how far it is. */
final class MakeHandOver implements ShouldQueue
{
    use Queueable;

    public int $tries = 2;

    /** The queue of what somebody waits for, which goes first. */
    public const QUEUE = 'handing';

    public function __construct(public readonly string $id)
    {
        $this->onQueue(self::QUEUE);
    }

    public function handle(Sight $sight, Access $access, ViewStore $views, Exports $exports, MadeFiles $made): void
    {
        $wanted = HandOver::query()->with(['map', 'person'])->find($this->id);
        if ($wanted === null || HandOver::query()->whereKey($this->id)->whereIn('state', ['waiting', 'working'])->update(['state' => 'working', 'touched' => time()]) === 0) {
            return;
        }
        try {
            $map = $wanted->map ?? throw new NotMade('This map is no longer there.');
            $person = $wanted->person ?? throw new NotMade('This account is no longer there.');
            // Who may do what can have changed while this waited.
            if ($map->trashed_at !== null || $access->role($person, $map) === null || (Exports::isComplete($wanted->to) && ! $sight->isWhole($person, $map))) {
                throw new NotMade('This map is no longer shared with you so that you could have this file.');
            }
            $file = $exports->write($map, $sight->of($person, $map), $wanted->wish($views->board($map, $person)), new Watched($wanted), $person);
            $made->keep($wanted, $file);
            $this->end('done', 'Done', null);
        } catch (Stopped) {
            // Whoever waited knows.
        } catch (Refusal $refusal) {
            $this->end('failed', 'Not made', $refusal->getMessage());
        }
    }

    public function failed(?Throwable $why): void
    {
        $this->end('failed', 'Not made', 'The file could not be made. Try it once more, or hand over less.');
    }

    private function end(string $state, string $words, ?string $message): void
    {
        HandOver::query()->whereKey($this->id)->where('state', 'working')->update(['state' => $state, 'words' => $words, 'percent' => 100, 'message' => $message === null ? null : mb_substr($message, 0, 400), 'touched' => time()]);
    }
}
