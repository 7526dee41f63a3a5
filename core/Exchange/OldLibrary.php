<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use Closure;

/** A library that is older than PHP, whose habits PHP has come to warn of; what it does is right. */
final class OldLibrary
{
    /**
     * @template T
     *
     * @param  Closure(): T  $work
     * @return T
     */
    public static function run(Closure $work): mixed
    {
        set_error_handler(fn (): bool => true, E_DEPRECATED);
        try {
            return $work();
        } finally {
            restore_error_handler();
        }
    }
}
