<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/**
 * A pipe that stands already and that the job ties to: what it is, how that is known, where its end is, and what is in
 * the way.
 */
final readonly class StandingPipe
{
    /** Kinds of ends that a standing pipe can have. */
    public const ENDS = [
        'plain',
        'spigot',
        'hub',
        'bell',
        'solvent-socket',
        'ring-socket',
        'female-thread',
        'male-thread',
        'slip-nut',
        'flange',
        'grooved',
    ];

    /** How far it is known. */
    public const HOW = ['print', 'measured', 'told', 'guessed'];

    /**
     * @param ?string $system key of the catalogue; null: not known yet
     * @param ?string $size with the system
     * @param string $end one of ENDS
     * @param ?float $outsideMm as measured; null where the catalogue's stands
     * @param string $how one of HOW
     * @param string $at where its centre is, in words: from what, how far
     * @param string $faces which way it points
     * @param ?float $levelMm height of its centre over the mark of the job
     * @param string $inTheWay joists, pipes, buried services
     * @param bool $isVent from here up it is a vent only: open to the air, and nothing discharges into it; false:
     *     nobody said so
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?string $system,
        public ?string $size,
        public string $end,
        public ?float $outsideMm,
        public bool $isFixed,
        public string $how,
        public string $at,
        public string $faces,
        public ?float $levelMm,
        public string $inTheWay,
        public bool $isVent = false,
    ) {}

    /** Whether it is known what pipe it is. */
    public function isKnown(): bool
    {
        return $this->system !== null && $this->size !== null;
    }
}
