<?php

declare(strict_types=1);

namespace App\Account;

use App\Models\Person;
use App\Models\SignIn;
use ChalkTree\Map\Ids;
use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;

/** Where somebody is signed in: each browser by itself, seen and ended by whoever it is. */
final readonly class SignIns
{
    /** By which a session names it. */
    public const KEY = 'sign_in';

    /** Seconds between two notes of one. */
    private const OFTEN = 300;

    /** Seconds within which one browser begins once. */
    private const AT_ONCE = 10;

    /** Seconds after which one that was not used is over. */
    private const OVER = 90 * 24 * 3600;

    /** Of one person; those used longest ago go first. */
    private const MOST = 50;

    private const LONGEST = 200;

    /** Whether a session still stands; one that has just begun is noted down. */
    public function stands(Request $request, Person $person): bool
    {
        $session = $request->session();
        $id = $session->get(self::KEY);
        if (! is_string($id)) {
            $this->begin($request, $person);

            return true;
        }
        $its = SignIn::query()->where('person_id', $person->id)->find($id);
        if ($its !== null && $its->last < now()->getTimestamp() - self::OFTEN) {
            $its->update(['last' => now()->getTimestamp(), 'ip' => (string) $request->ip()]);
        }

        return $its !== null;
    }

    /** Somebody signs in; it is the same where they were signed in in this browser already. What is remembered is noted with the first request. */
    public function login(Request $request, Person $person): void
    {
        $isKnown = $request->hasSession() && SignIn::query()->where('person_id', $person->id)->whereKey($request->session()->get(self::KEY))->exists();
        if ($request->hasSession() && ! $isKnown) {
            $request->session()->forget(self::KEY);
            if (! Auth::viaRemember()) {
                $this->begin($request, $person, isAlone: true);
            }
        }
    }

    /** @param  bool  $isAlone  whether no other request of the same page can find the session new as well */
    private function begin(Request $request, Person $person, bool $isAlone = false): void
    {
        SignIn::query()->where('person_id', $person->id)->where('last', '<', now()->getTimestamp() - self::OVER)->delete();
        $many = SignIn::query()->where('person_id', $person->id)->get()->sortByDesc('last')->slice(self::MOST - 1);
        SignIn::query()->whereKey($many->pluck('id'))->delete();
        $about = ['person_id' => $person->id, 'agent' => mb_substr(mb_scrub((string) $request->userAgent()), 0, self::LONGEST), 'ip' => (string) $request->ip()];
        // Several requests of one page may find it new.
        $known = $isAlone ? null : SignIn::query()->where($about)->where('began', '>=', now()->getTimestamp() - self::AT_ONCE)->first();
        $its = $known ?? SignIn::query()->create(['id' => Ids::next(), ...$about, 'began' => now()->getTimestamp(), 'last' => now()->getTimestamp()]);
        $request->session()->put(self::KEY, $its->id);
    }

    /** @return list<array{id: string, agent: string, ip: string, began: string, last: string, isThis: bool}> the one used last first */
    public function of(Person $person, Session $session): array
    {
        return array_values(SignIn::query()->where('person_id', $person->id)->get()->sortByDesc('last')->map(fn (SignIn $one): array => [
            'id' => $one->id, 'agent' => $one->agent, 'ip' => $one->ip, 'began' => gmdate('Y-m-d\TH:i:s\Z', $one->began), 'last' => gmdate('Y-m-d\TH:i:s\Z', $one->last), 'isThis' => $one->id === $session->get(self::KEY),
        ])->all());
    }

    /** Ends one, or all but this; none of them comes back by what its browser remembers. */
    public function end(Person $person, Session $session, ?string $id): void
    {
        SignIn::query()->where('person_id', $person->id)->when($id !== null, fn ($all) => $all->whereKey($id), fn ($all) => $all->whereKeyNot($session->get(self::KEY)))->delete();
        $person->setRememberToken(Str::random(60));
        $person->save();
    }

    /** This one is over. */
    public function leave(Session $session): void
    {
        SignIn::query()->whereKey($session->get(self::KEY))->delete();
    }
}
