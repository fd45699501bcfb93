<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * The lengths of the branch fittings of a system: as a row states them, or reckoned. A moulder makes a fitting as short
 * as the pipes in it and the sweep allow; what he leaves beyond that is taken from the stated or measured fittings of
 * the kind, or from the family. See docs/fitting-lengths.md. Lengths in mm from where the axes cross to where the pipe
 * comes to rest, without the gap of a joint; ρr and ρb are the radii of run and branch outside, β is the angle between
 * the branch and the inlet of the run.
 *
 * @phpstan-type BranchBase array{
 *     run_in_mm: array{float, string},
 *     run_out_mm: array{float, string},
 *     branch_mm: array{float, string},
 * }
 * @phpstan-type BranchDerived array{
 *     run_in_mm: DerivedLength,
 *     run_out_mm: DerivedLength,
 *     branch_mm: DerivedLength,
 *     is_hubbed: bool,
 * }
 */
final class BranchLengths
{
    private const NAMES = ['run_in_mm', 'run_out_mm', 'branch_mm'];

    private const EIGHTH_DEG = 45.0;

    /** A fitting for two fixtures holds a sweep of so many times the radius of a short bend. */
    private const LONG_SWEEP = 1.5;

    /** @var array<string, array<string, ?float>> what stated rows leave beyond the base, by kind and length */
    private array $left = [];

    /**
     * @param Rows<Pipe> $pipes of the system
     * @param list<mixed> $rows of its branch fittings as they stand in the table, with the user's numbers over them
     */
    public function __construct(
        private readonly FittingFamily $family,
        private readonly Rows $pipes,
        private readonly BendLengths $bends,
        private readonly array $rows,
    ) {}

    /**
     * Gives the lengths of a branch fitting.
     *
     * @return BranchDerived
     *
     * @throws BadInput if the row is wrong
     */
    public function of(Fields $row): array
    {
        $kind = BranchKind::ofPattern($row->string('pattern'));
        $doubt = $this->family->doubtMm($kind->doubt(), $this->pipes[$row->string('size')]->outsideMm);
        $lengths = $this->reckoned($row, $doubt);
        foreach (self::NAMES as $name) {
            $stated = $row->numberOrNull($name, 0, 2000);
            if ($stated !== null) {
                $lengths[$name] = DerivedLength::stated($stated, $row, $doubt);
            }
        }

        return $lengths;
    }

    /** @return BranchDerived */
    private function reckoned(Fields $row, float $doubt): array
    {
        $fitting = $this->sizes($row->all());
        $base = $this->base($fitting);
        $length = function (string $name) use ($fitting, $base, $doubt): DerivedLength {
            [[$mm, $formula], $left] = [$base[$name], $this->beyond($fitting->kind, $name)];

            return new DerivedLength(
                $mm + $left,
                $doubt,
                $formula.(abs($left) < 0.05 ? '' : sprintf(' %s %.1f mm', $left < 0.0 ? '−' : '+', abs($left))),
            );
        };
        $lengths = [
            'run_in_mm' => $length('run_in_mm'),
            'run_out_mm' => $length('run_out_mm'),
            'branch_mm' => $length('branch_mm'),
            'is_hubbed' => $this->family->isHubbed,
        ];
        // Where the fitting is stated over all, only the place of its centre is reckoned.
        $overAll = $row->numberOrNull('over_all_mm', 1, 4000);
        if ($overAll !== null) {
            [$from, $to] = $fitting->kind->firstEnd();
            $lengths[$to] = new DerivedLength(
                $overAll - $lengths[$from]->mm,
                $doubt,
                sprintf('%.1f over all less the other end', $overAll),
            );
        }

        /** @var BranchDerived $lengths */
        return $lengths;
    }

    /**
     * The part of each length that follows from the pipes, and its formula.
     *
     * @return BranchBase
     */
    private function base(BranchSizes $fitting): array
    {
        [$run, $branch] = [$fitting->runMm, $fitting->branchMm];
        $throat = $this->family->throatMm(2 * $branch);
        [$in, $out, $up] = match ($fitting->kind) {
            BranchKind::Wye => $this->seated(self::crotch($fitting), $fitting),
            BranchKind::Combination => $this->combination($fitting),
            BranchKind::Tee, BranchKind::Fixture => $this->sweep($fitting),
            BranchKind::SweptTee => $this->seated(
                [[$branch, 'ρb'], [$branch + $throat, 'ρb + throat'], [$run + $throat, 'ρr + throat']],
                $fitting,
            ),
            BranchKind::VentTee, BranchKind::Boss => $this->seated(
                [[$branch, 'ρb'], [$branch, 'ρb'], [$run, 'ρr']],
                $fitting,
            ),
        };

        return ['run_in_mm' => $in, 'run_out_mm' => $out, 'branch_mm' => $up];
    }

