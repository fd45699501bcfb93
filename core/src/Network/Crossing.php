<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Job\Obstacle;
use FallBend\Core\Job\ObstacleKind;

/** One place where a pipe goes through or past something. Lengths in mm. */
final readonly class Crossing
{
    /**
     * @param int $number of several alike, from 1
     * @param float $tapeMm on the tape of the run
     * @param float $outsideMm of the pipe
     * @param float $holeMm to drill
     * @param ?float $fromTopMm from the upper edge down to the middle of the pipe; null where nobody measured
     */
    public function __construct(
        public Obstacle $obstacle,
        public int $number,
        public float $tapeMm,
        public string $size,
        public float $outsideMm,
        public float $holeMm,
        public ?float $fromTopMm,
    ) {}

    /** Whether it is timber that is drilled or notched by the rules for timber: sawn joists, studs and plates. */
    public function isTimber(): bool
    {
        return in_array($this->obstacle->kind, [ObstacleKind::Joist, ObstacleKind::Stud, ObstacleKind::Plate], true);
    }

    /** Gives what it is called: its own name, or its kind, with a number where there are several. */
    public function name(): string
    {
        $name =
            $this->obstacle->what === ''
                ? strtr($this->obstacle->kind->value, ['joist-engineered' => 'engineered joist'])
                : $this->obstacle->what;

        return $this->obstacle->count > 1 ? "{$name}, no. {$this->number}" : $name;
    }

    /** Gives how far the middle of the pipe lies from the nearer edge; null where nobody measured. */
    public function nearerEdgeMm(): ?float
    {
        return $this->fromTopMm === null || $this->obstacle->depthMm === null
            ? null
            : min($this->fromTopMm, $this->obstacle->depthMm - $this->fromTopMm);
    }

    /** Gives how deep a notch from the nearer edge must be for the pipe; null where nobody measured. */
    public function notchMm(): ?float
    {
        $nearer = $this->nearerEdgeMm();

        return $nearer === null ? null : $nearer + $this->holeMm / 2;
    }
}
