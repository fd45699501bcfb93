<?php

declare(strict_types=1);

use Monolog\Formatter\JsonFormatter;

// One line of JSON for each thing that happened, with the name of the request in which it did.
return [
    'default' => 'single',
    'channels' => [
        // What went wrong.
        'single' => [
            'driver' => 'single',
            'path' => env('LOG_FILE', storage_path('logs/fall-bend.log')),
            'level' => env('LOG_LEVEL', 'warning'),
            'formatter' => JsonFormatter::class,
        ],
        // How each request went; the files of a fortnight are kept.
        'requests' => [
            'driver' => 'daily',
            'path' => env('REQUEST_LOG', storage_path('logs/requests.log')),
            'level' => 'info',
            'days' => 14,
            'formatter' => JsonFormatter::class,
        ],
    ],
];
