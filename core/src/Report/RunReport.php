<?php

declare(strict_types=1);

namespace FallBend\Core\Report;

use FallBend\Core\CallOut\CallOutPrinter;
use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Straight;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Layout\EndJoint;
use FallBend\Core\Layout\Fitting;
use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\JointRegister;
use FallBend\Core\Layout\Junction;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\Orientation;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Layout\Tap;
use FallBend\Core\Measure\Fall;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;

/**
 * Writes an evaluated run as the interface shows it. The shape is described in docs/openapi.json, and held to it by a
 * test.
 */
final class RunReport
{
    private readonly CallOutPrinter $callOut;

    private readonly Tape $tape;

    /** @var array<string, array<string, string>> by row */
    private array $sources = [];

    public function __construct(private readonly Units $units)
    {
        $this->callOut = new CallOutPrinter($units);
        $this->tape = new Tape;
    }

    /**
     * @param list<Finding> $findings
     * @return array<string, mixed>
     */
    public function write(RunLayout $layout, array $findings): array
    {
        $run = $layout->run;

        return [
            'id' => $run->id,
            'call_out' => $this->callOut->line($run->legs),
            'legs' => $this->legs($layout),
            'pieces' => array_map(fn (Piece $piece): array => $this->piece($piece, $layout), $layout->pieces),
            'joints' => $this->joints($layout),
            'fittings' => array_map($this->fitting(...), $layout->fittings),
            'unmet' => array_values(
                array_map(
                    static fn (Junction $junction): array => [
                        'run' => $junction->key(),
                        'leg' => $junction->leg,
                        'trouble' => $junction->trouble->value ?? '',
                    ],
                    array_filter(
                        $layout->site->junctions,
                        static fn (Junction $junction): bool => $junction->branch === null,
                    ),
                ),
            ),
            'ends' => [
                'outlet' => self::standing($layout->site->outlet),
                'tie_in' => self::standing($layout->site->tieIn),
            ],
            'system' => [
                'key' => $layout->system->key,
                'name' => $layout->system->name,
                'letters' => $layout->system->letters,
                'material' => $layout->system->material,
                'own_joint' => $layout->system->ownJoint,
            ],
            'sequence' => $layout->sequence,
            'pipes' => self::pipes($layout),
            'totals' => [
                'tape' => $this->tape->of($layout->tapeMm),
                'fall' => $this->tape->of($layout->fallMm()),
                'level_difference' => $this->tape->orNull($run->levelDifference?->toMm()),
                'remaining' => $this->tape->orNull($layout->remainingMm()),
                'whole' => $layout->isWhole(),
            ],
            'end' => self::point($layout->end),
            'findings' => FindingReport::list($findings, $this->units),
            'sources' => $this->sources($layout, $findings),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function legs(RunLayout $layout): array
    {
        $letters = [];
        foreach ($layout->pieces as $piece) {
            $letters[$piece->key] = $piece->letter;
        }
        $reports = [];
        $falls = [];
        foreach ($layout->run->legs as $i => $leg) {
            $laid = $layout->legs[$i] ?? null;
            // A leg that is called up or down, by whatever angle, is not said by its fall.
            $fall = $leg->way->isUpright() ? null : $laid?->fallMmPerM();
            $reports[] = [
                'id' => $leg->id,
                'number' => $i + 1,
                'phrase' => $this->callOut->phrase($leg),
                'read_back' => $this->callOut->readBack($leg, $fall),
                'what' => $leg->what,
                'way' => $leg->way->value,
                'read' => $leg->unread === null,
                'laid' => $laid !== null,
                'size' => $laid->line->size ?? ($leg->size ?? $layout->run->size),
                'length' => $this->tape->orNull($leg->length?->toMm() ?? $laid?->centreMm),
                'drop' => $this->tape->orNull($laid?->dropMm()),
                'fall' => $fall === null
                        ? null
                        : ($falls[(string) $fall] ??= [
                            'mm_per_m' => $fall,
                            'inch' => Fall::mmPerM($fall)->short(Units::Inch),
                            'metric' => Fall::mmPerM($fall)->short(Units::Millimetre),
                        ]),
                'upright' => $laid?->isUpright() ?? $leg->way->isUpright(),
                'heading_deg' => $laid?->line->headingDeg,
                'dip_deg' => $laid?->line->dipDeg,
                'from' => $laid === null ? null : self::point($laid->from),
                'to' => $laid === null ? null : self::point($laid->to()),
                'tape_mm' => $laid?->tapeMm,
                'pieces' => array_map(static fn (string $key): string => $letters[$key], $laid->pieces ?? []),
                'shortfall' => $laid === null || $laid->shortfallMm() < 0.005 ? null : $this->tape->of($laid->shortfallMm()),
                'turn_deg' => $laid?->turn?->angleDeg,
            ];
        }

        return $reports;
    }

    /** @return array<string, mixed> */
    private function piece(Piece $piece, RunLayout $layout): array
    {
        $leg = $layout->run->legs[$piece->leg - 1];

        return [
            'key' => $piece->key,
            'letter' => $piece->letter,
            'leg' => $piece->leg,
            'leg_id' => $leg->id,
            'size' => $piece->size,
            'cut' => $this->tape->of($piece->cutMm),
            'known' => $piece->isCutKnown,
            'least_mm' => $piece->leastMm,
            'from' => self::point($piece->from),
            'to' => self::point($piece->to()),
            'depth_from' => $this->tape->of($piece->depthFromMm),
            'depth_to' => $this->tape->of($piece->depthToMm),
            'joint_from' => $piece->jointFrom,
            'joint_to' => $piece->jointTo,
            'between' => $piece->isBetweenPair,
            'upright' => Orientation::isUpright($piece->direction),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function joints(RunLayout $layout): array
    {
        $register = JointRegister::of($layout);

        return array_map(fn (Joint $joint): array => $this->joint($joint) + $register[$joint->key], $layout->joints);
    }

    /** @return array<string, mixed> */
    private function joint(Joint $joint): array
    {
        return [
            'key' => $joint->key,
            'number' => $joint->number,
            'leg' => $joint->leg,
            'fitting' => $joint->fitting,
            'size' => $joint->size,
            'at' => self::point($joint->at),
            'level' => $this->tape->of($joint->at->z),
            'tape_mm' => $joint->tapeMm,
            'depth' => $this->tape->of($joint->depthMm),
            'strain_deg' => $joint->strainDeg,
        ];
    }

    /** @return array<string, mixed> */
    private function fitting(Fitting $fitting): array
    {
        $part = $fitting->part;

        return [
            'key' => $fitting->key,
            'leg' => $fitting->leg,
            'row' => $part->id,
            'pattern' => $part->pattern,
            'street' => $part instanceof Bend && $part->isStreet,
            'size' => $part->size,
            'reduces_to' => $part instanceof Straight ? $part->reducesTo : null,
            'name' => $part->name,
            'maker_name' => $part->makerName,
            'turn_deg' => $part instanceof Straight ? null : $part->turnDeg,
            'nominal_deg' => $part instanceof Bend ? $part->nominalDeg : null,
            'roll_deg' => $fitting->rollDeg,
            'mark' => $this->tape->orNull($fitting->markMm),
            'strain_deg' => $fitting->strainDeg,
            'at' => self::point($fitting->at),
            'in' => self::point($fitting->in),
            'out' => self::point($fitting->out),
            'into_mm' => $fitting->intoMm,
            'out_of_mm' => $fitting->outOfMm,
            'stands' => $fitting->stands,
            'take_off' => $this->tape->of(
                match (true) {
                    $part instanceof Bend => $part->takeOffMm,
                    $part instanceof Branch => $part->branchMm,
                    default => $part->acrossMm,
                },
            ),
            'known' => $part instanceof Straight ||
                ($part instanceof Bend ? $part->isKnown : $part->isRunKnown && $part->isBranchKnown),
            'branch' => $fitting->junction === null ? null : $this->branch($fitting->junction),
            'doubtful' => $part->provenance->isDoubtful(),
            'source' => $this->sourceOf($part->provenance),
        ];
    }

    /** @return array<string, mixed> what meets the run in a branch fitting, and why it is this one */
    private function branch(Junction $junction): array
    {
        $seat = $junction->seat();

        return [
            'turn' => $junction->isTurn(),
            'size' => $seat->size,
            'take_mm' => $seat->takeMm,
            'orientation' => $junction->orientation->value,
            'angle_deg' => $junction->angleDeg,
            'reversed' => $junction->isReversed,
            'flow' => self::point($junction->flow),
            'taps' => array_map(
                static fn (Tap $tap): array => [
                    'run' => $tap->run,
                    'flow' => self::point($tap->flow),
                    'size' => $tap->size,
                    'vent' => $tap->isVent,
                ],
                $junction->taps,
            ),
            'why' => FittingReason::of($junction),
        ];
    }

    /** @return array<string, string> the same array for the same row: an answer names a row many times */
    private function sourceOf(Provenance $provenance): array
    {
        return $this->sources[$provenance->row] ??= $provenance->toArray();
    }

    /** @return array<string, mixed>|null what stands at an end of the run, for the drawing */
    private static function standing(?EndJoint $joint): ?array
    {
        if ($joint === null) {
            return null;
        }
        $theirs = $joint->theirs;

        return [
            'name' => $joint->pipe->name,
            'known' => $theirs !== null,
            'kind' => $joint->pipe->end,
            'letters' => $theirs === null ? '?' : "{$theirs->system->letters} {$theirs->pipe->size}",
            'material' => $theirs->system->material ?? 'unknown',
            'od_mm' => $theirs->outsideMm ?? $joint->ours->outsideMm,
            'bore_mm' => $theirs === null ? $joint->ours->pipe->boreMm : min($theirs->pipe->boreMm, $theirs->outsideMm - 2),
            'depth_mm' => $theirs->pipe->socketDepthMm ?? 0.0,
            'method' => $joint->offer?->method->value,
            'sleeve' => $joint->offer->isSleeve ?? false,
            'reach_mm' => $joint->reachMm(),
        ];
    }

    /** @return array<string, array<string, mixed>> dimensions of every size that the run uses */
    private static function pipes(RunLayout $layout): array
    {
        $pipes = [];
        foreach (
            [$layout->run->size, ...array_map(static fn (LegLaid $leg): string => $leg->line->size, $layout->legs)] as $size
        ) {
            $pipe = $layout->system->pipe($size);
            $pipes[$size] = [
                'od_mm' => $pipe->outsideMm,
                'bore_mm' => $pipe->boreMm,
                'socket_depth_mm' => $pipe->socketDepthMm,
                'stick_mm' => $pipe->stickMm(),
            ];
        }

        return $pipes;
    }

    /**
     * @param list<Finding> $findings
     * @return list<array<string, mixed>> every row of a table that the answer rests on, once
     */
    private function sources(RunLayout $layout, array $findings): array
    {
        $sources = [];
        $add = static function (?Provenance $provenance) use (&$sources): void {
            if ($provenance !== null) {
                $sources[$provenance->table.' '.$provenance->row] = $provenance->toArray();
            }
        };
        foreach (array_unique(array_map(static fn (Piece $piece): string => $piece->size, $layout->pieces)) as $size) {
            $add($layout->system->pipe($size)->provenance);
            $add($layout->system->pipe($size)->socketProvenance);
        }
        foreach ($layout->fittings as $fitting) {
            $add($fitting->part->provenance);
        }
        foreach ([$layout->site->outlet, $layout->site->tieIn] as $joint) {
            $add($joint?->theirs?->pipe->provenance);
            foreach ($joint->offer->parts ?? [] as $part) {
                $add($part->provenance);
            }
        }
        foreach ($findings as $finding) {
            $add($finding->source);
        }

        return array_values($sources);
    }

    /** @return array{x: float, y: float, z: float} */
    private static function point(Vec3 $point): array
    {
        return ['x' => $point->x, 'y' => $point->y, 'z' => $point->z];
    }
}
