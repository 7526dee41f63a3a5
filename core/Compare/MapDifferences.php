<?php

declare(strict_types=1);

namespace ChalkTree\Compare;

use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NamesContent;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\Trail;
use ChalkTree\Text\Ascending;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\WordComparison;

/**
 * What another map has otherwise, each with the edits by which the own map has it so too: in the order in which the other
 * is read, then what only the own has. What can only come with something else says with what.
 *
 * @phpstan-import-type Piece from WordComparison
 *
 * @phpstan-type Said array{field: string, pieces: list<Piece>}
 * @phpstan-type Difference array{sort: 'new'|'gone'|'moved'|'changed'|'tied', topic: string, title: string, trail: list<string>, to: list<string>, said: list<Said>, facts: list<string>, topics: int, needs: list<int>, edits: non-empty-list<array{name: string, ...<string, mixed>}>}
 */
final class MapDifferences
{
    public const MOST = 2_000;

    /** The work that is spent on laying words beside words, in pairs; what comes after is told as a whole. */
    private const MOST_WORK = 40_000_000;

    /** Letters of a word, about. */
    private const WORD = 6;

    /** Fields of topics that are text. */
    private const TEXTS = ['title', 'caption', 'note'];

    /** @var list<Difference> */
    public array $all = [];

    public bool $hasMore = false;

    /** How many topics are the same in both. */
    public int $same = 0;

    private readonly MapPairs $pairs;

    /** @var array<string, int> the difference with which a topic comes, by its id in the own map */
    private array $comesWith = [];

    /** @var array<string, string> what topics of the other map are called in the own: their pairs, or as they would come */
    private array $names = [];

    /** @var array{array<string, array<string, FeatureRow>>, array<string, array<string, FeatureRow>>} what features say of each topic, of the other map and of the own */
    private array $rows = [[], []];

    /** @var array<string, array<string, array{string, string}>> what stands before topics of the other map, by their parents */
    private array $befores = [];

    private float $work = self::MOST_WORK;

    /** @var array<string, true> topics of the other map that stand otherwise than their pairs among those beside them */
    private array $reordered = [];

    /** @var array<string, array<string, string>> what stands before topics of the own map, by their parents */
    private array $siblings = [];

    /** @var array<string, true> topics of the own map that are told as moved */
    private array $moving = [];

    /** @var array<string, true> topics of the other map that were removed here since both were one, and that it left as they were */
    private array $left = [];

    /** What has become of the one that both once were; null where that is not known. */
    private readonly ?Since $since;

    private function __construct(private readonly TopicMap $own, private readonly TopicMap $other, private readonly bool $withContents, ?TopicMap $base)
    {
        $this->pairs = MapPairs::of($own, $other);
        $this->since = $base === null ? null : new Since($base, $other);
    }

    /**
     * @param  bool  $withContents  whether pictures and files that the other map names are there for the own one
     * @param  TopicMap|null  $base  the map that both once were, if that is known: then what only the own one changed since is no difference
     */
    public static function of(TopicMap $own, TopicMap $other, bool $withContents, ?TopicMap $base = null): self
    {
        $its = new self($own, $other, $withContents, $base);
        $its->names = $its->pairs->own;
        $its->find();

        return $its;
    }

    /** The own map with all that is new in the other, as it would be drawn; what is otherwise in which way, by the ids of topics in it. */
    public function merged(): TopicMap
    {
        $merged = clone $this->own;
        // Those that come to one place come together: one by one each would look through all that stand there.
        $places = [];
        foreach ($this->all as $difference) {
            if ($difference['sort'] === 'new') {
                [$bring] = $difference['edits'];
                $after = $bring['after'] ?? [];
                $surely = is_array($after) && $after !== [] ? $after[array_key_last($after)] : null;
                $places[json_encode([$bring['parent'] ?? null, $surely], JSON_THROW_ON_ERROR)][] = $bring['topic'] ?? [];
            }
        }
        foreach ($places as $place => $topics) {
            [$parent, $surely] = json_decode((string) $place, true, flags: JSON_THROW_ON_ERROR);
            $where = $surely === null || $surely === Beside::FIRST ? ['parent' => $parent, 'first' => $surely !== null] : ['after' => $surely];
            Edits::apply(Edits::read('topic.add-many', [...$where, 'topics' => $topics]), $merged);
        }

        return $merged;
    }

