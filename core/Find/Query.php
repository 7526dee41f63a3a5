<?php

declare(strict_types=1);

namespace ChalkTree\Find;

use ChalkTree\Edit\Arguments;

/**
 * What is looked for: words as they are, or a regular expression as PCRE has them. Patterns are matched in a process of
 * their own and within a time, so that none, however made, holds up the server.
 */
final class Query
{
    public const LONGEST_TEXT = 500;

    private const QUOTES = ["'" => "['‘’]", '‘' => "['‘’]", '’' => "['‘’]", '"' => '["“”„]', '“' => '["“”„]', '”' => '["“”„]', '„' => '["“”„]'];

    private readonly string $expression;

    /** @var array<string, list<Find>> what a pattern has been found to match, by the hash of the text */
    private array $known = [];

    private float $left = PatternProcess::LONGEST;

    private bool $isSealed = false;

    /** @throws BadPattern */
    public function __construct(string $text, bool $matchCase = false, bool $wholeWord = false, public readonly bool $isPattern = false)
    {
        if ($text === '' || mb_strlen($text) > self::LONGEST_TEXT) {
            throw new BadPattern('Say what to look for, in 1 to 500 characters.', 'find.text');
        }
        // What is typed straight is found as it is set in print, and the other way round.
        $core = $isPattern ? "(?:{$text})" : strtr(preg_quote($text, "\x01"), self::QUOTES);
        if ($wholeWord) {
            $core = "(?<![\\p{L}\\p{N}_]){$core}(?![\\p{L}\\p{N}_])";
        }
        $this->expression = "\x01{$core}\x01mu".($matchCase ? '' : 'i');
        $this->check($text);
    }

    private function check(string $text): void
    {
        $why = '';
        set_error_handler(function (int $_, string $message) use (&$why): bool {
            $why = preg_match('/: (.*?)(?: at offset \d+)?\z/', $message, $m) === 1 ? ": {$m[1]}" : '';

            return true;
        });
        // Only whether it can be read is asked here, and that of an empty text.
        $before = [ini_set('pcre.jit', '0'), ini_set('pcre.backtrack_limit', '1000')];
        try {
            $isReadable = ! str_contains($text, "\x01") && (preg_match($this->expression, '') !== false || preg_last_error() === PREG_BACKTRACK_LIMIT_ERROR);
        } finally {
            ini_set('pcre.jit', (string) $before[0]);
            ini_set('pcre.backtrack_limit', (string) $before[1]);
            restore_error_handler();
        }
        if (! $isReadable) {
            throw new BadPattern("This pattern cannot be read{$why}.", 'find.text');
        }
    }

    /** @param  Arguments  $arguments  text, and as flags case, word and pattern */
    public static function read(Arguments $arguments): self
    {
        $query = new self($arguments->title('text'), $arguments->flag('case'), $arguments->flag('word'), $arguments->flag('pattern'));
        $arguments->refuseRest();

        return $query;
    }

    /**
     * Matches a pattern in many texts at once, so that in() need not begin a process for each.
     *
     * @param  iterable<string>  $texts
     *
     * @throws BadPattern where it takes too long
     */
    public function learn(iterable $texts): void
    {
        if (! $this->isPattern) {
            return;
        }
        $new = [];
        foreach ($texts as $text) {
            $hash = hash('xxh128', $text);
            if ($text !== '' && ! isset($this->known[$hash])) {
                $new[$hash] = $text;
            }
        }
        if ($new === []) {
            return;
        }
        if ($this->isSealed) {
            throw new BadPattern('The map was changed while it was searched. Try again.', 'find.text');
        }
        $began = microtime(true);
        $found = $this->left > 0.0 ? PatternProcess::match($this->expression, array_values($new), $this->left) : null;
        $this->left -= microtime(true) - $began;
        if ($found === null) {
            throw new BadPattern('This pattern takes too long to search with, or finds too much. Make it simpler, for instance with fewer repetitions inside repetitions.', 'find.text');
        }
        foreach (array_keys($new) as $i => $hash) {
            $this->known[$hash] = self::finds($found[$i]);
        }
    }

    /** From now on nothing is matched that has not been learnt. */
    public function seal(): void
    {
        $this->isSealed = $this->isPattern;
    }

    /**
     * Where a text holds it.
     *
     * @return list<Find> empty ones left out
     *
     * @throws BadPattern where it takes too long, or the text is not among those that were learnt before sealing
     */
    public function in(string $text): array
    {
        if ($text === '') {
            return [];
        }
        if (! $this->isPattern) {
            preg_match_all($this->expression, $text, $found, PREG_OFFSET_CAPTURE | PREG_SET_ORDER);

            return self::finds($found);
        }
        $hash = hash('xxh128', $text);
        $this->learn([$text]);

        return $this->known[$hash];
    }

    /**
     * @param  array<array<array{string, int}>>  $found
     * @return list<Find>
     */
    private static function finds(array $found): array
    {
        $finds = [];
        foreach ($found as $groups) {
            if ($groups[0][0] !== '') {
                $finds[] = new Find($groups[0][1], strlen($groups[0][0]), array_map(fn (array $group): string => $group[1] < 0 ? '' : $group[0], array_values($groups)));
            }
        }

        return $finds;
    }

    /** What is to stand in place of a find: the words given, in a pattern's replacement with $1 and the like filled in. */
    public function replacement(Find $find, string $with): string
    {
        if (! $this->isPattern) {
            return $with;
        }

        return (string) preg_replace_callback(
            '/\$(?:\d{1,2}|\{\d{1,2}\}|\$)/',
            fn (array $m): string => $m[0] === '$$' ? '$' : ($find->groups[(int) trim($m[0], '${}')] ?? ''),
            $with,
        );
    }
}
