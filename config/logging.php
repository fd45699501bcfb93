<?php

declare(strict_types=1);

return [
    'default' => 'single',
    'channels' => [
        'single' => ['driver' => 'single', 'path' => env('LOG_FILE', storage_path('logs/fall-bend.log')), 'level' => env('LOG_LEVEL', 'warning')],
    ],
];
