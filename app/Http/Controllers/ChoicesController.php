<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Report\Choices;
use Illuminate\Http\JsonResponse;

/** What there is to choose from in forms. */
final class ChoicesController
{
    public function __invoke(Catalogue $catalogue): JsonResponse
    {
        return new JsonResponse(Choices::of($catalogue)->toArray());
    }
}
