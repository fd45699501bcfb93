<?php

declare(strict_types=1);

namespace FallBend\Core\Measure;

/**
 * Says computed lengths as an answer carries them: the number, and how a tape says it in both units. Rounding happens
 * here and nowhere after.
 * Within one answer the same length is worked out once: socket depths and take-offs stand in it many times.
 *
 * @phpstan-type Reading array{mm: float, inch: string, feet: string, metric: string}
 */
final class Tape
{
    /** @var array<int, array{mm: float, inch: string, feet: string, metric: string}> by nanometres */
    private array $said = [];

    /** @return Reading */
    public function reading(float $mm): array
    {
        $length = Length::mm($mm);
        if (! isset($this->said[$length->nanometres])) {
            [$inch, $feet] = TapePrinter::inchesAndFeet($length);
            $this->said[$length->nanometres] = [
                'mm' => $mm,
                'inch' => $inch,
                'feet' => $feet,
                'metric' => TapePrinter::millimetres($length),
            ];
        }

        $said = $this->said[$length->nanometres];

        return $said['mm'] === $mm ? $said : ['mm' => $mm] + $said;
    }

    /** Gives a length as a tape of these units says it: `5 1/2 in`, `140 mm`. */
    public function said(float $mm, Units $units): string
    {
        $reading = $this->reading($mm);

        return $units === Units::Inch ? "{$reading['inch']} in" : "{$reading['metric']} mm";
    }

    /** Gives a long length as a tape of these units says it: `6' 2"`, `1880 mm`. */
    public function long(float $mm, Units $units): string
    {
        $reading = $this->reading($mm);

        return $units === Units::Inch ? $reading['feet'] : "{$reading['metric']} mm";
    }

    /** @return Reading|null */
    public function readingOrNull(?float $mm): ?array
    {
        return $mm === null ? null : $this->reading($mm);
    }
}