    /** @return array<string, 'new'|'gone'|'moved'|'changed'> by the ids of topics in what is merged */
    public function marks(): array
    {
        $marks = array_map(fn (): string => 'new', $this->comesWith);
        foreach ($this->all as $difference) {
            if ($difference['sort'] === 'gone') {
                $marks += array_map(fn (): string => 'gone', $difference['edits'][0]['name'] === 'topic.remove' ? $this->own->branch($difference['topic']) : [$difference['topic'] => 1]);
            } elseif ($difference['sort'] === 'moved' || $difference['sort'] === 'changed') {
                $marks[$difference['topic']] ??= $difference['sort'];
            }
        }

        /** @var array<string, 'new'|'gone'|'moved'|'changed'> */
        return $marks;
    }

    private function find(): void
    {
        $this->rows = [$this->rowsByTopic($this->other), $this->rowsByTopic($this->own)];
        $alone = $this->withoutPairs();
        $this->untied();
        foreach ($this->other->everything() as $id => $topic) {
            if (isset($this->pairs->own[$id])) {
                $this->order((string) $id);
                $this->lookAt($topic, $this->own->topic($this->pairs->own[$id]));
            } elseif (! isset($this->names[$id]) && ! isset($this->left[$id])) {
                $this->bring($topic, $alone);
            }
        }
        $this->ties();
        $this->gone();
    }

    /** The other map with those topics alone that the own does not have. */
    private function withoutPairs(): TopicMap
    {
        $alone = clone $this->other;
        foreach (array_keys($this->pairs->own) as $id) {
            $alone->drop(Topic::type(), (string) $id);
        }

        return $alone;
    }

    /** @return array<string, array<string, FeatureRow>> what features say of each topic, by their sort */
    private function rowsByTopic(TopicMap $map): array
    {
        $rows = [];
        foreach ($map->living() as $row) {
            if ($row::isOfTopic() && $row::isTold() && ($this->withContents || ! $row instanceof NamesContent)) {
                $rows[$row->id][$row::type()] = $row;
            }
        }

        return $rows;
    }

    /** Finds which of the topics below a pair stand in another order: as few as can be said to have moved. */
    private function order(string $parent): void
    {
        $own = $this->pairs->own[$parent];
        $places = array_flip(array_keys($this->own->children($own)));
        $ids = $sequence = [];
        foreach ($this->other->children($parent) as $id => $topic) {
            $place = $places[$this->pairs->own[$id] ?? ''] ?? null;
            if ($place !== null) {
                $ids[] = (string) $id;
                $sequence[] = $place;
            }
        }
        $stay = array_flip(Ascending::longest($sequence));
        foreach ($ids as $n => $id) {
            if (! isset($stay[$n])) {
                $this->reordered[$id] = true;
            }
        }
    }

    private function bring(Topic $topic, TopicMap $alone): void
    {
        $isKnown = $this->since?->knew($topic->id) === true;
        if ($isKnown && $this->since?->isUntouched($this->other, $topic->id) === true) {
            $this->left += array_map(fn (): bool => true, $alone->branch($topic->id));

            return;
        }
        $number = count($this->all);
        $draft = $this->named($alone, $topic->id, TopicDraft::of($alone, $topic->id), $number);
        $edits = [['name' => BringTopics::name(), ...$this->beside($topic), 'topic' => $draft]];
        if ($topic->parked !== null) {
            $edits[] = ['name' => 'topic.park', 'topics' => [$this->names[$topic->id]]];
        }
        $this->note('new', $this->names[$topic->id], $topic->title, self::trail($this->other, $topic->id), $edits, facts: $isKnown ? ['removed here since'] : [], topics: count($alone->branch($topic->id)));
    }

