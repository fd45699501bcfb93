<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Api\Description;
use Illuminate\Console\Command;

/** Writes the API description, from which the TypeScript types are made (`npm run types`). */
final class DescribeApiCommand extends Command
{
    protected $signature = 'api:describe';

    protected $description = 'Write docs/openapi.json';

    public function handle(Description $description): int
    {
        file_put_contents(base_path('docs/openapi.json'), $description->json());

        return 0;
    }
}
