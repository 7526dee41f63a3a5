<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Find\FactIndex;
use App\Find\FactSearch;
use App\Http\PlainJson;
use App\Http\Requests\AskPage;
use App\Links\PagePreviews;
use App\Models\FactRecord;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\TopicRecord;
use App\Sharing\Sight;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Link\Link;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Sign\TopicStamps;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Where links lead, before they are followed, and what leads here. */
final readonly class LinkController
{
    /** So much of a note is shown, characters. */
    private const NOTE = 400;

    private const MOST_POINTING = 100;

    public function __construct(private Sight $sight)
    {
    }

    /** What a topic is, for somebody who is not there; without one, its map. */
    public function card(Request $request, MapRecord $map, ?string $topic = null): JsonResponse
    {
        $person = $request->user();
        $topics = $person instanceof Person ? $this->sight->of($person, $map) : throw new NotFoundHttpException;
        $row = $topics->find($topic ?? $topics->sheet()->root) ?? throw new NotFoundHttpException;
        // How far it is may be told on another map, which knows nothing of what is private here.
        $told = array_diff_key($topics->branch($row->id), Outgoing::held($topics));

        return new PlainJson([
            'map' => $map->id, 'mapTitle' => self::titleOf($topics), 'topic' => $row->id, 'title' => InlineMarkdown::oneLine($row->title), 'caption' => $row->caption,
            'trail' => array_map(fn (Topic $above): string => InlineMarkdown::oneLine($above->title), array_reverse($topics->ancestors($row->id))),
            'note' => mb_substr($row->note, 0, self::NOTE), 'isCut' => mb_strlen($row->note) > self::NOTE, 'below' => max(0, count($told) - 1),
            'done' => count(array_filter(array_intersect_key($topics->rowsOf(TopicStamps::class), $told), fn (TopicStamps $stamps): bool => $stamps->flag('done'))),
        ]);
    }

    /** The topics of this person's other maps that lead to a topic of this one. */
    public function pointing(Request $request, MapRecord $map, string $topic, FactSearch $facts): JsonResponse
    {
        $person = $request->user();
        $pointing = [];
        $find = fn (string $field): iterable => $person instanceof Person ? $facts->find($person, $field, "map:{$map->id}/{$topic}", most: self::MOST_POINTING) : [];
        foreach ([...$find(Link::type().'.to'), ...$find(FactIndex::NOTE_TO)] as $fact) {
            /** @var FactRecord $fact */
            if ($fact->field === FactIndex::NOTE_TO && $fact->map_id === $map->id) {
                // Where notes of the map itself lead is seen there.
                continue;
            }
            $from = MapRecord::query()->findOrFail($fact->map_id);
            // No map is read whole for its titles.
            $titles = TopicRecord::query()->where('map_id', $from->id)->whereIn('id', [$fact->topic_id, $from->root])->pluck('title', 'id');
            $pointing[] = ['map' => $from->id, 'mapTitle' => $from->title ?? InlineMarkdown::oneLine((string) $titles->get($from->root)), 'topic' => $fact->topic_id, 'title' => InlineMarkdown::oneLine((string) $titles->get($fact->topic_id)), 'isInNote' => $fact->field === FactIndex::NOTE_TO];
        }

        return new PlainJson(['pointing' => $pointing]);
    }

    public function page(AskPage $request, MapRecord $map, PagePreviews $pages): JsonResponse
    {
        return new PlainJson($pages->of($map, (string) $request->string('address'), $request->boolean('again')));
    }

    private static function titleOf(TopicMap $map): string
    {
        return $map->sheet()->title ?? InlineMarkdown::oneLine($map->root()->title);
    }
}
