<?php

declare(strict_types=1);

namespace App\HandOver;

/** How far something is that takes a while, for whoever waits, who may stop it. */
interface Progress
{
    /**
     * @param  string  $words  what is being done, for people
     * @param  int  $percent  of the whole
     *
     * @throws Stopped
     */
    public function at(string $words, int $percent): void;

    /** Asked again and again while another program works. */
    public function isStopped(): bool;
}
