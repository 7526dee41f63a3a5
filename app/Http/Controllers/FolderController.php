<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ChangeFolder;
use App\Http\Requests\MakeFolder;
use App\Library\Folders;
use App\Models\Folder;
use App\Models\Person;
use ChalkTree\Edit\Wording;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

/** The folders of a library. */
final readonly class FolderController
{
    public function __construct(private Folders $folders)
    {
    }

    public function store(MakeFolder $request, #[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse(['id' => $this->folders->make($person, Wording::clean((string) $request->string('name'), 'name'), $request->filled('parent') ? (string) $request->string('parent') : null)->id], 201);
    }

    public function update(ChangeFolder $request, Folder $folder, #[CurrentUser] Person $person): JsonResponse
    {
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
