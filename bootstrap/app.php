<?php

declare(strict_types=1);

use App\Http\Middleware\FromOurPages;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\StartSession;
use App\Http\Middleware\Traced;
use App\Http\Middleware\TrustNamedProxies;
use App\Http\Problems;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Foundation\Http\Middleware\ConvertEmptyStringsToNull;
use Illuminate\Foundation\Http\Middleware\TrimStrings;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Session\Middleware\StartSession as FrameworkStartSession;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php', commands: __DIR__.'/../routes/console.php')
    ->withCommands([__DIR__.'/../app/Console/Commands'])
    ->withMiddleware(static function (Middleware $middleware): void {
        // One origin: there is nothing to allow (see packages/registry-gaps).
        $middleware->remove(HandleCors::class);
        // Texts stay as they were typed: offsets into a call-out line count every space, and an empty text is a text.
        $middleware->remove([TrimStrings::class, ConvertEmptyStringsToNull::class]);
        // There is no page to sign in at: the interface asks for it wherever it is opened.
        $middleware->redirectGuestsTo('/');
        $middleware->replace(TrustProxies::class, TrustNamedProxies::class);
        $middleware->web(replace: [
            FrameworkStartSession::class => StartSession::class,
            ValidateCsrfToken::class => FromOurPages::class,
        ]);
        $middleware->prepend(Traced::class);
        $middleware->append(SecurityHeaders::class);
    })
    ->withExceptions(static function (Exceptions $exceptions): void {
        Problems::register($exceptions);
    })
    ->create();
