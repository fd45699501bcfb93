<?php

declare(strict_types=1);

namespace Tests\Support;

/** Somebody who works on a job of their own, and what they do next. */
final class BusyEditor
{
    private const TEXT = 'cleanout, 500 down, quarter bend east, 1200 east at 20, wye left, 900 east, trap';

    private int $revision = 1;

    private bool $isKeeping = false;

    private int $acts = 0;

    /** @param array<array-key, mixed> $document */
    public function __construct(
        public readonly Served $served,
        private readonly string $job,
        private readonly array $document,
        private readonly string $run,
        private int $typed,
    ) {}

    /**
     * Gives what is asked for an act, and as what it counts: a change waits for the one before, as it does in a
     * browser, and meanwhile a letter is typed.
     *
     * @param string $kind `type`, `read`, `keep` or `tick`
     * @return array{string, array{0: string, 1: string, 2?: array<array-key, mixed>, 3?: array<string, string>}}
     */
    public function asks(string $kind): array
    {
        $kind = $kind === 'keep' && $this->isKeeping ? 'type' : $kind;
        $this->acts++;

        return [
            $kind,
            match ($kind) {
                'type' => ['POST', '/api/evaluate', $this->letter()],
                'read' => ['GET', "/api/jobs/{$this->job}/log?after=0"],
                'keep' => ['PUT', "/api/jobs/{$this->job}", $this->change(), [
                    'Idempotency-Key' => "load-{$this->job}-{$this->acts}",
                ]],
                default => ['POST', "/api/jobs/{$this->job}/log", $this->tick()],
            },
        ];
    }

    /** A change was answered. */
    public function kept(bool $isKept): void
    {
        $this->isKeeping = false;
        $this->revision += $isKept ? 1 : 0;
    }

    /** @return array<string, mixed> */
    private function letter(): array
    {
        $text = substr(self::TEXT, 0, 1 + $this->typed++ % strlen(self::TEXT));

        return [
            'job' => $this->job,
            'document' => $this->document,
            'call_out' => ['run' => $this->run, 'text' => $text],
            'want' => (object) ["run:{$this->run}" => null],
        ];
    }

    /** @return array<string, mixed> */
    private function change(): array
    {
        $this->isKeeping = true;

        return [
            'from' => $this->revision,
            'gesture' => 'place',
            'document' => ['place' => "place {$this->acts}"] + $this->document,
            'want' => (object) [],
        ];
    }

    /** @return array<string, mixed> */
    private function tick(): array
    {
        $entry = ['key' => "{$this->job}-{$this->acts}", 'kind' => 'note', 'note' => 'seen'];

        return ['device' => 'phone', 'entries' => [$entry + ['made_at' => 'then', 'age_s' => 0]]];
    }
}
