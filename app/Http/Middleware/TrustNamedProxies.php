<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Middleware\TrustProxies;

/** Whom the server believes from where a request came: those whom TRUSTED_PROXIES names, else nobody. */
final class TrustNamedProxies extends TrustProxies
{
    /** @return list<string> */
    protected function proxies(): array
    {
        $named = config('people.trusted_proxies');

        return is_string($named) ? array_values(array_diff(array_map(trim(...), explode(',', $named)), [''])) : [];
    }
}
