<?php

declare(strict_types=1);

namespace App\HandOver;

use App\Library\Pictures;
use App\Limits\BoundedProgram;
use App\Models\MapRecord;
use ChalkTree\CrossLink\Sentence;
use ChalkTree\CrossLink\Sentences;
use ChalkTree\Document\Document;
use ChalkTree\Document\Listing;
use ChalkTree\Document\Paragraph;
use ChalkTree\Document\Words;
use ChalkTree\Draw\PartsWriter;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\MapDocument;
use ChalkTree\HandOver\Noted;
use ChalkTree\HandOver\Selected;
use ChalkTree\Print\PrintLine;
use ChalkTree\Print\PrintPlan;
use ChalkTree\Print\SheetWriter;
use ChalkTree\Print\SmallestType;

/** Maps on paper: the sheets of the drawing, and after them outline, notes, sentences and the key to gaps as pages. */
final readonly class Prints
{
    /** Points of type on further pages. */
    private const TYPE = 11;

    private const UNITE = 30;

    public function __construct(private Pictures $pictures, private Documents $documents)
    {
    }

    public static function plan(Drawing $drawing, Choices $choices): PrintPlan
    {
        return PrintPlan::of($drawing->frame, SmallestType::of($drawing->scene), $choices);
    }

    /**
     * @return string PDF
     *
     * @throws NotMade|Stopped
     */
    public function pdf(MapRecord $record, Drawing $drawing, string $title, Choices $choices, Progress $progress): string
    {
        $progress->at('Laying out the sheets', 5);
        $folder = MakingFolder::begin();
        try {
            $plan = self::plan($drawing, $choices);
            $line = $this->line($choices, $title);
            $parts = [$folder->put('sheets.pdf', $this->pictures->pages($this->sheets($this->writer($record, $drawing, $choices), $drawing, $title, $choices, $plan, $line), $folder, $progress))];
            $number = count($plan->sheets);
            foreach ($this->further($drawing, $title, $choices) as $i => $document) {
                $progress->at('Setting the pages', 50 + 20 * $i);
                $further = $this->documents->pages($record, $document, $this->set($choices, $plan), $this->foot($line, $number), new Within($progress));
                $parts[] = $folder->put("further-{$i}.pdf", $further);
                $number += PagePictures::count("{$folder->path}/further-{$i}.pdf");
            }
            $whole = "{$folder->path}/whole.pdf";
            if (count($parts) === 1) {
                return $folder->get('sheets.pdf');
            }

            return BoundedProgram::run(['pdfunite', ...$parts, $whole], $folder->path, self::UNITE, $progress->isStopped(...)) === null
                ? throw ($progress->isStopped() ? new Stopped : new NotMade('The pages could not be put together. Print fewer topics.')) : $folder->get('whole.pdf');
        } finally {
            $folder->end();
        }
    }

    /**
     * The same as a page of which the browser prints every part on a sheet of its own.
     *
     * @return string HTML
     *
     * @throws NotMade|Stopped
     */
    public function html(MapRecord $record, Drawing $drawing, string $title, Choices $choices, Progress $progress): string
    {
        $plan = self::plan($drawing, $choices);
        [$w, $h] = $plan->sheet;
        $writer = $this->writer($record, $drawing, $choices);
        $sheets = array_map(fn (string $svg): string => "<section class=\"sheet\">{$svg}</section>", $this->sheets($writer, $drawing, $title, $choices, $plan, $this->line($choices, $title)));
        $text = $styles = '';
        foreach ($this->further($drawing, $title, $choices) as $document) {
            $page = $this->documents->page($record, $document, $this->set($choices, $plan), $progress);
            $styles = self::between($page, '<style>', '</style>');
            $text .= '<section class="text">'.self::between($page, '<body>', '</body>').'</section>';
        }

        return '<!DOCTYPE html>'."\n".'<html lang="'.app()->getLocale().'"><head><meta charset="utf-8"><title>'.PartsWriter::text($title)."</title><style>{$styles}{$this->pictures->fonts()->css($writer->cuts())}"
            ."@page sheet{size:{$w}mm {$h}mm;margin:0}@page text{size:{$w}mm {$h}mm;margin:20mm}html,body{margin:0;max-width:none;padding:0;background:#fff}"
            .'.sheet{page:sheet;break-after:page;height:'.($h - 0.2).'mm;overflow:hidden;print-color-adjust:exact;-webkit-print-color-adjust:exact}.sheet svg{display:block}.text{page:text;break-after:page}section:last-child{break-after:auto}</style></head><body>'
            .implode("\n", $sheets).$text."</body></html>\n";
    }

    /** What stands between the first of one and the last of the other, which may be megabytes. */
    private static function between(string $page, string $begin, string $end): string
    {
        [$from, $to] = [(int) strpos($page, $begin) + strlen($begin), (int) strrpos($page, $end)];

        return substr($page, $from, max(0, $to - $from));
    }

    private function writer(MapRecord $record, Drawing $drawing, Choices $choices): SvgWriter
    {
        // Paper is white by itself.
        return new SvgWriter($drawing->paints, null, in_array($choices->text('on'), ['day', 'slate'], true) && $drawing->hasGround, pictures: $this->pictures->shown($record));
    }

    /** @return list<string> SVG */
    private function sheets(SvgWriter $writer, Drawing $drawing, string $title, Choices $choices, PrintPlan $plan, PrintLine $line): array
    {
        $sheets = new SheetWriter($plan, $writer, $line, ! $choices->flag('noMarks'));
        $all = count($plan->sheets) > 1 && ! $choices->flag('noPlan') ? [$sheets->planOfSheets($drawing->scene, $title)] : [];
        foreach ($plan->sheets as $sheet) {
            $all[] = $sheets->sheet($drawing->scene, $sheet);
        }

        return $all;
    }

    private function line(Choices $choices, string $title): PrintLine
    {
        return PrintLine::of($choices, $title, now()->isoFormat('D MMMM YYYY'));
    }

    /** @return list<Document> what follows on the drawing */
    private function further(Drawing $drawing, string $title, Choices $choices): array
    {
        $documents = [];
        $hasNotes = $choices->flag('notes');
        if ($choices->flag('outline') || $hasNotes) {
            // Of notes alone, only the topics that have one.
            $map = $choices->flag('outline') ? $drawing->map : Noted::of($drawing->map);
            $said = $hasNotes ? ['headings' => $choices->number('headings') ?? Choices::HEADINGS] : ['headings' => 0, 'noNotes' => true, 'noPictures' => true, 'noLinks' => true];
            $documents[] = MapDocument::of(Selected::of($map, Choices::fromFields('', $said)), Choices::fromFields('', $said), rtrim((string) config('app.url'), '/'), app()->getLocale());
        }
        if ($choices->flag('sentences')) {
            $documents[] = self::listed('Sentences', $title, array_map(fn (Sentence $sentence): string => $sentence->text(), Sentences::of($drawing->map)->all), null);
        }
        if ($drawing->key !== [] && ! $choices->flag('noKey')) {
            $documents[] = self::listed('Key', $title, array_values($drawing->key), 1);
        }

        return $documents;
    }

    /**
     * @param  list<string>  $lines
     * @param  int|null  $from  the first number, where they have numbers
     */
    private static function listed(string $name, string $title, array $lines, ?int $from): Document
    {
        return new Document([Words::plain("{$name}: {$title}")], [new Listing(array_map(fn (string $line): array => [new Paragraph([Words::plain($line)])], $lines), $from)], app()->getLocale());
    }

    private function set(Choices $choices, PrintPlan $plan): Choices
    {
        return Choices::fromFields('', ['paper' => $choices->text('paper') === '' ? null : $choices->text('paper'), 'landscape' => $plan->isAcross(), 'type' => $choices->number('type') ?? self::TYPE]);
    }

    /** The same line at the foot of pages that are set in CSS. */
    private function foot(PrintLine $line, int $before): string
    {
        [$left, $middle] = $line->words(1, 1);
        $said = fn (string $words): string => '"'.addcslashes((string) preg_replace('/[\x00-\x1f<>]/', ' ', $words), '"\\').'"';
        $number = $line->hasNumber ? 'counter(page)' : '""';

        return '@page{@bottom-left{content:'.$said($left).';font:bold 8.5pt "Atkinson Hyperlegible"}@bottom-center{content:'.$said($middle).';font:8.5pt "Atkinson Hyperlegible"}@bottom-right{content:'.$number.';font:8.5pt "Atkinson Hyperlegible"}}'
            .'@page:first{counter-reset:page '.($before + 1).'}';
    }
}
