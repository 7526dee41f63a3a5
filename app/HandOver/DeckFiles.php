<?php

declare(strict_types=1);

namespace App\HandOver;

use App\Library\Pictures;
use App\Limits\BoundedProgram;
use App\Models\MapRecord;
use App\Show\AloneDeck;
use App\Show\ChosenDeck;
use App\Show\SlidePicture;
use ChalkTree\Document\Block;
use ChalkTree\Document\Columns;
use ChalkTree\Document\Document;
use ChalkTree\Document\Heading;
use ChalkTree\Document\Image;
use ChalkTree\Document\PandocWriter;
use ChalkTree\Document\Paragraph;
use ChalkTree\Document\SpokenNotes;
use ChalkTree\Document\Words;
use ChalkTree\Draw\Paints;
use ChalkTree\HandOver\Choices;
use ChalkTree\Map\TopicMap;
use ChalkTree\Show\SaidLines;
use ChalkTree\Show\Slide;
use ChalkTree\Show\SlideBoard;
use ChalkTree\Show\SlideOutline;
use ChalkTree\Show\SlidePages;
use ChalkTree\Show\SlideSheet;
use ChalkTree\Show\SlideWriter;
use ZipArchive;

/** Decks as files: slides for office suites, pages, numbered pictures, one page that shows itself. */
final readonly class DeckFiles
{
    /** What a deck can be handed over as, with the media types. */
    public const FORMATS = [
        'pptx' => 'application/vnd.openxmlformats-officedocument.presentationml.presentation', 'slides-pdf' => 'application/pdf', 'slides-html' => 'text/html', 'slides-png' => 'application/zip',
    ];

    /** Seconds that each of the programs may take. */
    private const SECONDS = 120;

    /** Pixels of the width of slides as pictures where nothing is said, and of drawings on slides with text. */
    private const WIDTH = 1920;

    private const DRAWING = 1240;

    private const DRAWING_HIGH = 830;

    /** Pixels of such a picture that one of the board becomes at most. */
    private const LARGEST = 3.0;

    /** As many pictures are made at once. */
    private const ATONCE = '2';

    public function __construct(private Pictures $pictures, private AloneDeck $alone)
    {
    }

    /**
     * @param  TopicMap  $map  as Outgoing has it
     * @return string the file
     *
     * @throws NotMade|Stopped
     */
    public function write(MapRecord $record, TopicMap $map, Wish $wish, string $title, Progress $progress): string
    {
        $chosen = ChosenDeck::of($map, $wish->choices->text('deck'), $wish->branch);
        $paints = Paints::on($wish->choices->text('on'), $wish->board);
        $progress->at('Laying out the slides', 3);
        if ($wish->to === 'slides-html') {
            return $this->alone->write($record, $map, $chosen, $paints, $title, $progress);
        }
        $folder = MakingFolder::begin();
        try {
            return match ($wish->to) {
                'pptx' => $this->pptx($record, $map, $chosen, $paints, $folder, $progress),
                'slides-pdf' => $this->pdf($record, $map, $chosen, $paints, $wish->choices, $title, $folder, $progress),
                default => $this->png($record, $map, $chosen, $paints, $wish->choices, $folder, $progress),
            };
        } finally {
            $folder->end();
        }
    }

    private function png(MapRecord $record, TopicMap $map, ChosenDeck $chosen, Paints $paints, Choices $choices, MakingFolder $folder, Progress $progress): string
    {
        $width = min(8_000, $choices->number('width') ?? self::WIDTH);
        $sheets = [];
        foreach ($chosen->slides as $i => $slide) {
            $this->tell($chosen, $i, $progress);
            $sheets[] = SlidePicture::of($map, $chosen->deck, $slide, $paints, $this->pictures->shown($record), 'width="'.SlideSheet::WIDE.'" height="'.SlideSheet::HIGH.'"');
        }
        $names = $this->drawn($sheets, $width, $folder, $progress);
        $zip = new ZipArchive;
        $zip->open("{$folder->path}/slides.zip", ZipArchive::CREATE);
        $digits = max(2, strlen((string) count($names)));
        foreach ($names as $i => $name) {
            $called = trim(mb_substr(trim((string) preg_replace(['/[^\p{L}\p{N} _-]+/u', '/ {2,}/'], ['', ' '], $chosen->slides[$i]->titleIn($map))), 0, 60));
            $zip->addFile("{$folder->path}/{$name}", str_pad((string) ($i + 1), $digits, '0', STR_PAD_LEFT).($called === '' ? '' : " {$called}").'.png');
            // They are packed already.
            $zip->setCompressionIndex($i, ZipArchive::CM_STORE);
        }
        $zip->close();

        return $folder->get('slides.zip');
    }

    private function pdf(MapRecord $record, TopicMap $map, ChosenDeck $chosen, Paints $paints, Choices $choices, string $title, MakingFolder $folder, Progress $progress): string
    {
        $writer = $this->writer($record, $paints);
        $set = [];
        foreach ($this->boards($map, $chosen, $progress) as $i => $board) {
            $slide = $chosen->slides[$i];
            $set[] = [
                'sheet' => SlidePicture::ground($writer).(new SlideSheet($writer))->write($board, $slide, $chosen->deck->text('veil'), self::covered($chosen, $i)), 'title' => $slide->titleIn($map),
                'lines' => SaidLines::of($slide->saidIn($map)), 'seconds' => $slide->secondsIn($map, $chosen->deck->number('pace') ?? $chosen->deck::PACE),
            ];
        }
        $per = $choices->number('per') ?? 1;
        $progress->at('Setting the pages', 60);
        $layouts = SlidePages::LAYOUTS;
        $pages = match (true) {
            $choices->flag('notes') => (new SlidePages(SlidePicture::style(), $title))->noted($set),
            isset($layouts[$per]) => (new SlidePages(SlidePicture::style(), $title))->several($set, $per),
            // As large as slides are: 13⅓ by 7½ inches.
            default => array_map(fn (array $one): string => SlidePicture::wrapped($one['sheet'], 'width="338.667mm" height="190.5mm"'), $set),
        };

        return $this->pictures->pages($pages, $folder, $progress);
    }

    /** True titles, true lists, the drawing beside them, what is said as notes. */
    private function pptx(MapRecord $record, TopicMap $map, ChosenDeck $chosen, Paints $paints, MakingFolder $folder, Progress $progress): string
    {
        $writer = $this->writer($record, $paints);
        $drawings = $blocks = $files = [];
        foreach ($this->boards($map, $chosen, $progress) as $i => $board) {
            $slide = $chosen->slides[$i];
            $covered = self::covered($chosen, $i);
            $frame = $board->frame;
            $drawings[] = SlidePicture::wrapped($writer->write($board, $frame, $slide->number('dim') ?? Slide::DIM, $chosen->deck->text('veil'), $covered), 'width="'.(int) min(self::DRAWING, self::DRAWING_HIGH * $frame['w'] / $frame['h'], self::LARGEST * $frame['w']).'"', "{$frame['x']} {$frame['y']} {$frame['w']} {$frame['h']}");
            $title = $slide->titleIn($map);
            $text = SlideOutline::of($map, $board->seen, $title, $covered);
            $files[$source = "drawing:{$i}"] = "slide-{$i}.png";
            $drawing = new Paragraph([new Image($source)]);
            array_push($blocks, new Heading(1, [Words::plain($title === '' ? ' ' : $title)]), ...($text === [] ? [$drawing] : [new Columns([$text, [$drawing]])]), ...self::said($slide->saidIn($map)));
        }
        $this->drawn($drawings, null, $folder, $progress);
        $progress->at('Writing the slides', 75);
        $folder->put('slides.json', (new PandocWriter($files))->write(new Document([], $blocks, app()->getLocale())));
        $this->run(['pandoc', '--from=json', '--to=pptx', '--slide-level=1', '--reference-doc='.resource_path('documents/reference.pptx'), '--output=slides.pptx', 'slides.json'], $folder, $progress);

        $this->describe("{$folder->path}/slides.pptx", array_map(fn (Slide $slide): string => $slide->titleIn($map), $chosen->slides));

        return $folder->get('slides.pptx');
    }

    /**
     * Says of each drawing what it shows, for who does not see it; without words, pandoc says the name of its file.
     *
     * @param  list<string>  $titles
     */
    private function describe(string $path, array $titles): void
    {
        $zip = new ZipArchive;
        $zip->open($path);
        foreach ($titles as $i => $title) {
            $name = 'ppt/slides/slide'.($i + 1).'.xml';
            $about = htmlspecialchars("Drawing of “{$title}”", ENT_XML1 | ENT_QUOTES);
            $zip->addFromString($name, str_replace("descr=\"slide-{$i}.png\"", "descr=\"{$about}\"", (string) $zip->getFromName($name)));
        }
        $zip->close();
    }

    /** @return list<Block> */
    private static function said(string $markdown): array
    {
        $lines = array_map(fn (array $line): Block => new Paragraph([Words::plain(str_repeat('  ', max(0, $line['indent'] - 1)).$line['text'])]), SaidLines::of($markdown));

        return $lines === [] ? [] : [new SpokenNotes($lines)];
    }

    /** @return iterable<int, SlideBoard> one after the other, so that no more than one is in memory */
    private function boards(TopicMap $map, ChosenDeck $chosen, Progress $progress): iterable
    {
        foreach ($chosen->slides as $i => $slide) {
            $this->tell($chosen, $i, $progress);
            yield $i => SlideBoard::of($map, $slide);
        }
    }

    private function tell(ChosenDeck $chosen, int $i, Progress $progress): void
    {
        if ($progress->isStopped()) {
            throw new Stopped;
        }
        $progress->at('Laying out slide '.($i + 1).' of '.count($chosen->slides), 5 + (int) (35 * $i / count($chosen->slides)));
    }

    /**
     * Pictures of drawings, slide-0.png and so on.
     *
     * @param  list<string>  $drawings  SVG
     * @param  int|null  $width  pixels, where they do not say that themselves
     * @return list<string> their names
     */
    private function drawn(array $drawings, ?int $width, MakingFolder $folder, Progress $progress): array
    {
        $progress->at('Drawing the slides', 42);
        $todo = $names = [];
        foreach ($drawings as $i => $svg) {
            $folder->put("slide-{$i}.svg", $svg);
            $names[] = "slide-{$i}.png";
            array_push($todo, "--output=slide-{$i}.png", "slide-{$i}.svg");
        }
        $folder->put('todo', implode("\n", $todo)."\n");
        $size = $width === null ? [] : ["--width={$width}", '--keep-aspect-ratio'];
        $this->run(['xargs', '--arg-file=todo', '--delimiter=\n', '--max-procs='.self::ATONCE, '--max-args=2', 'rsvg-convert', '--format=png', '--unlimited', ...$size], $folder, $progress);

        return $names;
    }

    /** @param  list<string>  $command */
    private function run(array $command, MakingFolder $folder, Progress $progress): void
    {
        if (BoundedProgram::run($command, $folder->path, self::SECONDS, $progress->isStopped(...), $this->pictures->environment()) === null) {
            throw $progress->isStopped() ? new Stopped : new NotMade('The slides could not be made: it took too long, or too much memory. Make them narrower, or show fewer topics on each.');
        }
    }

    private function writer(MapRecord $record, Paints $paints): SlideWriter
    {
        return new SlideWriter($paints, $this->pictures->shown($record));
    }

    /** @return list<string> what is covered on a slide, where the deck has gaps */
    private static function covered(ChosenDeck $chosen, int $i): array
    {
        return $chosen->deck->flag('gaps') ? $chosen->slides[$i]->chosen()->covered() : [];
    }
}
