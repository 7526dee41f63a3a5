<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Mail\Letter;
use App\Models\Folder;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Share;
use App\Models\ViewingLink;
use ChalkTree\HandOver\NothingLeaves;
use Illuminate\Contracts\Mail\Mailer;

/** Tells people by letter what is shared with them, who asks for a map, and what is offered to them. */
final readonly class ShareLetters
{
    public function __construct(private Mailer $mailer, private Sight $sight)
    {
    }

    public function shared(Person $owner, MapRecord|Folder $what, Share $share, string $words): void
    {
        $name = $this->name($what);
        $isKnown = Person::query()->where('email', $share->email)->exists();
        $sort = $what instanceof MapRecord ? 'a map' : 'a folder of maps';
        $way = match (true) {
            ! $isKnown => ['You have no account yet. Register with this address, and it is in your library:', $this->address('/register?'.http_build_query(['email' => $share->email]))],
            $what instanceof MapRecord => ['Open it:', $this->address("/maps/{$what->id}")],
            default => ['It is in your library:', $this->address('/')],
        };
        $this->mailer->to($share->email)->send(new Letter("{$owner->name} shares {$sort} with you", [
            "{$owner->name} ({$owner->email}) shares {$sort} with you: {$name}. You may {$share->role->words()}.",
            ...($words === '' ? [] : [$words]),
            ...$way,
            'In your library you can leave what is shared with you, and block whoever shares what you do not want.',
        ]));
    }

    public function asked(Person $who, Person $owner, MapRecord $map, string $words): void
    {
        $this->mailer->to($owner->email)->send(new Letter("{$who->name} asks to see a map of yours", [
            "{$who->name} ({$who->email}) asks to be let into your map {$this->name($map)}.",
            ...($words === '' ? [] : [$words]),
            'Open the map and press Share to let them in, or to say no:',
            $this->address("/maps/{$map->id}"),
        ]));
    }

    public function offered(Person $owner, MapRecord $map, string $email): void
    {
        $this->mailer->to($email)->send(new Letter("{$owner->name} offers you a map", [
            "{$owner->name} ({$owner->email}) wishes to hand the map {$this->name($map)} on to you, so that it is yours from then on.",
            'Open the map and press Share to take it:',
            $this->address("/maps/{$map->id}"),
        ]));
    }

    /** The address of a viewing link, which needs no account. */
    public function link(Person $from, ViewingLink $link, string $to, string $words): void
    {
        $map = $link->map ?? throw new NothingLeaves;
        $this->mailer->to($to)->send(new Letter("{$from->name} shows you a map", [
            "{$from->name} ({$from->email}) shows you ".($link->topic === null ? 'the map' : 'a part of the map')." {$this->name($map)}. You need no account to look at it:",
            ...($words === '' ? [] : [$words]),
            $link->url(),
            ...($link->password === null ? [] : ['It asks for a password, which is not in this letter.']),
            ...($link->until === null ? [] : ['It can be looked at until '.gmdate('j F Y', $link->until).'.']),
        ]));
    }

    /** A letter goes through many hands: nothing private is in it. */
    private function name(MapRecord|Folder $what): string
    {
        return '“'.($what instanceof Folder ? $what->name : ($this->sight->told($what)['title'] ?? 'a private map')).'”';
    }

    private function address(string $path): string
    {
        return rtrim((string) config('app.url'), '/').$path;
    }
}
