<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\TrapKind;
use FallBend\Core\MakeUp\TrapMeasures;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\SourceList;
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
        $trap = $this->measures($input);
        $findings = (new TrapFitFindings($trap))->all();
        [$riser, $high] = [$trap->riser(), $trap->highMm() ?? 0.0];
        $isStop = static fn (Finding $finding): bool => $finding->severity === Severity::Stop;
        $units = $trap->rulebook->units === 'mm' ? Units::Millimetre : Units::Inch;

        return [
            'parts' => self::parts($trap),
            'cuts' => self::cuts($trap),
            'shorten_mm' => self::isLow($trap) ? -$high - $trap->adjustMm : 0.0,
            'extend_mm' => self::isHigh($trap) ? $high - $trap->adjustMm : 0.0,
            'seal_mm' => $trap->sealMm,
            'arm' => self::arm($trap),
            'riser_mm' => $riser?->riserMm,
            'fits' => $trap->highMm() !== null && array_filter($findings, $isStop) === [],
            'steps' => self::inWords($riser === null ? self::steps($trap) : self::riserSteps($trap)),
            'findings' => FindingReport::list($findings, $units),
            'sources' => SourceList::list([
                $trap->system->pipe($trap->size)->provenance,
                $trap->rulebook->forSize('fall.least', $trap->size, $trap->system->key)?->provenance,
                $riser === null ? null : $trap->tee()?->provenance,
            ]),
        ];
    }

    /** @throws BadInput */
    private function measures(Fields $input): TrapMeasures
    {
        $overrides = Overrides::read($input, $this->catalogue);
        $catalogue = $this->catalogue->with($overrides->catalogue, $overrides->additions);
        $rulebook = $catalogue->rulebook($input->choice('rulebook', $catalogue->rulebookKeys()));
        [$tail, $outlet, $trap] = [$input->child('tailpiece'), $input->child('outlet'), $input->child('trap')];
        $system = $catalogue->system($outlet->choice('system', $catalogue->systemKeys()));
        $tee = $outlet->childOrNull('tee');
        $measures = new TrapMeasures(
            ...self::lengths($outlet, $tee, $trap) + self::places($tail, $outlet, $input),
            rulebook: $rulebook->with($overrides->rulebook),
            fixture: $input->enum('fixture', FixtureKind::class),
            system: $system,
            size: $outlet->choice('size', $system->sizes()),
            pattern: $trap->enum('pattern', TrapKind::class),
            trapSize: $trap->string('size', 10),
            tailSize: $tail->string('size', 10),
            isVented: $outlet->bool('vented', false),
        );
        foreach ([$tee, $tail, $outlet, $trap, $input] as $fields) {
            $fields?->end();
        }

        return $measures;
    }

    /**
     * @return array{
     *     depthMm: ?float,
     *     branchMm: ?float,
     *     runOutMm: ?float,
     *     tallMm: ?float,
     *     reachMm: ?float,
     *     elbowMm: ?float,
     *     sealMm: ?float,
     *     adjustMm: float,
     * } what is measured of outlet, tee and trap
     *
     * @throws BadInput
     */
    private static function lengths(Fields $outlet, ?Fields $tee, Fields $trap): array
    {
        return [
            'depthMm' => $outlet->numberOrNull('depth_mm', 0, 1000),
            'branchMm' => $tee?->numberOrNull('branch_mm', 0, 2000),
            'runOutMm' => $tee?->numberOrNull('run_out_mm', 0, 2000),
            'tallMm' => $trap->numberOrNull('tall_mm', 1, 2000),
            'reachMm' => $trap->numberOrNull('reach_mm', 0, 1000),
            'elbowMm' => $trap->numberOrNull('elbow_mm', 0, 500),
            'sealMm' => $trap->numberOrNull('seal_mm', 0, 500),
            'adjustMm' => $trap->numberOrNull('adjust_mm', 0, 1000) ?? 0.0,
        ];
    }

    /**
     * @return array{tailLengthMm: float, tailAt: Vec3, outletAt: Vec3, along: Vec3, cabinetMm: ?float} where both ends
     *     lie
     *
     * @throws BadInput
     */
    private static function places(Fields $tail, Fields $outlet, Fields $input): array
    {
        return [
            'tailLengthMm' => $tail->number('length_mm', 0, self::FAR_MM),
            'tailAt' => Points::read($tail, 'at'),
            'outletAt' => Points::read($outlet, 'at'),
            'along' => Points::direction($outlet, 'along'),
            'cabinetMm' => $input->numberOrNull('cabinet_floor_mm', -self::FAR_MM, self::FAR_MM),
        ];
    }

    /** @return array{length_mm: ?float, fall_mm_per_m: float, aside_mm: float}|null */
    private static function arm(TrapMeasures $trap): ?array
    {
        [$fit, $riser] = [$trap->fit(), $trap->riser()];

        return $fit === null ? null : [
            'length_mm' => $riser === null ? $fit->armMm : $riser->armMm,
            'fall_mm_per_m' => $fit->fallMmPerM,
            'aside_mm' => $fit->asideMm,
        ];
    }

    /** Whether the tailpiece ends lower than the trap can be drawn out for. */
    private static function isLow(TrapMeasures $trap): bool
    {
        $high = $trap->highMm();

        return $high !== null && $high < -Tolerance::TAPE_MM - $trap->adjustMm;
    }

    /** Whether it ends higher than that. */
    private static function isHigh(TrapMeasures $trap): bool
    {
        $high = $trap->highMm();

        return $high !== null && $high > Tolerance::TAPE_MM + $trap->adjustMm;
    }

    /** @return list<array{piece: string, length_mm: float, insertion_mm: float}> */
    private static function cuts(TrapMeasures $trap): array
    {
        [$fit, $riser, $depth] = [$trap->fit(), $trap->riser(), $trap->depthMm];
        $isWall = $fit?->armMm !== null && $trap->elbowMm !== null && $depth !== null && ! $fit->isFloor();
        $cuts = $riser === null
            ? [['wall-tube', $isWall ? $fit->armMm - $trap->elbowMm + $depth : null, $depth ?? 0.0]]
            : [
                ['arm', $riser->armCutMm($trap->elbowMm, $trap->teeBranchMm()), 0.0],
                ['riser', $riser->riserCutMm($trap->teeOutMm(), $depth), $depth ?? 0.0],
            ];
        $cut = [];
        foreach ($cuts as [$piece, $length, $insertion]) {
            if ($length !== null && $length > 0) {
                $cut[] = ['piece' => $piece, 'length_mm' => $length, 'insertion_mm' => $insertion];
            }
        }

        return $cut;
    }

    /**
     * @param list<string> $steps
     * @return list<array{step: string, words: string}>
     */
    private static function inWords(array $steps): array
    {
        return array_map(static fn (string $key): array => ['step' => $key, 'words' => Wording::step($key)], $steps);
    }

    /** @return list<string> */
    private static function riserSteps(TrapMeasures $trap): array
    {
        return $trap->riser()?->armMm === null
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

    /** @return list<array{part: string, size: string, why: string}> */
    private static function parts(TrapMeasures $trap): array
    {
        $part = static fn (string $part, string $size, string $why): array => compact('part', 'size', 'why');
        $isSmaller = static fn (string $size, string $than): bool => Nominal::mm($size) <
            Nominal::mm($than) - Tolerance::NOMINAL_MM;
        [$ofTrap, $ofTail, $size] = [$trap->trapSize, $trap->tailSize, $trap->size];
        $parts = [$part($trap->pattern === TrapKind::Bottle ? 'bottle trap' : 'trap', $ofTrap, 'as measured')];
        if (self::isHigh($trap)) {
            $parts[] = $part('extension tube', $ofTail, 'the tailpiece ends too high');
        }
        if ($isSmaller($ofTail, $ofTrap)) {
            $why = 'the tailpiece is smaller than the trap';
            $parts[] = $part('reducing washer', "{$ofTrap} to {$ofTail}", $why);
        }
        if ($trap->fit()?->isFloor() === false) {
            $parts[] = $part('wall tube', $ofTrap, 'from the trap into the outlet');
        }
        if ($trap->riser() !== null) {
            $tee = $trap->tee()->name ?? 'sanitary tee';
            $parts[] = $part('arm', $size, 'from the trap to the tee');
            $parts[] = $part($tee, $size, 'on the riser: the arm in its branch, the vent up from its top');
            $parts[] = $part('riser', $size, 'from the outlet in the floor up to the tee');
        }
        if ($isSmaller($ofTrap, $size)) {
            $parts[] = $part('trap adapter', "{$size} to {$ofTrap}", 'the outlet is larger than the trap');
        }

        return $parts;
    }

    /** @return list<string> */
    private static function steps(TrapMeasures $trap): array
    {
        $fit = $trap->fit();
        if ($fit?->armMm === null) {
            return [];
        }

        return [
            'trap.bucket',
            ...self::isLow($trap) ? ['trap.shorten'] : [],
            ...self::isHigh($trap) ? ['trap.extend'] : [],
            ...$fit->isFloor() ? [] : ['trap.wall-tube'],
            'trap.nuts',
            ...$trap->pattern === TrapKind::Bottle ? ['trap.bottle'] : ['trap.hang', 'trap.swing'],
            'trap.tighten',
            'trap.fill',
        ];
    }
}
