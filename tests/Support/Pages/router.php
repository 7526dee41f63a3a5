<?php

declare(strict_types=1);

/** A server of pages that behave well and badly, for PHP's built-in server; it counts what it is asked for. */
$path = (string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH);
file_put_contents((string) getenv('PAGES_LOG'), $path."\n", FILE_APPEND);
$port = (string) $_SERVER['SERVER_PORT'];

match ($path) {
    '/page' => print '<!doctype html><head><title>Tides &amp; times</title><meta name="description" content="Of the week"><meta property="og:image" content="/picture.png"></head><body>…</body>',
    '/framed' => (function (): void {
        header('X-Frame-Options: DENY');
        echo '<title>Alone</title>';
    })(),
    '/away' => header('Location: /page', true, 302),
    '/round' => header('Location: /round', true, 302),
    '/inside' => header('Location: http://127.0.0.1:'.((int) $port + 1).'/page', true, 302),
    '/file' => header('Location: file:///etc/passwd', true, 302),
    '/slow' => sleep(30),
    '/large' => (function (): void {
        echo '<title>Large</title>';
        for ($i = 0; $i < 60; $i++) {
            echo str_repeat('x', 100_000);
        }
    })(),
    '/bomb' => (function (): void {
        header('Content-Encoding: gzip');
        echo gzencode('<title>Bomb</title>'.str_repeat('x', 50_000_000));
    })(),
    '/table.pdf' => (function (): void {
        header('Content-Type: application/pdf');
        echo '%PDF-1.4';
    })(),
    '/picture.png' => (function (): void {
        header('Content-Type: image/png');
        $picture = imagecreatetruecolor(40, 20);
        imagepng($picture);
    })(),
    '/headers' => (function (): void {
        for ($i = 0; $i < 400; $i++) {
            header("X-Long-{$i}: ".str_repeat('a', 100));
        }
    })(),
    '/evil' => print '<title><img src=x onerror=alert(1)></title><meta name="description" content="&lt;script&gt;alert(1)&lt;/script&gt;"><meta property="og:image" content="http://127.0.0.1:9/x.png">',
    default => http_response_code(404),
};
