<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Build;
use Illuminate\Http\Response;

/**
 * The script by which a browser opens the application where there is no connection, with the list of all files that
 * its pages are made of. It is another script as soon as one of them is another.
 */
final readonly class WorkerController
{
    private const SCRIPT = 'resources/js/worker/worker.ts';

    /** What stands beside the build. */
    private const BESIDE = ['/icon.svg', '/icon-192.png', '/icon-512.png', '/manifest.webmanifest'];

    public function __invoke(): Response
    {
        $build = Build::read();
        $script = $build->script(self::SCRIPT) ?? abort(404);
        $shell = ['version' => $build->version, 'files' => [...$build->addresses(), ...self::BESIDE]];
        $code = 'const SHELL = '.json_encode($shell, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES).";\n".
            file_get_contents(public_path("build/{$script}"));

        return new Response($code, 200, [
            'Content-Type' => 'text/javascript; charset=utf-8',
            'Cache-Control' => 'no-cache',
            'Service-Worker-Allowed' => '/',
        ]);
    }
}
