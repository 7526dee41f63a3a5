<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Comments\Comments;
use App\Comments\Notices;
use App\Http\PlainJson;
use App\Http\Requests\ChangeComment;
use App\Http\Requests\ResolveComment;
use App\Http\Requests\SayComment;
use App\Models\Comment;
use App\Models\MapRecord;
use App\Models\Person;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

/** What people say to each other about topics, and what is told to whom. */
final readonly class CommentController
{
    public function __construct(private Comments $comments)
    {
    }

    public function index(MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson($this->comments->of($map, $person));
    }

    public function store(SayComment $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $this->comments->say($map, $person, (string) $request->string('id'), (string) $request->string('topic'), $request->filled('parent') ? (string) $request->string('parent') : null, $request->text());

        return new PlainJson($this->comments->of($map->refresh(), $person));
    }

    public function change(ChangeComment $request, Comment $comment, #[CurrentUser] Person $person): JsonResponse
    {
        $this->comments->change($comment, $request->text());

        return new PlainJson($this->comments->of($comment->map, $person));
    }

    public function resolve(ResolveComment $request, Comment $comment, #[CurrentUser] Person $person): JsonResponse
    {
        $this->comments->resolve($comment, $request->boolean('resolved'));

        return new PlainJson($this->comments->of($comment->map, $person));
    }

    public function remove(Comment $comment, #[CurrentUser] Person $person): JsonResponse
    {
        $this->comments->remove($comment);

        return new PlainJson($this->comments->of($comment->map, $person));
    }

    /** What is for this person and not seen yet, in all maps. */
    public function told(Notices $notices, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson(['told' => $notices->of($person), 'asks' => $notices->asks($person)]);
    }

    /** What is said in a map has been seen. */
    public function seen(MapRecord $map, Notices $notices, #[CurrentUser] Person $person): JsonResponse
    {
        $this->comments->see($map, $person);

        return new PlainJson(['told' => $notices->of($person), 'asks' => $notices->asks($person)]);
    }
}
