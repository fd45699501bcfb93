<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;

/**
 * What the workers wrote down of every request (bin/lib/serve.sh): milliseconds that it took, kilobytes of memory that
 * it needed.
 */
final readonly class AccessLog
{
    private function __construct(private string $path, private int $from) {}

    /** From here on. */
    public static function fromHere(): self
    {
        $path = (string) getenv('FALL_BEND_ACCESS_LOG_AT');
        if (! is_file($path)) {
            throw new RuntimeException(
                'The server writes no access log: tests of what it takes are run by bin/test and bin/bench.',
            );
        }

        clearstatcache(true, $path);

        return new self($path, (int) filesize($path));
    }

    /** @return list<array{method: string, path: string, status: int, ms: float, kb: int}> */
    public function lines(): array
    {
        $lines = [];
        foreach (explode("\n", (string) file_get_contents($this->path, offset: $this->from)) as $line) {
            if (preg_match('/^(\S+) (\S+) (\d+) ([\d.]+)d? (\d+)M?$/', trim($line), $m) === 1) {
                $lines[] = [
                    'method' => $m[1],
                    'path' => $m[2],
                    'status' => (int) $m[3],
                    'ms' => (float) $m[4],
                    'kb' => (int) $m[5],
                ];
            }
        }

        return $lines;
    }
}
