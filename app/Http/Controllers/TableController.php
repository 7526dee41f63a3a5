<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Files\FileName;
use App\Files\SentFiles;
use App\Http\PlainJson;
use App\Http\Requests\AskTable;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\Tables;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Map\Bounds;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Response;

/** Maps as tables: what is in them, and tables that come from files and become some. */
final readonly class TableController
{
    public function __construct(private Tables $tables)
    {
    }

    public function show(AskTable $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson($request->isOnlyCells()
            ? $this->tables->cells($map, $person, $request->table(), $request->branch(), $request->text(), $request->topics())
            : $this->tables->of($map, $person, $request->table(), $request->branch(), $request->text(), $request->topics(), $request->known(), $request->days()));
    }

    /** Without what is private. */
    public function file(AskTable $request, MapRecord $map, #[CurrentUser] Person $person): Response
    {
        [$title, $csv] = $this->tables->file($map, $person, $request->table(), $request->branch());
        $name = FileName::clean((trim((string) preg_replace('/[^\p{L}\p{N} _-]+/u', '', $title)) ?: 'table').'.csv');

        return new PlainResponse($csv, 200, [
            'Content-Type' => 'text/csv; charset=UTF-8', 'Content-Disposition' => HeaderUtils::makeDisposition('attachment', $name, FileName::plain($name)),
            'Content-Security-Policy' => SentFiles::POLICY, 'X-Content-Type-Options' => 'nosniff', 'Cache-Control' => 'private, no-store',
        ]);
    }

    /** What a file would bring; nothing is changed. */
    public function look(Request $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        if ((int) $request->header('Content-Length') > Bounds::LARGEST_FILE) {
            throw new UnreadableFile('This file is larger than 16 MB, more than a map can take in.');
        }

        return new PlainJson($this->tables->look($map, $person, (string) $request->getContent()));
    }
}
