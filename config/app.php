<?php

declare(strict_types=1);

return [
    'name' => 'Fall Bend',
    'version' => trim((string) file_get_contents(__DIR__.'/../VERSION')),
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1'),
    'timezone' => 'UTC',
    'locale' => 'en',
    'fallback_locale' => 'en',
    'cipher' => 'AES-256-CBC',
    'key' => env('APP_KEY'),
    // The tables of the core as `data:compile` wrote them; without it they are read from their JSON.
    'data' => env('APP_DATA'),
];
