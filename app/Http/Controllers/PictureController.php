<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Files\Sums;
use App\Http\PlainJson;
use App\Http\Requests\FindDrawings;
use App\Models\MapRecord;
use App\Models\Person;
use App\Pictures\KeptPictures;
use App\Pictures\PictureSize;
use App\Sharing\Sight;
use ChalkTree\Map\Bounds;
use ChalkTree\Picture\DrawingBox;
use ChalkTree\Picture\PictureFile;
use ChalkTree\Picture\UnusablePicture;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The pictures of maps, and the box of drawings. */
final readonly class PictureController
{
    /** A picture does nothing, whatever is in it. */
    private const POLICY = "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox";

    public function __construct(private KeptPictures $pictures, private Sums $sums)
    {
    }

    /** The body is the file itself. */
    public function store(Request $request, MapRecord $map): JsonResponse
    {
        if ((int) $request->header('Content-Length') > Bounds::LARGEST_PICTURE) {
            throw new UnusablePicture('A picture can have at most 20 MB. Save it smaller and try again.');
        }
        $picture = PictureFile::read((string) $request->getContent());
        // It takes room among what its owner has, whoever brings it.
        $this->sums->check($map->person()->firstOrFail(), strlen($picture->bytes));
        $kept = $this->pictures->add($map, $picture);

        return new PlainJson(['picture' => "file:{$kept->hash}", 'wide' => $kept->wide, 'high' => $kept->high]);
    }

    public function show(MapRecord $map, string $hash, string $size, Sight $sight, #[CurrentUser] Person $person): Response
    {
        $picture = $sight->has($person, $map, $hash) ? $this->pictures->find($map->id, $hash) : null;
        [$bytes, $media] = ($picture === null ? null : $this->pictures->read($picture, PictureSize::from($size))) ?? abort(404);

        // What is under a hash never changes.
        return new Response($bytes, 200, [
            'Content-Type' => $media, 'Content-Security-Policy' => self::POLICY, 'Content-Disposition' => 'inline',
            'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }

    public function drawings(FindDrawings $request, DrawingBox $box): JsonResponse
    {
        return new PlainJson(['drawings' => $box->find((string) $request->string('words')), 'of' => $box->count()]);
    }
}
