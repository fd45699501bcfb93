<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\FramingKind;
use FallBend\Core\Job\Hanging;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\ObstacleKind;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tolerance;

/**
 * Where a run of a job is hung: its legs as whoever hangs them sees them, the hangers as they are reckoned or were set
 * by hand.
 */
final readonly class RunHangers
{
    /** A plain building: contents at room temperature where no fixture says hotter. */
    private const COOL_C = 23.0;

    private const SAME_MM = 0.5;

    /** What stands in a line and weighs on it. */
    private const HEAVY = [ObstacleKind::Trap, ObstacleKind::Cleanout];

    private ?Hanging $decided;

    /** Of the contents. */
    public float $celsius;

    /** @var list<Spacing> by leg */
    public array $spacings;

    public function __construct(private RunLayout $layout, private Job $job, Catalogue $catalogue, Rulebook $rulebook)
    {
        $this->decided = $job->hanging[$layout->run->id] ?? null;
        $this->celsius = max(self::COOL_C, $layout->run->outlet->fixture->hotC ?? self::COOL_C);
        $this->spacings = array_map(
            fn (LegLaid $leg): Spacing => Spacing::of(
                $catalogue,
                $rulebook,
                $layout->system,
                $leg->line->size,
                $this->celsius,
            ),
            $layout->legs,
        );
    }

    /** @return list<Hanger> in the order of flow, as reckoned or as set by hand */
    public function places(): array
    {
        if ($this->isBedded()) {
            return [];
        }
        $legs = array_map($this->supportLeg(...), $this->layout->legs, $this->spacings);
        $reckoned = (new Supports($legs))->hangers();

        return $this->decided?->own === null ? $reckoned : $this->setByHand($legs, $reckoned);
    }

    /** Whether it lies in the ground: then nothing hangs, and the ground holds it. */
    public function isBedded(): bool
    {
        return $this->layout->run->place->ground === 'buried';
    }

    private function supportLeg(LegLaid $leg, Spacing $spacing): SupportLeg
    {
        $joints = [];
        foreach ($this->layout->joints as $joint) {
            $at = $joint->tapeMm - $leg->tapeMm;
            if ($at >= 0.0 && $at <= $leg->centreMm) {
                $joints[] = $at;
            }
        }

        return SupportLeg::of(
            $spacing,
            $leg->centreMm,
            $leg->isUpright(),
            $joints,
            $this->heavy($leg),
            true,
            $this->framing($leg),
            $this->floors($leg),
            $this->fittings($leg),
        );
    }

    /** @return list<array{float, float}> where a leg is no straight pipe: before, between and after its pieces */
    private function fittings(LegLaid $leg): array
    {
        $at = array_column($this->layout->joints, 'tapeMm', 'key');
        [$fittings, $since] = [[], 0.0];
        foreach ($this->layout->pieces as $piece) {
            if ($piece->leg === $leg->line->number) {
                $fittings[] = [$since, $at[$piece->jointFrom] - $leg->tapeMm];
                // Where a run is not called out to its end, the pipe ends with the leg.
                $since = isset($at[$piece->jointTo]) ? $at[$piece->jointTo] - $leg->tapeMm : INF;
            }
        }

        return $since < $leg->centreMm ? [...$fittings, [$since, $leg->centreMm]] : $fittings;
    }

    /** @return list<float> what weighs on a leg: the trap of its fixture, a trap or a cleanout in the line */
    private function heavy(LegLaid $leg): array
    {
        $places = $leg->line->number === 1 && $this->layout->run->outlet->kind === RunEndKind::Fixture ? [0.0] : [];
        foreach ($this->job->obstacles as $obstacle) {
            if (
                $obstacle->run === $this->layout->run->id &&
                $obstacle->leg === $leg->line->leg->id &&
                in_array($obstacle->kind, self::HEAVY, true) &&
                $obstacle->atMm <= $leg->centreMm
            ) {
                $places[] = max(0.0, $obstacle->atMm);
            }
        }

        return $places;
    }

    /** @return list<float> where an upright leg goes through the floors that somebody said, along the leg */
    private function floors(LegLaid $leg): array
    {
        $storey = $this->decided?->storeyMm;
        if ($storey === null || ! $leg->isUpright()) {
            return [];
        }
        [$top, $bottom] = [max($leg->from->z, $leg->to()->z), min($leg->from->z, $leg->to()->z)];
        $places = [];
        for (
            $k = (int) ceil(($bottom + $this->decided->floorMm) / $storey - Tolerance::ROUNDING);
            $k * $storey - $this->decided->floorMm <= $top + Tolerance::ROUNDING;
            $k++
        ) {
            $places[] = ($k * $storey - $this->decided->floorMm - $leg->from->z) / $leg->line->direction->z;
        }
        sort($places);

        return array_map(static fn (float $at): float => max(0.0, min($leg->centreMm, $at)), $places);
    }

    /** What a leg is fixed to: what it goes through, or else what somebody said. */
    private function framing(LegLaid $leg): ?Framing
    {
        foreach ($this->job->obstacles as $obstacle) {
            if (
                $obstacle->run === $this->layout->run->id &&
                $obstacle->leg === $leg->line->leg->id &&
                ($obstacle->kind->isJoist() || $obstacle->kind === ObstacleKind::Stud) &&
                $obstacle->everyMm !== null
            ) {
                return Framing::every(
                    $obstacle->kind->isJoist() ? FramingKind::Joist : FramingKind::Stud,
                    $obstacle->everyMm,
                    $obstacle->atMm,
                    $leg->centreMm,
                    $obstacle->count,
                );
            }
        }

        $said = $this->decided?->framing;

        return $said === null
            ? null
            : Framing::every($said['kind'], $said['every_mm'], $said['first_mm'], $leg->centreMm);
    }

    /**
     * Those set by hand, as far as their legs are still there; one that stands where it is reckoned too is that one.
     *
     * @param list<SupportLeg> $legs
     * @param list<Hanger> $reckoned
     * @return list<Hanger>
     */
    private function setByHand(array $legs, array $reckoned): array
    {
        $hangers = [];
        foreach ($this->decided->own ?? [] as ['leg' => $id, 'at_mm' => $at]) {
            $leg = $this->layout->leg($id);
            if ($leg === null || $at > $leg->centreMm) {
                continue;
            }
            $number = $leg->line->number - 1;
            $same = array_values(
                array_filter(
                    $reckoned,
                    static fn (Hanger $one): bool => $one->leg === $number && abs($one->atMm - $at) < self::SAME_MM,
                ),
            );
            $isFoot = $leg->isUpright() && $leg->centreMm - $at <= $legs[$number]->besideMm;
            $hangers[] =
                $same[0] ??
                new Hanger(
                    $number,
                    $at,
                    $leg->isUpright() ? HangerKind::Bracket : HangerKind::Hanger,
                    HangerReason::Own,
                    $legs[$number]->isClear($at, $isFoot),
                );
        }
        usort($hangers, static fn (Hanger $a, Hanger $b): int => [$a->leg, $a->atMm] <=> [$b->leg, $b->atMm]);

        return $hangers;
    }
}
