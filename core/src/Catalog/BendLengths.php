<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Geometry\Line;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * The take-offs of the bends of a system: as a row states them, or reckoned from the others. A bend of radius R that
 * turns by θ takes R · tan(θ / 2) and a short straight before its stop. Of a size of which two short bends are stated,
 * R and the straight are solved from them; other sizes follow as both go with the outside of the pipe. Where no row
 * states any, the rows have an assumed radius of their own. The spigot of a bend of hub-and-spigot pipe has a longer
 * straight than its hub. See docs/fitting-lengths.md. Lengths in mm, without the gap of a joint.
 *
 * @phpstan-type BendShape array{radius: ?float, straight: float, near: bool, stated: int}
 */
final class BendLengths
{
    /** Two angles of a bend that are nearer than this are one: a quarter bend is pitched and turns 88.8°. */
    private const PITCH_DEG = 2.0;

    /** @var array<array-key, BendShape> by size */
    private array $shapes = [];

    /** @var array{radius: ?Line, straight: ?Line}|null of short bends, over the outside of the pipe */
    private ?array $trend = null;

    /** @var array<array-key, list<array{take: float, x: float}>>|null stated short bends, by size */
    private ?array $stated = null;

    /**
     * @param Rows<Pipe> $pipes of the system
     * @param list<mixed> $rows of its bends as they stand in the table, with the user's numbers over them
     */
    public function __construct(
        private readonly FittingFamily $family,
        private readonly Rows $pipes,
        private readonly array $rows,
    ) {}

    /**
     * Gives the take-off of a bend, and the length of its spigot, of a street bend and of one with a hub.
     *
     * @return array{take_off_mm: DerivedLength, spigot_mm: ?DerivedLength, outlet_mm: ?DerivedLength}
     *
     * @throws BadInput if the row is wrong
     */
    public function of(Fields $row): array
    {
        return $row->has('outlet_size')
            ? $this->ofTwoSizes($row)
            : ['outlet_mm' => null] + $this->ofOneSize($row);
    }

    /**
     * A closet bend has the sweep of its smaller size; the pipe of that ends clear of the larger one.
     *
     * @return array{take_off_mm: DerivedLength, spigot_mm: null, outlet_mm: DerivedLength}
     */
    private function ofTwoSizes(Fields $row): array
    {
        [$size, $outletSize] = [$row->string('size'), $row->string('outlet_size')];
        $small = $this->pipes[$outletSize] ??
            throw BadInput::at($row->at('outlet_size'), 'is no size of a pipe of this system', $outletSize);
        $sweep = $this->radiusMm($outletSize) * self::halfOf($row);
        $clear = $this->pipes[$size]->outsideMm / 2 + $this->family->crotchMm +
            ($this->family->isBanded ? $small->socketDepthMm : 0.0);
        $doubt = $this->doubt('sweep_mm', $size);
        $in = $row->numberOrNull('take_off_mm', 0, 2000);
        $out = $row->numberOrNull('outlet_mm', 0, 2000);
        $straight = $this->straightMm($size);

        return [
            'take_off_mm' => $in !== null
                ? DerivedLength::stated($in, $row, $doubt)
                : new DerivedLength(
                    $sweep + $straight,
                    $doubt,
                    sprintf('the sweep of the %s outlet + %.1f mm', $outletSize, $straight),
                ),
            'spigot_mm' => null,
            'outlet_mm' => $out !== null
                ? DerivedLength::stated($out, $row, $doubt)
                : new DerivedLength(max($sweep + $this->straightMm($outletSize), $clear), $doubt, 'clear of the inlet'),
        ];
    }

    /**
     * @return array{take_off_mm: DerivedLength, spigot_mm: ?DerivedLength}
     *
     * @throws BadInput if the row is wrong
     */
    private function ofOneSize(Fields $row): array
    {
        $isStreet = $row->bool('street', false);
        $size = $row->string('size');
        $stated = $row->numberOrNull('take_off_mm', 0, 2000);
        $plain = $isStreet && $stated === null ? $this->plain($row->string('pattern'), $size) : null;
        $take = match (true) {
            $stated !== null => $this->stated($stated, $row),
            $plain !== null => new DerivedLength($plain, 0.0, 'as the plain bend'),
            default => $this->reckoned($row),
        };
        if (! $isStreet && ! $this->family->isHubbed) {
            return ['take_off_mm' => $take, 'spigot_mm' => null];
        }
        $spigot = $row->numberOrNull('spigot_mm', 0, 2000);
        if (! $isStreet) {
            return [
                'take_off_mm' => $take,
                'spigot_mm' => $spigot !== null ? $this->stated($spigot, $row) : $this->spigotOut($row),
            ];
        }

        return [
            'take_off_mm' => $take,
            'spigot_mm' => $spigot !== null
                ? $this->stated($spigot, $row)
                : new DerivedLength(
                    $take->mm + $this->pipes[$size]->socketDepthMm,
                    // The stop of a socket may lie deeper than the depth that is stated.
                    $take->doubtMm + $this->doubt('bend_mm', $size) / 2,
                    'that of the hub side and the depth of a socket',
                ),
        ];
    }

