<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Job\TrapKind;
use FallBend\Core\MakeUp\TrapFit;
use FallBend\Core\MakeUp\TrapMeasures;
use FallBend\Core\MakeUp\TrapOverFloor;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Rules\FallLeastRule;
use FallBend\Core\Rules\Network\ArmLongRule;
use FallBend\Core\Rules\Network\MeasuredArm;
use FallBend\Core\Rules\Network\NamedFixture;
use FallBend\Core\Rules\Network\TrapKindRule;
use FallBend\Core\Rules\Network\TrapSealRule;
use FallBend\Core\Rules\Network\TrapSizeRule;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** Whether a trap may be fitted as it was measured. */
final readonly class TrapFitFindings
{
    public function __construct(private TrapMeasures $trap) {}

    /** @return list<Finding> */
    public function all(): array
    {
        [$fit, $riser] = [$this->trap->fit(), $this->trap->riser()];

        return [
            ...$this->ofTrap(),
            ...match (true) {
                $fit === null => $this->open(),
                $riser !== null => $this->ofRiser($riser),
                default => $this->ofFit($fit),
            },
        ];
    }

    /** @return list<Finding> what has to be known before it can be fitted */
    private function open(): array
    {
        $trap = $this->trap;
        $isMeasured = $trap->tallMm !== null && $trap->reachMm !== null;
        $params = ['pattern' => $trap->pattern->value];

        return [
            ...$isMeasured ? [] : [new Finding(RuleId::TrapfitMeasure, Severity::Unknown, new Where, params: $params)],
            ...$trap->fallMmPerM() !== null
                ? []
                : [FallLeastRule::notKnown($trap->size, $trap->rulebook->name, new Where)],
        ];
    }

    /** @return list<Finding> on the trap by itself */
    private function ofTrap(): array
    {
        $trap = $this->trap;
        [$name, $where, $book] = [str_replace('-', ' ', $trap->fixture->value), new Where, $trap->rulebook];
        $fixture = new NamedFixture($trap->fixture, $name);
        $sizes = ['fixture' => $name, 'trap' => $trap->trapSize, 'drain' => $trap->size];

        return [
            ...TrapKindRule::verdict($trap->pattern, $name, $book, $where),
            ...$trap->sealMm === null ? [] : TrapSealRule::verdict($trap->sealMm, $fixture, $book, $where),
            ...TrapSizeRule::larger($sizes, $book, $where),
        ];
    }

    /** @return list<Finding> over an outlet in the floor with a vent */
    private function ofRiser(TrapOverFloor $fit): array
    {
        if ($fit->armMm === null || $fit->riserMm === null) {
            $params = ['least_mm' => $fit->leastMm, 'reach_mm' => $fit->reachMm];
            $source = $this->trap->rulebook->source('trap-arm.least');

            return [
                new Finding(
                    RuleId::TrapfitArmShort,
                    Severity::Stop,
                    new Where,
                    $fit->reachMm,
                    $fit->leastMm,
                    $params,
                    $source,
                ),
            ];
        }

        return [
            ...$this->ofTee($fit->riserMm),
            ...$this->ofArm($fit->armMm),
            ...$this->ofDrop($this->trap->tailLengthMm + $fit->tallMm),
        ];
    }

    /** @return list<Finding> on the room that tee and riser have */
    private function ofTee(float $riserMm): array
    {
        $trap = $this->trap;
        [$out, $doubt] = [$trap->teeBranchMm() === null ? null : $trap->teeOutMm(), $trap->teeDoubtMm()];
        $findings =
            $out !== null && $doubt === 0.0
                ? []
                : [
                    new Finding(
                        RuleId::TrapfitMeasureTee,
                        $out === null ? Severity::Unknown : Severity::Note,
                        new Where,
                        params: ['size' => $trap->size] + ($out === null ? [] : ['doubt_mm' => $doubt]),
                        source: $trap->tee()?->provenance,
                    ),
                ];
        // A piece of pipe has to be cut for between the two sockets.
        $shortest = 2 * $trap->system->pipe($trap->size)->socketDepthMm - ($trap->depthMm ?? 0.0);
        $needs = ($out ?? 0.0) + max(0.0, $shortest);
        if ($riserMm < $needs - Tolerance::TAPE_MM) {
            $findings[] = new Finding(RuleId::TrapfitLow, Severity::Stop, new Where, $riserMm, $needs, [
                'height_mm' => max(0.0, $riserMm),
                'needs_mm' => $needs,
                'more_mm' => $needs - $riserMm,
            ]);
        }

        return $findings;
    }

    /** @return list<Finding> before an outlet in the wall, or one in the floor without a vent */
    private function ofFit(TrapFit $fit): array
    {
        $trap = $this->trap;
        $findings = [];
        // A book that takes an S trap takes the drop behind it; no other trap is made for it.
        if ($fit->isFloor() && ($trap->pattern !== TrapKind::S || ! $trap->rulebook->allows('trap.kind.s'))) {
            $params = ['book' => $trap->rulebook->name];
            $findings[] = new Finding(RuleId::TrapfitFloor, Severity::Stop, new Where, params: $params);
        }
        if ($fit->armMm === null) {
            $params = ['aside_mm' => $fit->asideMm, 'reach_mm' => $fit->reachMm];
            $aside = new Finding(
                RuleId::TrapfitAside,
                Severity::Stop,
                new Where,
                $fit->asideMm,
                $fit->reachMm,
                $params,
            );

            return [...$findings, $aside];
        }

        return [
            ...$findings,
            ...$this->ofArm($fit->armMm),
            ...$this->ofOutletHeight($fit),
            ...$this->ofDrop($trap->tailLengthMm + max(0.0, $fit->highMm ?? 0.0) + $fit->tallMm),
            ...$this->ofCabinet($fit),
        ];
    }

    /** @return list<Finding> on a tailpiece that would have to be shorter than it is */
    private function ofOutletHeight(TrapFit $fit): array
    {
        $tail = $this->trap->tailLengthMm;
        $short = $fit->highMm === null ? 0.0 : -$fit->highMm - $this->trap->adjustMm;
        $params = ['over_mm' => $short - $tail, 'short_mm' => $short];

        return $short <= $tail
            ? []
            : [new Finding(RuleId::TrapfitOutletHigh, Severity::Stop, new Where, $short, $tail, $params)];
    }

    /** @return list<Finding> on the floor of the cabinet below the trap */
    private function ofCabinet(TrapFit $fit): array
    {
        $cabinet = $this->trap->cabinetMm;
        $low = $fit->outlet->z - ($this->trap->sealMm ?? 0.0) - Nominal::mm($this->trap->size);

        return $cabinet === null || $low >= $cabinet
            ? []
            : [
                new Finding(RuleId::TrapfitCabinet, Severity::Stop, new Where, $low, $cabinet, [
                    'below_mm' => $cabinet - $low,
                ]),
            ];
    }

    /** @return list<Finding> on an arm that is too long to the wall alone */
    private function ofArm(float $armMm): array
    {
        $trap = $this->trap;
        $arm = new MeasuredArm($trap->fixture, $trap->fixture->value, $trap->size, $armMm, 0.0);
        $most = $arm->mostMm($trap->rulebook);
        if ($most === null || ! ArmLongRule::isOver($armMm, $most)) {
            return [];
        }
        $params = ['length_mm' => $armMm, 'most_mm' => $most];
        $source = $arm->most($trap->rulebook)?->provenance;

        return [new Finding(RuleId::TrapfitArmLong, Severity::Warn, new Where, $armMm, $most, $params, $source)];
    }

    /**
     * @param float $dropMm from the fixture down to the weir
     * @return list<Finding>
     */
    private function ofDrop(float $dropMm): array
    {
        $most = $this->trap->rulebook->limit('tailpiece.drop-most');
        if ($most?->value === null || $dropMm <= $most->value + Tolerance::TAPE_MM) {
            return [];
        }
        $params = ['drop_mm' => $dropMm, 'most_mm' => $most->value];
        $source = $most->provenance;

        return [new Finding(RuleId::TrapfitDrop, Severity::Stop, new Where, $dropMm, $most->value, $params, $source)];
    }
}
