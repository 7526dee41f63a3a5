<?php

declare(strict_types=1);

/*
 * A small object store that speaks what is used of S3: objects are put, read (in parts too), looked at, copied, listed and
 * removed, one by one or many at once, and come in parts where they are large. Every request has to be signed (Signature
 * Version 4). It stands in for storage that a larger installation has elsewhere; it is no place for anything that matters.
 *
 *   OBJECTS=/a/folder OBJECTS_KEY=key OBJECTS_SECRET=secret php -S 127.0.0.1:9000 deploy/stand-in/objects.php
 */

/** Ends the answer with an error as S3 has them. */
function refuse(int $status, string $code): never
{
    http_response_code($status);
    header('Content-Type: application/xml');
    echo '<?xml version="1.0" encoding="UTF-8"?><Error><Code>', $code, '</Code></Error>';
    exit;
}

/** @param  string|null  $xml  null for nothing */
function answer(?string $xml, int $status = 200): never
{
    http_response_code($status);
    if ($xml !== null) {
        header('Content-Type: application/xml');
        echo '<?xml version="1.0" encoding="UTF-8"?>', $xml;
    }
    exit;
}

function header_of(string $name): string
{
    return (string) ($_SERVER['HTTP_'.strtoupper(strtr($name, '-', '_'))] ?? $_SERVER[strtoupper(strtr($name, '-', '_'))] ?? '');
}

/** Whether a request was signed by whoever has the secret (AWS Signature Version 4, in the header). */
function is_signed(string $method, string $path, string $query): bool
{
    if (preg_match('~^AWS4-HMAC-SHA256 Credential=([^/]+)/(\d{8})/([^/]+)/s3/aws4_request,\s*SignedHeaders=([a-z0-9;-]+),\s*Signature=([0-9a-f]{64})$~', header_of('Authorization'), $m) !== 1) {
        return false;
    }
    [, $key, $day, $region, $names, $signature] = $m;
    $parts = [];
    foreach ($query === '' ? [] : explode('&', $query) as $pair) {
        [$name, $value] = explode('=', $pair, 2) + [1 => ''];
        $parts[rawurlencode(rawurldecode($name))] = rawurlencode(rawurldecode($value));
    }
    ksort($parts, SORT_STRING);
    $canonical = implode("\n", [
        $method, $path, implode('&', array_map(fn (string $name, string $value): string => "{$name}={$value}", array_map(strval(...), array_keys($parts)), $parts)),
        implode('', array_map(fn (string $name): string => "{$name}:".trim((string) preg_replace('/ +/', ' ', header_of($name)))."\n", explode(';', $names))),
        $names, header_of('x-amz-content-sha256'),
    ]);
    $scope = "{$day}/{$region}/s3/aws4_request";
    $signing = array_reduce([$day, $region, 's3', 'aws4_request'], fn (string $by, string $part): string => hash_hmac('sha256', $part, $by, true), 'AWS4'.getenv('OBJECTS_SECRET'));

    return hash_equals((string) getenv('OBJECTS_KEY'), $key) && hash_equals(hash_hmac('sha256', "AWS4-HMAC-SHA256\n".header_of('x-amz-date')."\n{$scope}\n".hash('sha256', $canonical), $signing), $signature);
}

/** The files of an object: what is in it, and what it is called. */
function place(string $bucket, string $key): string
{
    return getenv('OBJECTS')."/{$bucket}/".hash('sha256', $key);
}

/** Takes a body, whole or not at all. */
function take(string $to): void
{
    $new = "{$to}.".bin2hex(random_bytes(6));
    $from = fopen('php://input', 'rb');
    if ($from === false || file_put_contents($new, $from) === false) {
        refuse(500, 'InternalError');
    }
    $said = header_of('x-amz-content-sha256');
    if (preg_match('/^[0-9a-f]{64}$/', $said) === 1 && ! hash_equals($said, (string) hash_file('sha256', $new))) {
        unlink($new);
        refuse(400, 'XAmzContentSHA256Mismatch');
    }
    rename($new, $to);
}

