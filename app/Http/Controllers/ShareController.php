<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\AskAccess;
use App\Http\Requests\BlockAddress;
use App\Http\Requests\ChangeShare;
use App\Http\Requests\MakeLink;
use App\Http\Requests\OfferMap;
use App\Http\Requests\SendLink;
use App\Http\Requests\ShareWith;
use App\Models\Block;
use App\Models\Folder;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Share;
use App\Models\ViewingLink;
use App\Sharing\SharedShelf;
use App\Sharing\Shares;
use App\Viewing\ViewingLinks;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

/** Who may open a map or a folder, and what they may do there; asking for it, leaving it, handing it on, and whom one blocks. */
final readonly class ShareController
{
    public function __construct(private Shares $shares, private SharedShelf $shelf, private ViewingLinks $links)
    {
    }

    public function index(MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse($this->shelf->ofMap($map, $person));
    }

    /** Lets somebody in, or says otherwise what they may. */
    public function share(ShareWith $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $this->shares->give($person, $map, $request->email(), $request->role(), $request->words());

        return new JsonResponse($this->shelf->ofMap($map, $person));
    }

    public function ofFolder(Folder $folder, #[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse($this->shelf->ofFolder($folder, $person));
    }

    public function shareFolder(ShareWith $request, Folder $folder, #[CurrentUser] Person $person): JsonResponse
    {
        $this->shares->give($person, $folder, $request->email(), $request->role(), $request->words());

        return new JsonResponse($this->shelf->ofFolder($folder, $person));
    }

    public function change(ChangeShare $request, Share $share): JsonResponse
    {
        $this->shares->change($share, $request->role());

        return new JsonResponse(['id' => $share->id]);
    }

    public function end(Share $share): JsonResponse
    {
        $this->shares->end($share);

        return new JsonResponse(['id' => $share->id]);
    }

    /** The answer is the same whether there is such a map or not, so that nobody can find out which there are. */
    public function ask(AskAccess $request, #[CurrentUser] Person $person): JsonResponse
    {
        $this->shares->ask($person, (string) $request->string('map'), $request->words());

        return new JsonResponse(['message' => 'If there is such a map, whoever keeps it has been told that you ask for it.']);
    }

    public function decline(MapRecord $map, string $asking, #[CurrentUser] Person $person): JsonResponse
    {
        $this->shares->decline($map, (int) $asking);

        return new JsonResponse($this->shelf->ofMap($map, $person));
    }

    public function offer(OfferMap $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $this->shares->offer($person, $map, $request->receiver());

        return new JsonResponse($this->shelf->ofMap($map->refresh(), $person));
    }

    public function take(MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $this->shares->take($person, $map);

        return new JsonResponse($this->shelf->ofMap($map->refresh(), $person));
    }

    public function blocks(#[CurrentUser] Person $person): JsonResponse
    {
        return $this->told($person);
    }

    public function block(BlockAddress $request, #[CurrentUser] Person $person): JsonResponse
    {
        $this->shares->block($person, $request->email());

        return $this->told($person);
    }

    public function unblock(Block $block, #[CurrentUser] Person $person): JsonResponse
    {
        $block->delete();

        return $this->told($person);
    }

    public function links(MapRecord $map): JsonResponse
    {
        return new JsonResponse($this->links->told($map));
    }

    public function makeLink(MakeLink $request, MapRecord $map): JsonResponse
    {
        $this->links->make($map, $request->wish());

        return new JsonResponse($this->links->told($map), 201);
    }

    public function withdraw(ViewingLink $link): JsonResponse
    {
        $this->links->withdraw($link);

        return new JsonResponse($this->links->told(MapRecord::query()->findOrFail($link->map_id)));
    }

    public function sendLink(SendLink $request, ViewingLink $link, #[CurrentUser] Person $person): JsonResponse
    {
        $this->links->send($person, $link, $request->email(), $request->words());

        return new JsonResponse(['sent' => true]);
    }

    private function told(Person $person): JsonResponse
    {
        $blocks = Block::query()->where('person_id', $person->id)->get()->sortBy('email');

        return new JsonResponse(['blocks' => array_values($blocks->map(fn (Block $block): array => ['id' => $block->id, 'email' => $block->email])->all())]);
    }
}
