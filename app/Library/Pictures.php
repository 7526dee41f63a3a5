<?php

declare(strict_types=1);

namespace App\Library;

use App\HandOver\Drawing;
use App\HandOver\MakingFolder;
use App\HandOver\NotMade;
use App\HandOver\Progress;
use App\HandOver\Stopped;
use App\HandOver\Unwatched;
use App\Limits\BoundedProgram;
use App\Models\MapRecord;
use App\Pictures\EmbeddedPictures;
use App\Pictures\KeptPictures;
use App\Pictures\PictureBytes;
use ChalkTree\Arrange\Scene;
use ChalkTree\Draw\EmbeddedFonts;
use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\HandOver\Choices;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Look\Chalk;
use ChalkTree\Picture\DrawingBox;
use ChalkTree\Print\PictureSize;

/** Makes picture files of scenes: SVG by itself, PNG, JPEG and PDF through librsvg. */
final readonly class Pictures
{
    /** Seconds for one drawing. */
    private const SECONDS = 60;

    private const QUALITY = 90;

    /** Pixels of a chart. */
    private const WIDEST = 8_000;

    public function __construct(private KeptPictures $kept, private DrawingBox $box)
    {
    }

    public function shown(MapRecord $record): EmbeddedPictures
    {
        return new EmbeddedPictures($record, $this->kept, $this->box);
    }

    /**
     * @param  MapRecord  $record  of the map that is drawn
     * @param  array<string, Chalk>  $rings  chalks for rings around topics, by id
     */
    public function svg(MapRecord $record, Scene $scene, string $title, BoardTheme $board, array $rings = []): string
    {
        return (new SvgWriter($board, $this->fonts(), rings: $rings, pictures: $this->shown($record)))->write($scene, $title);
    }

    /**
     * A chart or the like, from 0, 0 to its width and height.
     *
     * @param  list<Primitive>  $parts
     * @param  string  $to  "svg" or "png"
     */
    public function chart(array $parts, float $w, float $h, string $title, string $to): string
    {
        $writer = new SvgWriter(BoardTheme::Day, $to === 'svg' ? $this->fonts() : null);
        $svg = $writer->writeParts($parts, $w, $h, $title);

        return $to === 'svg' ? $svg : $this->drawn('png', $svg, PictureSize::of(['x' => 0.0, 'y' => 0.0, 'w' => $w, 'h' => $h], Choices::fromFields('', ['width' => (int) min(self::WIDEST, $w * 2)])), new Unwatched);
    }

    /**
     * All of a scene.
     *
     * @param  MapRecord  $record  of the map that is drawn
     * @param  int  $width  pixels, as far as that can be drawn
     * @return string the file
     */
    public function png(MapRecord $record, Scene $scene, string $title, BoardTheme $board, int $width): string
    {
        $frame = SvgWriter::around($scene);
        $size = PictureSize::of($frame, Choices::fromFields('', ['width' => $width]));

        return $this->drawn('png', (new SvgWriter($board, pictures: $this->shown($record)))->write($scene, $title, $frame), $size, new Unwatched);
    }

    /**
     * @param  MapRecord  $record  of the map that is drawn
     * @param  string  $to  "svg", "png", "jpg", or "drawing" for PDF
     *
     * @throws NotMade|Stopped
     */
    public function picture(MapRecord $record, Drawing $drawing, string $title, string $to, Choices $choices, Progress $progress = new Unwatched): string
    {
        $progress->at('Drawing', 10);
        $size = PictureSize::of($drawing->frame, $choices);
        $isVectors = $to === 'svg' || $to === 'drawing';
        $wide = match (true) {
            $isVectors && $size->millimetres !== null => 'width="'.round($size->millimetres, 2).'mm" height="'.round($size->millimetres * $drawing->frame['h'] / $drawing->frame['w'], 2).'mm"',
            $isVectors && $choices->number('width') !== null => "width=\"{$size->width}\" height=\"{$size->height}\"",
            default => '',
        };
        $svg = (new SvgWriter($drawing->paints, $to === 'svg' ? $this->fonts() : null, $drawing->hasGround || $to === 'jpg', pictures: $this->shown($record)))->write($drawing->scene, $title, $drawing->frame, $wide);
        $progress->at('Making the picture', 30);

        return $to === 'svg' ? $svg : $this->drawn($to, $svg, $size, $progress);
    }

    /**
     * Several drawings as the pages of one PDF, each as large as it says.
     *
     * @param  list<string>  $pages  SVG
     *
     * @throws NotMade|Stopped
     */
    public function pages(array $pages, MakingFolder $folder, Progress $progress): string
    {
        $names = array_map(fn (int $i): string => $folder->put("page-{$i}.svg", $pages[$i]), array_keys($pages));

        return $this->run(['rsvg-convert', '--format=pdf', '--unlimited', ...$names], 'pages.pdf', $folder, $progress);
    }

    private function drawn(string $to, string $svg, PictureSize $size, Progress $progress): string
    {
        $folder = MakingFolder::begin();
        try {
            $from = $folder->put('drawing.svg', $svg);
            if ($to === 'drawing') {
                return $this->run(['rsvg-convert', '--format=pdf', '--unlimited', $from], 'drawing.pdf', $folder, $progress);
            }
            $picture = $this->run(['rsvg-convert', '--format=png', '--unlimited', "--width={$size->width}", '--keep-aspect-ratio', $from], 'drawing.png', $folder, $progress);
            if ($to === 'png') {
                return PictureBytes::pngAt($picture, $size->dpi);
            }
            $progress->at('Packing the picture', 70);
            $this->program(['vips', 'copy', 'drawing.png', 'drawing.jpg[Q='.self::QUALITY.',strip]'], $folder, $progress);

            return PictureBytes::jpegAt($folder->get('drawing.jpg'), $size->dpi);
        } finally {
            $folder->end();
        }
    }

    /**
     * @param  list<string>  $command
     * @param  string  $out  the file that it writes; what is printed would have to be fetched bit by bit
     */
    private function run(array $command, string $out, MakingFolder $folder, Progress $progress): string
    {
        $this->program([...$command, "--output={$out}"], $folder, $progress);

        return $folder->get($out);
    }

    /** @param  list<string>  $command */
    private function program(array $command, MakingFolder $folder, Progress $progress): void
    {
        BoundedProgram::run($command, $folder->path, self::SECONDS, $progress->isStopped(...), $this->environment())
            ?? throw ($progress->isStopped() ? new Stopped : new NotMade('The picture could not be made: it took too long, or too much memory. Make it smaller, or of fewer topics.'));
    }

    /** @return array<string, string> what a program that draws finds in its environment: where our fonts are */
    public function environment(): array
    {
        return ['FONTCONFIG_FILE' => $this->fontList()];
    }

    public function fonts(): EmbeddedFonts
    {
        return new EmbeddedFonts(resource_path('fonts'));
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
