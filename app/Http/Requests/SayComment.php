<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What somebody says about a topic, or answers. */
final class SayComment extends CommentRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['id' => self::ID, 'topic' => self::ID, 'parent' => ['present', 'nullable', 'string', 'regex:/\A[0-9a-z]{26}\z/'], 'text' => self::TEXT];
    }
}
