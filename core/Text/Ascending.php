<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/** What in a row of numbers ascends. */
final class Ascending
{
    /**
     * The longest run of numbers, not necessarily side by side, each larger than the one before (patience sorting).
     *
     * @param  list<int>  $numbers
     * @return list<int> their places
     */
    public static function longest(array $numbers): array
    {
        $tails = $ends = $before = [];
        foreach ($numbers as $n => $number) {
            [$from, $to] = [0, count($ends)];
            while ($from < $to) {
                $middle = intdiv($from + $to, 2);
                if ($ends[$middle] < $number) {
                    $from = $middle + 1;
                } else {
                    $to = $middle;
                }
            }
            $before[$n] = $from > 0 ? $tails[$from - 1] : null;
            $tails[$from] = $n;
            $ends[$from] = $number;
        }
        $run = [];
        for ($n = $tails === [] ? null : $tails[count($tails) - 1]; $n !== null; $n = $before[$n]) {
            $run[] = $n;
        }

        return array_reverse($run);
    }
}
