<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Catalog\Material;
use FallBend\Core\Catalog\Pipe;

/** A pipe with water in it: what a millimetre weighs, and how stiff it is. */
final readonly class FilledPipe
{
    private const GRAVITY = 9.80665;

    /** kg per m for every mm² of water. */
    private const WATER = 1e-3;

    /** @param float $fill depth of the water, of the bore */
    public function __construct(public Pipe $pipe, public Material $material, public float $fill) {}

    /** Gives the weight in N per mm; null where the catalogue has no weight or no bore. */
    public function loadNPerMm(): ?float
    {
        if ($this->pipe->kgPerM === null || ! $this->pipe->isBoreKnown) {
            return null;
        }

        return (self::GRAVITY * ($this->pipe->kgPerM + self::WATER * $this->waterMm2())) / 1000;
    }

    /** Gives E·I in N·mm²; null where the modulus or the bore is not known. I = π (D⁴ − d⁴) / 64. */
    public function stiffness(float $celsius, bool $isYears): ?float
    {
        $modulus = $this->material->modulusMpa($celsius, $isYears);

        return $modulus === null || ! $this->pipe->isBoreKnown
            ? null
            : (($modulus * M_PI) / 64) * ($this->pipe->outsideMm ** 4 - $this->pipe->boreMm ** 4);
    }

    /** The wetted part of the bore: a segment of the circle. */
    private function waterMm2(): float
    {
        $angle = 2 * acos(max(-1.0, min(1.0, 1 - 2 * $this->fill)));

        return ($this->pipe->boreMm ** 2 / 8) * ($angle - sin($angle));
    }
}
