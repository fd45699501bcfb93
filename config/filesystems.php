<?php

declare(strict_types=1);

return [
    'default' => 'local',
    'disks' => [
        // Nothing is handed out of it by address.
        'local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false, 'throw' => true],
    ],
];
