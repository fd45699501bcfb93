<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Job\FramingKind;
use FallBend\Core\Measure\Tolerance;

/** What a leg can be fixed to where it stands: joists over it, or studs beside it. */
final readonly class Framing
{
    /**
     * @param list<float> $places along the leg from its upstream end, mm
     */
    private function __construct(private FramingKind $kind, private array $places) {}

    /**
     * Takes where the first one stands along a leg and how far it is to the next one, in mm; gives as many as there
     * are, or all along the leg, before the first one too.
     */
    public static function every(
        FramingKind $kind,
        float $everyMm,
        float $firstMm,
        float $lengthMm,
        ?int $count = null,
    ): self {
        $from = $count === null ? (int) ceil(-$firstMm / $everyMm - Tolerance::ROUNDING) : 0;
        $places = [];
        for (
            $k = $from;
            ($count === null || $k < $count) && $firstMm + $k * $everyMm <= $lengthMm + Tolerance::ROUNDING;
            $k++
        ) {
            $places[] = $firstMm + $k * $everyMm;
        }

        return new self($kind, $places);
    }

    /** @return list<float> where they stand from one place to another */
    public function within(float $lowMm, float $highMm): array
    {
        return array_values(
            array_filter(
                $this->places,
                static fn (float $at): bool => $at >= $lowMm - Tolerance::ROUNDING &&
                    $at <= $highMm + Tolerance::ROUNDING,
            ),
        );
    }

    /** Gives the kind of a hanger on one of them. */
    public function on(): HangerKind
    {
        return HangerKind::on($this->kind);
    }

    /** Gives the kind of a hanger that none of them is near enough to. */
    public function between(): HangerKind
    {
        return HangerKind::between($this->kind);
    }
}
