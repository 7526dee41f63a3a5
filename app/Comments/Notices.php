<?php

declare(strict_types=1);

namespace App\Comments;

use App\Library\Shelf;
use App\Mail\Letter;
use App\Models\Ask;
use App\Models\Comment;
use App\Models\Notice;
use App\Models\Person;
use App\Models\TopicRecord;
use App\Sharing\Access;
use App\Sharing\Role;
use App\Store\MapStore;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;

/** Tells people of comments that are for them: in the application until they have seen them, and by letter, several in one. */
final readonly class Notices
{
    private const MOST = 50;

    /** Letters of a comment that a letter or a list tells. */
    private const EXCERPT = 300;

    /** Seconds for which a letter waits, so that more can come along and what was seen meanwhile needs none. */
    private const PATIENCE = 300;

    public function __construct(private Access $access, private Comments $comments, private MapStore $store, private Mailer $mailer)
    {
    }

    /**
     * What somebody has not seen yet, the newest first; of maps and topics that they may still see.
     *
     * @return list<array{id: int, map: string, mapTitle: string, topic: string, title: string, by: string, text: string, made: string}> "Told" in the wire schema
     */
    public function of(Person $person): array
    {
        $told = [];
        foreach ($this->waiting($person) as $notice) {
            $comment = $notice->comment;
            $title = TopicRecord::query()->where('map_id', $comment->map_id)->where('id', $comment->topic_id)->value('title');
            $root = TopicRecord::query()->where('map_id', $comment->map_id)->where('id', $comment->map->root)->value('title');
            $told[] = [
                'id' => $notice->id, 'map' => $comment->map_id, 'mapTitle' => Shelf::title($comment->map->title, (string) $root), 'topic' => $comment->topic_id, 'title' => InlineMarkdown::oneLine((string) $title),
                'by' => $comment->person->name, 'text' => mb_strimwidth($comment->text, 0, self::EXCERPT, '…'), 'made' => Comments::time($comment->made),
            ];
        }

        return $told;
    }

    /** @return list<array{map: string, mapTitle: string, name: string, words: string, made: string}> "ToldAsk" in the wire schema: who asks to be let into maps of somebody's, the newest first */
    public function asks(Person $person): array
    {
        /** @var Collection<int, Ask> $all */
        $all = Ask::query()->with(['person', 'map'])->whereHas('map', fn (Builder $map) => $map->where('person_id', $person->id)->where('trashed_at', null))->latest('id')->limit(self::MOST)->get();
        $told = [];
        foreach ($all as $ask) {
            $map = $ask->map;
            $root = TopicRecord::query()->where('map_id', $map->id)->where('id', $map->root)->value('title');
            $told[] = ['map' => $map->id, 'mapTitle' => Shelf::title($map->title, (string) $root), 'name' => $ask->person->name, 'words' => $ask->words, 'made' => Comments::time($ask->made)];
        }

        return $told;
    }

    /** @return list<Notice> */
    private function waiting(Person $person): array
    {
        /** @var Collection<int, Notice> $all limit() is the base query's, which knows no models */
        $all = Notice::query()->with(['comment.person', 'comment.map'])->where('person_id', $person->id)->where('seen', false)->latest('id')->limit(self::MOST)->get();

        // By maps, each of which is read once at most.
        $seen = [];
        foreach ($all->groupBy(fn (Notice $notice): string => $notice->comment->map_id) as $id => $its) {
            $map = $its->firstOrFail()->comment->map;
            $may = $map->trashed_at === null && $this->access->role($person, $map)?->isAtLeast(Role::Comment) === true;
            $seen[$id] = $may ? $this->comments->seen($map, $person, array_values(array_unique($its->map(fn (Notice $notice): string => $notice->comment->topic_id)->all()))) : [];
        }

        return array_values($all->filter(fn (Notice $notice): bool => isset($seen[$notice->comment->map_id][$notice->comment->topic_id]))->all());
    }

    /** How many comments the letter tells of; 0 where none is sent. */
    public function send(Person $person): int
    {
        $fresh = array_values(array_filter($this->waiting($person), fn (Notice $notice): bool => ! $notice->sent && $notice->comment->made <= time() - self::PATIENCE));
        if ($fresh === []) {
            return 0;
        }
        $maps = [];
        foreach ($fresh as $notice) {
            $maps[$notice->comment->map_id] ??= $this->store->load($notice->comment->map);
        }
        $held = array_map(Outgoing::held(...), $maps);
        $paragraphs = array_map(fn (Notice $notice): string => self::paragraph($notice->comment, $maps[$notice->comment->map_id], $held[$notice->comment->map_id]), array_reverse($fresh));
        $this->mailer->to($person->email)->send(new Letter(count($fresh) === 1 ? "{$fresh[0]->comment->person->name} says something to you" : count($fresh).' comments for you', ["Hello {$person->name},", ...$paragraphs]));
        Notice::query()->whereKey(array_map(fn (Notice $notice): int => $notice->id, $fresh))->update(['sent' => true]);

        return count($fresh);
    }

    /**
     * A letter goes through many hands: nothing of what is private is in it.
     *
     * @param  array<string, true>  $held  the private topics of the map
     */
    private static function paragraph(Comment $comment, TopicMap $map, array $held): string
    {
        $way = rtrim((string) config('app.url'), '/')."/maps/{$comment->map_id}/topics/{$comment->topic_id}";
        if (isset($held[$comment->topic_id]) || isset($held[$map->sheet()->root])) {
            return "{$comment->person->name}, about something private:\n{$way}";
        }
        $title = InlineMarkdown::oneLine($map->topic($comment->topic_id)->title);

        return "{$comment->person->name}, about “{$title}” in “".Shelf::title($comment->map->title, $map->root()->title)."”:\n".mb_strimwidth($comment->text, 0, self::EXCERPT, '…')."\n{$way}";
    }
}
