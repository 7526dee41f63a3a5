<?php

declare(strict_types=1);

namespace App\Files;

use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Filesystem\AwsS3V3Adapter;
use Illuminate\Filesystem\LocalFilesystemAdapter;
use Psr\Http\Message\StreamInterface;
use RuntimeException;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * A file of the file system as an answer, or the part of it that is asked for (RFC 9110, section 14), as players of sound and
 * film ask. What lies on storage elsewhere goes through as it comes, and nothing else of it is fetched.
 */
final class StoredAnswer extends StreamedResponse
{
    /** Bytes that are handed on at once. */
    private const PIECE = 262_144;

    private int $from = 0;

    private int $to = -1;

    /** @param  array<string, string>  $headers */
    private function __construct(private readonly Filesystem $files, private readonly string $path, array $headers)
    {
        parent::__construct($this->pass(...), 200, $headers);
    }

    /**
     * @param  string  $path  in the file system
     * @param  array<string, string>  $headers
     */
    public static function of(Filesystem $files, string $path, array $headers): Response
    {
        return $files instanceof LocalFilesystemAdapter ? new BinaryFileResponse($files->path($path), 200, $headers, false) : new self($files, $path, $headers);
    }

    public function prepare(Request $request): static
    {
        $size = $this->files->size($this->path);
        [$this->from, $this->to] = [0, $size - 1];
        $this->headers->set('Accept-Ranges', 'bytes');
        $wanted = $request->isMethod('GET') && ! $request->headers->has('If-Range') ? self::wanted((string) $request->headers->get('Range'), $size) : null;
        if ($wanted !== null) {
            [$this->from, $this->to] = $wanted;
            $isThere = $this->from <= $this->to;
            $this->setStatusCode($isThere ? 206 : 416);
            $this->headers->set('Content-Range', $isThere ? "bytes {$this->from}-{$this->to}/{$size}" : "bytes */{$size}");
        }
        $this->headers->set('Content-Length', (string) ($this->to - $this->from + 1));

        return parent::prepare($request);
    }

    /** @return array{int, int}|null the first byte and the last, which comes before it where there is no such part; null for all */
    private static function wanted(string $range, int $size): ?array
    {
        if (preg_match('/^bytes=(\d*)-(\d*)$/', $range, $m) !== 1 || $m[1].$m[2] === '' || ($m[1] !== '' && $m[2] !== '' && (int) $m[2] < (int) $m[1])) {
            return null;
        }
        $from = $m[1] === '' ? max(0, $size - (int) $m[2]) : (int) $m[1];

        return $from >= $size ? [0, -1] : [$from, $m[1] === '' || $m[2] === '' ? $size - 1 : min((int) $m[2], $size - 1)];
    }

    private function pass(): void
    {
        if ($this->to < $this->from) {
            return;
        }
        $body = $this->body();
        self::pieces($body, $this->to - $this->from + 1, function (string $piece): void {
            echo $piece;
        });
        fclose($body);
    }

    /**
     * Reads on, as far as there is something.
     *
     * @param  resource  $from
     * @param  callable(string): void  $take
     */
    private static function pieces($from, int $bytes, callable $take): void
    {
        while ($bytes > 0 && ($piece = (string) fread($from, min(self::PIECE, $bytes))) !== '') {
            $take($piece);
            $bytes -= strlen($piece);
        }
    }

    /** @return resource from the first byte that is wanted */
    private function body()
    {
        if ($this->files instanceof AwsS3V3Adapter && $this->from > 0) {
            $bucket = $this->files->getConfig()['bucket'] ?? null;
            $body = $this->files->getClient()->getObject(['Bucket' => $bucket, 'Key' => $this->files->path($this->path), 'Range' => "bytes={$this->from}-{$this->to}", '@http' => ['stream' => true]])['Body'];

            return ($body instanceof StreamInterface ? $body->detach() : null) ?? throw new RuntimeException("{$this->path} cannot be read.");
        }
        $body = $this->files->readStream($this->path) ?? throw new RuntimeException("{$this->path} cannot be read.");
        self::pieces($body, $this->from, fn (string $piece): null => null);

        return $body;
    }
}
