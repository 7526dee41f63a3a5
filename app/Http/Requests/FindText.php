<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Edit\Arguments;
use ChalkTree\Find\Query;
use ChalkTree\Find\TopicText;
use Illuminate\Foundation\Http\FormRequest;

/** What is looked for, and in which texts; what is looked for reads itself, see Query. */
class FindText extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['fields' => ['sometimes', 'list', 'min:1'], 'fields.*' => ['in:'.implode(',', TopicText::SORTS)]];
    }

    public function wanted(): Query
    {
        return Query::read((new Arguments($this->json()->all()))->nested('find'));
    }

    /** @return list<string> */
    public function fields(): array
    {
        /** @var list<string> */
        $fields = $this->json('fields') ?? TopicText::SORTS;

        return $fields;
    }
}
