<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PlainJson;
use App\Http\Requests\SendDigest;
use App\Mail\Letter;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\Digests;
use ChalkTree\Digest\DigestText;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What digests gather, to be seen, copied and sent. */
final readonly class DigestController
{
    public function __construct(private Digests $digests)
    {
    }

    public function show(MapRecord $map, string $topic, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson($this->digests->of($map, $person, $topic));
    }

    /** The same as text, Markdown and HTML, without what is private. */
    public function copy(Request $request, MapRecord $map, string $topic, #[CurrentUser] Person $person): JsonResponse
    {
        $text = $this->text($map, $person, $topic, $request->boolean('trail'));

        return new PlainJson(['text' => $text->plain(), 'markdown' => $text->markdown(), 'html' => $text->html()]);
    }

    public function send(SendDigest $request, MapRecord $map, string $topic, Mailer $mailer, #[CurrentUser] Person $person): JsonResponse
    {
        [$title, $list] = explode("\n", $this->text($map, $person, $topic, $request->boolean('trail'))->plain()."\n", 2);
        $mailer->to((string) $request->string('to'))->send(new Letter($title === '' ? 'A list' : mb_strimwidth($title, 0, 120, '…'), ["{$person->name} sends you a list made with Chalk Tree.", ...array_values(array_filter(array_map(trim(...), [$title, ...explode("\n\n", $list)])))]));

        return new PlainJson(['sent' => true]);
    }

    private function text(MapRecord $map, Person $person, string $topic, bool $withTrail): DigestText
    {
        return $this->digests->text($map, $person, $topic, $withTrail);
    }
}
