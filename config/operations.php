<?php

declare(strict_types=1);

return [
    // Where the database keeps its data, if that is on this machine: writes stop while there is still some room.
    'data_folder' => env('FALL_BEND_DATA'),
    'least_free_mb' => env('LEAST_FREE_MB'),
    // Whoever reads the metrics says this: Authorization: Bearer … Without it there are none.
    'metrics_token' => env('METRICS_TOKEN'),
    // Where the bytes of pictures stand: `database`, or `store`, the disk `pictures` of config/filesystems.php.
    'pictures' => env('PICTURES_STORE', 'database'),
];
