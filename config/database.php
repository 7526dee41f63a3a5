<?php

declare(strict_types=1);

return [
    'default' => env('DB_CONNECTION', 'sqlite'),

    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', database_path('chalk-tree.sqlite')),
            'prefix' => '',
            'foreign_key_constraints' => true,
            // Milliseconds; whoever waits longer is told to come again.
            'busy_timeout' => 3_000,
            'journal_mode' => 'WAL',
            // FULL, so that what was answered as saved survives a power cut too.
            'synchronous' => 'FULL',
        ],
        'pgsql' => [
            'driver' => 'pgsql',
            'url' => env('DB_URL'),
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '5432'),
            'database' => env('DB_DATABASE', 'chalk_tree'),
            'username' => env('DB_USERNAME', 'chalk_tree'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8',
            'prefix' => '',
            'sslmode' => env('DB_SSLMODE', 'prefer'),
            'options' => extension_loaded('pdo_pgsql') ? [
                // A connection is a process there; workers of servers that are asked all the time keep theirs.
                PDO::ATTR_PERSISTENT => (bool) env('DB_PERSISTENT', false),
                // Each statement is asked once, so that it need not be announced before.
                PDO::PGSQL_ATTR_DISABLE_PREPARES => true,
            ] : [],
        ],
    ],

    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],

    'redis' => [
        'client' => env('REDIS_CLIENT', 'phpredis'),
        'default' => ['url' => env('REDIS_URL'), 'host' => env('REDIS_HOST', '127.0.0.1'), 'port' => env('REDIS_PORT', '6379'), 'database' => '0', 'persistent' => (bool) env('REDIS_PERSISTENT', false)],
        // What may be forgotten, if it is to be elsewhere than sessions and work that waits.
        'cache' => ['url' => env('REDIS_CACHE_URL', env('REDIS_URL')), 'host' => env('REDIS_CACHE_HOST', env('REDIS_HOST', '127.0.0.1')), 'port' => env('REDIS_CACHE_PORT', env('REDIS_PORT', '6379')), 'database' => '1', 'persistent' => (bool) env('REDIS_PERSISTENT', false)],
    ],
];
