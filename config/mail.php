<?php

declare(strict_types=1);

return [
    // With MAIL_HOST letters go to that server; without, they stay on this machine: bin/artisan mail:read
    'default' => env('MAIL_MAILER', env('MAIL_HOST') === null ? 'mailbox' : 'smtp'),
    'mailers' => [
        'mailbox' => ['transport' => 'mailbox', 'folder' => env('MAIL_FOLDER', storage_path('mailbox'))],
        'smtp' => [
            'transport' => 'smtp',
            'scheme' => env('MAIL_SCHEME'),
            'host' => env('MAIL_HOST', '127.0.0.1'),
            'port' => env('MAIL_PORT', 587),
            'username' => env('MAIL_USERNAME'),
            'password' => env('MAIL_PASSWORD'),
            'timeout' => 10,
        ],
    ],
    'from' => ['address' => env('MAIL_FROM_ADDRESS', 'fall-bend@localhost'), 'name' => 'Fall Bend'],
];
