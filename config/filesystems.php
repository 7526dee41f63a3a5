<?php

declare(strict_types=1);

return [
    // Files and pictures of maps: a folder of this machine, or storage that speaks S3 for many.
    'default' => env('FILES_DISK', 'local'),
    'disks' => [
        'local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false, 'throw' => true],
        's3' => [
            'driver' => 's3', 'key' => env('S3_KEY'), 'secret' => env('S3_SECRET'), 'region' => env('S3_REGION', 'us-east-1'), 'bucket' => env('S3_BUCKET'), 'endpoint' => env('S3_ENDPOINT'),
            // Buckets as the first part of the path, as most have it that are not the first of their kind.
            'use_path_style_endpoint' => (bool) env('S3_PATHS', true), 'throw' => true,
            'visibility' => 'private', 'retain_visibility' => false, 'stream_reads' => true, 'request_checksum_calculation' => 'when_required', 'response_checksum_validation' => 'when_required', 'http' => ['connect_timeout' => 3, 'timeout' => 60],
        ],
    ],
    'links' => [],
];
