<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What somebody says instead. */
final class ChangeComment extends CommentRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['text' => self::TEXT];
    }
}
