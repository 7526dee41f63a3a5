<?php

declare(strict_types=1);

namespace App\HandOver;

use App\Limits\BoundedProgram;
use App\Models\MapRecord;
use App\Pictures\KeptPictures;
use App\Pictures\PictureBytes;
use App\Pictures\PictureSize;
use ChalkTree\Document\Document;
use ChalkTree\Picture\DrawingBox;

/** The pictures of a document as files beside it, in forms that its format shows. */
final readonly class DocumentPictures
{
    /** Pixels of the side of a drawing of the box where it is drawn beforehand. */
    private const DRAWING = 256;

    /** Pixels at 96 to the inch that a page has room for. */
    private const WIDEST = 600;

    private const HIGHEST = 820;

    private const MEDIA = ['svg' => 'image/svg+xml', 'png' => 'image/png', 'jpg' => 'image/jpeg'];

    public function __construct(private KeptPictures $kept, private DrawingBox $box)
    {
    }

    /**
     * @param  bool  $isInside  whether the document holds them itself, as addresses
     * @return array<string, string> the names of the files, or addresses that hold them, by source; those that are not there are left out
     */
    public function write(Document $document, MapRecord $record, MakingFolder $folder, DocumentFormat $to, bool $isInside, Progress $progress): array
    {
        $names = [];
        $images = $document->images();
        foreach ($images as $i => $image) {
            if (! isset($names[$image->source])) {
                $progress->at('Putting the pictures in', 5 + (int) (35 * $i / count($images)));
                $picture = $this->picture($image->source, $record, $folder, $to);
                if ($picture !== null) {
                    [$bytes, $ending] = $to === DocumentFormat::Rtf ? self::fitted($picture, $image->wide) : $picture;
                    $names[$image->source] = $isInside ? 'data:'.self::MEDIA[$ending].';base64,'.base64_encode($bytes) : "picture-{$i}.{$ending}";
                    $isInside ?: $folder->put("picture-{$i}.{$ending}", $bytes);
                }
            }
        }

        return $names;
    }

    /**
     * So many dots to the inch that it has room on a page: RTF has pictures as large as they say they are.
     *
     * @param  array{string, 'svg'|'png'|'jpg'}  $picture
     * @param  int|null  $width  pixels at 96 to the inch
     * @return array{string, 'svg'|'png'|'jpg'}
     */
    private static function fitted(array $picture, ?int $width): array
    {
        [$bytes, $ending] = $picture;
        [$wide, $high] = getimagesizefromstring($bytes) ?: [0, 0];
        $dpi = $wide === 0 ? 0 : (int) ceil(96 * max($wide / min($width ?? $wide, self::WIDEST), $high / self::HIGHEST));

        return match (true) {
            $dpi <= 0, $ending === 'svg' => $picture,
            $ending === 'png' => [PictureBytes::pngAt($bytes, $dpi), $ending],
            default => [PictureBytes::jpegAt($bytes, $dpi), $ending],
        };
    }

    /** @return array{string, 'svg'|'png'|'jpg'}|null its bytes and the ending of such files */
    private function picture(string $source, MapRecord $record, MakingFolder $folder, DocumentFormat $to): ?array
    {
        if (str_starts_with($source, 'drawing:')) {
            $body = $this->box->body(substr($source, 8));

            return $body === null ? null : $this->vectors("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 32 32\" width=\"32\" height=\"32\">{$body}</svg>", self::DRAWING, $folder, $to);
        }
        $picture = str_starts_with($source, 'file:') ? $this->kept->find($record->id, substr($source, 5)) : null;
        [$bytes, $media] = ($picture === null ? null : $this->kept->read($picture, PictureSize::Large)) ?? ['', ''];

        return match (true) {
            $bytes === '' => null,
            $media === 'image/svg+xml' => $this->vectors($bytes, (int) PictureSize::Large->side(), $folder, $to),
            default => [$bytes, $media === 'image/png' ? 'png' : 'jpg'],
        };
    }

    /** @return array{string, 'svg'|'png'}|null */
    public function vectors(string $svg, int $wide, MakingFolder $folder, DocumentFormat $to): ?array
    {
        if ($to->showsVectors()) {
            return [$svg, 'svg'];
        }
        $from = $folder->put('vectors.svg', $svg);
        $drawn = BoundedProgram::run(['rsvg-convert', '--format=png', '--unlimited', "--width={$wide}", '--keep-aspect-ratio', $from]);

        return $drawn === null ? null : [$drawn, 'png'];
    }
}
