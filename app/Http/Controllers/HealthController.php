<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Whether the application answers, with its database behind it. */
final class HealthController
{
    public function __invoke(): Response
    {
        try {
            DB::select('SELECT 1');

            return new Response('ok', 200, ['Content-Type' => 'text/plain', 'Cache-Control' => 'no-store']);
        } catch (Throwable) {
            return new Response('the database does not answer', 503, [
                'Content-Type' => 'text/plain',
                'Cache-Control' => 'no-store',
            ]);
        }
    }
}
