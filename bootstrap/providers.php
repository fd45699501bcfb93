<?php

declare(strict_types=1);

return [
    App\Providers\CoreProvider::class,
    App\Providers\MailProvider::class,
    App\Providers\OperationsProvider::class,
];
