<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Files\SentFiles;
use App\HandOver\DocumentsIn;
use App\Http\PlainJson;
use App\Http\Requests\AskHand;
use App\Http\Requests\AskPassages;
use App\Http\Requests\AskStory;
use App\Http\Requests\ReadText;
use App\Library\Pictures;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\MapStore;
use App\Store\Stories;
use ChalkTree\Ask\Moment;
use ChalkTree\Draw\Primitive;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Kind\Fields;
use ChalkTree\Kind\Kinds;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Topic;
use ChalkTree\Story\EditorChanges;
use ChalkTree\Story\OldText;
use ChalkTree\Story\Passages;
use ChalkTree\Story\Story;
use ChalkTree\Story\StoryDrawing;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Maps as stories: what a section names, who is where, what does not fit together, how long and tense it is. */
final readonly class StoryController
{
    public function __construct(private Stories $stories)
    {
    }

    public function hand(AskHand $request, MapRecord $map): JsonResponse
    {
        return new PlainJson($this->stories->atHand($map, $request->topic()));
    }

    public function threads(AskStory $request, MapRecord $map): JsonResponse
    {
        return new PlainJson($this->stories->grid($map, $request->branch(), $request->threads(), $request->isByChapter())->toArray());
    }

    public function shape(AskStory $request, MapRecord $map): JsonResponse
    {
        $shape = $this->stories->shape($map, $request->branch());
        $drawing = StoryDrawing::ofShape($shape);

        return new PlainJson(['scenes' => $shape->scenes, 'w' => $drawing->w, 'h' => $drawing->h, 'parts' => array_map(fn (Primitive $part): array => $part->toArray(), $drawing->parts)]);
    }

    public function checks(AskStory $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson(['found' => $this->stories->checks($map, $person, $request->branch())]);
    }

    /** Without what is private. */
    public function threadsFile(AskStory $request, MapRecord $map, string $format, Pictures $pictures): Response
    {
        $grid = $this->stories->gridOut($map, $request->branch(), $request->threads(), $request->isByChapter());
        if ($format === 'csv') {
            return $this->file($grid->csv(), 'threads', 'csv');
        }

        return $this->drawn(StoryDrawing::ofGrid($grid), 'threads', $format, $pictures);
    }

    /** Without what is private. */
    public function shapeFile(AskStory $request, MapRecord $map, string $format, Pictures $pictures): Response
    {
        $shape = $this->stories->shapeOut($map, $request->branch());

        return $format === 'csv' ? $this->file($shape->csv(), 'shape', 'csv') : $this->drawn(StoryDrawing::ofShape($shape), 'shape', $format, $pictures);
    }

    /** A manuscript that came back from an editor, laid against the draft; nothing is changed. */
    public function returned(AskStory $request, MapRecord $map, MapStore $store, DocumentsIn $documents): JsonResponse
    {
        if ((int) $request->header('Content-Length') > Bounds::LARGEST_FILE) {
            throw new UnreadableFile('This file is larger than 16 MB, more than can be laid beside the draft.');
        }
        $its = $store->load($map);
        $changes = EditorChanges::of($its, Story::of($its, $request->branch()), $documents->returned((string) $request->getContent()));

        return new PlainJson(['changes' => array_slice($changes->changes, 0, EditorChanges::MOST), 'same' => $changes->same, 'hasMore' => $changes->hasMore()]);
    }

    /** A text file as a note; nothing is changed. */
    public function readText(ReadText $request, MapRecord $map): JsonResponse
    {
        $text = OldText::read($request->name(), $request->bytes(), $request->day());

        return new PlainJson(['title' => $text->title, 'note' => $text->note, 'day' => $text->day]);
    }

    /** What notes say where a word stands by which somebody marked it. */
    public function passages(AskPassages $request, MapRecord $map, MapStore $store): JsonResponse
    {
        $its = $store->load($map);
        $passages = Passages::of($its, $request->mark(), $request->branch() ?? $its->sheet()->root);

        return new PlainJson(['passages' => $passages->all, 'hasMore' => $passages->hasMore]);
    }

    /** A topic to be read by somebody who writes elsewhere: all of its note, and what its fields say. */
    public function reading(MapRecord $map, string $topic, MapStore $store, #[CurrentUser] Person $person): JsonResponse
    {
        $its = $store->load($map);
        $row = $its->find($topic) ?? throw new NotFoundHttpException;
        $now = new Moment($its, $person->today());
        $facts = [];
        foreach (Kinds::fieldsOf($its, $row->id) as $field) {
            $told = Fields::told($now, $row->id, $field);
            if ($told !== null && ! $told[1]) {
                $facts[] = ['name' => $field->text('name'), 'told' => $told[0]];
            }
        }

        return new PlainJson([
            'map' => $map->id, 'mapTitle' => $its->sheet()->title ?? InlineMarkdown::oneLine($its->root()->title), 'topic' => $row->id, 'title' => InlineMarkdown::oneLine($row->title), 'caption' => $row->caption, 'note' => $row->note,
            'trail' => array_map(fn (Topic $above): string => InlineMarkdown::oneLine($above->title), array_reverse($its->ancestors($row->id))), 'facts' => $facts,
        ]);
    }

    private function drawn(StoryDrawing $drawing, string $name, string $format, Pictures $pictures): Response
    {
        return $this->file($pictures->chart($drawing->parts, $drawing->w, $drawing->h, ucfirst($name), $format), $name, $format);
    }

    private function file(string $contents, string $name, string $format): Response
    {
        $mime = ['csv' => 'text/csv; charset=UTF-8', 'svg' => 'image/svg+xml', 'png' => 'image/png'][$format] ?? 'application/octet-stream';

        return new Response($contents, 200, [
            'Content-Type' => $mime, 'Content-Disposition' => "attachment; filename=\"{$name}.{$format}\"",
            'Content-Security-Policy' => SentFiles::POLICY, 'X-Content-Type-Options' => 'nosniff', 'Cache-Control' => 'private, no-store',
        ]);
    }
}
