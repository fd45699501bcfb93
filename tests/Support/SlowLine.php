<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;
use Symfony\Component\Process\Process;

/** A line to the server that is slow both ways (slow-line.mjs), and counts what passes. */
final class SlowLine
{
    private function __construct(
        private readonly Process $process,
        public readonly string $address,
        private readonly string $control,
    ) {}

    /** @param string $server address of the server */
    public static function to(string $server, int $kbitPerS, int $roundTripMs): self
    {
        [$port, $control] = [Ports::free(), Ports::free()];
        $of = (string) parse_url($server, PHP_URL_PORT);
        $process = new Process(
            ['node', __DIR__.'/slow-line.mjs', "{$port}", $of, "{$kbitPerS}", "{$roundTripMs}", "{$control}"],
            timeout: null,
        );
        $process->start();
        $line = new self($process, "http://127.0.0.1:{$port}", "http://127.0.0.1:{$control}");
        Ports::untilItListens($control);

        return $line;
    }

    /** @return array{up: int, down: int} bytes that passed since this was asked last */
    public function passed(): array
    {
        $said = json_decode((string) file_get_contents($this->control), true);
        if (! is_array($said)) {
            throw new RuntimeException('The slow line does not say what passed.');
        }

        return ['up' => (int) $said['up'], 'down' => (int) $said['down']];
    }

    public function close(): void
    {
        $this->process->stop(1);
    }
}
