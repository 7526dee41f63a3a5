<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Map\FeatureRow;

/** Rows of kinds, and which of them belong together. */
final class KindLibrary
{
    /**
     * For each kind the rows that have to be taken with it, itself first.
     *
     * @param  iterable<FeatureRow>  $rows
     * @return array<string, list<FeatureRow>> by the ids of kinds
     */
    public static function bundles(iterable $rows): array
    {
        $known = $bundles = [];
        foreach ($rows as $row) {
            $known["{$row::type()} {$row->id}"] = $row;
        }
        foreach ($known as $kind) {
            if (! $kind instanceof Kind) {
                continue;
            }
            $taken = [];
            for ($waiting = [$kind]; ($row = array_shift($waiting)) !== null;) {
                $key = "{$row::type()} {$row->id}";
                if (isset($taken[$key])) {
                    continue;
                }
                $taken[$key] = $row;
                foreach ($row->needs() as [$class, $id]) {
                    $needed = $known["{$class::type()} {$id}"] ?? null;
                    if ($needed !== null) {
                        $waiting[] = $needed;
                    }
                }
            }
            $bundles[$kind->id] = array_values($taken);
        }

        return $bundles;
    }
}
