<?php

declare(strict_types=1);

namespace App\Library\Demo;

use App\Classroom\CopyState;
use App\Classroom\HandOuts;
use App\Classroom\SchoolClasses;
use App\Models\HandOut;
use App\Models\HandOutCopy;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\MapAnswers;
use App\Store\MapStore;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Lock\Lock;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;

/** A class of twelve in the demo, to whom the words of a concept map were given without the lines between them, and what they made of it. */
final readonly class SchoolDemo
{
    /** Of the teacher's map, those that are not given: the class is to think of them. */
    private const KEPT = ['gravity', 'fresh water', 'a stone', 'cargo', 'waterline', 'salt water'];

    private const RUBRIC = [['name' => 'Forces are named and tied', 'points' => 4], ['name' => 'Density is told from weight', 'points' => 4], ['name' => 'An example of one’s own', 'points' => 2]];

    /** What each tied, and added as an example: [below, title, phrase from it, to]. */
    private const WORK = [
        'Ada' => [[['a boat', 'has', 'weight'], ['a boat', 'pushes aside', 'displaced water'], ['displaced water', 'pushes back with', 'upthrust'], ['upthrust', 'balances', 'weight'], ['hull', 'is full of', 'air'], ['air', 'lowers', 'mean density'], ['mean density', 'must stay below that of', 'water']], [['an egg in salt water', 'is lifted by', 'upthrust']]],
        'Bram' => [[['a boat', 'has a', 'hull'], ['hull', 'is built of', 'steel'], ['steel', 'is heavier than', 'water'], ['hull', 'is full of', 'air'], ['a boat', 'has', 'weight']], []],
        'Cato' => [[['a boat', 'has', 'weight'], ['upthrust', 'balances', 'weight'], ['displaced water', 'pushes back with', 'upthrust'], ['a leak', 'lets in', 'water'], ['a leak', 'drives out', 'air']], [['a sponge', 'lets in', 'water']]],
        'Dorte' => [[['a boat', 'has a', 'hull'], ['hull', 'is full of', 'air'], ['air', 'carries', 'a boat']], [['a balloon', 'is full of', 'air'], ['a swimming ring', 'is full of', 'air']]],
        'Elin' => [[['a boat', 'pushes aside', 'displaced water'], ['displaced water', 'pushes back with', 'upthrust'], ['upthrust', 'balances', 'weight'], ['steel', 'is denser than', 'water'], ['hull', 'is built of', 'steel'], ['hull', 'is full of', 'air'], ['air', 'lowers', 'mean density']], [['a bowl of clay', 'pushes aside', 'displaced water']]],
        'Finn' => [[['a boat', 'has', 'weight'], ['steel', 'is denser than', 'water']], []],
        'Greta' => [[['a boat', 'has', 'weight'], ['a boat', 'pushes aside', 'displaced water'], ['displaced water', 'pushes back with', 'upthrust'], ['upthrust', 'is greater than', 'weight']], [['a cork', 'pushes aside', 'displaced water']]],
        'Hedda' => [[['hull', 'is full of', 'air'], ['air', 'is far less dense than', 'water'], ['a leak', 'lets in', 'water'], ['mean density', 'must stay below that of', 'water'], ['a boat', 'has a', 'mean density']], [['a stone', 'has a', 'mean density']]],
        'Ivo' => [[], []],
        'Jette' => [[['a boat', 'has a', 'hull'], ['hull', 'is built of', 'steel'], ['steel', 'is denser than', 'water'], ['displaced water', 'pushes back with', 'upthrust'], ['upthrust', 'balances', 'weight']], [['an egg in salt water', 'floats on', 'water']]],
        'Klaas' => [[['a boat', 'floats on', 'water'], ['a leak', 'lets in', 'water']], [['a duck', 'floats on', 'water'], ['a log', 'floats on', 'water'], ['ice', 'floats on', 'water']]],
        'Lene' => [[['a boat', 'has', 'weight'], ['a boat', 'has a', 'mean density'], ['air', 'lowers', 'mean density'], ['mean density', 'must stay below that of', 'water'], ['upthrust', 'balances', 'weight']], [['a cork', 'has a', 'mean density']]],
    ];

    public function __construct(private SchoolClasses $classes, private HandOuts $handOuts, private MapStore $store, private MapAnswers $answers)
    {
    }

    public function make(Person $teacher, MapRecord $model): void
    {
        $class = $this->classes->make($teacher, '7b, Saltmere school');
        $this->classes->add($class, array_keys(self::WORK));
        $source = $this->store->create($teacher, self::given($this->store->load($model)));
        $source->update(['title' => 'Boats, to be tied']);
        $handOut = $this->handOuts->give($class, $source, ['title' => 'Why do boats float?', 'question' => "Tie what belongs together, and say how on each line.\nThen add something of your own that floats, or does not.", 'due' => null, 'byTeam' => false]);
        $handOut->update(['model_id' => $model->id, 'rubric' => self::RUBRIC]);
        foreach (self::WORK as $name => [$ties, $examples]) {
            $this->work($handOut, $name, $ties, $examples);
        }
        foreach (['Ada', 'Elin', 'Greta', 'Lene'] as $name) {
            $this->handOuts->handIn($this->copy($handOut, $name));
        }
        $ada = $this->copy($handOut, 'Ada');
        $this->handOuts->mark($ada->setRelation('handOut', $handOut), [4, 3, 2], 'The way from air to density is well told. What would the egg do in fresh water?');
        $this->handOuts->setState($ada, CopyState::Back);
    }

    private function copy(HandOut $handOut, string $name): HandOutCopy
    {
        return HandOutCopy::query()->with(['map', 'pupils'])->where('hand_out_id', $handOut->id)->where('label', $name)->firstOrFail();
    }

    /** The topics of a concept map without its lines, each locked. */
    private static function given(TopicMap $model): TopicMap
    {
        $given = new TopicMap([$model->sheet()]);
        foreach ($model->all() as $id => $topic) {
            if (! in_array($topic->title, self::KEPT, true)) {
                $given->put($topic);
                $given->put(Lock::fromFields((string) $id, ['how' => 'fixed']));
            }
        }
        foreach ($model->living() as $row) {
            if (! $row instanceof CrossLink && array_filter($row->topics(), fn (string $id): bool => ! $given->has($id)) === []) {
                $given->put($row);
            }
        }

        return $given;
    }

    /**
     * @param  list<array{string, string, string}>  $ties
     * @param  list<array{string, string, string}>  $examples
     */
    private function work(HandOut $handOut, string $name, array $ties, array $examples): void
    {
        $copy = $this->copy($handOut, $name);
        $map = $this->store->load($copy->map);
        $ids = [];
        foreach ($map->all() as $id => $topic) {
            $ids[$topic->title] = (string) $id;
        }
        $edits = [];
        foreach ($examples as [$title, $phrase, $to]) {
            if (! isset($ids[$title])) {
                $edits[] = ['id' => Ids::next(), 'name' => 'topic.add', 'parent' => $map->sheet()->root, 'topic' => ['id' => $ids[$title] = Ids::next(), 'title' => $title]];
            }
            $ties[] = [$title, $phrase, $to];
        }
        foreach ($ties as [$from, $phrase, $to]) {
            $edits[] = ['id' => Ids::next(), 'name' => 'row.set', 'type' => CrossLink::type(), 'row' => Ids::next(), 'fields' => ['from' => $ids[$from], 'to' => $ids[$to], 'phrase' => $phrase]];
        }
        if ($edits !== []) {
            $this->answers->edit($copy->map, $copy->pupils->firstOrFail()->person()->firstOrFail(), 0, $edits, all: true);
        }
    }
}
