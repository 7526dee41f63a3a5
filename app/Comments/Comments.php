<?php

declare(strict_types=1);

namespace App\Comments;

use App\Live\PeopleHere;
use App\Models\Comment;
use App\Models\MapRecord;
use App\Models\Notice;
use App\Models\Person;
use App\Models\Share;
use App\Models\TopicRecord;
use App\Sharing\Access;
use App\Sharing\Role;
use App\Sharing\Sight;
use ChalkTree\Comment\Mentions;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\HandOver\NothingLeaves;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Collection;

use function Illuminate\Support\defer;

/** What people say to each other about the topics of a map, and who is told of it. */
final readonly class Comments
{
    /** Of one map. */
    private const MOST = 5000;

    public function __construct(private Connection $database, private Access $access, private Sight $sight, private PeopleHere $people)
    {
    }

    /**
     * What is said about topics that somebody sees.
     *
     * @return array<string, mixed> "CommentsAnswer" in the wire schema
     */
    public function of(MapRecord $map, Person $person): array
    {
        $all = Comment::query()->with('person')->where('map_id', $map->id)->oldest('id')->get();
        $seen = $this->seen($map, $person, array_values(array_unique($all->map(fn (Comment $one): string => $one->topic_id)->all())));
        $people = $this->people($map);

        return [
            'talk' => $map->talk,
            'comments' => array_values($all->filter(fn (Comment $one): bool => isset($seen[$one->topic_id]))->map(fn (Comment $one): array => [
                'id' => $one->id, 'topic' => $one->topic_id, 'parent' => $one->parent, 'by' => $one->person->name, 'isOwn' => $one->person_id === $person->id, 'text' => $one->text,
                'made' => self::time($one->made), 'changed' => $one->changed === null ? null : self::time($one->changed), 'isResolved' => $one->resolved !== null,
            ])->all()),
            'people' => array_values(array_unique($people)),
        ];
    }

    /**
     * Says something about a topic.
     *
     * @param  string  $id  chosen by whoever says it, so that saying it again says nothing twice
     */
    public function say(MapRecord $map, Person $person, string $id, string $topic, ?string $parent, string $text): Comment
    {
        return $this->database->transaction(function () use ($map, $person, $id, $topic, $parent, $text): Comment {
            MapRecord::query()->whereKey($map->id)->lockForUpdate()->value('id');
            $known = Comment::query()->find($id);
            if ($known !== null) {
                return $known->map_id === $map->id && $known->person_id === $person->id ? $known : throw new InvalidEdit('This id is taken. Choose another.', 'id');
            }
            if (! isset($this->seen($map, $person, [$topic])[$topic])) {
                throw new InvalidEdit('This topic is no longer in the map.', 'topic');
            }
            $above = $parent === null ? null : Comment::query()->whereKey($parent)->where('map_id', $map->id)->where('topic_id', $topic)->where('parent', null)->first() ?? throw new InvalidEdit('What you answer to is no longer there.', 'parent');
            if (Comment::query()->where('map_id', $map->id)->count() >= self::MOST) {
                throw new InvalidEdit('A map holds at most 5,000 comments. Remove some that are settled.', 'text');
            }
            $comment = Comment::query()->create(['id' => $id, 'map_id' => $map->id, 'topic_id' => $topic, 'parent' => $parent, 'person_id' => $person->id, 'text' => $text, 'made' => time(), 'changed' => null, 'resolved' => null]);
            // Whoever answers what was settled takes it up again.
            $above?->update(['resolved' => null]);
            $this->tell($map, $comment, $above);
            $this->count($map);

            return $comment;
        });
    }

    public function change(Comment $comment, string $text): void
    {
        $this->database->transaction(function () use ($comment, $text): void {
            $comment->update(['text' => $text, 'changed' => time()]);
            $this->tell($comment->map, $comment, null);
            $this->count($comment->map);
        });
    }

    public function resolve(Comment $comment, bool $isResolved): void
    {
        if ($comment->parent !== null) {
            throw new InvalidEdit('An answer is settled with what it answers.', 'resolved');
        }
        $this->database->transaction(function () use ($comment, $isResolved): void {
            $comment->update(['resolved' => $isResolved ? time() : null]);
            $this->count($comment->map);
        });
    }

    /** Takes a comment away, with the answers to it. */
    public function remove(Comment $comment): void
    {
        $this->database->transaction(function () use ($comment): void {
            Comment::query()->where('parent', $comment->id)->delete();
            $comment->delete();
            $this->count($comment->map);
        });
    }

    /** Somebody has seen what is said in a map. */
    public function see(MapRecord $map, Person $person): void
    {
        Notice::query()->where('person_id', $person->id)->where('seen', false)->whereIn('comment_id', Comment::query()->where('map_id', $map->id)->select('id'))->update(['seen' => true]);
    }

    /** @return array<int, string> the names of those who may say something in a map, by person */
    public function people(MapRecord $map): array
    {
        $emails = $this->access->reaching($map, Share::query()->where('owner_id', $map->person_id)->where('role', '<>', Role::View->value)->get())->map(fn (Share $share): string => $share->email)->all();

        return Person::query()->where(fn ($query) => $query->whereKey($map->person_id)->orWhereIn('email', $emails))->get()->mapWithKeys(fn (Person $one): array => [$one->id => $one->name])->all();
    }

    /** Whom it names, and those who spoke where it answers, are told, whoever of them may see the topic. */
    private function tell(MapRecord $map, Comment $comment, ?Comment $above): void
    {
        $people = $this->people($map);
        $told = Mentions::in($comment->text, $people);
        if ($above !== null) {
            array_push($told, $above->person_id, ...Comment::query()->where('parent', $above->id)->pluck('person_id')->all());
        }
        /** @var Collection<int, Person> $all */
        $all = Person::query()->whereKey(array_diff(array_intersect(array_unique($told), array_keys($people)), [$comment->person_id]))->get();
        // The map is cut once for all who do not see the whole of it.
        $isLeft = null;
        foreach ($all as $person) {
            if ($this->sight->isWhole($person, $map) || ($isLeft ??= $this->isLeft($map, $comment->topic_id))) {
                Notice::query()->firstOrCreate(['person_id' => $person->id, 'comment_id' => $comment->id], ['seen' => false, 'sent' => false]);
            }
        }
    }

    private function isLeft(MapRecord $map, string $topic): bool
    {
        try {
            return $this->sight->cut($map)->has($topic);
        } catch (NothingLeaves) {
            return false;
        }
    }

    /**
     * @param  list<string>  $topics
     * @return array<string, true> those of some topics that somebody sees
     */
    public function seen(MapRecord $map, Person $person, array $topics): array
    {
        if ($topics === []) {
            return [];
        }
        if ($this->sight->isWhole($person, $map)) {
            $there = array_map(fn (array $some): array => TopicRecord::query()->toBase()->where('map_id', $map->id)->whereNull('removed')->whereIn('id', $some)->pluck('id')->all(), array_chunk($topics, 400));

            return array_fill_keys(array_map(strval(...), array_merge(...$there)), true);
        }
        try {
            $cut = $this->sight->cut($map);
        } catch (NothingLeaves) {
            return [];
        }

        return array_fill_keys(array_values(array_filter($topics, $cut->has(...))), true);
    }

    private function count(MapRecord $map): void
    {
        MapRecord::query()->whereKey($map->id)->increment('talk');
        $map->refresh();
        $this->database->afterCommit(fn () => defer(fn () => $this->people->tell($map)));
    }

    public static function time(int $seconds): string
    {
        return gmdate('Y-m-d\TH:i:s\Z', $seconds);
    }
}
