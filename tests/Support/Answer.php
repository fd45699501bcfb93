<?php

declare(strict_types=1);

namespace Tests\Support;

/** What the server answered; status 0: nothing. */
final readonly class Answer
{
    public function __construct(public int $status, public string $body, public float $seconds) {}

    /** The same, as whoever waited for another answer before it had it. */
    public function after(self $before): self
    {
        return new self($this->status, $this->body, $before->seconds + $this->seconds);
    }

    /** @return array<array-key, mixed> */
    public function json(): array
    {
        $decoded = json_decode($this->body, true);

        return is_array($decoded) ? $decoded : [];
    }

    public function id(): string
    {
        $id = $this->json()['id'] ?? '';

        return is_string($id) || is_int($id) ? (string) $id : '';
    }

    public function said(): string
    {
        return "{$this->status} after ".sprintf('%.1f', $this->seconds).' s: '.mb_strimwidth($this->body, 0, 300, '…');
    }
}
