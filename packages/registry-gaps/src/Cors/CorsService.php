<?php

declare(strict_types=1);

namespace Fruitcake\Cors;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;

/** The application is of one origin: this service answers for the contract and allows no other origin anything. */
class CorsService
{
    /** @param array<string, mixed> $options accepted and ignored */
    public function __construct(array $options = []) {}

    /** @param array<string, mixed> $options accepted and ignored */
    public function setOptions(array $options): void {}

    public function isCorsRequest(Request $request): bool
    {
        return $request->headers->has('Origin');
    }

    public function isPreflightRequest(Request $request): bool
    {
        return $request->getMethod() === 'OPTIONS' && $request->headers->has('Access-Control-Request-Method');
    }

    public function handlePreflightRequest(Request $request): Response
    {
        return new Response('', Response::HTTP_NO_CONTENT);
    }

    public function addPreflightRequestHeaders(Response $response, Request $request): Response
    {
        return $response;
    }

    public function addActualRequestHeaders(Response $response, Request $request): Response
    {
        return $response;
    }

    public function isOriginAllowed(Request $request): bool
    {
        return false;
    }

    public function varyHeader(Response $response, string $header): Response
    {
        $response->setVary($header, false);

        return $response;
    }
}
