<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Files\Contents;
use App\Files\FileName;
use App\Files\KeptFiles;
use App\Files\SentFiles;
use App\Files\Sums;
use App\Files\UnusableFile;
use App\Files\Uploads;
use App\Http\PlainJson;
use App\Http\Requests\BeginUpload;
use App\Models\FileRecord;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\PictureRecord;
use App\Models\Upload;
use App\Pictures\KeptPictures;
use App\Sharing\Sight;
use App\Store\MapStore;
use ChalkTree\Attach\FileMedia;
use ChalkTree\Map\ContentName;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Files of maps: coming in pieces, kept, listed, sent, thrown away. */
final readonly class FileController
{
    public function __construct(private Uploads $uploads, private KeptFiles $files, private Sums $sums, private SentFiles $sent)
    {
    }

    public function begin(BeginUpload $request, #[CurrentUser] Person $person): JsonResponse
    {
        $upload = $this->uploads->begin($person, (string) $request->string('id'), FileName::clean((string) $request->string('name')), $request->integer('bytes'), $request->input('for') === 'map');

        return self::told($upload);
    }

    public function progress(Upload $upload): JsonResponse
    {
        return self::told($upload);
    }

    /** The body is the piece itself. */
    public function piece(Request $request, Upload $upload, string $at): JsonResponse
    {
        if ((int) $request->header('Content-Length') > Uploads::LARGEST_PIECE) {
            throw new UnusableFile('This piece is longer than it can be.');
        }
        $upload->received = $this->uploads->add($upload, (int) $at, (string) $request->getContent());

        return self::told($upload);
    }

    public function stop(Upload $upload): JsonResponse
    {
        $this->uploads->stop($upload);

        return new PlainJson(['id' => $upload->id]);
    }

    /** The files that a map has or had, what pictures take, and how much room there is. */
    public function index(MapRecord $map): JsonResponse
    {
        return new PlainJson([
            'files' => $this->files->of($map)->map(self::said(...))->all(),
            'pictures' => PictureRecord::query()->where('map_id', $map->id)->get()->sortBy('hash')->values()->map(fn (PictureRecord $picture): array => ['file' => ContentName::of($picture->hash), 'media' => $picture->media, 'bytes' => $picture->bytes])->all(),
            'used' => $this->sums->used($map->person()->firstOrFail()), 'most' => $this->sums->most(), 'largest' => Sums::largest(),
        ]);
    }

    /** Takes what has come into the map; no topic has it yet. */
    public function store(Request $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $id = $request->input('upload');
        $upload = is_string($id) ? Upload::query()->where('person_id', $person->id)->find($id) : null;
        if ($upload === null) {
            throw new UnusableFile('Nothing has come under this id, or too long ago. Send the file again.', 'upload');
        }
        $known = $upload->hash === null ? null : $this->files->find($map->id, $upload->hash);
        if ($known === null) {
            if ($map->person_id !== $person->id) {
                // From here on it takes room among what the map's owner has.
                $this->sums->check($map->person()->firstOrFail(), $upload->bytes);
            }
            $known = $this->files->add($map, $this->uploads->join($upload), $upload->name);
            $this->uploads->end($upload, $known->hash);
        }

        return new PlainJson(['name' => $upload->name] + self::said($known));
    }

    public function show(Request $request, MapRecord $map, string $hash, Sight $sight, #[CurrentUser] Person $person): Response
    {
        $file = $sight->has($person, $map, $hash) ? $this->files->find($map->id, $hash) ?? abort(404) : abort(404);
        $name = $request->query('name');

        return $this->sent->send(KeptFiles::path($hash), $file->media, is_string($name) && $name !== '' ? $name : $file->name, ! FileMedia::opens($file->media) || $request->query('as') === 'saved');
    }

    public function preview(MapRecord $map, string $hash, Filesystem $disk, Sight $sight, #[CurrentUser] Person $person): Response
    {
        ($sight->has($person, $map, $hash) ? $this->files->find($map->id, $hash) : null) ?? abort(404);
        $path = KeptFiles::path($hash, 'preview');

        return $disk->exists($path) ? $this->sent->send($path, 'image/jpeg', 'preview.jpg', false) : new Response('', 204);
    }

    /** Throws away for good what only the history still has: a file or a picture. */
    public function forget(MapRecord $map, string $hash, MapStore $store, KeptPictures $pictures): JsonResponse
    {
        $file = $this->files->find($map->id, $hash);
        if ($file === null && $pictures->find($map->id, $hash) === null) {
            abort(404);
        }
        $now = Contents::of($store->load($map));
        if (isset($now->files[$hash]) || isset($now->pictures[$hash])) {
            throw new UnusableFile('Topics have this file. Remove it from them first.', 'file');
        }
        $file === null ?: $this->files->forget($file);
        $pictures->forget($map->id, $hash);

        return new PlainJson(['file' => ContentName::of($hash)]);
    }

    private static function told(Upload $upload): JsonResponse
    {
        return new PlainJson(['id' => $upload->id, 'received' => $upload->received, 'bytes' => $upload->bytes]);
    }

    /** @return array{file: string, name: string, media: string, bytes: int, came: int} */
    private static function said(FileRecord $file): array
    {
        return ['file' => ContentName::of($file->hash), 'name' => $file->name, 'media' => $file->media, 'bytes' => $file->bytes, 'came' => $file->came];
    }
}
