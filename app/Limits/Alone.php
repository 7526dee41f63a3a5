<?php

declare(strict_types=1);

namespace App\Limits;

use App\Models\Person;
use Illuminate\Contracts\Cache\LockProvider;
use Illuminate\Contracts\Cache\LockTimeoutException;
use Illuminate\Contracts\Cache\Repository;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** Lets each person do only one thing of a sort at a time: large pictures, patterns, reading files. */
final readonly class Alone
{
    /** Seconds after which work that never ended, because its process did, counts as over. */
    private const LONGEST = 90;

    /** Seconds that one waits for one's own work before, before being told to come again. */
    private const PATIENCE = 3;

    public function __construct(private Repository $cache)
    {
    }

    /**
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    public function run(string $sort, Person $person, callable $work): mixed
    {
        $store = $this->cache->getStore();
        if (! $store instanceof LockProvider) {
            return $work();
        }
        try {
            return $store->lock("alone {$sort} {$person->id}", self::LONGEST)->block(self::PATIENCE, $work);
        } catch (LockTimeoutException) {
            throw new TooManyRequestsHttpException(2, 'Something of yours like this is still being worked on.');
        }
    }
}
