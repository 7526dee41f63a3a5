<?php

declare(strict_types=1);

namespace App\HandOver;

use ChalkTree\Document\Image;
use ZipArchive;

/** Says in an OpenDocument file what its pictures show, which pandoc leaves out. */
final class SaidPictures
{
    /** @param  list<Image>  $images  as they stand in the file */
    public static function in(string $file, array $images): void
    {
        $zip = new ZipArchive;
        if ($images === [] || $zip->open($file) !== true) {
            return;
        }
        $i = 0;
        $said = preg_replace_callback('~(<draw:frame\b[^>]*>\s*<draw:image\b[^>]*/>)(\s*</draw:frame>)~', function (array $m) use ($images, &$i): string {
            $about = $images[$i++]->about ?? '';

            return $m[1].($about === '' ? '' : '<svg:desc>'.htmlspecialchars($about, ENT_XML1 | ENT_QUOTES | ENT_SUBSTITUTE).'</svg:desc>').$m[2];
        }, (string) $zip->getFromName('content.xml'));
        if (is_string($said)) {
            $zip->addFromString('content.xml', $said);
        }
        $zip->close();
    }
}
