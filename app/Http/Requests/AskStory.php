<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Story\ThreadGrid;
use Illuminate\Validation\Rule;

/** Which branch of a map is a story, and what of it is laid out. */
final class AskStory extends MapRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...parent::rules(), 'branch' => ['required', 'bail', 'string', self::isId()],
            'rows' => ['sometimes', 'bail', 'string', Rule::in(ThreadGrid::ROWS)], 'by' => ['sometimes', 'bail', 'string', Rule::in(['chapter', 'scene'])],
        ];
    }

    public function branch(): string
    {
        return (string) $this->string('branch');
    }

    public function threads(): string
    {
        return (string) $this->string('rows', 'people');
    }

    public function isByChapter(): bool
    {
        return (string) $this->string('by', 'chapter') === 'chapter';
    }
}
