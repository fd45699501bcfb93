<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;
use Symfony\Component\Process\Process;

/** A line to the server that goes wrong by chance, the same way for the same seed (flaky-line.mjs). */
final class FlakyLine
{
    private function __construct(private readonly Process $process, public readonly string $address) {}

    /** @param string $server address of the server */
    public static function to(string $server): self
    {
        $port = Ports::free();
        $process = new Process(
            ['node', __DIR__.'/flaky-line.mjs', (string) $port, (string) parse_url($server, PHP_URL_PORT)],
            timeout: null,
        );
        $process->start();
        $line = new self($process, "http://127.0.0.1:{$port}");
        Ports::untilItListens($port);

        return $line;
    }

    /**
     * From here on this share of the calls goes wrong: lost, carried out but not answered, late, cut off, or met by a
     * restart.
     */
    public function goesWrong(float $share, int $seed): void
    {
        $this->tell(['share' => $share, 'seed' => $seed]);
    }

    /** From here on nothing comes through, of pages and files neither. */
    public function isCut(): void
    {
        $this->tell(['cut' => 1]);
    }

    /** From here on pages and files come through, of the same version or another one, and no question does. */
    public function isSilent(string $version = ''): void
    {
        $this->tell(['silent' => 1] + ($version === '' ? [] : ['version' => $version]));
    }

    public function heals(): void
    {
        $this->tell(['share' => 0]);
    }

    public function close(): void
    {
        $this->process->stop(1);
    }

    /** @param array<string, float|int|string> $what */
    private function tell(array $what): void
    {
        $context = stream_context_create([
            'http' => [
                'method' => 'POST',
                'header' => 'Content-Type: application/json',
                'content' => json_encode($what, JSON_THROW_ON_ERROR),
            ],
        ]);
        if (file_get_contents("{$this->address}/flaky-line", false, $context) === false) {
            throw new RuntimeException('The flaky line does not listen.');
        }
    }
}