    /**
     * The same lengths with the seats of couplings, of a fitting with cut ends.
     *
     * @param array{array{float, string}, array{float, string}, array{float, string}} $lengths inlet, outlet, branch
     * @return array{array{float, string}, array{float, string}, array{float, string}}
     */
    private function seated(array $lengths, BranchSizes $fitting): array
    {
        [[$in, $inSaid], [$out, $outSaid], [$up, $upSaid]] = $lengths;
        $said = $fitting->runSeatMm > 0.0 ? ' + seat' : '';

        return [
            [$in + $fitting->runSeatMm, $inSaid.$said],
            [$out + $fitting->outletSeatMm(), $outSaid.($fitting->spigotMm === null ? $said : ' + spigot')],
            [$up + $fitting->branchSeatMm, $upSaid.$said],
        ];
    }

    /**
     * The ends of two pipes must not meet in the crotch of a wye.
     *
     * @return array{array{float, string}, array{float, string}, array{float, string}} inlet, outlet, branch
     */
    private static function crotch(BranchSizes $fitting): array
    {
        // A combination begins as a wye of 45°.
        $turn = deg2rad($fitting->kind === BranchKind::Combination ? self::EIGHTH_DEG : $fitting->turnDeg);
        [$run, $branch, $cos, $sin] = [$fitting->runMm, $fitting->branchMm, cos($turn), sin($turn)];

        return [
            [($branch + $run * $cos) / $sin, '(ρb + ρr·cos β) / sin β'],
            [max(($branch - $run * $cos) / $sin, 0.0), '(ρb − ρr·cos β) / sin β'],
            [($run + $branch * $cos) / $sin, '(ρr + ρb·cos β) / sin β'],
        ];
    }

    /**
     * A tee holds the sweep of a bend of its branch: of a short quarter bend, or of a long one where two fixtures meet
     * in it. What such a bend takes has its seat already.
     *
     * @return array{array{float, string}, array{float, string}, array{float, string}} inlet, outlet, branch
     */
    private function sweep(BranchSizes $fitting): array
    {
        $times = $fitting->kind === BranchKind::Fixture ? self::LONG_SWEEP : 1.0;
        $take = $this->bends->radiusMm($fitting->bendSize) * $times + $this->bends->straightMm($fitting->bendSize);
        $bend = $times > 1.0 ? 'a long 1/4 bend of the branch' : 'the 1/4 bend of the branch';

        return [
            [$fitting->branchMm + $fitting->runSeatMm, $fitting->runSeatMm > 0.0 ? 'ρb + seat' : 'ρb'],
            $fitting->spigotMm === null
                ? [$take, $bend]
                : [$take - $this->bends->straightMm($fitting->bendSize) + $fitting->spigotMm, "{$bend}, and spigot"],
            [$take + $fitting->runMm - $fitting->branchMm, "{$bend} + ρr − ρb"],
        ];
    }

    /**
     * A wye whose branch goes on into a 1/8 bend where the bores part: the branch crosses the run above the centre of
     * the wye.
     *
     * @return array{array{float, string}, array{float, string}, array{float, string}} inlet, outlet, branch
     */
    private function combination(BranchSizes $fitting): array
    {
        [$in, $out] = $this->seated(self::crotch($fitting), $fitting);
        $cos = cos(deg2rad(self::EIGHTH_DEG));
        $tangent = $this->bends->radiusMm($fitting->bendSize) * tan(deg2rad(self::EIGHTH_DEG / 2));
        $up = (($fitting->runBoreMm + $fitting->branchBoreMm * $cos) / $cos + $tangent) * $cos;
        $wye = fn (string $name): float => $this->beyond(BranchKind::Wye, $name);

        return [
            [
                max(
                    $in[0] + $wye('run_in_mm') - $up,
                    $fitting->branchMm + $this->family->inletMm + $fitting->runSeatMm,
                ),
                'that of the wye less how far the branch lies above its centre',
            ],
            [$out[0] + $wye('run_out_mm') + $up, 'that of the wye and how far the branch lies above its centre'],
            [
                $up + $tangent + $this->bends->straightMm($fitting->bendSize),
                'the 1/8 bend of the branch where the bores part',
            ],
        ];
    }

