<?php

declare(strict_types=1);

return [
    // `open`: whoever has a mailbox may have an account. Otherwise people come in by invitation only.
    'sign_up' => env('SIGN_UP', 'closed'),
    // Addresses and networks of load balancers before us, with commas: 10.0.0.5,10.0.1.0/24
    'trusted_proxies' => env('TRUSTED_PROXIES', ''),
];