    /** Gives the radius of the short bends of a size. */
    public function radiusMm(string $size): float
    {
        $radius = $this->shape($size)['radius'];
        if ($radius !== null) {
            return $radius;
        }
        foreach ($this->rows as $row) {
            if (
                is_array($row) &&
                ($row['size'] ?? null) === $size &&
                in_array($row['pattern'] ?? null, $this->family->shortPatterns, true) &&
                is_numeric($row['radius_mm'] ?? null)
            ) {
                return (float) $row['radius_mm'];
            }
        }

        return $this->pipes[$size]->outsideMm / 2;
    }

    /** Gives the straight of the short bends of a size, before the stop. */
    public function straightMm(string $size): float
    {
        return $this->shape($size)['straight'];
    }

    /** Gives the straight of the spigot of the bends of a size that have a hub at their other end, mm. */
    public function spigotStraightMm(string $size): float
    {
        $radius = $this->shape($size)['radius'];
        $left = [];
        foreach ($this->rows as $row) {
            if (! is_array($row) || ! is_numeric($row['spigot_mm'] ?? null)) {
                continue;
            }
            $fields = Fields::of($row);
            if ($fields->string('size') === $size && ! $fields->bool('street', false)) {
                $left[] = $fields->number('spigot_mm') - $this->radiusOf($fields, $radius) * self::halfOf($fields);
            }
        }

        return $left === []
            ? $this->pipes[$size]->socketDepthMm + $this->family->outletMm
            : array_sum($left) / count($left);
    }

    private function spigotOut(Fields $row): DerivedLength
    {
        $size = $row->string('size');
        $radius = $this->radiusOf($row, $this->shape($size)['radius']);
        $straight = $this->spigotStraightMm($size);

        return new DerivedLength(
            $radius * self::halfOf($row) + $straight,
            $this->doubt($this->isShort($row) ? 'bend_mm' : 'sweep_mm', $size),
            sprintf('%.1f · tan(turn / 2) + %.1f mm to the end of the spigot', $radius, $straight),
        );
    }

    /** @param ?float $shortMm radius of the short bends of the size, where it is solved */
    private function radiusOf(Fields $row, ?float $shortMm): float
    {
        return $this->isShort($row) && $shortMm !== null ? $shortMm : $row->number('radius_mm', 0, 2000);
    }

    private function isShort(Fields $row): bool
    {
        return in_array($row->string('pattern'), $this->family->shortPatterns, true);
    }

    private function stated(float $mm, Fields $row): DerivedLength
    {
        return DerivedLength::stated($mm, $row, $this->doubt('bend_mm', $row->string('size')));
    }

    private function reckoned(Fields $row): DerivedLength
    {
        $size = $row->string('size');
        $isShort = $this->isShort($row);
        $shape = $this->shape($size);
        $radius = $this->radiusOf($row, $shape['radius']);
        $far = $this->family->doubts['bend_far'] * $this->pipes[$size]->outsideMm;
        $doubt = match (true) {
            ! $isShort => $this->doubt('sweep_mm', $size),
            $shape['near'] => $this->doubt('bend_mm', $size),
            $shape['radius'] !== null => max($this->doubt('bend_mm', $size), $far),
            // Of a radius that is assumed one measured bend of the size takes half the doubt.
            default => $this->doubt('bend_mm', $size) / ($shape['stated'] > 0 ? 2 : 1),
        };

        return new DerivedLength(
            $radius * self::halfOf($row) + $shape['straight'],
            $doubt,
            sprintf('%.1f · tan(turn / 2) + %.1f mm', $radius, $shape['straight']),
        );
    }

    /** The stated take-off of the plain bend of a pattern and size. */
    private function plain(string $pattern, string $size): ?float
    {
        foreach ($this->rows as $row) {
            $isIt =
                self::isStated($row) && ($row['pattern'] ?? null) === $pattern && ($row['size'] ?? null) === $size;
            if ($isIt) {
                return Fields::of($row)->number('take_off_mm');
            }
        }

        return null;
    }

