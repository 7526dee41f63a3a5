<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\Bounds;

/** What is laid beside a map, and whether the list of what is otherwise is wanted, or both drawn on one board. */
final class LayBeside extends MapRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'name' => ['sometimes', 'bail', 'string', 'max:500'], 'drawn' => ['sometimes', 'bail', 'string', 'in:day,slate']];
    }

    public function name(): string
    {
        return (string) $this->string('name');
    }

    /** The board on which it is to be drawn; null for the list. */
    public function board(): ?BoardTheme
    {
        return BoardTheme::tryFrom((string) $this->string('drawn'));
    }

    /** @throws UnreadableFile where it is larger than what can be laid beside a map */
    public function bytes(): string
    {
        if ((int) $this->header('Content-Length') > Bounds::LARGEST_FILE) {
            throw new UnreadableFile('This file is larger than 16 MB, more than can be laid beside a map.');
        }

        return (string) $this->getContent();
    }
}
