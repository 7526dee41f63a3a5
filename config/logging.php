<?php

declare(strict_types=1);

return [
    'default' => env('LOG_CHANNEL', 'single'),
    'deprecations' => ['channel' => 'null', 'trace' => false],
    'channels' => [
        'single' => ['driver' => 'single', 'path' => storage_path('logs/chalk-tree.log'), 'level' => env('LOG_LEVEL', 'warning')],
        // A line of JSON each, to where whoever began the process reads it.
        'json' => ['driver' => 'monolog', 'handler' => Monolog\Handler\StreamHandler::class, 'handler_with' => ['stream' => env('LOG_TO', 'php://stderr')], 'formatter' => Monolog\Formatter\JsonFormatter::class, 'formatter_with' => ['includeStacktraces' => true], 'processors' => [Monolog\Processor\PsrLogMessageProcessor::class], 'level' => env('LOG_LEVEL', 'info')],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
        'emergency' => ['path' => storage_path('logs/chalk-tree.log')],
    ],
];
