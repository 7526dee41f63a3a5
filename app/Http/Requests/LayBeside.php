<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\Bounds;

/** What is laid beside a map, and whether the list of what is otherwise is wanted, or both drawn on one board. */
final class LayBeside extends MapRequest
{
    private const NUMBER = ['sometimes', 'bail', 'integer', 'min:0', 'max:999999999999999'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'name' => ['sometimes', 'bail', 'string', 'max:500'], 'drawn' => ['sometimes', 'bail', 'string', 'in:day,slate'], 'at' => self::NUMBER, 'since' => self::NUMBER];
    }

    public function name(): string
    {
        return (string) $this->string('name');
    }

    /** The number of the edit after which the other map is meant; null for as it is. */
    public function at(): ?int
    {
        return $this->filled('at') ? $this->integer('at') : null;
    }

    /** The same of the own one. */
    public function since(): ?int
    {
        return $this->filled('since') ? $this->integer('since') : null;
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
