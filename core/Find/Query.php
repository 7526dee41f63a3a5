<?php

declare(strict_types=1);

namespace ChalkTree\Find;

use ChalkTree\Edit\Arguments;

/**
 * What is looked for: words as they are, or a regular expression as PCRE has them. Searching is bounded in steps and in
 * time, so that no pattern, however made, holds up the server.
 */
final class Query
{
    /** Steps in one attempt to match; what people write by hand takes hundreds. */
    private const MOST_STEPS = 200_000;

    /** Seconds for all texts together. */
    private const LONGEST = 2.0;

    public const LONGEST_TEXT = 500;

    private readonly string $expression;

    private float $spent = 0.0;

    private bool $isBounded = false;

    /** @throws BadPattern */
    public function __construct(string $text, bool $matchCase = false, bool $wholeWord = false, private readonly bool $isPattern = false)
    {
        if ($text === '' || mb_strlen($text) > self::LONGEST_TEXT) {
            throw new BadPattern('Say what to look for, in 1 to 500 characters.', 'find.text');
        }
        $core = $isPattern ? "(?:{$text})" : preg_quote($text, "\x01");
        if ($wholeWord) {
            $core = "(?<![\\p{L}\\p{N}_]){$core}(?![\\p{L}\\p{N}_])";
        }
        $this->expression = "\x01{$core}\x01mu".($matchCase ? '' : 'i');
        $why = '';
        set_error_handler(function (int $_, string $message) use (&$why): bool {
            $why = preg_match('/: (.*?)(?: at offset \d+)?\z/', $message, $m) === 1 ? ": {$m[1]}" : '';

            return true;
        });
        try {
            $isReadable = ! str_contains($text, "\x01") && $this->bounded(fn (): int|false => preg_match($this->expression, '')) !== false;
        } finally {
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
     * Where a text holds it.
     *
     * @return list<Find> empty ones left out
     *
     * @throws BadPattern where it takes too long
     */
    public function in(string $text): array
    {
        if ($text === '') {
            return [];
        }
        $found = [];
        $began = microtime(true);
        $done = $this->isBounded
            ? @preg_match_all($this->expression, $text, $found, PREG_OFFSET_CAPTURE | PREG_SET_ORDER)
            : $this->bounded(function () use ($text, &$found): int|false {
                return @preg_match_all($this->expression, $text, $found, PREG_OFFSET_CAPTURE | PREG_SET_ORDER);
            });
        $this->spent += microtime(true) - $began;
        if ($done === false || $this->spent > self::LONGEST) {
            throw new BadPattern('This pattern takes too long to search with. Make it simpler, for instance with fewer repetitions inside repetitions.', 'find.text');
        }
        $finds = [];
        foreach ($found as $groups) {
            if ($groups[0][0] !== '') {
                $finds[] = new Find($groups[0][1], strlen($groups[0][0]), array_map(fn (array $group): string => $group[1] < 0 ? '' : $group[0], array_values($groups)));
            }
        }

        return $finds;
    }

    /**
     * Sets the bounds once for a whole search, and takes them away again.
     *
     * @template T
     *
     * @param  callable(): T  $search
     * @return T
     */
    public function bounded(callable $search): mixed
    {
        // The steps of the just-in-time compiler are not counted, so it is switched off.
        $before = [ini_set('pcre.jit', '0'), ini_set('pcre.backtrack_limit', (string) self::MOST_STEPS)];
        $this->isBounded = true;
        try {
            return $search();
        } finally {
            $this->isBounded = false;
            ini_set('pcre.jit', (string) $before[0]);
            ini_set('pcre.backtrack_limit', (string) $before[1]);
        }
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
