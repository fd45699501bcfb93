<?php

declare(strict_types=1);

namespace FallBend\Core\Verdict;

/**
 * The place that a finding speaks of: leg by number and id, piece by letter, joint by number, and the spot on the tape
 * in mm.
 */
final readonly class Where
{
    public function __construct(
        public ?int $leg = null,
        public ?string $legId = null,
        public ?string $piece = null,
        public ?int $joint = null,
        public ?float $tapeMm = null,
        public ?string $run = null,
    ) {}

    /** @return array{leg: ?int, leg_id: ?string, piece: ?string, joint: ?int, tape_mm: ?float} */
    public function toArray(): array
    {
        return [
            'leg' => $this->leg,
            'leg_id' => $this->legId,
            'piece' => $this->piece,
            'joint' => $this->joint,
            'tape_mm' => $this->tapeMm,
        ];
    }
}
