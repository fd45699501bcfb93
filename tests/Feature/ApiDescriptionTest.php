<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Api\Description;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Routes;
use Tests\TestCase;

/** The description and the code say the same. Answers are held to it where they are tested. */
final class ApiDescriptionTest extends TestCase
{
    public function testTheFileIsWhatTheCodeSays(): void
    {
        self::assertSame(
            app(Description::class)->json(),
            file_get_contents(base_path('docs/openapi.json')),
            'run php artisan api:describe, then npm run types',
        );
    }

    public function testEveryRouteIsDescribedAndNoOther(): void
    {
        $described = [];
        foreach (app(Description::class)->document()['paths'] as $path => $calls) {
            foreach (array_keys($calls) as $method) {
                $described[] = strtoupper((string) $method).' '.$path;
            }
        }
        $routed = collect(Routes::getRoutes()->getRoutes())
            ->filter(static fn (Route $route): bool => str_starts_with($route->uri(), 'api/'))
            ->flatMap(
                static fn (Route $route): array => array_map(
                    static fn (string $method): string => $method.' /'.$route->uri(),
                    array_diff($route->methods(), ['HEAD']),
                ),
            )
            ->all();
        sort($described);
        sort($routed);
        self::assertSame($described, $routed);
    }

    public function testEveryChangeIsGuardedAgainstForgery(): void
    {
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'api/')) {
                self::assertContains('web', $route->gatherMiddleware(), $route->uri());
                self::assertNotContains(ValidateCsrfToken::class, $route->excludedMiddleware());
            }
        }
    }
}