    /** What is left beyond the base: as the stated fittings of the kind have it, or the family. */
    private function beyond(BranchKind $kind, string $name): float
    {
        $this->left[$kind->value] ??= $this->leftOf($kind);

        return $this->left[$kind->value][$name] ?? $this->assumed($kind, $name);
    }

    /** @return array<string, ?float> by length: what the stated rows of a kind leave on average; null: none does */
    private function leftOf(BranchKind $kind): array
    {
        $rows = array_values(
            array_filter(
                $this->rows,
                static fn (mixed $row): bool => is_array($row) &&
                    is_string($row['pattern'] ?? null) &&
                    BranchKind::ofPattern($row['pattern']) === $kind,
            ),
        );
        $found = ['run_in_mm' => [], 'run_out_mm' => [], 'branch_mm' => []];
        foreach ($rows as $row) {
            $fields = Fields::of($row);
            foreach (self::NAMES as $name) {
                $stated = $fields->numberOrNull($name);
                if ($stated !== null) {
                    $found[$name][] = $stated - $this->base($this->sizes($fields->all()))[$name][0];
                }
            }
        }
        // The inlet of a wye is cut as its branch is: where that alone is stated, it says both.
        if ($kind === BranchKind::Wye && $found['run_in_mm'] === []) {
            $found['run_in_mm'] = $found['branch_mm'];
        }
        [, $to] = $kind->firstEnd();
        array_push($found[$to], ...$this->leftOverAll($kind, $rows, $found));

        return array_map(
            static fn (array $left): ?float => $left === [] ? null : array_sum($left) / count($left),
            $found,
        );
    }

    /**
     * What fittings that are stated over all leave at the end that follows from the other.
     *
     * @param list<mixed> $rows
     * @param array<string, list<float>> $found
     * @return list<float>
     */
    private function leftOverAll(BranchKind $kind, array $rows, array $found): array
    {
        [$from, $to] = $kind->firstEnd();
        $known = $found[$from] ?? [];
        $beyond = $known === [] ? $this->assumed($kind, $from) : array_sum($known) / count($known);
        $left = [];
        foreach ($rows as $row) {
            $fields = Fields::of($row);
            $overAll = $fields->numberOrNull('over_all_mm');
            if ($overAll !== null && ! $fields->has($to)) {
                $base = $this->base($this->sizes($fields->all()));
                $first = $fields->numberOrNull($from) ?? $base[$from][0] + $beyond;
                $left[] = $overAll - $first - $base[$to][0];
            }
        }

        return $left;
    }

    /** What the family leaves beyond the base. */
    private function assumed(BranchKind $kind, string $name): float
    {
        return match ($kind) {
            BranchKind::Wye => $name === 'run_out_mm' ? $this->family->outletMm : $this->family->crotchMm,
            BranchKind::Combination => 0.0,
            BranchKind::Tee, BranchKind::Fixture => $name === 'run_in_mm' ? $this->family->inletMm : 0.0,
            BranchKind::Boss => $name === 'branch_mm' ? $this->family->inletMm : 0.0,
            BranchKind::SweptTee, BranchKind::VentTee => $this->family->inletMm,
        };
    }

    /** @param array<array-key, mixed> $row */
    private function sizes(array $row): BranchSizes
    {
        $fields = Fields::of($row);
        [$size, $branchSize] = [$fields->string('size'), $fields->string('branch_size')];
        [$run, $branch] = [$this->pipes[$size], $this->pipes[$branchSize] ?? null];
        // A boss takes waste pipe, whose size is about its outside.
        $outside = $branch->outsideMm ?? (is_numeric($branchSize) ? (float) $branchSize : $run->outsideMm / 3);
        $isBanded = $this->family->isBanded;

        return new BranchSizes(
            BranchKind::ofPattern($fields->string('pattern')),
            $fields->number('turn_deg', 1, 95),
            $run->outsideMm / 2 + $this->family->housingMm,
            $outside / 2 + $this->family->housingMm,
            $run->boreMm / 2,
            ($branch->boreMm ?? $outside) / 2,
            $isBanded ? $run->socketDepthMm : 0.0,
            $isBanded ? $branch->socketDepthMm ?? 0.0 : 0.0,
            $branch === null ? $size : $branchSize,
            $this->family->isHubbed ? $this->bends->spigotStraightMm($size) : null,
        );
    }
}
