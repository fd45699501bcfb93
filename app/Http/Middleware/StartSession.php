<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession as Middleware;

/** A session without the address that was asked for last: nobody is sent back there, and it would change each time. */
final class StartSession extends Middleware
{
    /** @param Session $session */
    protected function storeCurrentUrl(Request $request, $session): void {}
}
