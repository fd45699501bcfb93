<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * Where a run is hung. Some stretches must hold a hanger: beside every change of direction, beside heavy parts, near
 * joints where the rulebook asks for it. Each of them takes the place furthest down
 * in it (fewest stretches need one of their own then); between two hangers that are too far apart others come in at
 * equal steps. Every place is moved to the next joist or stud, and off joints, only as far as no gap opens.
 * Upright pipe is carried at its foot and at every floor that it goes through, and guided between where the rulebook
 * asks for it.
 */
final readonly class Supports
{
    /** Where hangers are set between two, none stands nearer to the one before than this share of the longest step. */
    private const NEAREST = 0.5;

    private const TOUCHING_MM = 0.01;

    /** @param list<SupportLeg> $legs in the order of flow */
    public function __construct(private array $legs) {}

    /** @return list<Hanger> in the order of flow */
    public function hangers(): array
    {
        [$hangers, $since] = [[], 0.0];
        foreach ($this->legs as $n => $leg) {
            $last = null;
            foreach ($this->isSkipped($leg, $since) ? [] : $this->along($n, $leg, $since) as $hanger) {
                $hangers[] = $hanger;
                $last = $hanger->atMm;
            }
            $since = $last === null ? $since + $leg->lengthMm : $leg->lengthMm - $last;
        }

        return $hangers;
    }

    /**
     * Gives the longest stretch that hangs free between two hangers, over bends too.
     *
     * @param list<Hanger> $hangers
     */
    public function longestGapMm(array $hangers): float
    {
        $starts = [0.0];
        foreach ($this->legs as $leg) {
            $starts[] = $starts[count($starts) - 1] + $leg->lengthMm;
        }
        $at = array_map(static fn (Hanger $hanger): float => $starts[$hanger->leg] + $hanger->atMm, $hangers);
        sort($at);
        $longest = 0.0;
        foreach (array_slice($at, 1) as $n => $place) {
            $longest = max($longest, $place - $at[$n]);
        }

        return $at === [] ? $starts[count($starts) - 1] : $longest;
    }

    /**
     * @param list<Hanger> $hangers
     * @return list<Finding> one for each that stands on a joint
     */
    public static function onJoints(array $hangers): array
    {
        return array_map(
            static fn (Hanger $hanger): Finding => new Finding(
                RuleId::HangOnJoint,
                Severity::Warn,
                new Where(leg: $hanger->leg + 1),
                params: ['at_mm' => $hanger->atMm],
            ),
            array_values(array_filter($hangers, static fn (Hanger $hanger): bool => ! $hanger->isClear)),
        );
    }

    /**
     * A leg no longer than a turn is from its hanger is held by those of its neighbours, as long as they stand near
     * enough.
     */
    private function isSkipped(SupportLeg $leg, float $since): bool
    {
        return $leg->lengthMm <= $leg->besideMm &&
            $leg->heavy === [] &&
            $leg->floors === [] &&
            ($leg->nearJointMm === null || $leg->joints === []) &&
            $since > 0.0 &&
            $since + $leg->lengthMm + $leg->besideMm <= $leg->mostMm;
    }

    /** @return list<Hanger> */
    private function along(int $n, SupportLeg $leg, float $since): array
    {
        $hangers = [];
        foreach ($this->stretches($leg, $since) as [$low, $high, $why]) {
            foreach ($hangers as $hanger) {
                if ($hanger->atMm >= $low - self::TOUCHING_MM && $hanger->atMm <= $high + self::TOUCHING_MM) {
                    continue 2;
                }
            }
            $hangers[] = $this->at(
                $n,
                $leg,
                $low,
                $high,
                $why === HangerReason::Turn && $low > 0.0 ? ($low + $high) / 2 : $high,
                $why,
            );
        }
        usort($hangers, static fn (Hanger $a, Hanger $b): int => $a->atMm <=> $b->atMm);

        return $this->guided($n, $leg, $this->filled($n, $leg, $hangers));
    }

    /**
     * What must hold a hanger, by where it ends.
     *
     * @return list<array{float, float, HangerReason}>
     */
    private function stretches(SupportLeg $leg, float $since): array
    {
        $length = $leg->lengthMm;
        $beside = min($leg->besideMm, $length);
        $stretches = [];
        if ($leg->isUpright) {
            $stretches[] = [$length - $beside, $length, HangerReason::Base];
            foreach ($leg->floors as $at) {
                $stretches[] = [$at, $at, HangerReason::Floor];
            }
        } elseif ($leg->isBent) {
            // Never further down than what hangs free before it lets it.
            $stretches[] = [0.0, max(0.0, min($beside, $leg->mostMm - $since)), HangerReason::Turn];
            $stretches[] = [$length - $beside, $length, HangerReason::Turn];
        } else {
            $stretches[] = [0.0, max(0.0, min($length, $leg->mostMm - $since)), HangerReason::Spacing];
        }
        foreach ($leg->heavy as $at) {
            $stretches[] = [max(0.0, $at - $beside), min($length, $at + $beside), HangerReason::Heavy];
        }
        if ($leg->nearJointMm !== null) {
            foreach ($leg->joints as $at) {
                $stretches[] = [
                    max(0.0, $at - $leg->nearJointMm),
                    min($length, $at + $leg->nearJointMm),
                    HangerReason::Joint,
                ];
            }
        }
        usort($stretches, static fn (array $a, array $b): int => [$a[1], $a[2]->rank()] <=> [$b[1], $b[2]->rank()]);

        return $stretches;
    }

    /**
     * With others between those that stand too far apart. An upright leg is held above its base too; one that goes
     * straight on, until the next one holds it.
     *
     * @param list<Hanger> $hangers
     * @return list<Hanger>
     */
    private function filled(int $n, SupportLeg $leg, array $hangers): array
    {
        $filled = [];
        $last = $leg->isUpright ? 0.0 : null;
        foreach ($hangers as $hanger) {
            while ($last !== null && $hanger->atMm - $last > $leg->mostMm + self::TOUCHING_MM) {
                $filled[] = $next = $this->next($n, $leg, $last, $hanger->atMm);
                $last = $next->atMm;
            }
            $filled[] = $hanger;
            $last = $hanger->atMm;
        }
        while (! $leg->isUpright && ! $leg->isBent && $last !== null && $leg->lengthMm - $last > $leg->mostMm) {
            $filled[] = $next = $this->next($n, $leg, $last, $leg->lengthMm);
            $last = $next->atMm;
        }

        return $filled;
    }

    /**
     * With guides at equal steps between those that hold upright pipe too far apart to go without.
     *
     * @param list<Hanger> $hangers
     * @return list<Hanger>
     */
    private function guided(int $n, SupportLeg $leg, array $hangers): array
    {
        if ($leg->guideMm === null) {
            return $hangers;
        }
        [$guided, $last] = [[], 0.0];
        foreach ($hangers as $hanger) {
            $steps = (int) ceil(($hanger->atMm - $last) / $leg->guideMm - Tolerance::ROUNDING);
            for ($k = 1; $k < $steps; $k++) {
                $wanted = $last + (($hanger->atMm - $last) * $k) / $steps;
                $slack = min($leg->besideMm, ($hanger->atMm - $last) / $steps / 4);
                $guided[] = $this->at($n, $leg, $wanted - $slack, $wanted + $slack, $wanted, HangerReason::Guide);
            }
            $guided[] = $hanger;
            $last = $hanger->atMm;
        }

        return $guided;
    }

    private function next(int $n, SupportLeg $leg, float $from, float $to): Hanger
    {
        $steps = (int) ceil(($to - $from) / $leg->mostMm - Tolerance::ROUNDING);

        return $this->at(
            $n,
            $leg,
            $from + self::NEAREST * $leg->mostMm,
            $from + $leg->mostMm,
            $from + ($to - $from) / $steps,
            HangerReason::Spacing,
        );
    }

    /**
     * The hanger of a stretch: nearest to where it is wanted, from a joist or a stud before what is let in between, and
     * off every joint where that can be.
     */
    private function at(int $n, SupportLeg $leg, float $low, float $high, float $wanted, HangerReason $why): Hanger
    {
        $high = min($high, $leg->lengthMm);
        $low = min($low, $high);
        $kind = match (true) {
            $why === HangerReason::Floor => HangerKind::Clamp,
            $why === HangerReason::Guide => HangerKind::Guide,
            $leg->isUpright => HangerKind::Bracket,
            default => $leg->framing?->between() ?? HangerKind::Hanger,
        };
        foreach (
            [
                [$leg->framing?->within($low, $high) ?? [], $leg->framing?->on() ?? $kind],
                [$this->besideJoints($leg, $low, $high, $wanted), $kind],
            ] as [$places, $from]
        ) {
            $clear = array_values(
                array_filter($places, static fn (float $at): bool => $leg->isClear($at, $why === HangerReason::Base)),
            );
            usort($clear, static fn (float $a, float $b): int => abs($a - $wanted) <=> abs($b - $wanted));
            if ($clear !== []) {
                return new Hanger($n, $clear[0], $from, $why, true);
            }
        }

        return new Hanger($n, max($low, min($high, $wanted)), $kind, $why, false);
    }

    /** @return list<float> where it is wanted, the ends of the stretch, and just clear of every joint in it */
    private function besideJoints(SupportLeg $leg, float $low, float $high, float $wanted): array
    {
        $places = [max($low, min($high, $wanted)), $low, $high];
        foreach ($leg->joints as $joint) {
            array_push($places, $joint - $leg->clearMm, $joint + $leg->clearMm);
        }

        return array_values(
            array_filter(
                $places,
                static fn (float $at): bool => $at >= $low - Tolerance::ROUNDING && $at <= $high + Tolerance::ROUNDING,
            ),
        );
    }
}
