<?php

declare(strict_types=1);

namespace App\HandOver;

use App\Limits\BoundedProgram;

/** The pages of a PDF of ours as pictures, to be looked at before it is taken. */
final readonly class PagePictures
{
    /** Pixels of the longer side. */
    private const SIDE = 1100;

    /** @return string|null  PNG; null where there is no such page */
    public function of(string $file, int $page): ?string
    {
        $picture = BoundedProgram::run(['pdftoppm', '-q', '-png', '-f', (string) $page, '-l', (string) $page, '-singlefile', '-scale-to', (string) self::SIDE, $file]);

        return $picture === null || $picture === '' ? null : $picture;
    }

    public static function count(string $file): int
    {
        return preg_match('/^Pages:\s+(\d+)/m', BoundedProgram::run(['pdfinfo', $file]) ?? '', $m) === 1 ? (int) $m[1] : 0;
    }
}