/** @return list<array{key: string, file: string}> in their order */
function objects(string $bucket, string $prefix): array
{
    $all = [];
    foreach (glob(getenv('OBJECTS')."/{$bucket}/*.key") ?: [] as $name) {
        $key = (string) @file_get_contents($name);
        if (str_starts_with($key, $prefix) && is_file(substr($name, 0, -4))) {
            $all[] = ['key' => $key, 'file' => substr($name, 0, -4)];
        }
    }
    usort($all, fn (array $a, array $b): int => strcmp($a['key'], $b['key']));

    return $all;
}

function remove(string $bucket, string $key): void
{
    @unlink(place($bucket, $key).'.key');
    @unlink(place($bucket, $key));
}

$method = (string) $_SERVER['REQUEST_METHOD'];
[$path, $query] = explode('?', (string) $_SERVER['REQUEST_URI'], 2) + [1 => ''];
if ($path === '/health') {
    answer(null);
}
if (! is_signed($method, $path, $query)) {
    refuse(403, 'SignatureDoesNotMatch');
}
if (preg_match('~^/([a-z0-9-]{3,63})(?:/(.*))?$~s', $path, $m) !== 1) {
    refuse(400, 'InvalidURI');
}
[$bucket, $key] = [$m[1], rawurldecode($m[2] ?? '')];
is_dir(getenv('OBJECTS')."/{$bucket}") || @mkdir(getenv('OBJECTS')."/{$bucket}", 0o700, true);
parse_str($query, $asked);
$said = fn (string $name): string => is_string($asked[$name] ?? null) ? $asked[$name] : '';
$file = place($bucket, $key);
$parts = fn (string $upload): string => preg_match('/^[0-9a-f]{24}$/', $upload) === 1 && is_dir(getenv('OBJECTS')."/{$bucket}/{$upload}") ? getenv('OBJECTS')."/{$bucket}/{$upload}" : refuse(404, 'NoSuchUpload');

