<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Somebody comes into a class: by its code and a name, or by a word of their own. */
final class JoinClass extends ClassRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['code' => ['required_without:word', 'string', 'max:40'], 'name' => ['required_with:code', 'string', 'max:60'], 'word' => ['required_without:code', 'string', 'max:40']];
    }

    public function name(): string
    {
        return $this->line('name');
    }
}
