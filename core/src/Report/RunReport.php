<?php

declare(strict_types=1);

namespace FallBend\Core\Report;

use FallBend\Core\CallOut\CallOutPrinter;
use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\StraightFitting;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Layout\BranchEntry;
use FallBend\Core\Layout\EndJoint;
use FallBend\Core\Layout\Fitting;
use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\JointRegister;
use FallBend\Core\Layout\Junction;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\Orientation;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Fall;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;

/**
 * Writes an evaluated run as the interface shows it. The shape is described in docs/openapi.json, and held to it by a
 * test.
 *
 * @phpstan-import-type Registered from JointRegister
 * @phpstan-import-type State from JointRegister
 * @phpstan-import-type SaidFinding from FindingReport
 * @phpstan-import-type Point from Vec3
 * @phpstan-import-type Source from Provenance
 * @phpstan-import-type Reading from Tape
 *
 * @phpstan-type WrittenRun array{
 *     id: string,
 *     call_out: string,
 *     legs: list<LegReport>,
 *     pieces: list<PieceReport>,
 *     joints: list<JointReport>,
 *     fittings: list<FittingReport>,
 *     figure: int,
 *     sequence: list<string>,
 *     pipes: array<string, PipeSizes>,
 *     unmet: list<array{
 *         run: string,
 *         leg: string,
 *         trouble: string,
 *     }>,
 *     ends: array{
 *         outlet: StandingEnd|null,
 *         tie_in: StandingEnd|null,
 *     },
 *     system: array{
 *         key: string,
 *         name: string,
 *         letters: string,
 *         material: string,
 *         own_joint: ?string,
 *         hubs: 'start'|'end'|null,
 *     },
 *     totals: array{
 *         tape: Reading,
 *         fall: Reading,
 *         level_difference: Reading|null,
 *         remaining: Reading|null,
 *         whole: bool,
 *     },
 *     end: Point,
 *     findings: list<SaidFinding>,
 *     sources: list<Source>,
 * }
 * @phpstan-type StandingEnd array{
 *     name: string,
 *     known: bool,
 *     kind: string,
 *     letters: string,
 *     material: string,
 *     od_mm: float,
 *     bore_mm: float,
 *     depth_mm: float,
 *     method: ?string,
 *     sleeve: bool,
 *     reach_mm: ?float,
 * }
 * @phpstan-type LegReport array{
 *     id: string,
 *     number: int,
 *     phrase: string,
 *     read_back: string,
 *     what: string,
 *     way: string,
 *     read: bool,
 *     laid: bool,
 *     size: string,
 *     length: Reading|null,
 *     drop: Reading|null,
 *     fall: array{
 *         mm_per_m: float,
 *         inch: string,
 *         metric: string,
 *     }|null,
 *     upright: bool,
 *     heading_deg: ?float,
 *     dip_deg: ?float,
 *     from: Point|null,
 *     to: Point|null,
 *     tape_mm: ?float,
 *     pieces: list<string>,
 *     shortfall: Reading|null,
 *     turn_deg: ?float,
 * }
 * @phpstan-type PieceReport array{
 *     key: string,
 *     letter: string,
 *     leg: int,
 *     leg_id: string,
 *     size: string,
 *     cut: Reading,
 *     known: bool,
 *     doubt: Reading|null,
 *     least_mm: float,
 *     from: Point,
 *     to: Point,
 *     depth_from: Reading,
 *     depth_to: Reading,
 *     hub: 'start'|'end'|null,
 *     joint_from: string,
 *     joint_to: string,
 *     between: bool,
 *     upright: bool,
 * }
 * @phpstan-type JointReport array{
 *     key: string,
 *     number: int,
 *     mark: string,
 *     leg: int,
 *     fitting: ?string,
 *     size: string,
 *     at: Point,
 *     level: Reading,
 *     tape_mm: float,
 *     depth: Reading,
 *     strain_deg: float,
 *     name: string,
 *     method: ?string,
 *     method_name: string,
 *     state: State,
 * }
 * @phpstan-type FittingReport array{
 *     key: string,
 *     leg: int,
 *     row: string,
 *     pattern: string,
 *     street: bool,
 *     size: string,
 *     reduces_to: ?string,
 *     name: string,
 *     maker_name: string,
 *     turn_deg: ?float,
 *     nominal_deg: ?float,
 *     roll_deg: ?float,
 *     mark: Reading|null,
 *     strain_deg: float,
 *     at: Point,
 *     in: Point,
 *     out: Point,
 *     into_mm: float,
 *     out_of_mm: float,
 *     stands: bool,
 *     take_off: Reading,
 *     doubt: Reading|null,
 *     branch: BranchReport|null,
 *     like: 'bend'|'hub-bend'|'closet-bend'|'branch'|'hub-branch'|null,
 *     doubtful: bool,
 *     source: Source,
 * }
 * @phpstan-type PipeSizes array{
 *     od_mm: float,
 *     bore_mm: float,
 *     socket_depth_mm: float,
 *     stick_mm: ?float,
 * }
 * @phpstan-type BranchReport array{
 *     turn: bool,
 *     size: string,
 *     take_mm: float,
 *     orientation: string,
 *     angle_deg: float,
 *     reversed: bool,
 *     flow: Point,
 *     taps: list<array{
 *         run: string,
 *         flow: Point,
 *         size: string,
 *         vent: bool,
 *     }>,
 *     why: string,
 * }
 */
