<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** The names of pupils who come into a class. */
final class AddPupils extends ClassRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['names' => ['required', 'array', 'list', 'max:100'], 'names.*' => self::NAME];
    }

    /** @return list<string> each once */
    public function names(): array
    {
        $names = array_filter(array_map(fn (int $n): string => $this->words("names.{$n}"), array_keys($this->array('names'))), fn (string $name): bool => $name !== '');

        return array_values(array_unique($names));
    }
}
