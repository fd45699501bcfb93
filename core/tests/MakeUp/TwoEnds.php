<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\MakeUp;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\MakeUp\Cones;
use FallBend\Core\MakeUp\OpenEnd;
use FallBend\Core\MakeUp\Problem;
use FallBend\Core\MakeUp\Turning;
use FallBend\Core\MakeUp\Turnings;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Two-end problems with known answers: bends and pieces put together by chance, and only the two ends given. */
final readonly class TwoEnds
{
    /**
     * @param int $bends that it was made of
     * @param list<Vec3> $points of the known answer
     */
    private function __construct(
        public Problem $problem,
        public int $bends,
        public string $kind,
        public array $points,
    ) {}

    /** @return iterable<int, self> */
    public static function generated(int $seed, int $count): iterable
    {
        $random = new Randomizer(new Mt19937($seed));
        $catalogue = Catalogue::shipped();
        for ($i = 0; $i < $count; $i++) {
            [$system, $size] = [
                ['pvc-dwv-40', '2'],
                ['pvc-dwv-40', '3'],
                ['abs-dwv-40', '1-1/2'],
                ['pvcu-soil', '110'],
            ][$i % 4];
            $turnings = Turnings::list($catalogue->system($system), $size);
            $kind = ['free', 'level to upright', 'falling', 'free', 'street'][$random->getInt(0, 4)];
            yield $i => self::one(
                $random,
                $system,
                $size,
                $turnings,
                $kind,
                1 + ($i % 3),
                $catalogue->system($system)->pipe($size)->socketDepthMm,
                $catalogue->system($system)->pipe($size)->outsideMm,
            );
        }
    }

    /** @param list<Turning> $turnings */
    private static function one(
        Randomizer $random,
        string $system,
        string $size,
        array $turnings,
        string $kind,
        int $bends,
        float $depthMm,
        float $outsideMm,
    ): self {
        $float = static fn (float $low, float $high): float => $low +
            (($high - $low) * $random->getInt(0, 1_000_000)) / 1_000_000;
        for ($try = 0; ; $try++) {
            $dip = $kind === 'level to upright' || $kind === 'falling' ? rad2deg(atan(1 / 48)) : $float(-80.0, 80.0);
            $u = Vec3::direction($float(0, 360), $dip);
            $directions = [$u];
            $chosen = [];
            for ($i = 0; $i < $bends; $i++) {
                $turning = $turnings[$random->getInt(0, count($turnings) - 1)];
                if ($kind === 'level to upright' && $i === 0) {
                    $turning = $turnings[count($turnings) - 1];
                    // Straight down, or as near to it as the bend turns.
                    $side = (new Vec3(0.0, 0.0, -1.0))->squareTo($u) ?? Vec3::up();
                    $u = $u->times(cos(deg2rad($turning->deg)))->plus($side->times(sin(deg2rad($turning->deg))));
                } else {
                    $u = new Vec3(...Cones::round([$u->x, $u->y, $u->z], $turning->deg, $float(0, 360)));
                }
                $directions[] = $u;
                $chosen[] = $turning;
            }
            $isFalling =
                array_filter($directions, static fn (Vec3 $v): bool => -$v->z < sqrt(1 - $v->z ** 2) / 48 - 1e-9) === [];
            if ($kind === 'falling' && ! $isFalling && $try < 400) {
                continue;
            }
            break;
        }
        $least = 2 * $depthMm;
        $points = [($at = new Vec3($float(-1000, 1000), $float(-1000, 1000), $float(-1000, 1000)))];
        $close = $kind === 'street' && $bends > 1 ? $random->getInt(1, $bends - 1) : -1;
        foreach ($directions as $i => $direction) {
            $before = $i > 0 ? $chosen[$i - 1]->takeOffMm() : 0.0;
            $street = $i === $close ? $chosen[$i]->street : null;
            $length =
                $street !== null
                    ? $before + $street->spigotMm
                    : $before +
                        ($i < $bends
                            ? ($i > 0 && $i - 1 === $close
                                ? $chosen[$i]->takeOffMm()
                                : $chosen[$i]->takeOffMm())
                            : 0.0) +
                        $least +
                        $float(0.0, 1200.0);
            if ($i > 0 && $i - 1 === $close && $chosen[$i - 1]->street !== null) {
                $length += $chosen[$i - 1]->street->takeOffMm - $chosen[$i - 1]->takeOffMm();
            }
            $points[] = $at = $at->plus($direction->times((float) $length));
        }
        $problem = new Problem(
            new OpenEnd($points[0], $directions[0], $system, $size, 'hub'),
            new OpenEnd($at, $u, $system, $size, 'hub'),
            $turnings,
            4,
            $least,
            0.75,
            $kind === 'falling' && $isFalling ? 1000 / 48 : null,
            null,
            [],
            $outsideMm / 2,
            0.0,
        );

        return new self($problem, $bends, $kind, $points);
    }
}
