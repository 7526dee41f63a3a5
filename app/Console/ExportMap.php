<?php

declare(strict_types=1);

namespace App\Console;

use App\HandOver\Wish;
use App\HandOver\WishReader;
use App\Library\Exports;
use App\Store\MapStore;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\HandOver\Choices;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use Illuminate\Support\Str;
use RuntimeException;

/** Writes a map to a file or to standard output. */
final class ExportMap extends MapCommand
{
    protected $signature = 'map:export {id} {--to= : json, zip, opml, md, txt, csv, html, docx, odt, rtf, epub, pdf, svg, png, jpg, drawing (as PDF), print (on sheets, as PDF), pptx, slides-pdf, slides-html or slides-png} {--out= : a file; else standard output}
        {--topic= : the id of a topic, for its branch alone} {--depth= : down to which level; the root is 0} {--headings= : down to which level titles are headings}
        {--numbered : with numbers} {--cut : with what is stamped as cut} {--form= : of a story: manuscript, book, synopsis, cast or scenes; --byline for who wrote it} {--asides : with what one says to oneself} {--no-notes} {--no-captions} {--no-pictures} {--no-tables} {--no-links} {--no-facts : without kinds, fields and to-dos} {--contents : with a table of contents} {--drawing : with the drawing of the map in front} {--stamps : as words} {--tags : as words} {--sentences} {--legend} {--footnotes : captions at the foot of the page} {--landscape}
        {--millimetres= : width of a picture on paper} {--dpi= : dots to the inch} {--margin= : pixels around a picture} {--on= : day, slate, white or ink} {--bare : without ground}
        {--upright} {--columns= : sheets across} {--rows= : sheets down} {--points= : smallest type, on as many sheets as that takes} {--overlap= : millimetres} {--byline= : a name at the foot of each sheet} {--no-marks : nothing to cut by} {--no-plan : without the plan of the sheets} {--no-map-name} {--no-date} {--no-sheet-number} {--outline : as further pages} {--notes : as further pages}
        {--gap-topics : gaps to be filled in for the topics of --gaps} {--gaps= : their ids, with spaces between} {--gap-phrases} {--gap-words : for words set bold} {--no-key}
        {--deck= : a deck of the map, by its name; else the first, or one made of the branch} {--per= : slides on a page, 2, 3, 4, 6 or 9; --notes for one with what is said}
        {--paper= : a3, a5, letter or legal; else a4} {--type= : size in points} {--width= : pixels, of a picture} {--preset= : settings that the map keeps under this name} {--set=* : any of these by its name, as headings=3} {--owner=}';

    protected $description = 'Writes a map to a file or to standard output. But for json and zip, which are complete copies, nothing private goes along.';

    /** The options that take something, by what they are called among the choices. */
    private const WITH = ['depth', 'headings', 'paper', 'type', 'width', 'millimetres', 'dpi', 'margin', 'on', 'columns', 'rows', 'points', 'overlap', 'byline', 'deck', 'per', 'form'];

    public function handle(MapStore $store, Exports $exports): int
    {
        $record = $this->record();
        $map = $store->load($record);
        $choices = WishReader::choices($this->chosen(), $map, $this->text('preset'));
        $to = $this->text('to') ?? $choices->text('to');
        if (! in_array($to, Exports::names(), true)) {
            throw new RuntimeException('--to has to be one of: '.implode(', ', Exports::names()).'.');
        }
        $topic = $this->text('topic');
        $branch = $topic === null ? null : $map->topic(strtolower($topic))->id;
        if ($to === Exports::ARCHIVE) {
            return $this->archive($exports->zip($record, $branch === null ? $map : NewMap::from(TopicDraft::of($map, $branch), arrangement: $map->sheet()->arrangement)));
        }
        $file = $exports->write($record, $map, new Wish($to, $choices, $branch, gaps: array_values(array_filter(explode(' ', $this->text('gaps') ?? ''), Ids::valid(...)))));
        $out = $this->text('out');
        if ($out === null) {
            $this->put($file);
        } elseif (@file_put_contents($out, $file) === false) {
            throw new RuntimeException("The file {$out} cannot be written.");
        }

        return self::SUCCESS;
    }

    /** Lets an archive be where it is wanted, which may be standard output. */
    private function archive(string $path): int
    {
        $out = $this->text('out') ?? 'php://stdout';
        try {
            if (! @copy($path, $out)) {
                throw new RuntimeException("The file {$out} cannot be written.");
            }
        } finally {
            @unlink($path);
        }

        return self::SUCCESS;
    }

    /** @return array<string, string|true> by the names of Choices */
    private function chosen(): array
    {
        $chosen = [];
        foreach ((array) $this->option('set') as $one) {
            [$name, $value] = [...explode('=', is_string($one) ? $one : '', 2), ''];
            if (! isset(Choices::known()[$name])) {
                throw new RuntimeException("There is nothing called “{$name}” to be set; there are: ".implode(', ', array_keys(Choices::known())).'.');
            }
            $chosen[$name] = $value;
        }
        foreach (self::WITH as $name) {
            $chosen += $this->text($name) === null ? [] : [$name => (string) $this->text($name)];
        }
        foreach (Choices::FLAGS as $flag) {
            $chosen += $this->option(Str::kebab($flag)) === true ? [$flag => true] : [];
        }

        return $chosen;
    }
}
