<?php

declare(strict_types=1);

namespace App\Policies;

use App\Comments\Comments;
use App\Models\Comment;
use App\Models\Person;
use App\Sharing\Access;
use App\Sharing\Role;
use Illuminate\Auth\Access\Response;

/** A comment is changed by whoever said it, settled by all who may comment, and taken away by whoever said it or keeps the map. To who does not see its topic there is none. */
final readonly class CommentPolicy
{
    public function __construct(private Access $access, private Comments $comments)
    {
    }

    public function change(Person $person, Comment $comment): Response
    {
        return $this->decide($person, $comment, fn (): bool => $comment->person_id === $person->id);
    }

    public function resolve(Person $person, Comment $comment): Response
    {
        return $this->decide($person, $comment, fn (): bool => true);
    }

    public function remove(Person $person, Comment $comment): Response
    {
        return $this->decide($person, $comment, fn (Role $role): bool => $comment->person_id === $person->id || $role === Role::Owner);
    }

    /** @param  callable(Role): bool  $may */
    private function decide(Person $person, Comment $comment, callable $may): Response
    {
        $map = $comment->map;
        $role = $map->trashed_at === null ? $this->access->role($person, $map) : null;

        return match (true) {
            $role === null, ! $role->isAtLeast(Role::Comment), ! isset($this->comments->seen($map, $person, [$comment->topic_id])[$comment->topic_id]) => Response::denyAsNotFound(),
            $may($role) => Response::allow(),
            default => Response::deny(),
        };
    }
}