if ($key === '' && $method === 'GET') {
    $prefixes = $contents = '';
    $seen = [];
    $after = $said('continuation-token');
    $isMore = false;
    $most = max(1, min(1000, (int) ($said('max-keys') ?: 1000)));
    $last = '';
    foreach (objects($bucket, $said('prefix')) as $one) {
        if (strcmp($one['key'], $after) <= 0) {
            continue;
        }
        if ($most-- === 0) {
            $isMore = true;
            break;
        }
        $last = $one['key'];
        $cut = $said('delimiter') === '' ? false : strpos($one['key'], $said('delimiter'), strlen($said('prefix')));
        if ($cut !== false) {
            $seen[substr($one['key'], 0, $cut + 1)] = true;
        } else {
            $contents .= '<Contents><Key>'.htmlspecialchars($one['key'], ENT_XML1).'</Key><Size>'.filesize($one['file']).'</Size><LastModified>'.gmdate('Y-m-d\TH:i:s.000\Z', (int) filemtime($one['file'])).'</LastModified><ETag>"'.md5_file($one['file']).'"</ETag></Contents>';
        }
    }
    foreach (array_keys($seen) as $prefix) {
        $prefixes .= '<CommonPrefixes><Prefix>'.htmlspecialchars((string) $prefix, ENT_XML1).'</Prefix></CommonPrefixes>';
    }
    answer("<ListBucketResult><Name>{$bucket}</Name><IsTruncated>".($isMore ? 'true' : 'false').'</IsTruncated>'.($isMore ? '<NextContinuationToken>'.htmlspecialchars($last, ENT_XML1).'</NextContinuationToken>' : '')."{$contents}{$prefixes}</ListBucketResult>");
}
if ($key === '' && $method === 'POST' && array_key_exists('delete', $asked)) {
    $wanted = simplexml_load_string((string) file_get_contents('php://input'), options: LIBXML_NONET);
    $told = '';
    foreach ($wanted === false ? [] : $wanted->Object as $one) {
        remove($bucket, (string) $one->Key);
        $told .= '<Deleted><Key>'.htmlspecialchars((string) $one->Key, ENT_XML1).'</Key></Deleted>';
    }
    answer("<DeleteResult>{$told}</DeleteResult>");
}
if ($key === '') {
    refuse(405, 'MethodNotAllowed');
}
if ($method === 'POST' && array_key_exists('uploads', $asked)) {
    $upload = bin2hex(random_bytes(12));
    mkdir(getenv('OBJECTS')."/{$bucket}/{$upload}", 0o700);
    answer("<InitiateMultipartUploadResult><Bucket>{$bucket}</Bucket><Key>".htmlspecialchars($key, ENT_XML1)."</Key><UploadId>{$upload}</UploadId></InitiateMultipartUploadResult>");
}
if ($method === 'PUT' && $said('uploadId') !== '') {
    $part = sprintf('%s/%05d', $parts($said('uploadId')), (int) $said('partNumber'));
    take($part);
    header('ETag: "'.md5_file($part).'"');
    answer(null);
}
if ($method === 'POST' && $said('uploadId') !== '') {
    $whole = fopen("{$file}.new", 'wb') ?: refuse(500, 'InternalError');
    foreach (glob($parts($said('uploadId')).'/*') ?: [] as $part) {
        $from = fopen($part, 'rb') ?: refuse(500, 'InternalError');
        stream_copy_to_stream($from, $whole);
        fclose($from);
        unlink($part);
    }
    fclose($whole);
    rmdir($parts($said('uploadId')));
    rename("{$file}.new", $file);
    file_put_contents("{$file}.key", $key);
    answer('<CompleteMultipartUploadResult><ETag>"'.md5_file($file).'"</ETag></CompleteMultipartUploadResult>');
}
if ($method === 'DELETE' && $said('uploadId') !== '') {
    array_map(unlink(...), glob($parts($said('uploadId')).'/*') ?: []);
    rmdir($parts($said('uploadId')));
    answer(null, 204);
}
if ($method === 'PUT' && header_of('x-amz-copy-source') !== '') {
    [$of, $other] = explode('/', ltrim(rawurldecode(header_of('x-amz-copy-source')), '/'), 2) + [1 => ''];
    if (preg_match('/^[a-z0-9-]{3,63}$/', $of) !== 1 || ! @copy(place($of, $other), "{$file}.new")) {
        refuse(404, 'NoSuchKey');
    }
    rename("{$file}.new", $file);
    file_put_contents("{$file}.key", $key);
    answer('<CopyObjectResult><ETag>"'.md5_file($file).'"</ETag></CopyObjectResult>');
}
if ($method === 'PUT') {
    take($file);
    file_put_contents("{$file}.key", $key);
    header('ETag: "'.md5_file($file).'"');
    answer(null);
}
if ($method === 'DELETE') {
    remove($bucket, $key);
    answer(null, 204);
}
if ($method !== 'GET' && $method !== 'HEAD') {
    refuse(405, 'MethodNotAllowed');
}
if (! is_file($file)) {
    $method === 'HEAD' ? answer(null, 404) : refuse(404, 'NoSuchKey');
}
$size = (int) filesize($file);
[$from, $to] = [0, $size - 1];
if (preg_match('/^bytes=(\d+)-(\d*)$/', header_of('Range'), $m) === 1 && (int) $m[1] < $size) {
    [$from, $to] = [(int) $m[1], $m[2] === '' ? $size - 1 : min((int) $m[2], $size - 1)];
    http_response_code(206);
    header("Content-Range: bytes {$from}-{$to}/{$size}");
}
header('Content-Type: application/octet-stream');
header('Content-Length: '.max(0, $to - $from + 1));
header('Last-Modified: '.gmdate('D, d M Y H:i:s', (int) filemtime($file)).' GMT');
header('ETag: "'.md5_file($file).'"');
if ($method === 'GET' && $size > 0) {
    $reads = fopen($file, 'rb') ?: refuse(500, 'InternalError');
    fseek($reads, $from);
    $writes = fopen('php://output', 'wb') ?: refuse(500, 'InternalError');
    stream_copy_to_stream($reads, $writes, $to - $from + 1);
}
