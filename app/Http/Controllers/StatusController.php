<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Operations\StatusReport;
use Illuminate\Http\JsonResponse;

/** How the installation is: for the owners of crews. */
final class StatusController
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse(StatusReport::now());
    }
}
