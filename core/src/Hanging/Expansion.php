<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Catalog\Material;
use FallBend\Core\Joining\Method;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tolerance;

/**
 * How a run grows when it gets warmer. Legs that lie in one line grow as one; a line that is longer than the rulebook
 * lets it be is parted by places that let it grow. Every stretch is held fast at one hanger, the foot of an
 * upright one, else that nearest its middle; the last one is held by what the run ends in. It slides through the
 * others, and away from where it is held: growth = share per °C · swing · length. What moves at a turn bends
 * the leg beyond it sideways, as a beam clamped at its first hanger and moved at the turn (Euler and Bernoulli): F =
 * 3·E·I·δ / a³.
 */
final readonly class Expansion
{
    /** Two legs whose directions are that near lie in one line. */
    private const IN_LINE = 0.99999;

    private const TOUCHING_MM = 0.01;

    private const AT_TURN_MM = 1.0;

    /**
     * @param list<Hanger> $hangers in the order of flow
     * @param float $swingC how much warmer it gets
     * @param float $celsius of the contents, for the modulus
     */
    public function __construct(
        private RunLayout $layout,
        private array $hangers,
        private Material $material,
        private float $swingC,
        private float $celsius,
        private ?float $longestMm,
    ) {}

    /** Whether its joints let every piece slide: each socket takes up what its own piece grows. */
    public function isTakenUpInJoints(): bool
    {
        return Method::tryFrom($this->layout->system->ownJoint ?? '')?->isElastic() === true;
    }

    /** @return list<float> places along the tape that have to let it grow, because the line is too long */
    public function allowances(): array
    {
        if ($this->longestMm === null || $this->isTakenUpInJoints()) {
            return [];
        }
        $places = [];
        foreach ($this->lines() as [$from, $to]) {
            $parts = (int) ceil(($to - $from) / $this->longestMm - Tolerance::ROUNDING);
            for ($k = 1; $k < $parts; $k++) {
                $places[] = $from + (($to - $from) * $k) / $parts;
            }
        }

        return $places;
    }

    /** @return list<StraightStretch> in the order of flow */
    public function straights(): array
    {
        $places = $this->allowances();
        $straights = [];
        foreach ($this->lines() as [$from, $to]) {
            $cuts = [
                $from,
                ...array_filter($places, static fn (float $place): bool => $place > $from && $place < $to),
                $to,
            ];
            for ($k = 1; $k < count($cuts); $k++) {
                $straights[] = $this->straight($cuts[$k - 1], $cuts[$k], $k > 1, $k < count($cuts) - 1);
            }
        }

        return $straights;
    }

    /** @return list<array{float, float}> stretches between two turns, along the tape */
    private function lines(): array
    {
        [$lines, $from] = [[], 0.0];
        foreach ($this->layout->legs as $n => $leg) {
            $next = $this->layout->legs[$n + 1] ?? null;
            if ($next === null || $leg->line->direction->dot($next->line->direction) <= self::IN_LINE) {
                $lines[] = [$from, $leg->tapeMm + $leg->centreMm];
                $from = $next->tapeMm ?? 0.0;
            }
        }

        return $lines;
    }

    private function straight(float $from, float $to, bool $isAfterAllowance, bool $isBeforeAllowance): StraightStretch
    {
        $growth = $this->material->growthPerC * $this->swingC * ($to - $from);
        $leg = $this->layout->legAt($from + self::TOUCHING_MM);
        if ($this->isTakenUpInJoints()) {
            return new StraightStretch($leg->line->number, $from, $to, 'none', null, $growth, [
                new Growth('down', $growth, 'joints'),
            ]);
        }
        [$fixed, $hanger, $at] = $this->held($leg, $from, $to);
        $share = $to - $from < self::TOUCHING_MM ? 0.0 : ($at - $from) / ($to - $from);

        return new StraightStretch($leg->line->number, $from, $to, $fixed, $hanger, $growth, [
            $isAfterAllowance
                ? new Growth('up', $growth * $share, 'allowance')
                : $this->end('up', $growth * $share, $leg, $from),
            $isBeforeAllowance
                ? new Growth('down', $growth * (1 - $share), 'allowance')
                : $this->end('down', $growth * (1 - $share), $this->layout->legAt($to - self::TOUCHING_MM), $to),
        ]);
    }

    /**
     * @return array{value-of<StraightStretch::FIXED>, ?int, float} what holds it fast, the number of the hanger, and
     *     where
     */
    private function held(LegLaid $leg, float $from, float $to): array
    {
        $last = $this->layout->legs[count($this->layout->legs) - 1];
        if ($to > $last->tapeMm + $last->centreMm - self::TOUCHING_MM) {
            return ['tie-in', null, $to];
        }
        // An upright stretch stands on its foot; the others are held in the middle, so that as little as can be moves
        // at either end.
        $wanted =
            $leg->isUpright() && $leg->line->direction->z < 0 ? $to : ($leg->isUpright() ? $from : ($from + $to) / 2);
        $best = null;
        foreach ($this->hangers as $n => $hanger) {
            $at = $hanger->tapeMm($this->layout);
            if (
                $hanger->kind !== HangerKind::Guide &&
                $at > $from - self::TOUCHING_MM &&
                $at < $to + self::TOUCHING_MM &&
                ($best === null || abs($at - $wanted) < abs($best[2] - $wanted))
            ) {
                $best = ['hanger', $n + 1, $at];
            }
        }

        return $best ?? ['none', null, ($from + $to) / 2];
    }

    /** @param 'up'|'down' $way */
    private function end(string $way, float $move, LegLaid $leg, float $corner): Growth
    {
        $step = $way === 'up' ? -1 : 1;
        $beyond = $this->layout->legs[$leg->line->number - 1 + $step] ?? null;
        if ($beyond === null) {
            return new Growth($way, $move, $way === 'up' ? 'outlet' : 'tie-in');
        }
        $cos = $leg->line->direction->dot($beyond->line->direction);
        $aside = $move * sqrt(max(0.0, 1 - $cos ** 2));
        foreach ($way === 'up' ? array_reverse($this->hangers, true) : $this->hangers as $n => $hanger) {
            $free = $step * ($hanger->tapeMm($this->layout) - $corner);
            // One that stands at the turn itself holds it there.
            if (abs($free) < self::AT_TURN_MM) {
                return new Growth($way, $move, 'turn', $beyond->line->number, 0.0, $n + 1);
            }
            if ($hanger->leg === $beyond->line->number - 1 && $free > 0) {
                return new Growth(
                    $way,
                    $move,
                    'turn',
                    $beyond->line->number,
                    $free,
                    $n + 1,
                    $this->newton($beyond, $aside, $free),
                );
            }
        }

        return new Growth($way, $move, 'turn', $beyond->line->number);
    }

    private function newton(LegLaid $leg, float $aside, float $free): ?float
    {
        $stiffness = (new FilledPipe($this->layout->system->pipe($leg->line->size), $this->material, 0.0))->stiffness(
            $this->celsius,
            false,
        );

        return $stiffness === null ? null : (3 * $stiffness * $aside) / $free ** 3;
    }
}
