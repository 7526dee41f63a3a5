<?php

declare(strict_types=1);

namespace App\Classroom;

use App\Models\Idea;
use App\Models\IdeaBox;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\TopicRecord;
use App\Store\MapAnswers;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\Ids;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;

/** Ideas that are sent into a map from any phone, by a code: below one topic, at once or after a look. */
final readonly class Ideas
{
    private const SENDER = 'ideas'.SchoolClasses::NO_ADDRESS;

    /** That one box takes in a minute, from however many phones. */
    private const A_MINUTE = 200;

    /** That wait in one box. */
    private const MOST = 500;

    public function __construct(private Connection $database, private MapAnswers $answers)
    {
    }

    /** Opens a box at a topic; a map has one, which then asks something else. */
    public function open(MapRecord $map, string $topic, string $question, bool $isLooked): IdeaBox
    {
        $this->checkTopic($map, $topic);

        return $this->database->transaction(function () use ($map, $topic, $question, $isLooked): IdeaBox {
            MapRecord::query()->whereKey($map->id)->lockForUpdate()->value('id');
            $box = IdeaBox::query()->where('map_id', $map->id)->first() ?? new IdeaBox(['id' => Ids::next(), 'map_id' => $map->id, 'code' => Codes::make(Codes::DOOR), 'made' => time()]);
            $box->fill(['topic_id' => $topic, 'question' => $question, 'is_looked' => $isLooked, 'is_open' => true])->save();

            return $box;
        });
    }

    /** Nothing more is sent; whoever opens it again gets another code. */
    public function close(MapRecord $map): void
    {
        IdeaBox::query()->where('map_id', $map->id)->first()?->update(['is_open' => false, 'code' => Codes::make(Codes::DOOR)]);
    }

    /** @return array<string, mixed> "IdeasAnswer" in the wire schema */
    public function of(MapRecord $map): array
    {
        $box = IdeaBox::query()->with('ideas')->where('map_id', $map->id)->first();

        return ['box' => $box === null ? null : [
            'topic' => $box->topic_id, 'question' => $box->question, 'code' => $box->code, 'isLooked' => $box->is_looked, 'isOpen' => $box->is_open,
            'waiting' => array_values($box->ideas->sortBy('id')->map(fn (Idea $idea): array => ['id' => $idea->id, 'text' => $idea->text])->all()),
        ]];
    }

    /** The box of a code to which something can be sent; null for any other. */
    public function box(string $code): ?IdeaBox
    {
        $box = IdeaBox::query()->with('map')->where('code', Codes::read($code))->where('is_open', true)->first();

        return $box === null || $box->map->trashed_at !== null ? null : $box;
    }

    public function send(IdeaBox $box, string $text): void
    {
        if (config('chalk.limits') === true && ! RateLimiter::attempt("ideas {$box->id}", self::A_MINUTE, fn (): bool => true)) {
            throw new InvalidEdit('So many ideas come just now that yours has to wait. Send it again in a minute.', 'text');
        }
        if (! $box->is_looked) {
            $this->put($box, $text);

            return;
        }
        $this->database->transaction(function () use ($box, $text): void {
            IdeaBox::query()->whereKey($box->id)->lockForUpdate()->value('id');
            if (Idea::query()->where('box_id', $box->id)->count() >= self::MOST) {
                throw new InvalidEdit('So many ideas wait already. Try again when some have been looked at.', 'text');
            }
            Idea::query()->create(['id' => Ids::next(), 'box_id' => $box->id, 'text' => $text, 'made' => time()]);
        });
    }

    /** Puts one that waited into the map, or away. */
    public function decide(Idea $idea, bool $isIn): void
    {
        if ($isIn) {
            $this->put($idea->box()->with('map')->firstOrFail(), $idea->text);
        }
        $idea->delete();
    }

    private function put(IdeaBox $box, string $text): void
    {
        $this->checkTopic($box->map, $box->topic_id);
        // What is sent is words, never marks.
        $edit = ['id' => Ids::next(), 'name' => 'topic.add', 'parent' => $box->topic_id, 'topic' => ['title' => InlineMarkdown::escape($text)]];
        $this->answers->edit($box->map, self::sender(), $box->map->seq, [$edit], all: true);
    }

    /** In whose name ideas come: nobody's who works in the map, so that everybody's undo stays their own. */
    private static function sender(): Person
    {
        return Person::query()->firstOrCreate(['email' => self::SENDER], ['name' => 'Ideas by code', 'password' => Str::random(60)]);
    }

    private function checkTopic(MapRecord $map, string $topic): void
    {
        if (TopicRecord::query()->where('map_id', $map->id)->where('id', $topic)->whereNull('removed')->doesntExist()) {
            throw new InvalidEdit('The topic below which ideas come is no longer in the map.', 'topic');
        }
    }
}
