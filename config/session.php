<?php

declare(strict_types=1);

return [
    'driver' => env('SESSION_DRIVER', 'signed-in'),
    'lifetime' => 60 * 24 * 14,
    'expire_on_close' => false,
    'encrypt' => false,
    'table' => 'sessions',
    'lottery' => [2, 100],
    'cookie' => 'fall-bend-session',
    'path' => '/',
    'domain' => null,
    // Without a word: over a safe line only, to those who came over one. TRUSTED_PROXIES says whose word counts.
    'secure' => env('SESSION_SECURE_COOKIE'),
    'http_only' => true,
    'same_site' => 'lax',
];
