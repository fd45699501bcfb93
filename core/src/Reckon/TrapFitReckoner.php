<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureTable;
use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\FixtureHead;
use FallBend\Core\MakeUp\TrapFit;
use FallBend\Core\MakeUp\TrapOverFloor;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Measure\Units;
use FallBend\Core\Rules\Network\ArmLongRule;
use FallBend\Core\Rules\Network\MeasuredArm;
use FallBend\Core\Rules\Network\NamedFixture;
use FallBend\Core\Rules\Network\TrapKindRule;
use FallBend\Core\Rules\Network\TrapSealRule;
use FallBend\Core\Rules\Network\TrapSizeRule;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\SourceList;
use FallBend\Core\Verdict\Where;
use FallBend\Core\Verdict\Wording;

/**
 * A trap fitted between a tailpiece and an outlet: what to cut, add or shorten, in what order, and whether it may be.
 */
final readonly class TrapFitReckoner implements Reckoner
{
    private const FAR_MM = 20_000.0;

    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'trap-fit';
    }

    public function summary(): string
    {
        return 'a trap from a tailpiece to a wall or floor outlet: parts, cuts, heights that do not meet, steps and verdict';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $overrides = Overrides::read($input, $this->catalogue);
        $catalogue = $this->catalogue->with($overrides->catalogue, $overrides->additions);
        $rulebook = $catalogue
            ->rulebook($input->choice('rulebook', $catalogue->rulebookKeys()))
            ->with($overrides->rulebook);
        $fixture = $input->choice('fixture', FixtureTable::KINDS);
        [$tail, $outlet, $trap] = [$input->child('tailpiece'), $input->child('outlet'), $input->child('trap')];
        $tailAt = Points::read($tail, 'at');
        [$tailSize, $tailLength] = [$tail->string('size', 10), $tail->number('length_mm', 0, self::FAR_MM)];
        $system = $catalogue->system($outlet->choice('system', $catalogue->systemKeys()));
        $size = $outlet->choice('size', $system->sizes());
        $along = Points::direction($outlet, 'along');
        $outletAt = Points::read($outlet, 'at');
        $depth = $outlet->numberOrNull('depth_mm', 0, 1000);
        $isVented = $outlet->bool('vented', false);
        $teeFields = $outlet->childOrNull('tee');
        [$teeBranch, $teeOut] = [
            $teeFields?->numberOrNull('branch_mm', 0, 2000),
            $teeFields?->numberOrNull('run_out_mm', 0, 2000),
        ];
        $teeFields?->end();
        $pattern = $trap->choice('pattern', FixtureHead::TRAPS);
        $trapSize = $trap->string('size', 10);
        [$tall, $reach, $elbow, $seal, $adjust] = [
            $trap->numberOrNull('tall_mm', 1, 2000),
            $trap->numberOrNull('reach_mm', 0, 1000),
            $trap->numberOrNull('elbow_mm', 0, 500),
            $trap->numberOrNull('seal_mm', 0, 500),
            $trap->numberOrNull('adjust_mm', 0, 1000) ?? 0.0,
        ];
        $cabinet = $input->numberOrNull('cabinet_floor_mm', -self::FAR_MM, self::FAR_MM);
        foreach ([$tail, $outlet, $trap, $input] as $fields) {
            $fields->end();
        }
        $fall = $rulebook->forSize('fall.least', $size, $system->key)->value ?? 0.0;
        $fit = $tall === null || $reach === null ? null : new TrapFit($tailAt, $outletAt, $along, $tall, $reach, $fall);
        $tee = $system->branches["san-tee/{$size}"] ?? null;
        [$teeBranch, $teeOut] = [
            $teeBranch ?? ($tee?->isBranchKnown === true ? $tee->branchMm : null),
            $teeOut ?? ($tee?->isRunKnown === true ? $tee->runOutMm : null),
        ];
        $riser =
            $fit === null || ! $fit->isFloor() || ! $isVented
                ? null
                : new TrapOverFloor(
                    $tailAt,
                    $outletAt,
                    $fit->tallMm,
                    $fit->reachMm,
                    $fall,
                    self::leastArm($rulebook, $size),
                );
        $findings = [
            ...self::judgeTrap($rulebook, $fixture, $pattern, $seal, $trapSize, $size),
            ...match (true) {
                $fit === null => [
                    new Finding(
                        RuleId::TrapfitMeasure,
                        Severity::Unknown,
                        new Where,
                        params: ['pattern' => $pattern],
                    ),
                ],
                $riser !== null => self::judgeRiser(
                    $riser,
                    $rulebook,
                    $fixture,
                    $size,
                    $tailLength,
                    $tee,
                    $teeBranch === null ? null : $teeOut,
                    2 * $system->pipe($size)->socketDepthMm - ($depth ?? 0.0),
                ),
                default => self::judgeFit(
                    $fit,
                    $rulebook,
                    $fixture,
                    $pattern,
                    $size,
                    $tailLength,
                    $adjust,
                    $seal,
                    $cabinet,
                ),
            },
        ];
        $arm =
            $fit?->armMm === null || $elbow === null || $depth === null || $fit->isFloor()
                ? null
                : $fit->armMm - $elbow + $depth;
        $high = $riser === null ? $fit?->highMm : ($riser->armMm === null ? null : 0.0);
        $cuts =
            $riser === null
                ? [['wall-tube', $arm, $depth ?? 0.0]]
                : [
                    ['arm', $riser->armCutMm($elbow, $teeBranch), 0.0],
                    ['riser', $riser->riserCutMm($teeOut, $depth), $depth ?? 0.0],
                ];

        return [
            'parts' => self::parts($pattern, $trapSize, $tailSize, $size, $high, $adjust, $fit, $riser, $tee),
            'cuts' => array_map(
                static fn (array $cut): array => ['piece' => $cut[0], 'length_mm' => $cut[1], 'insertion_mm' => $cut[2]],
                array_values(array_filter($cuts, static fn (array $cut): bool => $cut[1] !== null && $cut[1] > 0)),
            ),
            'shorten_mm' => $high === null || $high >= -Tolerance::TAPE_MM - $adjust ? 0.0 : -$high - $adjust,
            'extend_mm' => $high === null || $high <= Tolerance::TAPE_MM + $adjust ? 0.0 : $high - $adjust,
            'seal_mm' => $seal,
            'arm' => $fit === null
                    ? null
                    : [
                        'length_mm' => $riser === null ? $fit->armMm : $riser->armMm,
                        'fall_mm_per_m' => $fall,
                        'aside_mm' => $fit->asideMm,
                    ],
            'riser_mm' => $riser?->riserMm,
            'fits' => $high !== null &&
                array_filter($findings, static fn (Finding $finding): bool => $finding->severity === Severity::Stop) ===
                    [],
            'steps' => array_map(
                static fn (string $step): array => ['step' => $step, 'words' => Wording::step($step)],
                $riser === null ? self::steps($fit, $high, $adjust, $pattern) : self::riserSteps($riser),
            ),
            'findings' => FindingReport::list($findings, $rulebook->units === 'mm' ? Units::Millimetre : Units::Inch),
            'sources' => SourceList::of([
                $system->pipe($size)->provenance,
                $rulebook->forSize('fall.least', $size, $system->key)?->provenance,
                $riser === null ? null : $tee?->provenance,
            ]),
        ];
    }

    /** Gives the shortest arm that the rulebook takes, in mm; 0 where it says none. */
    private static function leastArm(Rulebook $rulebook, string $size): float
    {
        return ($rulebook->limit('trap-arm.least')->value ?? 0.0) * Nominal::mm($size);
    }

    /**
     * @param ?float $teeOutMm from the crossing of the tee's axes to the stop below it; null: not all of the tee is
     *     known
     * @param float $shortestMm riser above the floor that a piece of pipe can be cut for
     * @return list<Finding>
     */
    private static function judgeRiser(
        TrapOverFloor $fit,
        Rulebook $rulebook,
        string $fixture,
        string $size,
        float $tailLength,
        ?Branch $tee,
        ?float $teeOutMm,
        float $shortestMm,
    ): array {
        if ($fit->armMm === null || $fit->riserMm === null) {
            return [
                new Finding(
                    RuleId::TrapfitArmShort,
                    Severity::Stop,
                    new Where,
                    $fit->reachMm,
                    $fit->leastMm,
                    ['least_mm' => $fit->leastMm, 'reach_mm' => $fit->reachMm],
                    $rulebook->source('trap-arm.least'),
                ),
            ];
        }
        $findings = [];
        if ($teeOutMm === null) {
            $findings[] = new Finding(
                RuleId::TrapfitMeasureTee,
                Severity::Unknown,
                new Where,
                params: ['size' => $size],
                source: $tee?->provenance,
            );
        }
        $needs = ($teeOutMm ?? 0.0) + max(0.0, $shortestMm);
        if ($fit->riserMm < $needs - Tolerance::TAPE_MM) {
            $findings[] = new Finding(RuleId::TrapfitLow, Severity::Stop, new Where, $fit->riserMm, $needs, [
                'height_mm' => max(0.0, $fit->riserMm),
                'needs_mm' => $needs,
                'more_mm' => $needs - $fit->riserMm,
            ]);
        }
        array_push($findings, ...self::judgeArm($rulebook, $fixture, $size, $fit->armMm));

        return [...$findings, ...self::judgeDrop($rulebook, $tailLength + $fit->tallMm)];
    }

    /** @return list<string> */
    private static function riserSteps(TrapOverFloor $fit): array
    {
        return $fit->armMm === null
            ? []
            : [
                'trap.bucket',
                'trap.riser-dry',
                'trap.riser-mark',
                'trap.riser-join',
                'trap.vent-up',
                'trap.nuts',
                'trap.hang',
                'trap.swing',
                'trap.tighten',
                'trap.fill',
            ];
    }

    /** @return list<Finding> */
    private static function judgeTrap(
        Rulebook $rulebook,
        string $fixture,
        string $pattern,
        ?float $seal,
        string $trapSize,
        string $size,
    ): array {
        [$name, $where] = [str_replace('-', ' ', $fixture), new Where];

        return [
            ...TrapKindRule::verdict($pattern, $name, $rulebook, $where),
            ...$seal === null ? [] : TrapSealRule::verdict($seal, new NamedFixture($fixture, $name), $rulebook, $where),
            ...TrapSizeRule::larger(['fixture' => $name, 'trap' => $trapSize, 'drain' => $size], $rulebook, $where),
        ];
    }

    /** @return list<Finding> */
    private static function judgeFit(
        TrapFit $fit,
        Rulebook $rulebook,
        string $fixture,
        string $pattern,
        string $size,
        float $tailLength,
        float $adjust,
        ?float $seal,
        ?float $cabinet,
    ): array {
        $findings = [];
        // A book that takes an S trap takes the drop behind it; no other trap is made for it.
        if ($fit->isFloor() && ($pattern !== 's' || $rulebook->value('trap.kind.s') < 1)) {
            $findings[] = new Finding(
                RuleId::TrapfitFloor,
                Severity::Stop,
                new Where,
                params: ['book' => $rulebook->name],
            );
        }
        if ($fit->armMm === null) {
            $findings[] = new Finding(RuleId::TrapfitAside, Severity::Stop, new Where, $fit->asideMm, $fit->reachMm, [
                'aside_mm' => $fit->asideMm,
                'reach_mm' => $fit->reachMm,
            ]);

            return $findings;
        }
        array_push($findings, ...self::judgeArm($rulebook, $fixture, $size, $fit->armMm));
        $short = $fit->highMm === null ? 0.0 : -$fit->highMm - $adjust;
        if ($short > $tailLength) {
            $findings[] = new Finding(RuleId::TrapfitOutletHigh, Severity::Stop, new Where, $short, $tailLength, [
                'over_mm' => $short - $tailLength,
                'short_mm' => $short,
            ]);
        }
        array_push(
            $findings,
            ...self::judgeDrop($rulebook, $tailLength + max(0.0, $fit->highMm ?? 0.0) + $fit->tallMm),
        );
        $low = $fit->outlet->z - ($seal ?? 0.0) - Nominal::mm($size);
        if ($cabinet !== null && $low < $cabinet) {
            $findings[] = new Finding(RuleId::TrapfitCabinet, Severity::Stop, new Where, $low, $cabinet, [
                'below_mm' => $cabinet - $low,
            ]);
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function judgeArm(Rulebook $rulebook, string $fixture, string $size, float $armMm): array
    {
        $arm = new MeasuredArm($fixture, $fixture, $size, $armMm, 0.0);
        $most = $arm->mostMm($rulebook);

        return $most === null || ! ArmLongRule::isOver($armMm, $most)
            ? []
            : [
                new Finding(
                    RuleId::TrapfitArmLong,
                    Severity::Warn,
                    new Where,
                    $armMm,
                    $most,
                    [
                        'length_mm' => $armMm,
                        'most_mm' => $most,
                    ],
                    $arm->most($rulebook)?->provenance,
                ),
            ];
    }

    /**
     * @param float $dropMm from the fixture down to the weir
     * @return list<Finding>
     */
    private static function judgeDrop(Rulebook $rulebook, float $dropMm): array
    {
        $most = $rulebook->limit('tailpiece.drop-most');

        return $most?->value === null || $dropMm <= $most->value + Tolerance::TAPE_MM
            ? []
            : [
                new Finding(
                    RuleId::TrapfitDrop,
                    Severity::Stop,
                    new Where,
                    $dropMm,
                    $most->value,
                    ['drop_mm' => $dropMm, 'most_mm' => $most->value],
                    $most->provenance,
                ),
            ];
    }

    /** @return list<array{part: string, size: string, why: string}> */
    private static function parts(
        string $pattern,
        string $trapSize,
        string $tailSize,
        string $size,
        ?float $high,
        float $adjust,
        ?TrapFit $fit,
        ?TrapOverFloor $riser,
        ?Branch $tee,
    ): array {
        $parts = [
            ['part' => $pattern === 'bottle' ? 'bottle trap' : 'trap', 'size' => $trapSize, 'why' => 'as measured'],
        ];
        if ($high !== null && $high > Tolerance::TAPE_MM + $adjust) {
            $parts[] = ['part' => 'extension tube', 'size' => $tailSize, 'why' => 'the tailpiece ends too high'];
        }
        if (Nominal::mm($tailSize) < Nominal::mm($trapSize) - Tolerance::NOMINAL_MM) {
            $parts[] = [
                'part' => 'reducing washer',
                'size' => "{$trapSize} to {$tailSize}",
                'why' => 'the tailpiece is smaller than the trap',
            ];
        }
        if ($fit !== null && ! $fit->isFloor()) {
            $parts[] = ['part' => 'wall tube', 'size' => $trapSize, 'why' => 'from the trap into the outlet'];
        }
        if ($riser !== null) {
            array_push(
                $parts,
                ['part' => 'arm', 'size' => $size, 'why' => 'from the trap to the tee'],
                [
                    'part' => $tee->name ?? 'sanitary tee',
                    'size' => $size,
                    'why' => 'on the riser: the arm in its branch, the vent up from its top',
                ],
                ['part' => 'riser', 'size' => $size, 'why' => 'from the outlet in the floor up to the tee'],
            );
        }
        if (Nominal::mm($trapSize) < Nominal::mm($size) - Tolerance::NOMINAL_MM) {
            $parts[] = [
                'part' => 'trap adapter',
                'size' => "{$size} to {$trapSize}",
                'why' => 'the outlet is larger than the trap',
            ];
        }

        return $parts;
    }

    /** @return list<string> */
    private static function steps(?TrapFit $fit, ?float $high, float $adjust, string $pattern): array
    {
        if ($fit?->armMm === null) {
            return [];
        }

        return [
            'trap.bucket',
            ...$high !== null && $high < -Tolerance::TAPE_MM - $adjust ? ['trap.shorten'] : [],
            ...$high !== null && $high > Tolerance::TAPE_MM + $adjust ? ['trap.extend'] : [],
            ...$fit->isFloor() ? [] : ['trap.wall-tube'],
            'trap.nuts',
            ...$pattern === 'bottle' ? ['trap.bottle'] : ['trap.hang', 'trap.swing'],
            'trap.tighten',
            'trap.fill',
        ];
    }
}
