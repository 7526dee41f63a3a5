<?php

declare(strict_types=1);

namespace App\HandOver;

use App\Library\Pictures;
use App\Limits\BoundedProgram;
use App\Models\MapRecord;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\View;
use ChalkTree\Document\Document;
use ChalkTree\Document\Image;
use ChalkTree\Document\PandocWriter;
use ChalkTree\Draw\EmbeddedFonts;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\MapDocument;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\TopicMap;
use ChalkTree\Print\Paper;
use ChalkTree\Text\Run;
use ChalkTree\Text\TypeFace;

/** Maps as documents: made of one tree in the core, written by pandoc, set in pages by weasyprint. */
final readonly class Documents
{
    /** Seconds that each of the programs may take. */
    private const SECONDS = 180;

    /** Pixels of the width of the drawing at the front where it is not in vectors. */
    private const DRAWING = 2400;

    /** Points, where nothing is said. */
    private const TYPE = 11;

    /** Those of our fonts that books carry. */
    private const FONTS = ['AtkinsonHyperlegible-Regular', 'AtkinsonHyperlegible-Bold', 'AtkinsonHyperlegible-Italic', 'AtkinsonHyperlegible-BoldItalic'];

    /** Looks of texts that have templates and styles of their own. */
    private const LOOKS = ['manuscript', 'book'];

    public function __construct(private DocumentPictures $pictures, private Pictures $drawings)
    {
    }

    /**
     * @param  TopicMap  $map  as Selected has it
     * @return string the file
     *
     * @throws NotMade|Stopped
     */
    public function write(MapRecord $record, TopicMap $map, DocumentFormat $to, Choices $choices, Progress $progress = new Unwatched): string
    {
        $progress->at('Gathering the topics', 2);
        $scene = $choices->flag('drawing') ? Layout::of($map, new View)->scene() : null;
        $document = MapDocument::of($map, $choices, rtrim((string) config('app.url'), '/'), app()->getLocale(), $scene === null ? null : self::drawnWide($scene));

        return $this->made($record, $document, $scene, $to, $choices, $progress);
    }

    /**
     * The text of a story, or what is said of it, in a look for that.
     *
     * @param  string  $form  see StoryDocument
     * @return string the file
     *
     * @throws NotMade|Stopped
     */
    public function writeStory(MapRecord $record, Document $document, string $form, DocumentFormat $to, Choices $choices, Progress $progress = new Unwatched): string
    {
        $progress->at('Gathering the scenes', 2);

        // A table of many columns lies on its side, and goes on on the next page.
        $foot = $form === 'scenes' ? '@page{size:'.Paper::named($choices->text('paper'))->words().' landscape}table{break-inside:auto;font-size:.82em}tr{break-inside:avoid}' : '';

        return $this->made($record, $document, null, $to, $choices, $progress, $foot, in_array($form, self::LOOKS, true) ? $form : '');
    }

    /**
     * A document as pages that follow on others.
     *
     * @param  string  $foot  rules for what stands at the foot of each page
     * @return string PDF
     *
     * @throws NotMade|Stopped
     */
    public function pages(MapRecord $record, Document $document, Choices $choices, string $foot, Progress $progress): string
    {
        return $this->made($record, $document, null, DocumentFormat::Pdf, $choices, $progress, $foot);
    }

    /**
     * The same as a page for the browser's own printing.
     *
     * @return string HTML
     *
     * @throws NotMade|Stopped
     */
    public function page(MapRecord $record, Document $document, Choices $choices, Progress $progress): string
    {
        return $this->made($record, $document, null, DocumentFormat::Html, $choices, $progress);
    }

    private function made(MapRecord $record, Document $document, ?Scene $scene, DocumentFormat $to, Choices $choices, Progress $progress, string $foot = '', string $look = ''): string
    {
        $folder = MakingFolder::begin();
        try {
            $isInside = $to === DocumentFormat::Html || $to === DocumentFormat::Pdf;
            $names = $this->pictures->write($document, $record, $folder, $to, $isInside, $progress);
            if ($scene !== null) {
                $progress->at('Drawing the map', 42);
                $names[MapDocument::DRAWING] = $this->drawing($record, $scene, $folder, $to, $isInside);
            }
            $progress->at('Writing the document', 50);
            $folder->put('document.json', (new PandocWriter($names, $to === DocumentFormat::Odt))->write($document));
            $this->run(['pandoc', '--from=json', ...$this->asked($to, $choices, $folder, $foot, $look), '--output=document.'.($to === DocumentFormat::Pdf ? 'html' : $to->value), 'document.json'], $folder, $progress);
            if ($to === DocumentFormat::Pdf) {
                $progress->at('Setting the pages', 65);
                $this->run(['weasyprint', '--quiet', '--base-url', $folder->path.'/', 'document.html', 'document.pdf'], $folder, $progress);
            }
            if ($to === DocumentFormat::Odt) {
                SaidPictures::in("{$folder->path}/document.odt", array_values(array_filter($document->images(), fn (Image $image): bool => isset($names[$image->source]))));
            }
            $progress->at('Done', 100);

            return $folder->get("document.{$to->value}");
        } finally {
            $folder->end();
        }
    }

    /** As wide as a page has room for, and no higher, pixels at 96 to the inch. */
    private static function drawnWide(Scene $scene): int
    {
        $bounds = $scene->bounds();

        return max(60, (int) min(620, 860 * ($bounds['w'] + 64) / ($bounds['h'] + 64)));
    }

    private function drawing(MapRecord $record, Scene $scene, MakingFolder $folder, DocumentFormat $to, bool $isInside): string
    {
        [$bytes, $ending] = $to->showsVectors() ? [$this->drawings->svg($record, $scene, '', BoardTheme::Day), 'svg'] : [$this->drawings->png($record, $scene, '', BoardTheme::Day, self::DRAWING), 'png'];
        $isInside ?: $folder->put("drawing.{$ending}", $bytes);

        return $isInside ? 'data:image/svg+xml;base64,'.base64_encode($bytes) : "drawing.{$ending}";
    }

    /** @return list<string> how pandoc is to write it */
    private function asked(DocumentFormat $to, Choices $choices, MakingFolder $folder, string $foot, string $look): array
    {
        $depth = max(1, $choices->headings());
        $contents = $choices->flag('contents') ? ['--toc', "--toc-depth={$depth}"] : [];

        return match ($to) {
            DocumentFormat::Docx, DocumentFormat::Odt => ["--to={$to->value}", '--standalone', '--reference-doc='.resource_path('documents/'.($look === '' ? 'reference' : $look).".{$to->value}"), ...$contents],
            DocumentFormat::Rtf => ['--to=rtf', '--standalone', ...$contents],
            DocumentFormat::Epub => ['--to=epub3', '--mathml', '--css='.$folder->put('book.css', $this->css($choices, 'book', $look)), ...$contents, ...array_map(fn (string $font): string => '--epub-embed-font='.resource_path("fonts/{$font}.ttf"), self::FONTS)],
            DocumentFormat::Html => ['--to=html5', '--mathml', '--template='.$this->template($folder, $this->css($choices, 'screen', $look)), ...$contents],
            DocumentFormat::Pdf => ['--to=html5', '--template='.$this->template($folder, $this->css($choices, 'print', $look).$foot), ...$contents],
        };
    }

    private function template(MakingFolder $folder, string $css): string
    {
        // In a template of pandoc's a dollar sign is written twice.
        return $folder->put('page.html', str_replace('STYLES', str_replace('$', '$$', $css), (string) file_get_contents(resource_path('documents/page.html'))));
    }

    /**
     * @param  'screen'|'print'|'book'  $for  "book" is for readers of EPUB
     * @param  string  $look  one of LOOKS, or empty
     */
    private function css(Choices $choices, string $for, string $look = ''): string
    {
        // A book is smaller than what is printed at home.
        $paper = Paper::named($choices->text('paper') === '' && $look === 'book' ? 'a5' : $choices->text('paper'))->words();
        $read = fn (string $name): string => (string) file_get_contents(resource_path("documents/{$name}.css"));
        $fonts = $for === 'book' ? implode('', array_map(fn (string $font): string => '@font-face{font-family:"Atkinson Hyperlegible";font-weight:'.(str_contains($font, 'Bold') ? 'bold' : 'normal').';font-style:'.(str_contains($font, 'Italic') ? 'italic' : 'normal').";src:url(\"../fonts/{$font}.ttf\")}", self::FONTS))
            : (new EmbeddedFonts(resource_path('fonts')))->css(array_map(fn (int $marks): int => $marks | ($look === '' ? 0 : TypeFace::Reading->cut()), [0, Run::BOLD, Run::ITALIC, Run::BOLD | Run::ITALIC]));

        return $fonts.str_replace(
            ['TYPEpt', 'PAPER'],
            [$for === 'book' ? '1em' : ($choices->number('type') ?? self::TYPE).'pt', $paper.($choices->flag('landscape') ? ' landscape' : '')],
            $read('page').($for === 'book' ? '' : $read($for)).($look === '' ? '' : $read($look).($for === 'print' ? $read("{$look}-pages") : '')),
        );
    }

    /** @param  list<string>  $command */
    private function run(array $command, MakingFolder $folder, Progress $progress): void
    {
        if (BoundedProgram::run($command, $folder->path, self::SECONDS, $progress->isStopped(...)) === null) {
            throw $progress->isStopped() ? new Stopped : new NotMade('The file could not be made: it took too long, or too much memory. Hand over fewer topics or fewer pictures.');
        }
    }
}
