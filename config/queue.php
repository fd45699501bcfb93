<?php

declare(strict_types=1);

return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        'database' => ['driver' => 'database', 'table' => 'queued', 'queue' => 'default', 'retry_after' => 90],
        'redis' => ['driver' => 'redis', 'connection' => 'default', 'queue' => 'default', 'retry_after' => 90],
    ],
    'failed' => ['driver' => 'database-uuids', 'database' => 'mariadb', 'table' => 'queue_failed'],
];
