<?php

declare(strict_types=1);

return [
    'default' => env('CACHE_STORE', 'database'),
    'stores' => [
        'database' => ['driver' => 'database', 'table' => 'cache', 'lock_table' => 'cache_locks'],
        'redis' => ['driver' => 'redis', 'connection' => 'default', 'lock_connection' => 'default'],
        'array' => ['driver' => 'array'],
        // What evaluated jobs came to, in the memory of a server; without that memory for the life of a request.
        'evaluations' => ['driver' => env('EVALUATIONS_STORE', extension_loaded('apcu') ? 'apc' : 'array')],
    ],
    'prefix' => 'fall-bend',
];