    /**
     * A draft as the wire has it. Its topics keep their ids, so that they are known when the other map comes once more.
     *
     * @return array<string, mixed>
     */
    private function named(TopicMap $alone, string $id, TopicDraft $draft, int $number): array
    {
        $as = $this->own->row(Topic::type(), $id) === null ? $id : Ids::next();
        $this->names[$id] = $as;
        $this->comesWith[$as] = $number;
        $its = ['id' => $as] + array_diff_key($draft->toArray(), ['children' => true]);
        if (isset($its['rows']) && ! $this->withContents) {
            $its['rows'] = array_values(array_filter($its['rows'], fn (array $row): bool => ! is_subclass_of(RowTypes::ofFeature($row['type']), NamesContent::class)));
        }
        $children = [];
        foreach (array_keys($alone->children($id)) as $i => $child) {
            $children[] = $this->named($alone, (string) $child, $draft->children[$i], $number);
        }

        return $children === [] ? $its : $its + ['children' => $children];
    }

    /** @return array{parent: string|null, after: list<string>} where a topic of the other map comes, as Beside reads it */
    private function beside(Topic $topic): array
    {
        $parent = $topic->parent === null ? null : $this->names[$topic->parent] ?? null;
        if ($parent === null || $topic->parent === null) {
            return ['parent' => null, 'after' => []];
        }
        [$before, $surely] = $this->before($topic->parent, $parent)[$topic->id];
        $after = [];
        for ($one = $before; $one !== $surely && count($after) < Beside::MOST - 1; [$one] = $this->before($topic->parent, $parent)[$one]) {
            array_push($after, ...isset($this->names[$one]) ? [$this->names[$one]] : []);
        }

        return ['parent' => $parent, 'after' => [...$after, $surely === '' ? Beside::FIRST : $this->names[$surely]]];
    }

    /** @return array<string, array{string, string}> for each topic below one of the other map, the one before it and the nearest before it that stands there in the own map whatever is decided; empty where there is none */
    private function before(string $parent, string $own): array
    {
        if (! isset($this->befores[$parent])) {
            $before = $surely = '';
            $this->befores[$parent] = [];
            foreach (array_keys($this->other->children($parent)) as $id) {
                $id = (string) $id;
                $this->befores[$parent][$id] = [$before, $surely];
                $before = $id;
                $surely = isset($this->pairs->own[$id]) && ! isset($this->reordered[$id]) && $this->own->find($this->pairs->own[$id])?->parent === $own ? $id : $surely;
            }
        }

        return $this->befores[$parent];
    }

    private function lookAt(Topic $topic, Topic $own): void
    {
        $before = count($this->all);
        $parent = $topic->parent === null ? null : $this->names[$topic->parent] ?? null;
        $isRoot = $topic->id === $this->other->sheet()->root || $own->id === $this->own->sheet()->root;
        if (! $isRoot && $this->since?->stands($topic) !== true && ($parent !== $own->parent || ($topic->parked === null) !== ($own->parked === null) || (isset($this->reordered[$topic->id]) && ! $this->isBehind($topic, $own)))) {
            $this->moving[$own->id] = true;
            $edits = $topic->parked !== null ? [['name' => 'topic.park', 'topics' => [$own->id]]] : [['name' => MoveBeside::name(), 'topic' => $own->id, ...$this->beside($topic)]];
            $this->note('moved', $own->id, $own->title, self::trail($this->own, $own->id), $edits, to: self::trail($this->other, $topic->id), facts: $this->since?->hangs($own) === false && $this->since->knew($own->id) ? ['moved here too'] : [], needs: $this->needed([$parent]));
        }
        $this->say($topic, $own);
        $this->same += count($this->all) === $before ? 1 : 0;
    }

