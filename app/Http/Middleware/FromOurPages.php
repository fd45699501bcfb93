<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Request;

/**
 * What changes something comes from a page of ours. Of whoever is signed in the token stands in the session. A visitor
 * has none: the header must say what our sealed cookie says, which no other page can read or make.
 */
final class FromOurPages extends ValidateCsrfToken
{
    /** @param Request $request */
    protected function tokensMatch($request): bool
    {
        if (parent::tokensMatch($request)) {
            return true;
        }
        $cookie = $request->cookie('XSRF-TOKEN');
        $sent = $this->getTokenFromRequest($request);

        return $request->user() === null && is_string($cookie) && $cookie !== '' && is_string($sent) &&
            hash_equals($cookie, $sent);
    }
}