final class RunReport
{
    private readonly CallOutPrinter $callOut;

    private readonly Tape $tape;

    /** @var array<string, Source> by row */
    private array $sources = [];

    public function __construct(private readonly Units $units)
    {
        $this->callOut = new CallOutPrinter($units);
        $this->tape = new Tape;
    }

    /**
     * @param list<Finding> $findings
     * @return WrittenRun
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
                'hubs' => match (true) {
                    ! $layout->system->hasHubs() => null,
                    $run->rises() => 'end',
                    default => 'start',
                },
            ],
            'figure' => $run->marks->figure,
            'sequence' => $layout->sequence,
            'pipes' => self::pipes($layout),
            'totals' => [
                'tape' => $this->tape->reading($layout->tapeMm),
                'fall' => $this->tape->reading($layout->fallMm()),
                'level_difference' => $this->tape->readingOrNull($run->levelDifference?->toMm()),
                'remaining' => $this->tape->readingOrNull($layout->remainingMm()),
                'whole' => $layout->isWhole(),
            ],
            'end' => $layout->end->toArray(),
            'findings' => FindingReport::list($findings, $this->units),
            'sources' => $this->sources($layout, $findings),
        ];
    }

    /** @return list<LegReport> */
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
                'length' => $this->tape->readingOrNull($leg->length?->toMm() ?? $laid?->centreMm),
                'drop' => $this->tape->readingOrNull($laid?->dropMm()),
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
                'from' => $laid === null ? null : $laid->from->toArray(),
                'to' => $laid === null ? null : $laid->to()->toArray(),
                'tape_mm' => $laid?->tapeMm,
                'pieces' => array_map(static fn (string $key): string => $letters[$key], $laid->pieces ?? []),
                'shortfall' => ($laid?->shortfallMm() ?? 0.0) < 0.005
                    ? null
                    : $this->tape->reading($laid->shortfallMm()),
                'turn_deg' => $laid?->turn?->angleDeg,
            ];
        }

        return $reports;
    }

    /** @return PieceReport */
    private function piece(Piece $piece, RunLayout $layout): array
    {
        $leg = $layout->run->legs[$piece->leg - 1];

        return [
            'key' => $piece->key,
            'letter' => $piece->letter,
            'leg' => $piece->leg,
            'leg_id' => $leg->id,
            'size' => $piece->size,
            'cut' => $this->tape->reading($piece->cutMm),
            'known' => $piece->isCutKnown,
            'doubt' => $piece->doubtMm() > 0.0 ? $this->tape->reading($piece->doubtMm()) : null,
            'least_mm' => $piece->leastMm,
            'from' => $piece->from->toArray(),
            'to' => $piece->to()->toArray(),
            'depth_from' => $this->tape->reading($piece->depthFromMm),
            'depth_to' => $this->tape->reading($piece->depthToMm),
            'hub' => $piece->hub === null ? null : ($piece->hub->isAtStart ? 'start' : 'end'),
            'joint_from' => $piece->jointFrom,
            'joint_to' => $piece->jointTo,
            'between' => $piece->isBetweenPair,
            'upright' => Orientation::isUpright($piece->direction),
        ];
    }

    /** @return list<JointReport> */
    private function joints(RunLayout $layout): array
    {
        $register = JointRegister::entries($layout);

        return array_map(fn (Joint $joint): array => $this->joint($joint, $register[$joint->key]), $layout->joints);
    }

    /**
     * @param Registered $registered
     * @return JointReport
     */
    private function joint(Joint $joint, array $registered): array
    {
        return [
            'key' => $joint->key,
            'number' => $joint->number,
            'mark' => $joint->mark,
            'leg' => $joint->leg,
            'fitting' => $joint->fitting,
            'size' => $joint->size,
            'at' => $joint->at->toArray(),
            'level' => $this->tape->reading($joint->at->z),
            'tape_mm' => $joint->tapeMm,
            'depth' => $this->tape->reading($joint->depthMm),
            'strain_deg' => $joint->strainDeg,
            ...$registered,
        ];
    }

    /** @return FittingReport */
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
            'reduces_to' => match (true) {
                $part instanceof StraightFitting => $part->reducesTo,
                $part instanceof Bend => $part->outletSize,
                default => null,
            },
            'name' => $part->name,
            'maker_name' => $part->makerName,
            'turn_deg' => $part instanceof StraightFitting ? null : $part->turnDeg,
            'nominal_deg' => $part instanceof Bend ? $part->nominalDeg : null,
            'roll_deg' => $fitting->rollDeg,
            'mark' => $this->tape->readingOrNull($fitting->markMm),
            'strain_deg' => $fitting->strainDeg,
            'at' => $fitting->at->toArray(),
            'in' => $fitting->in->toArray(),
            'out' => $fitting->out->toArray(),
            'into_mm' => $fitting->intoMm,
            'out_of_mm' => $fitting->outOfMm,
            'stands' => $fitting->stands,
            'take_off' => $this->tape->reading(
                match (true) {
                    $part instanceof Bend => $part->takeOffMm,
                    $part instanceof Branch => $part->branchMm,
                    default => $part->acrossMm,
                },
            ),
            'doubt' => $this->doubt($part),
            'branch' => $fitting->junction === null ? null : $this->branch($fitting->junction),
            'like' => $part instanceof StraightFitting ? null : $part->measuredLike(),
            'doubtful' => $part->provenance->isDoubtful(),
            'source' => $this->sourceOf($part->provenance),
        ];
    }

    /** @return Reading|null how far off its lengths may be; null where they are stated or measured */
    private function doubt(Bend|Branch|StraightFitting $part): ?array
    {
        return $part instanceof StraightFitting || $part->mostDoubtMm() === 0.0
            ? null
            : $this->tape->reading($part->mostDoubtMm());
    }

    /** @return BranchReport what meets the run in a branch fitting, and why it is this one */
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
            'flow' => $junction->flow->toArray(),
            'taps' => array_map(
                static fn (BranchEntry $tap): array => [
                    'run' => $tap->run,
                    'flow' => $tap->flow->toArray(),
                    'size' => $tap->size,
                    'vent' => $tap->isVent,
                ],
                $junction->taps,
            ),
            'why' => FittingReason::sentence($junction),
        ];
    }

    /** @return Source the same array for the same row: an answer names a row many times */
    private function sourceOf(Provenance $provenance): array
    {
        return $this->sources[$provenance->row] ??= $provenance->toArray();
    }

    /** @return StandingEnd|null what stands at an end of the run, for the drawing */
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

    /** @return array<string, PipeSizes> dimensions of every size that the run uses */
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
     * @return list<Source> every row of a table that the answer rests on, once
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
}