    /** Whether a topic that both moved among those beside it, or that was taken over before, stands behind the same one as in the other map, which stays where it is. */
    private function isBehind(Topic $topic, Topic $own): bool
    {
        if ($this->since === null || $own->parent === null) {
            return false;
        }
        if (! isset($this->siblings[$own->parent])) {
            $ids = array_map(strval(...), array_keys($this->own->children($own->parent)));
            $this->siblings[$own->parent] = array_combine($ids, [Beside::FIRST, ...array_slice($ids, 0, -1)]);
        }
        $before = $this->siblings[$own->parent][$own->id] ?? Beside::FIRST;
        foreach ($this->beside($topic)['after'] as $one) {
            if ($one === Beside::FIRST || isset($this->siblings[$own->parent][$one])) {
                return $one === $before && ! isset($this->moving[$before]);
            }
        }

        return false;
    }

    private function say(Topic $topic, Topic $own): void
    {
        [$edit, $said, $facts, $rows] = [[], [], [], []];
        [$there, $here] = [$topic->fields(), $own->fields()];
        foreach (self::TEXTS as $field) {
            $text = $there[$field] === $here[$field] ? null : ($this->since === null ? (string) $there[$field] : $this->since->text($topic->id, $field, (string) $here[$field], (string) $there[$field]));
            if ($text !== null) {
                $edit[$field] = $text;
                $said[] = ['field' => $field, 'pieces' => $this->pieces((string) $here[$field], $text)];
            }
        }
        [$theirs, $mine] = [$this->rows[0][$topic->id] ?? [], $this->rows[1][$own->id] ?? []];
        foreach ($theirs + $mine as $type => $row) {
            $is = $theirs[$type] ?? null;
            $says = $is?->saying() ?? [];
            if ($says !== (($mine[$type] ?? null)?->saying() ?? []) && $this->since?->isNew($type, $topic->id, $says) !== false && ! ($row::isOfPlace() && $own->parent === null)) {
                $facts[] = $row::words();
                array_push($rows, ...($is === null ? [] : Ties::needs($is, $this->other, $this->own)), ...[['type' => $type, 'id' => $own->id, 'fields' => $says]]);
            }
        }
        $edit += $rows === [] ? [] : ['rows' => $rows];
        if ($edit !== []) {
            $this->note('changed', $own->id, $own->title, self::trail($this->own, $own->id), [['name' => SayBeside::name(), 'topic' => $own->id] + $edit], said: $said, facts: $facts);
        }
    }

    /** What ties topics to each other in the own map alone, as far as the other has those topics. */
    private function untied(): void
    {
        $there = [];
        foreach (Ties::in($this->other, $this->withContents) as $row) {
            $its = $row->about($this->pairs->own);
            $there[$its === null ? '' : Ties::says($its)] = true;
        }
        foreach (Ties::in($this->own, $this->withContents) as $row) {
            if (! isset($there[Ties::says($row)]) && $this->other->row($row::type(), $row->id) === null && array_diff_key(array_flip($row->topics()), $this->pairs->other) === [] && $this->since?->tiedBy($row) !== false) {
                $this->note('gone', $row->topics()[0], Ties::ends($row, $this->own), [], [['name' => 'row.remove', 'type' => $row::type(), 'rows' => [$row->id]]], facts: [$row::words()]);
            }
        }
    }

