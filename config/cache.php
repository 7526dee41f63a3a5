<?php

declare(strict_types=1);

return [
    'default' => env('CACHE_STORE', 'file'),
    // Where the maps that are being edited lie: memory that all workers of a server share, and no program beside it.
    'snapshots' => env('SNAPSHOT_STORE', 'array'),
    'stores' => [
        'array' => ['driver' => 'array', 'serialize' => false],
        'file' => ['driver' => 'file', 'path' => storage_path('framework/cache/data'), 'lock_path' => storage_path('framework/cache/data')],
        'apc' => ['driver' => 'apc'],
        'redis' => ['driver' => 'redis', 'connection' => 'cache', 'lock_connection' => 'default'],
    ],
    'prefix' => 'chalk_tree_',
];
