<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Library\Folders;
use App\Models\Folder;
use App\Models\Person;
use ChalkTree\Edit\Wording;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The folders of a library. */
final readonly class FolderController
{
    public function __construct(private Folders $folders)
    {
    }

    public function store(Request $request, #[CurrentUser] Person $person): JsonResponse
    {
        $request->validate(['name' => ['required', 'string', 'max:200'], 'parent' => ['nullable', 'string', 'size:26']]);

        return new JsonResponse(['id' => $this->folders->make($person, Wording::clean((string) $request->string('name'), 'name'), $request->filled('parent') ? (string) $request->string('parent') : null)->id], 201);
    }

    public function update(Request $request, Folder $folder, #[CurrentUser] Person $person): JsonResponse
    {
        $request->validate(['name' => ['sometimes', 'required', 'string', 'max:200'], 'parent' => ['sometimes', 'nullable', 'string', 'size:26']]);
        if ($request->has('parent')) {
            $this->folders->move($person, $folder, $request->filled('parent') ? (string) $request->string('parent') : null);
        }
        if ($request->has('name')) {
            $folder->update(['name' => Wording::clean((string) $request->string('name'), 'name')]);
        }

        return new JsonResponse(['id' => $folder->id]);
    }

    public function destroy(Folder $folder, #[CurrentUser] Person $person): JsonResponse
    {
        $this->folders->remove($person, $folder);

        return new JsonResponse(['id' => $folder->id]);
    }
}
