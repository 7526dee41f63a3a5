<?php

declare(strict_types=1);

// For PHP's own server: files under public/ are sent as they are, everything else goes to the application.

$path = (string) parse_url((string) ($_SERVER['REQUEST_URI'] ?? '/'), PHP_URL_PATH);
$public = dirname(__DIR__).'/public';
$file = realpath($public.rawurldecode($path));

if ($path !== '/' && $file !== false && str_starts_with($file, $public.'/') && is_file($file) && ! str_ends_with($file, '.php')) {
    $types = ['js' => 'text/javascript', 'css' => 'text/css', 'woff2' => 'font/woff2', 'svg' => 'image/svg+xml', 'png' => 'image/png', 'ico' => 'image/x-icon', 'json' => 'application/json', 'txt' => 'text/plain'];
    $type = $types[pathinfo($file, PATHINFO_EXTENSION)] ?? 'application/octet-stream';
    header("Content-Type: {$type}");
    header('X-Content-Type-Options: nosniff');
    if (str_starts_with($path, '/build/assets/')) {
        header('Cache-Control: public, max-age=31536000, immutable');
    }
    if (in_array($type, ['text/javascript', 'text/css'], true) && str_contains((string) ($_SERVER['HTTP_ACCEPT_ENCODING'] ?? ''), 'gzip')) {
        header('Content-Encoding: gzip');
        header('Vary: Accept-Encoding');
        // The build leaves a packed copy beside each script and style.
        readfile(is_file("{$file}.gz") ? "{$file}.gz" : 'data:,');
        is_file("{$file}.gz") || print gzencode((string) file_get_contents($file), 6);

        return true;
    }
    header('Content-Length: '.filesize($file));
    readfile($file);

    return true;
}

$_SERVER['SCRIPT_NAME'] = '/index.php';
$_SERVER['SCRIPT_FILENAME'] = $public.'/index.php';

require $public.'/index.php';
