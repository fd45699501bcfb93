<?php

declare(strict_types=1);

return [
    'default' => 'mariadb',
    'connections' => [
        'mariadb' => [
            'driver' => 'mariadb',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '3306'),
            'unix_socket' => env('DB_SOCKET', ''),
            'database' => env('DB_DATABASE', 'fallbend'),
            'username' => env('DB_USERNAME', 'fallbend'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8mb4',
            'collation' => 'utf8mb4_unicode_520_ci',
            'strict' => true,
        ],
    ],
    // With CACHE_STORE=redis, QUEUE_CONNECTION=redis: what several servers share beside the database.
    'redis' => [
        'client' => 'phpredis',
        'default' => [
            'host' => env('REDIS_HOST', '127.0.0.1'),
            'port' => env('REDIS_PORT', 6379),
            'password' => env('REDIS_PASSWORD'),
            'database' => 0,
            'timeout' => 2,
            'read_timeout' => 10,
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
