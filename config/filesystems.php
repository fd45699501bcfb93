<?php

declare(strict_types=1);

return [
    'default' => 'local',
    'disks' => [
        // Nothing is handed out of it by address.
        'local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false, 'throw' => true],
        // Pictures by their hash, with PICTURES_STORE=store: a folder, or a store that speaks the protocol S3.
        'pictures' => env('PICTURES_BUCKET') === null
            ? [
                'driver' => 'local',
                'root' => env('PICTURES_FOLDER', storage_path('app')),
                'serve' => false,
                'throw' => true,
            ]
            : [
                'driver' => 's3',
                'key' => env('PICTURES_KEY'),
                'secret' => env('PICTURES_SECRET'),
                'region' => env('PICTURES_REGION', 'us-east-1'),
                'bucket' => env('PICTURES_BUCKET'),
                'endpoint' => env('PICTURES_ENDPOINT'),
                'use_path_style_endpoint' => true,
                'throw' => true,
            ],
    ],
];
