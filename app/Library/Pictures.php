<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\MapRecord;
use App\Pictures\EmbeddedPictures;
use App\Pictures\KeptPictures;
use ChalkTree\Arrange\Scene;
use ChalkTree\Draw\EmbeddedFonts;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Look\Chalk;
use ChalkTree\Picture\DrawingBox;
use RuntimeException;
use Symfony\Component\Process\Process;

/** Makes picture files of scenes: SVG by itself, PNG through librsvg. */
final readonly class Pictures
{
    public const WIDEST = 16_000;

    /** librsvg draws nothing taller. */
    private const TALLEST = 32_000;

    /** Beyond this a PNG takes more memory than a request should. */
    private const MOST_PIXELS = 120_000_000;

    public function __construct(private KeptPictures $kept, private DrawingBox $box)
    {
    }

    private function shown(MapRecord $record): EmbeddedPictures
    {
        return new EmbeddedPictures($record, $this->kept, $this->box);
    }

    /**
     * @param  MapRecord  $record  of the map that is drawn
     * @param  array<string, Chalk>  $rings  chalks for rings around topics, by id
     */
    public function svg(MapRecord $record, Scene $scene, string $title, BoardTheme $board, array $rings = []): string
    {
        return (new SvgWriter($board, new EmbeddedFonts(resource_path('fonts')), rings: $rings, pictures: $this->shown($record)))->write($scene, $title);
    }

    /**
     * @param  MapRecord  $record  of the map that is drawn
     * @param  int|null  $width  pixels; null for twice the natural size, as far as that is reasonable
     * @return string the file
     */
    public function png(MapRecord $record, Scene $scene, string $title, BoardTheme $board, ?int $width = null): string
    {
        $bounds = $scene->bounds();
        $natural = $bounds['w'] + 64;
        $widest = (int) sqrt(self::MOST_PIXELS * $natural / ($bounds['h'] + 64));
        $tallest = (int) (self::TALLEST * $natural / ($bounds['h'] + 64));
        $width = max(1, min($width ?? (int) (2 * $natural), self::WIDEST, $widest, $tallest));
        $process = new Process(
            ['rsvg-convert', '--format=png', '--unlimited', "--width={$width}", '--keep-aspect-ratio'],
            env: ['FONTCONFIG_FILE' => $this->fontList()],
            input: (new SvgWriter($board, pictures: $this->shown($record)))->write($scene, $title),
            timeout: 60,
        );
        $process->run();
        if (! $process->isSuccessful()) {
            throw new RuntimeException('librsvg could not draw the picture: '.$process->getErrorOutput());
        }

        return $process->getOutput();
    }

    /**
     * A list of fonts with the shipped ones in it; librsvg does not read those inside an SVG. Nor does it know how to leave
     * kerning and ligatures out, which text is measured without, so that is said of the fonts.
     */
    private function fontList(): string
    {
        $file = storage_path('app/fonts.conf');
        $folder = htmlspecialchars(resource_path('fonts'), ENT_XML1);
        $list = "<?xml version=\"1.0\"?>\n<!DOCTYPE fontconfig SYSTEM \"fonts.dtd\">\n<fontconfig><include ignore_missing=\"yes\">/etc/fonts/fonts.conf</include><dir>{$folder}</dir>"
            ."<match target=\"font\"><edit name=\"fontfeatures\" mode=\"append\"><string>kern=0</string><string>liga=0</string><string>clig=0</string></edit></match></fontconfig>\n";
        if (@file_get_contents($file) !== $list) {
            @mkdir(dirname($file), 0o755, true);
            file_put_contents("{$file}.".getmypid(), $list);
            rename("{$file}.".getmypid(), $file);
        }

        return $file;
    }
}
