<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Points by the lines of a rubric, and a few words. */
final class MarkCopy extends ClassRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['marks' => ['present', 'array', 'list', 'max:12'], 'marks.*' => ['nullable', 'integer:strict', 'min:0', 'max:100'], 'words' => ['present', 'nullable', 'string', 'max:2000']];
    }

    /** @return list<int|null> */
    public function marks(): array
    {
        return array_values(array_map(fn (mixed $mark): ?int => is_int($mark) ? $mark : null, $this->array('marks')));
    }

    public function remark(): string
    {
        return $this->words('words', isLong: true);
    }
}
