<?php

declare(strict_types=1);

namespace App\Show;

use App\Files\KeptFiles;
use App\HandOver\NotMade;
use App\HandOver\Progress;
use App\HandOver\Stopped;
use App\Library\Pictures;
use App\Models\MapRecord;
use App\Pictures\KeptPictures;
use App\Pictures\PictureSize;
use ChalkTree\Attach\FileMedia;
use ChalkTree\Draw\Paints;
use ChalkTree\Look\Palette;
use ChalkTree\Look\StyleSheet;
use ChalkTree\Map\TopicMap;
use ChalkTree\Show\SlideBoard;
use ChalkTree\Text\TypeFace;
use Illuminate\Contracts\Filesystem\Filesystem;

/** A deck as one page that shows itself without any network: the script, the drawings, films and pictures are all in it. */
final readonly class AloneDeck
{
    /** Bytes of films, sound and pictures that go along; what is beyond is named and not there. */
    private const MOST = 96 * 1024 * 1024;

    public function __construct(private Pictures $pictures, private KeptPictures $kept, private KeptFiles $files, private Filesystem $disk)
    {
    }

    /**
     * @param  TopicMap  $map  as Outgoing has it
     *
     * @throws NotMade|Stopped
     */
    public function write(MapRecord $record, TopicMap $map, ChosenDeck $chosen, Paints $paints, string $title, Progress $progress): string
    {
        $deck = ShownDeck::of($map, $chosen->deck, $chosen->slides);
        [$drawings, $afar, $css] = [[], [], ''];
        $pictures = $this->pictures->shown($record);
        foreach ($chosen->slides as $i => $slide) {
            if ($progress->isStopped()) {
                throw new Stopped;
            }
            $progress->at('Drawing slide '.($i + 1).' of '.count($chosen->slides), 5 + (int) (70 * $i / count($chosen->slides)));
            $drawing = ShownDeck::drawing($map, $chosen->deck, $slide, $pictures);
            $css = $drawing['css'];
            $drawings[] = $drawing;
            if ($drawing['way'] === 'all' && ! isset($afar[$drawing['key']])) {
                $afar[$drawing['key']] = ShownDeck::afar($map, $slide);
            }
        }
        $progress->at('Putting in what can be opened', 80);
        [$deck['slides'], $left] = $this->embedded($record, $deck['slides']);
        $script = @file_get_contents(public_path('build/slides/alone.js'));
        if ($script === false) {
            throw new NotMade('The page could not be made, because a part of the application is missing. Run bin/install.');
        }
        $data = json_encode(['deck' => $deck, 'drawings' => $drawings, 'afar' => $afar, 'left' => $left], JSON_THROW_ON_ERROR | JSON_HEX_TAG | JSON_HEX_AMP | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);

        return view('slides', [
            'title' => $chosen->deck->text('name') === '' || $chosen->deck->text('name') === 'Slides' ? $title : "{$title}: {$chosen->deck->text('name')}",
            'colours' => $paints->css($chosen->slides === [] ? new Palette : SlideBoard::of($map, $chosen->slides[0])->scene->palette), 'ground' => $paints->ground(), 'css' => $css,
            'faces' => StyleSheet::faces(TypeFace::cases()), 'fonts' => $this->pictures->fonts()->css(range(0, 3)),
            // Nothing in a script may look like its end.
            'script' => str_replace('</', '<\/', $script), 'data' => $data, 'isDark' => $paints->board->isDark(),
        ])->render();
    }

    /**
     * Slides with what they can open as addresses that hold it.
     *
     * @param  list<array<string, mixed>>  $slides
     * @return array{list<array<string, mixed>>, list<string>} and the names of what was too large
     */
    private function embedded(MapRecord $record, array $slides): array
    {
        $room = self::MOST;
        $known = [];
        $left = [];
        foreach ($slides as $i => $slide) {
            $opens = [];
            foreach (is_array($slide['opens']) ? $slide['opens'] : [] as $open) {
                if (! is_array($open) || ! is_string($open['source'] ?? null)) {
                    continue;
                }
                [$sort, $rest] = [...explode(':', $open['source'], 2), ''];
                if ($sort !== 'file' && $sort !== 'picture') {
                    $opens[] = $open;

                    continue;
                }
                $known[$open['source']] ??= $sort === 'file' ? $this->file($record, $rest, $room) : $this->picture($record, $rest);
                $room -= strlen($known[$open['source']]);
                if ($known[$open['source']] === '') {
                    $left[] = is_string($open['title'] ?? null) ? $open['title'] : '';
                } else {
                    $opens[] = ['source' => $known[$open['source']]] + $open;
                }
            }
            $slides[$i]['opens'] = $opens;
        }

        return [$slides, array_values(array_unique($left))];
    }

    private function file(MapRecord $record, string $hash, int $room): string
    {
        $file = $this->files->find($record->id, $hash);
        if ($file === null || $file->bytes * 4 / 3 > $room) {
            return '';
        }
        $bytes = (string) $this->disk->get(KeptFiles::path($hash));
        $media = FileMedia::of($bytes);

        return FileMedia::opens($media) ? "data:{$media};base64,".base64_encode($bytes) : '';
    }

    private function picture(MapRecord $record, string $hash): string
    {
        $picture = $this->kept->find($record->id, $hash);
        [$bytes, $media] = ($picture === null ? null : $this->kept->read($picture, PictureSize::Large)) ?? ['', ''];

        return $bytes === '' ? '' : "data:{$media};base64,".base64_encode($bytes);
    }
}
