<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\TellsProgress;
use ChalkTree\Kind\Fields;
use ChalkTree\Kind\FieldSort;
use ChalkTree\Kind\FormulaValue;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\Kinds;
use ChalkTree\Kind\ValueForm;
use ChalkTree\Rule\LookRule;
use ChalkTree\Rule\RuleSet;
use ChalkTree\Task\Finding;
use ChalkTree\Task\Tasks;
use ChalkTree\Task\Todos;
use ChalkTree\Words\Words;

/** Answers what follows from the data of a map: computed fields, sums, to-dos and what is found of them, what rules and conditions hit. */
final readonly class Facts
{
    public function __construct(private MapStore $store)
    {
    }

    public function moment(MapRecord $record, Person $person): Moment
    {
        return new Moment($this->store->load($record), $person->today());
    }

    /** @return array{computed: list<array{field: string, told: string, isProblem: bool}>, below: list<array{name: string, how: string, told: string}>, progress: float|null, done: array{done: int, of: int}|null, found: list<array{finding: string, words: string}>, words: array{own: int, below: int}} "FactsAnswer" in the wire schema */
    public function of(Moment $now, string $topic): array
    {
        $now->map->topic($topic);
        $computed = $below = [];
        foreach (Kinds::fieldsOf($now->map, $topic) as $field) {
            $told = $field->sort() === FieldSort::Computed ? Fields::told($now, $topic, $field) : null;
            if ($told !== null) {
                $computed[] = ['field' => $field->id, 'told' => $told[0], 'isProblem' => $told[1]];
            }
        }
        foreach ($now->sums()->allBelow($topic) as $key => $sum) {
            $field = $now->map->row(KindField::type(), $key);
            if (! $field instanceof KindField) {
                continue;
            }
            foreach (KindField::ROLLS as $how) {
                $below[] = ['name' => $field->text('name'), 'how' => $how, 'told' => $how === 'count' ? (string) $sum->count : ValueForm::withUnit($field, FormulaValue::rolled($how, $sum))];
            }
        }
        $tasks = Tasks::at($now);
        $done = $now->sums()->below($topic, TellsProgress::DONE);

        return [
            'computed' => $computed,
            'below' => $below,
            'progress' => $now->sums()->below($topic, TellsProgress::PROGRESS)?->mean(),
            'done' => $done === null ? null : ['done' => (int) $done->sum, 'of' => $done->count],
            'found' => array_map(fn (Finding $finding): array => ['finding' => $finding->value, 'words' => $finding->words()], $tasks->found($topic)),
            'words' => ['own' => Words::own($now->map, $topic), 'below' => Words::below($now, $topic)],
        ];
    }

    /** @return array{todos: list<array<string, mixed>>, found: list<array{finding: string, words: string, count: int}>} "TodosAnswer" in the wire schema */
    public function todos(Moment $now): array
    {
        $todos = Todos::of($now);
        $count = fn (Finding $finding): int => count(array_filter($todos, fn (array $todo): bool => in_array($finding->value, $todo['found'], true)));

        return ['todos' => $todos, 'found' => array_map(fn (Finding $finding): array => ['finding' => $finding->value, 'words' => $finding->words(), 'count' => $count($finding)], Finding::cases())];
    }

    /** @return array{rules: list<array{id: string, shipped: bool, fields: object, words: string, topics: list<string>}>} "RulesAnswer" in the wire schema: all rules in their order, with the topics that each is for */
    public function rules(Moment $now): array
    {
        $own = $now->map->rowsOf(LookRule::class);

        return ['rules' => array_map(fn (LookRule $rule): array => [
            'id' => $rule->id, 'shipped' => ! isset($own[$rule->id]), 'fields' => (object) $rule->fields(),
            'words' => $rule->condition()?->words($now) ?? 'a condition that this version does not know', 'topics' => $this->hit($now, $rule->condition()),
        ], RuleSet::rows($now->map))];
    }

    /** @return array{words: string, topics: list<string>} "HitsAnswer" in the wire schema: what a condition asks in words, and the topics of which it holds */
    public function hits(Moment $now, Condition $condition): array
    {
        return ['words' => $condition->words($now), 'topics' => $this->hit($now, $condition)];
    }

    /** @return list<string> */
    private function hit(Moment $now, ?Condition $condition): array
    {
        $all = $condition === null ? [] : array_map(strval(...), array_keys($now->map->all()));

        return array_values(array_filter($all, fn (string $id): bool => $condition?->holds($now, $id) === true));
    }

    /** @return list<array{id: string, name: string, gives: string}> the rules that hold of a topic, and what they give it besides a look */
    public static function rulesOn(Moment $now, string $topic): array
    {
        return array_map(fn (LookRule $rule): array => [
            'id' => $rule->id, 'name' => $rule->text('name'), 'gives' => implode(' and ', [...($rule->stamps() === [] ? [] : [count($rule->stamps()) === 1 ? 'a stamp' : 'stamps']), ...($rule->flag('spine') ? ['its spine'] : [])]),
        ], RuleSet::of($now)->on($topic));
    }
}
