<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\Ask;
use App\Models\Block;
use App\Models\Folder;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Share;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\Ids;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Builder;

/** Lets people into maps and folders, and out again. */
final readonly class Shares
{
    /** Of one map or folder. */
    private const MOST = 200;

    /** Of one person. */
    private const MOST_OF_ALL = 5000;

    /** Addresses from which somebody hears nothing. */
    private const MOST_BLOCKED = 500;

    /** Who ask for the same map. */
    private const MOST_ASKING = 100;

    public function __construct(private Connection $database, private ShareLetters $letters, private Access $access)
    {
    }

    /**
     * Lets somebody into a map or a folder, or says otherwise what they may; who is new is told by letter.
     *
     * @param  string  $words  what the letter says besides
     */
    public function give(Person $owner, MapRecord|Folder $what, string $email, Role $role, string $words = ''): Share
    {
        [$share, $isNew] = $this->database->transaction(fn (): array => $this->given($owner, $what, $email, $role));
        if ($isNew) {
            $this->letters->shared($owner, $what, $share, $words);
        }

        return $share;
    }

    /** @return array{Share, bool} the share, and whether there was none */
    private function given(Person $owner, MapRecord|Folder $what, string $email, Role $role): array
    {
        if ($email === $owner->email) {
            throw new InvalidEdit('This is your own address: it is yours already.', 'email');
        }
        // Whoever wants to hear nothing from somebody is not told so to them either.
        if ($this->isBlocked($email, $owner->email)) {
            throw new InvalidEdit('This address cannot be shared with.', 'email');
        }
        if (Block::query()->where('person_id', $owner->id)->where('email', $email)->exists()) {
            throw new InvalidEdit('You block this address. Let it in again first.', 'email');
        }
        // One after the other, so that nobody is let in twice at once.
        $what->newQuery()->whereKey($what->getKey())->lockForUpdate()->value('id');
        $known = $this->of($what)->where('email', $email)->first();
        if ($known === null && ($this->of($what)->count() >= self::MOST || Share::query()->where('owner_id', $owner->id)->count() >= self::MOST_OF_ALL)) {
            throw new InvalidEdit('This is shared with as many people as it can be: 200.', 'email');
        }
        $share = $known ?? new Share(['id' => Ids::next(), 'owner_id' => $owner->id, 'map_id' => $what instanceof MapRecord ? $what->id : null, 'folder_id' => $what instanceof Folder ? $what->id : null, 'email' => $email, 'made' => time()]);
        $share->role = $role;
        $share->save();
        if ($what instanceof MapRecord) {
            Ask::query()->where('map_id', $what->id)->whereHas('person', fn (Builder $person) => $person->where('email', $email))->delete();
        }

        return [$share, $known === null];
    }

    /** @return Builder<Share> */
    public function of(MapRecord|Folder $what): Builder
    {
        return Share::query()->where($what instanceof MapRecord ? 'map_id' : 'folder_id', $what->id);
    }

    public function change(Share $share, Role $role): void
    {
        $share->role = $role;
        $share->save();
    }

    /** Takes back what was given, by whoever gave it or got it; an offer of the map goes with it. */
    public function end(Share $share): void
    {
        $this->database->transaction(function () use ($share): void {
            MapRecord::query()->where('person_id', $share->owner_id)->where('offered_to', $share->email)
                ->when($share->map_id !== null, fn (Builder $maps) => $maps->whereKey($share->map_id))->update(['offered_to' => null]);
            $share->delete();
        });
    }

    /** Somebody asks to be let in. Whoever asks learns nothing of whether there is such a map. */
    public function ask(Person $person, string $id, string $words): void
    {
        $map = MapRecord::query()->with('person')->find($id);
        $owner = $map?->person;
        if ($map === null || $owner === null || $map->trashed_at !== null || $this->access->role($person, $map) !== null || $this->isBlocked($owner->email, $person->email)) {
            return;
        }
        $known = Ask::query()->where('map_id', $map->id)->where('person_id', $person->id)->first();
        if ($known !== null) {
            $known->update(['words' => $words]);
        } elseif (Ask::query()->where('map_id', $map->id)->count() < self::MOST_ASKING) {
            Ask::query()->create(['map_id' => $map->id, 'person_id' => $person->id, 'words' => $words, 'made' => time()]);
            $this->letters->asked($person, $owner, $map, $words);
        }
    }

    public function decline(MapRecord $map, int $person): void
    {
        Ask::query()->where('map_id', $map->id)->where('person_id', $person)->delete();
    }

    /**
     * Offers a map to somebody who may open it; nothing changes until they take it.
     *
     * @param  string|null  $email  null takes the offer back
     */
    public function offer(Person $owner, MapRecord $map, ?string $email): void
    {
        if ($email !== null && $map->hand_out !== null) {
            throw new InvalidEdit('This map stands with a class. Make a copy of it to hand on.', 'email');
        }
        if ($email !== null) {
            $other = Person::query()->where('email', $email)->first();
            if ($other === null || $this->access->role($other, $map)?->isAtLeast(Role::Edit) !== true || $other->id === $owner->id || $other->pupil_of !== null) {
                throw new InvalidEdit('A map can be handed on to somebody with an account who may work in it.', 'email');
            }
        }
        $isNew = $email !== null && $map->offered_to !== $email;
        MapRecord::query()->whereKey($map->id)->update(['offered_to' => $email]);
        if ($isNew) {
            $this->letters->offered($owner, $map, $email);
        }
    }

    /** Makes a map that was offered somebody's own; whose it was goes on working in it. */
    public function take(Person $person, MapRecord $map): void
    {
        $this->database->transaction(function () use ($person, $map): void {
            MapRecord::query()->whereKey($map->id)->lockForUpdate()->value('id');
            $map->refresh();
            $before = $map->person()->firstOrFail();
            if ($map->offered_to !== $person->email || $map->person_id === $person->id) {
                throw new InvalidEdit('This map is not offered to you, or no longer.');
            }
            // Those who came in by a folder of its owner's stay in.
            foreach ($this->access->reaching($map, Share::query()->where('owner_id', $before->id)->get()) as $share) {
                if ($share->email !== $person->email) {
                    $this->keepIn($person, $map, $share->email, $share->role);
                }
            }
            $this->of($map)->where('email', $person->email)->delete();
            $this->keepIn($person, $map, $before->email, Role::Edit);
            MapRecord::query()->whereKey($map->id)->update(['person_id' => $person->id, 'folder' => null, 'offered_to' => null, 'favourite' => false, 'starter' => false]);
        });
    }

    private function keepIn(Person $owner, MapRecord $map, string $email, Role $role): void
    {
        $share = $this->of($map)->where('email', $email)->first() ?? new Share(['id' => Ids::next(), 'map_id' => $map->id, 'email' => $email, 'made' => time(), 'role' => $role]);
        $share->owner_id = $owner->id;
        $share->role = $share->role->isAtLeast($role) ? $share->role : $role;
        $share->save();
    }

    /** From now on nothing is shared between the two, either way, and neither hears from the other. */
    public function block(Person $person, string $email): Block
    {
        if ($email === $person->email) {
            throw new InvalidEdit('This is your own address.', 'email');
        }
        if (Block::query()->where('person_id', $person->id)->count() >= self::MOST_BLOCKED) {
            throw new InvalidEdit('At most 500 addresses can be blocked.', 'email');
        }

        return $this->database->transaction(function () use ($person, $email): Block {
            $other = Person::query()->where('email', $email)->first();
            foreach (Share::query()->where('owner_id', $person->id)->where('email', $email)->get() as $share) {
                $this->end($share);
            }
            if ($other !== null) {
                foreach (Share::query()->where('owner_id', $other->id)->where('email', $person->email)->get() as $share) {
                    $this->end($share);
                }
                Ask::query()->where('person_id', $other->id)->whereIn('map_id', $person->maps()->select('id'))->delete();
            }

            return Block::query()->firstOrCreate(['person_id' => $person->id, 'email' => $email], ['id' => Ids::next()]);
        });
    }

    /** Whether somebody with an account wants to hear nothing from an address. */
    private function isBlocked(string $by, string $from): bool
    {
        return Block::query()->where('email', $from)->whereIn('person_id', Person::query()->where('email', $by)->select('id'))->exists();
    }
}
