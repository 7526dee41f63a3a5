<?php

declare(strict_types=1);

/*
 * Looks for a pattern in texts, in a process that can be ended whatever the pattern does; see PatternProcess. Reads
 * {"expression", "texts", "most"} as JSON and writes, a list for each text, the groups of each find with their places.
 */

/** @var array{expression: string, texts: list<string>, most: int} $asked */
$asked = json_decode((string) stream_get_contents(STDIN), true, 8, JSON_THROW_ON_ERROR);
$answer = [];
$left = $asked['most'];
foreach ($asked['texts'] as $text) {
    $found = [];
    $count = @preg_match_all($asked['expression'], $text, $found, PREG_OFFSET_CAPTURE | PREG_SET_ORDER);
    if ($count === false && preg_last_error() === PREG_JIT_STACKLIMIT_ERROR) {
        ini_set('pcre.jit', '0');
        $count = @preg_match_all($asked['expression'], $text, $found, PREG_OFFSET_CAPTURE | PREG_SET_ORDER);
    }
    if ($count === false || ($left -= $count) < 0) {
        exit(3);
    }
    $answer[] = $found;
}
echo json_encode($answer, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR);
