<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Response;

/** A board drawn for one person, as SVG: it runs nothing, fetches nothing and is kept by nobody. */
final class SvgAnswer extends Response
{
    public function __construct(string $svg)
    {
        parent::__construct($svg, 200, [
            'Content-Type' => 'image/svg+xml', 'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; font-src data:; img-src data:", 'Cache-Control' => 'private, no-store', 'X-Content-Type-Options' => 'nosniff',
        ]);
    }
}
