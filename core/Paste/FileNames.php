<?php

declare(strict_types=1);

namespace ChalkTree\Paste;

/**
 * Knows the list of files of a folder, however it was copied: bare names, whole paths with or without quotes, or what a
 * terminal lists of them. Only lists in which all lines are files are taken for one.
 */
final class FileNames
{
    private const NAME = '[^\/\\\\"\t]{1,200}\.[A-Za-z][A-Za-z0-9]{0,7}';

    /** A path; rights, owners, size and day before a name; day, time and size before a name. */
    private const FORMS = [
        '/^"?(?:[A-Za-z]:[\/\\\\]|[\/\\\\]{1,2}|~\/|\.{1,2}\/)(?:[^\/\\\\"\t]+[\/\\\\])*(?<name>'.self::NAME.')"?$/u',
        '/^-[rwxsStT-]{9}[.+@]?\s+\d+\s+\S+\s+\S+\s+[\d.,]+[KMGT]?\s+\S+\s+\S+\s+[\d:]+\s+(?<name>'.self::NAME.')$/u',
        '/^\d{1,4}[-\/.]\d{1,2}[-\/.]\d{1,4}\s+\d{1,2}:\d{2}(?:\s*[AP]M)?\s+[\d.,]+\s+(?<name>'.self::NAME.')$/u',
        '/^(?<name>'.self::NAME.')$/u',
    ];

    private const FEWEST = 3;

    private const ENDINGS = ['txt', 'md', 'markdown', 'rtf', 'doc', 'docx', 'odt', 'pdf', 'pages', 'tex', 'html', 'htm', 'jpg', 'jpeg', 'png', 'gif', 'csv', 'xls', 'xlsx', 'ods', 'mp3', 'wav', 'm4a', 'wps', 'wpd', 'log', 'epub'];

    /** @return list<string>|null their names without what follows the last point; null where it is no such list */
    public static function in(string $text): ?array
    {
        $names = [];
        foreach (explode("\n", $text) as $line) {
            $line = trim($line);
            if ($line === '' || preg_match('/^(?:total \d+|d[rwx-]{9}.*)$/', $line) === 1) {
                continue;
            }
            $name = null;
            foreach (self::FORMS as $form) {
                if (preg_match($form, $line, $m) === 1) {
                    $name = $m['name'];

                    break;
                }
            }
            $point = $name === null ? false : strrpos($name, '.');
            if ($name === null || $point === false || ! in_array(strtolower(substr($name, $point + 1)), self::ENDINGS, true)) {
                return null;
            }
            $names[] = trim(substr($name, 0, $point));
        }

        return count($names) < self::FEWEST || in_array('', $names, true) ? null : $names;
    }
}
