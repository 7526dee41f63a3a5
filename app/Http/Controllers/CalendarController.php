<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Calendars\SecretCalendars;
use App\Files\SentFiles;
use App\Http\PlainJson;
use App\Models\MapRecord;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The address at which other calendars read a map. */
final readonly class CalendarController
{
    public function __construct(private SecretCalendars $calendars)
    {
    }

    public function show(MapRecord $map): JsonResponse
    {
        return new PlainJson(['address' => $this->calendars->of($map)]);
    }

    public function make(MapRecord $map): JsonResponse
    {
        return new PlainJson(['address' => $this->calendars->make($map)]);
    }

    public function withdraw(MapRecord $map): JsonResponse
    {
        $this->calendars->withdraw($map);

        return new PlainJson(['address' => null]);
    }

    /** For whoever knows the address. */
    public function read(string $address): Response
    {
        return new Response($this->calendars->read($address) ?? throw new NotFoundHttpException, 200, [
            'Content-Type' => 'text/calendar; charset=UTF-8', 'Content-Security-Policy' => SentFiles::POLICY, 'X-Content-Type-Options' => 'nosniff',
            'Cache-Control' => 'private, no-store', 'X-Robots-Tag' => 'noindex', 'Referrer-Policy' => 'no-referrer',
        ]);
    }
}
