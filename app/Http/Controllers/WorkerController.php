<?php

declare(strict_types=1);

namespace App\Http\Controllers;

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
        $path = public_path('build/manifest.json');
        $text = is_file($path) ? (string) file_get_contents($path) : '{}';
        /** @var array<string, array{file: string, css?: list<string>, assets?: list<string>}> $built */
        $built = json_decode($text, true, 16, JSON_THROW_ON_ERROR);
        $script = $built[self::SCRIPT]['file'] ?? abort(404);
        $files = [];
        foreach ($built as $one) {
            array_push($files, $one['file'], ...$one['css'] ?? [], ...$one['assets'] ?? []);
        }
        $named = array_map(static fn (string $file): string => "/build/{$file}", array_values(array_unique($files)));
        $shell = ['version' => substr(hash('sha256', $text), 0, 16), 'files' => [...$named, ...self::BESIDE]];
        $code = 'const SHELL = '.json_encode($shell, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES).";\n".
            file_get_contents(public_path("build/{$script}"));

        return new Response($code, 200, [
            'Content-Type' => 'text/javascript; charset=utf-8',
            'Cache-Control' => 'no-cache',
            'Service-Worker-Allowed' => '/',
        ]);
    }
}
