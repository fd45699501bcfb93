<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** The weather that a joint is made in. Temperatures in °C, humidity in per cent. */
final readonly class Conditions
{
    public function __construct(
        public float $airC = 20.0,
        public float $surfaceC = 20.0,
        public float $humidity = 50.0,
        public bool $isWet = false,
        public bool $isStated = false,
    ) {}

    /**
     * Reads `air_c`, `surface_c`, `rh_percent`, `wet`, all optional; a surface that is not given is as warm as the air.
     *
     * @throws BadInput
     */
    public static function read(Fields $fields): self
    {
        $air = $fields->numberOrNull('air_c', -60, 70);
        $surface = $fields->numberOrNull('surface_c', -60, 90);

        return new self(
            $air ?? ($surface ?? 20.0),
            $surface ?? ($air ?? 20.0),
            $fields->numberOrNull('rh_percent', 0, 100) ?? 50.0,
            $fields->bool('wet', false),
            $air !== null || $surface !== null,
        );
    }

    /** The colder of air and surface: what setting goes by. */
    public function coldC(): float
    {
        return min($this->airC, $this->surfaceC);
    }

    /** The warmer of the two: what drying goes by. */
    public function warmC(): float
    {
        return max($this->airC, $this->surfaceC);
    }
}
