<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Files\JoinedFile;
use App\Files\KeptFiles;
use App\Files\Uploads;
use App\Models\FileRecord;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Upload;
use ChalkTree\Map\Ids;
use Symfony\Component\Process\Process;

/** Files as they come to the server, and bytes of each sort. */
final class Sends
{
    /** A file that has come whole, in pieces. */
    public static function whole(Person $person, string $bytes, string $name = 'plan.bin', int $piece = 400_000): Upload
    {
        $uploads = app(Uploads::class);
        $upload = $uploads->begin($person, Ids::next(), $name, strlen($bytes));
        for ($at = 0; $at < strlen($bytes); $at += $piece) {
            $upload->received = $uploads->add($upload->refresh(), $at, substr($bytes, $at, $piece));
        }

        return $upload->refresh();
    }

    /** A file that a map has. */
    public static function kept(MapRecord $map, string $bytes, string $name = 'plan.bin'): FileRecord
    {
        $file = JoinedFile::begin();
        $from = fopen('php://memory', 'w+b');
        fwrite($from, $bytes);
        rewind($from);
        $file->append($from);

        return app(KeptFiles::class)->add($map, $file, $name);
    }

    /** Pages that say one line each, as PDF. */
    public static function pdf(string ...$lines): string
    {
        $lines = $lines === [] ? ['Tide table'] : $lines;
        $pages = implode(' ', array_map(fn (int $n): string => (4 + 2 * $n).' 0 R', array_keys(array_values($lines))));
        $objects = ['<</Type/Catalog/Pages 2 0 R>>', "<</Type/Pages/Kids[{$pages}]/Count ".count($lines).'>>', '<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>'];
        foreach (array_values($lines) as $n => $line) {
            $drawing = "BT /F1 36 Tf 40 300 Td ({$line}) Tj ET";
            $objects[] = '<</Type/Page/Parent 2 0 R/MediaBox[0 0 300 400]/Contents '.(5 + 2 * $n).' 0 R/Resources<</Font<</F1 3 0 R>>>>>>';
            $objects[] = '<</Length '.strlen($drawing).">>stream\n{$drawing}\nendstream";
        }

        return self::written($objects);
    }

    /** A page that is nothing but a picture in JPEG 2000, as scanners make them. */
    public static function scan(): string
    {
        $at = sys_get_temp_dir().'/scan-'.bin2hex(random_bytes(4));
        file_put_contents("{$at}.png", Photos::png(120, 160));
        (new Process(['vips', 'copy', "{$at}.png", "{$at}.jp2"]))->mustRun();
        $picture = (string) file_get_contents("{$at}.jp2");
        array_map(unlink(...), ["{$at}.png", "{$at}.jp2"]);
        $drawing = 'q 300 0 0 400 0 0 cm /P Do Q';

        return self::written([
            '<</Type/Catalog/Pages 2 0 R>>', '<</Type/Pages/Kids[3 0 R]/Count 1>>', '<</Type/Page/Parent 2 0 R/MediaBox[0 0 300 400]/Contents 4 0 R/Resources<</XObject<</P 5 0 R>>>>>>',
            '<</Length '.strlen($drawing).">>stream\n{$drawing}\nendstream",
            '<</Type/XObject/Subtype/Image/Width 120/Height 160/Filter/JPXDecode/Length '.strlen($picture).">>stream\n{$picture}\nendstream",
        ]);
    }

    /** @param  list<string>  $objects  the first is the catalogue */
    private static function written(array $objects): string
    {
        $pdf = "%PDF-1.5\n";
        $places = [];
        foreach ($objects as $n => $object) {
            $places[] = strlen($pdf);
            $pdf .= ($n + 1)." 0 obj\n{$object}\nendobj\n";
        }
        $table = strlen($pdf);
        $count = count($objects) + 1;

        return $pdf."xref\n0 {$count}\n0000000000 65535 f \n".implode('', array_map(fn (int $place): string => sprintf("%010d 00000 n \n", $place), $places))."trailer<</Size {$count}/Root 1 0 R>>\nstartxref\n{$table}\n%%EOF\n";
    }

    /** A tone of a length in milliseconds, as WAV. */
    public static function wav(int $length = 200): string
    {
        $samples = '';
        for ($i = 0; $i < $length * 8; $i++) {
            $samples .= chr((int) (128 + 90 * sin($i / 8000 * 2 * M_PI * 220)));
        }

        return 'RIFF'.pack('V', 36 + strlen($samples)).'WAVEfmt '.pack('VvvVVvv', 16, 1, 1, 8000, 8000, 1, 8).'data'.pack('V', strlen($samples)).$samples;
    }
}
