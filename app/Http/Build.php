<?php

declare(strict_types=1);

namespace App\Http;

/**
 * What the interface was built to, as its manifest says.
 *
 * @phpstan-type Built array{
 *     file: string,
 *     css?: list<string>,
 *     assets?: list<string>,
 *     imports?: list<string>,
 *     isEntry?: bool,
 *     name?: string,
 * }
 */
final readonly class Build
{
    /** @param array<string, Built> $built */
    private function __construct(public string $version, private array $built) {}

    public static function read(): self
    {
        $path = public_path('build/manifest.json');
        $text = is_file($path) ? (string) file_get_contents($path) : '{}';
        /** @var array<string, Built> $built */
        $built = json_decode($text, true, 16, JSON_THROW_ON_ERROR);

        return new self(substr(hash('sha256', $text), 0, 16), $built);
    }

    /** Gives where a script of the build lies; null where it is none of it. */
    public function script(string $source): ?string
    {
        return $this->built[$source]['file'] ?? null;
    }

    /** @return list<string> addresses of all files of the build */
    public function addresses(): array
    {
        $files = [];
        foreach ($this->built as $one) {
            array_push($files, $one['file'], ...$one['css'] ?? [], ...$one['assets'] ?? []);
        }

        return self::addressed($files);
    }

    /**
     * Gives the addresses of chunks and of all that they import, but for what a page has anyway.
     *
     * @param list<string> $names of chunks
     * @return list<string>
     */
    public function scriptsOf(array $names): array
    {
        $named = array_filter($this->built, static fn (array $one): bool => in_array($one['name'] ?? '', $names, true));
        $entries = array_keys(array_filter($this->built, static fn (array $one): bool => $one['isEntry'] ?? false));
        $keys = array_diff($this->withImports(array_keys($named)), $this->withImports($entries));

        return self::addressed(array_map(fn (string $key): string => $this->built[$key]['file'], array_values($keys)));
    }

    /**
     * @param list<string> $keys
     * @return list<string>
     */
    private function withImports(array $keys): array
    {
        $all = [];
        while ($keys !== []) {
            $key = array_shift($keys);
            if (! in_array($key, $all, true) && isset($this->built[$key])) {
                $all[] = $key;
                array_push($keys, ...$this->built[$key]['imports'] ?? []);
            }
        }

        return $all;
    }

    /**
     * @param list<string> $files
     * @return list<string>
     */
    private static function addressed(array $files): array
    {
        return array_map(static fn (string $file): string => "/build/{$file}", array_values(array_unique($files)));
    }
}
