<?php

declare(strict_types=1);

return [
    'default' => env('CACHE_STORE', 'file'),
    // Where the maps that are being edited lie: memory that all workers of a server share, and no program beside it.
    'snapshots' => env('SNAPSHOT_STORE', 'array'),
    // How often somebody asks is counted where several workers can count at once: a count in a file that ends while two of them read
    // it may come to never end. Several servers count where they share all else.
    'limiter' => env('LIMITER_STORE', env('CACHE_STORE', 'file') === 'file' && env('SNAPSHOT_STORE') === 'apc' ? 'apc' : env('CACHE_STORE', 'file')),
    'stores' => [
        'array' => ['driver' => 'array', 'serialize' => false],
        'file' => ['driver' => 'file', 'path' => storage_path('framework/cache/data'), 'lock_path' => storage_path('framework/cache/data')],
        // Its keys are asked for by the hundred with every edit, and nobody listens for them.
        'apc' => ['driver' => 'apc', 'events' => false],
        'redis' => ['driver' => 'redis', 'connection' => 'cache', 'lock_connection' => 'default'],
    ],
    'prefix' => 'chalk_tree_',
];
