<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Features;

/** A day that a topic has, or several in a row: of a field, or of what is to be done. */
final readonly class TopicDay
{
    /**
     * @param  string  $what  which of its days it is: a word of the feature that tells it, or the id of a field
     * @param  string  $from  YYYY-MM-DD
     * @param  string  $to  the last of them; the same where there is but one
     */
    public function __construct(public string $what, public string $from, public string $to)
    {
    }

    /**
     * The day that counts where a topic has several.
     *
     * @param  string  $what  which is wanted; empty for the first there is
     */
    public static function of(Moment $now, string $topic, string $what = ''): ?self
    {
        foreach (Features::all() as $feature) {
            foreach ($feature instanceof TellsDays ? $feature->days($now, $topic) : [] as $day) {
                if ($what === '' || $day->what === $what) {
                    return $day;
                }
            }
        }

        return null;
    }
}