    /** @return BendShape `near`: a bend of the size is stated */
    private function shape(string $size): array
    {
        return $this->shapes[$size] ??= $this->shapeOf($size);
    }

    /** @return BendShape */
    private function shapeOf(string $size): array
    {
        $stated = $this->statedShort()[$size] ?? [];
        $own = self::solved($stated);
        $shape = ['radius' => null, 'straight' => 0.0, 'near' => $stated !== [], 'stated' => count($stated)];
        if ($own !== null) {
            return ['radius' => $own->slope, 'straight' => $own->at0] + $shape;
        }
        $outside = $this->pipes[$size]->outsideMm;
        $radius = $this->trend()['radius']?->at($outside);
        if ($radius === null) {
            return ['straight' => $this->assumedStraight($size), 'near' => false] + $shape;
        }
        $left = array_map(static fn (array $one): float => $one['take'] - $radius * $one['x'], $stated);

        return [
            'radius' => $radius,
            'straight' => $left === []
                ? $this->trend()['straight']?->at($outside) ?? $this->family->straightMm
                : array_sum($left) / count($left),
        ] + $shape;
    }

    /** The straight of a family without a solved size, by what a crew measured: of this size, or of all. */
    private function assumedStraight(string $size): float
    {
        [$ofSize, $all] = [[], []];
        foreach ($this->rows as $row) {
            if (! self::isStated($row)) {
                continue;
            }
            $fields = Fields::of($row);
            $x = self::halfOf($fields);
            $left = $fields->number('take_off_mm') - $fields->number('radius_mm') * $x;
            $all[] = $left;
            if ($fields->string('size') === $size) {
                $ofSize[] = $left;
            }
        }
        $left = $ofSize === [] ? $all : $ofSize;

        return $left === [] ? $this->family->straightMm : array_sum($left) / count($left);
    }

    /**
     * @param list<array{take: float, x: float}> $stated
     * @return Line|null take-off over tan(turn / 2): its slope is the radius, and it begins at the straight
     */
    private static function solved(array $stated): ?Line
    {
        return Line::through(array_column($stated, 'x'), array_column($stated, 'take'));
    }

    /** @return array{radius: ?Line, straight: ?Line} of all sizes that have two stated bends */
    private function trend(): array
    {
        if ($this->trend === null) {
            [$outsides, $radii, $straights] = [[], [], []];
            foreach ($this->statedShort() as $size => $stated) {
                $line = self::solved($stated);
                if ($line !== null) {
                    $outsides[] = $this->pipes[$size]->outsideMm;
                    $radii[] = $line->slope;
                    $straights[] = $line->at0;
                }
            }
            $this->trend = [
                'radius' => Line::through($outsides, $radii),
                'straight' => Line::through($outsides, $straights),
            ];
        }

        return $this->trend;
    }

    /** @return array<array-key, list<array{take: float, x: float}>> by size; one such as 2 is a number as a key */
    private function statedShort(): array
    {
        if ($this->stated === null) {
            $this->stated = [];
            foreach ($this->rows as $row) {
                $isShort =
                    self::isStated($row) && in_array($row['pattern'] ?? null, $this->family->shortPatterns, true);
                if ($isShort) {
                    $fields = Fields::of($row);
                    $this->stated[$fields->string('size')][] = [
                        'take' => $fields->number('take_off_mm'),
                        'x' => self::halfOf($fields),
                    ];
                }
            }
        }

        return $this->stated;
    }

    /** @phpstan-assert-if-true array<array-key, mixed> $row */
    private static function isStated(mixed $row): bool
    {
        return is_array($row) &&
            ($row['street'] ?? false) === false &&
            ! isset($row['outlet_size']) &&
            is_numeric($row['take_off_mm'] ?? null);
    }

    private function doubt(string $doubt, string $size): float
    {
        return $this->family->doubtMm($doubt, $this->pipes[$size]->outsideMm);
    }

    private static function halfOf(Fields $row): float
    {
        return self::half($row->number('turn_deg', 1, 179), $row->number('nominal_deg', 1, 179));
    }

    /** The tangent of half the turn; a bend that is pitched is made to its nominal angle. */
    private static function half(float $turnDeg, float $nominalDeg): float
    {
        return tan(deg2rad((abs($turnDeg - $nominalDeg) < self::PITCH_DEG ? $nominalDeg : $turnDeg) / 2));
    }
}
