<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Edit\Wording;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** What somebody says to others. */
abstract class CommentRequest extends FormRequest
{
    protected const TEXT = ['required', 'string', 'max:4000'];

    protected const ID = ['required', 'string', 'regex:/\A[0-9a-z]{26}\z/'];

    /** @throws ValidationException where nothing is said */
    public function text(): string
    {
        $text = trim(Wording::clean((string) $this->string('text'), 'text'));

        return $text !== '' ? $text : throw ValidationException::withMessages(['text' => 'Say something first.']);
    }
}