    /** What ties topics to each other in the other map alone. What ties those that come together comes with them. */
    private function ties(): void
    {
        $here = array_flip(array_map(fn (FeatureRow $row): string => Ties::says($row), Ties::in($this->own, $this->withContents)));
        foreach (Ties::in($this->other, $this->withContents) as $row) {
            $its = $row->about($this->names);
            $comesWith = array_map(fn (string $end): int => $this->comesWith[$this->names[$end] ?? ''] ?? -1, $row->topics());
            if ($its === null || $this->since?->tied($row) === true || isset($here[Ties::says($its)]) || (! in_array(-1, $comesWith, true) && count(array_unique($comesWith)) === 1)) {
                continue;
            }
            $edit = ['name' => SayBeside::name(), 'topic' => $its->topics()[0], 'rows' => [...Ties::needs($row, $this->other, $this->own), ['type' => $row::type(), 'id' => $row->id, 'fields' => $its->saying()]]];
            $this->note('tied', $its->topics()[0], Ties::ends($row, $this->other), [], [$edit], facts: [$row::words()], needs: $this->needed($its->topics()));
        }
    }

    /** What only the own map has. Where something of it stands elsewhere in the other, only the topic itself goes. */
    private function gone(): void
    {
        $has = [];
        // What was added here since both were one stays, with what is above it.
        $isGone = fn (string $one): bool => ! isset($this->pairs->other[$one]) && $this->since?->knew($one) !== false;
        $stays = array_filter(array_map(strval(...), array_keys($this->own->everything())), fn (string $id): bool => ! $isGone($id));
        foreach ($stays as $own) {
            foreach ($this->own->ancestors($own) as $above) {
                if (isset($has[$above->id])) {
                    break;
                }
                $has[$above->id] = true;
            }
        }
        foreach ($this->own->everything() as $id => $topic) {
            if ($isGone((string) $id) && $id !== $this->own->sheet()->root && ($topic->parent === null || ! $isGone($topic->parent) || isset($has[$topic->parent]))) {
                $isAlone = isset($has[$id]);
                $this->note('gone', (string) $id, $topic->title, self::trail($this->own, (string) $id), [['name' => $isAlone ? 'topic.dissolve' : 'topic.remove', 'topics' => [(string) $id]]], facts: $this->since?->isUntouched($this->own, (string) $id) === false ? ['changed here since'] : [], topics: $isAlone ? 1 : count($this->own->branch((string) $id)));
            }
        }
    }

    /**
     * @param  list<string|null>  $topics
     * @return list<int> the differences without which these are not in the own map
     */
    private function needed(array $topics): array
    {
        return array_values(array_unique(array_filter(array_map(fn (?string $topic): ?int => $this->comesWith[$topic ?? ''] ?? null, $topics), is_int(...))));
    }

    /** @return list<array{what: 'same'|'gone'|'new', text: string}> */
    private function pieces(string $was, string $is): array
    {
        $this->work -= strlen($was) / self::WORD * strlen($is) / self::WORD;

        return $this->work > 0 ? WordComparison::of($was, $is) : array_values(array_filter([['what' => 'gone', 'text' => $was], ['what' => 'new', 'text' => $is]], fn (array $piece): bool => $piece['text'] !== ''));
    }

    /** @return list<string> what stands above a topic, its own title not among it */
    private static function trail(TopicMap $map, string $topic): array
    {
        return array_slice(Trail::to($map, $topic, 60), 0, -1);
    }

    /**
     * @param  'new'|'gone'|'moved'|'changed'|'tied'  $sort
     * @param  list<string>  $trail
     * @param  non-empty-list<array{name: string, ...<string, mixed>}>  $edits
     * @param  list<string>  $to
     * @param  list<Said>  $said
     * @param  list<string>  $facts
     * @param  list<int>  $needs
     */
    private function note(string $sort, string $topic, string $title, array $trail, array $edits, array $to = [], array $said = [], array $facts = [], int $topics = 1, array $needs = []): void
    {
        if (count($this->all) >= self::MOST) {
            $this->hasMore = true;

            return;
        }
        $this->all[] = ['sort' => $sort, 'topic' => $topic, 'title' => InlineMarkdown::oneLine($title, 200), 'trail' => $trail, 'to' => $to, 'said' => $said, 'facts' => array_values(array_unique($facts)), 'topics' => $topics, 'needs' => $needs, 'edits' => $edits];
    }
}
