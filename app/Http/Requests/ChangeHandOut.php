<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What is said with a hand-out, how it is marked, and what it is held against. */
final class ChangeHandOut extends ClassRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['title' => ['required', 'string', 'max:190'], 'question' => ['present', 'nullable', 'string', 'max:1000'], 'due' => ['present', 'nullable', 'string', 'date_format:Y-m-d'], 'model' => ['present', 'nullable', 'string', 'regex:/\A[0-9a-z]{26}\z/'], 'rubric' => ['present', 'array', 'list', 'max:12'], 'rubric.*' => ['array:name,points'], 'rubric.*.name' => ['required', 'string', 'max:120'], 'rubric.*.points' => ['required', 'integer:strict', 'min:1', 'max:100']];
    }

    /** @return array{title: string, question: string, due: string|null, model_id: string|null, rubric: list<array{name: string, points: int}>} */
    public function fields(): array
    {
        $rubric = array_map(fn (int $n): array => ['name' => $this->line("rubric.{$n}.name"), 'points' => $this->integer("rubric.{$n}.points")], array_keys(array_values($this->array('rubric'))));

        return ['title' => $this->line('title'), 'question' => $this->words('question', isLong: true), 'due' => $this->filled('due') ? (string) $this->string('due') : null, 'model_id' => $this->filled('model') ? (string) $this->string('model') : null, 'rubric' => $rubric];
    }
}
