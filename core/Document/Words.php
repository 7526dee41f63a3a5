<?php

declare(strict_types=1);

namespace ChalkTree\Document;

use ChalkTree\Text\Run;

/** Text in one formatting. */
final readonly class Words implements Inline
{
    public function __construct(public Run $run)
    {
    }

    public static function plain(string $text, int $marks = 0, ?string $href = null): self
    {
        return new self(new Run($text, $marks, $href));
    }

    /**
     * A line in which neighbouring words of one formatting are one.
     *
     * @param  list<Inline>  $line
     * @return list<Inline>
     */
    public static function joined(array $line): array
    {
        $joined = [];
        foreach ($line as $one) {
            $last = end($joined);
            if ($one instanceof Words && $last instanceof Words && $last->run->marks === $one->run->marks && $last->run->href === $one->run->href) {
                array_pop($joined);
                $one = new Words(new Run($last->run->text.$one->run->text, $one->run->marks, $one->run->href));
            }
            $joined[] = $one;
        }

        return $joined;
    }
}
