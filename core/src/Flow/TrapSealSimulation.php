<?php

declare(strict_types=1);

namespace FallBend\Core\Flow;

/**
 * What one discharge does to the seal of its own trap: an explanation, never a proof.
 *
 * 1. The fixture empties with a flow that falls evenly from `q0` to nothing: q(t) = q0·(1 − t/T), T = 2V/q0.
 * 2. Where the branch runs nearly full it pulls air after it. The suction that a full stretch of length L can make is
 *    the head that it falls through plus the
 *    velocity head: s = φ·(L·S + v²/2g), with v the full-bore velocity of Manning and φ growing from 0 at half the
 *    full-bore flow to 1 at all of it.
 *    L reaches from the trap to the vent where the top of the vent opening lies above the weir, else to the end of the
 *    branch.
 * 3. A vent lets as much air in as water leaves: its own loss is (f·l/d + 1.5)·ρa/ρw·va²/2g with f = 0.03; a valve
 *    opens only at the suction that it needs. The
 *    suction is what the branch makes, or what the vent lets stand, whichever is less.
 * 4. The water in the trap is a column of length Lc = 2·seal + 1.5·bore in a tube of even bore: du/dt =
 *    g/Lc·(y_in − y_out + s) − k·u|u|/Lc, u from the inlet to the
 *    outlet limb, levels against the weir, k = 1.5 for the bend; what rises over the weir is gone. Semi-implicit Euler,
 *    0.5 ms.
 * 5. The column swings in a fraction of a second: a discharge that lasts longer than a minute changes so slowly that
 *    the water follows it. It is followed as one of
 *    a minute with the same flow at its start, and its times are stretched: the effort is bounded, and the seal that is
 *    left is the same to a tenth of a millimetre.
 *
 * Left out: other fixtures' pressures, detergents, the trailing flow that refills a trap, the wave at the stack,
 * evaporation. So it is fair to a single branch, and
 * blind to a stack. Suction of a fixed size takes half of itself from the seal: that is what tests hold it to.
 */
final readonly class TrapSealSimulation
{
    private const G = 9.80665;

    private const STEP_S = 0.0005;

    private const MOST_S = 60.0;

    private const FRICTION = 0.03;

    private const AIR_TO_WATER = 1.2 / 998.0;

    private const BEND_LOSS = 1.5;

    /**
     * @param list<array{t_s: float, flow_l_per_s: float, suction_mm: float, seal_mm: float}> $series a hundred points
     *     over the time that was followed
     */
    private function __construct(
        public float $sealLeftMm,
        public float $mostSuctionMm,
        public bool $isBroken,
        public array $series,
    ) {}

    /**
     * @param VentedBranch $branch the pipe from the trap on
     * @param float $sealMm at rest
     * @param float $flowLPerS at the start
     * @param float $volumeL of the whole discharge
     */
    public static function of(VentedBranch $branch, float $sealMm, float $flowLPerS, float $volumeL): self
    {
        $stretched = max(1.0, (2 * $volumeL) / $flowLPerS / self::MOST_S);
        $empties = (2 * $volumeL) / $flowLPerS / $stretched;
        $until = $empties + 3.0;
        $full = Manning::at($branch->boreMm, $branch->fallMmPerM, 1.0, $branch->roughness);
        $column = (2 * $sealMm + 1.5 * $branch->boreMm) / 1000;
        [$in, $out, $u, $most, $broken, $series] = [0.0, 0.0, 0.0, 0.0, false, []];
        $steps = (int) ceil($until / self::STEP_S);
        $every = max(1, intdiv($steps, 100));
        for ($i = 0; $i <= $steps; $i++) {
            $t = $i * self::STEP_S;
            $flow = max(0.0, $flowLPerS * (1 - $t / $empties));
            $suction = $broken ? 0.0 : self::suction($branch, $full, $flow);
            $most = max($most, $suction);
            $u += (self::STEP_S / $column) * (self::G * ($in - $out + $suction) - self::BEND_LOSS * $u * abs($u));
            $in -= $u * self::STEP_S;
            $out = min(0.0, $out + $u * self::STEP_S);
            if ($in < -$sealMm / 1000) {
                // Air has found its way under the dip: what is left falls back.
                $broken = true;
            }
            if ($i % $every === 0) {
                $series[] = [
                    't_s' => $t * $stretched,
                    'flow_l_per_s' => $flow,
                    'suction_mm' => $suction * 1000,
                    'seal_mm' => max(0.0, $sealMm + $in * 1000),
                ];
            }
        }

        return new self(max(0.0, $sealMm + (($in + $out) / 2) * 1000), $most * 1000, $broken, $series);
    }

    /** In metres of water. */
    private static function suction(VentedBranch $branch, Manning $full, float $flowLPerS): float
    {
        if ($full->fullBoreLPerS <= 0.0 || $flowLPerS <= 0.0) {
            return 0.0;
        }
        $share = max(0.0, min(1.0, ($flowLPerS / $full->fullBoreLPerS - 0.5) / 0.5));
        $made =
            $share *
            ((($branch->drawnMm() / 1000) * $branch->fallMmPerM) / 1000 + $full->velocityMPerS ** 2 / (2 * self::G));
        if ($branch->ventBoreMm === null) {
            return $made;
        }
        $bore = $branch->ventBoreMm / 1000;
        $air = $flowLPerS / 1000 / ((M_PI * $bore ** 2) / 4);
        $lets =
            (((self::FRICTION * $branch->ventLengthMm) / 1000 / $bore + 1.5) * self::AIR_TO_WATER * $air ** 2) /
                (2 * self::G) +
            $branch->opensAtMm / 1000;

        return min($made, $lets + ((($share * $branch->drawnMm()) / 1000) * $branch->fallMmPerM) / 1000);
    }
}
