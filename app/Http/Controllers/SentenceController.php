<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PlainJson;
use App\Models\MapRecord;
use App\Store\MapStore;
use ChalkTree\CrossLink\Score;
use ChalkTree\CrossLink\Sentence;
use ChalkTree\CrossLink\Sentences;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

/** The propositions of a map, read out. */
final readonly class SentenceController
{
    public function __construct(private MapStore $store)
    {
    }

    public function index(MapRecord $map): JsonResponse
    {
        $topics = $this->store->load($map);
        $sentences = Sentences::of($topics);

        return new PlainJson([
            'sentences' => array_map(fn (Sentence $one): array => [
                'link' => $one->link, 'from' => $one->from, 'to' => $one->to, 'first' => $one->first, 'phrase' => $one->phrase, 'last' => $one->last, 'text' => $one->text(), 'repeated' => $one->isRepeated,
            ], $sentences->all),
            'score' => Score::of($topics)->toArray(),
            'loose' => $sentences->loose,
            'chains' => $sentences->chains,
        ]);
    }

    /** As a file: text as it is read out, or a table for spreadsheets. */
    public function file(MapRecord $map, string $format): Response
    {
        $sentences = Sentences::of($this->store->load($map));
        [$contents, $mime] = $format === 'csv' ? [$sentences->csv(), 'text/csv'] : [$sentences->text(), 'text/plain'];

        return new Response($contents, 200, ['Content-Type' => "{$mime}; charset=UTF-8", 'Content-Disposition' => "attachment; filename=\"sentences.{$format}\""]);
    }
}
