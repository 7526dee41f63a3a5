<?php

declare(strict_types=1);

namespace App\Files;

use ChalkTree\Attach\AttachedFile;
use Illuminate\Support\Str;

/** Names of files as they may stand in rows, headers and archives: without folders and without what no file system takes. */
final class FileName
{
    public static function clean(string $name): string
    {
        $name = (string) preg_replace('/[\x00-\x1f\x7f\/\\\\:*?"<>|\x{202a}-\x{202e}\x{2066}-\x{2069}]+/u', ' ', mb_scrub($name, 'UTF-8'));
        $name = trim((string) preg_replace('/\s+/u', ' ', $name), ' .');
        if (mb_strlen($name) > AttachedFile::LONGEST_NAME) {
            // The ending stays, which tells what it is.
            $ending = preg_match('/\.[^.]{1,10}$/u', $name, $m) === 1 ? $m[0] : '';
            $name = mb_substr($name, 0, AttachedFile::LONGEST_NAME - mb_strlen($ending)).$ending;
        }

        return $name === '' ? 'file' : $name;
    }

    /** In signs that every header takes. */
    public static function plain(string $name): string
    {
        return trim((string) preg_replace('/[^A-Za-z0-9 ._-]+/', '', Str::ascii($name)), ' .') ?: 'file';
    }
}
