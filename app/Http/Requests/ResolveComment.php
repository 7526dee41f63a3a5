<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Whether what was said is settled. */
final class ResolveComment extends CommentRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['resolved' => ['required', 'boolean:strict']];
    }
}
