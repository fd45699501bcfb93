<?php

declare(strict_types=1);

namespace FallBend\Core\Report;

use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Job\CuttingDone;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Verdict\Severity;

/**
 * What a board shows of a job: the run with the heaviest finding, how far its stations are, what is next, and its fall
 * line
 * as small as it can be drawn. It is made when a job is kept, and stored beside it.
 *
 * @phpstan-type Report array<string, mixed>
 */
final class BoardSummary
{
    /** Raised whenever a summary says something else than before, so that stored ones are made again. */
    public const VERSION = 1;

    /** Runs of more pieces and fittings are not drawn on a board. */
    private const MOST_DRAWN = 120;

    private const LEG = ['id', 'laid', 'from', 'to', 'size'];

    private const PIECE = ['key', 'size', 'between', 'joint_from', 'joint_to'];

    private const FITTING = [
        'key',
        'pattern',
        'size',
        'at',
        'in',
        'out',
        'into_mm',
        'out_of_mm',
        'turn_deg',
        'stands',
        'branch',
    ];

    private const BRANCH = ['turn', 'size', 'take_mm', 'reversed', 'taps'];

    /** @return array<string, mixed> shape `JobSummary` of the API description */
    public static function of(EvaluatedJob $job): array
    {
        return self::counted(self::laid($job), $job->job()->cutting);
    }

    /**
     * Gives what does not change with what is cut.
     *
     * @return array{summary: array<string, mixed>, pieces: list<string>} with the keys of the pieces of the run
     */
    public static function laid(EvaluatedJob $job): array
    {
        $heaviest = self::heaviest($job);
        $summary = [
            'units' => $job->job()->units->value,
            'rulebook' => $job->book->name,
            'runs' => count($job->layout()->runs),
            'drawn_fill' => $job->catalogue->assumption('drawn-fill')->value,
            'run' => $heaviest === null ? null : self::run($job, $heaviest),
        ];
        $pieces = $heaviest === null ? [] : $job->run($job->layout()->ids()[$heaviest])->pieces;

        return [
            'summary' => $summary,
            'pieces' => array_map(static fn (Piece $piece): string => $piece->key, $pieces),
        ];
    }

    /**
     * Takes what `laid` gave, and what is cut; gives the summary.
     *
     * @param array{summary: array<string, mixed>, pieces: list<string>} $laid
     * @return array<string, mixed>
     */
    public static function counted(array $laid, CuttingDone $done): array
    {
        $summary = $laid['summary'];
        if (is_array($summary['run'] ?? null)) {
            $cut = is_string($summary['run']['id']) ? $done->cut[$summary['run']['id']] ?? [] : [];
            $left = array_diff($laid['pieces'], array_map(strval(...), array_keys($cut)));
            /** @var array<string, int> $counts */
            $counts = $summary['run']['counts'];
            $summary['run']['counts'] = ['pieces_to_cut' => count($left)] + $counts;
        }

        return $summary;
    }

    /** @return ?int index of the run with the heaviest finding, the first of them */
    private static function heaviest(EvaluatedJob $job): ?int
    {
        [$heaviest, $rank] = [null, PHP_INT_MAX];
        foreach ($job->layout()->ids() as $i => $id) {
            $first = $job->findings($id)[0] ?? null;
            $mine = $first === null ? PHP_INT_MAX - 1 : $first->severity->rank();
            if ($mine < $rank) {
                [$heaviest, $rank] = [$i, $mine];
            }
            if ($rank === Severity::Stop->rank()) {
                break;
            }
        }

        return $heaviest;
    }

    /** @return array<string, mixed> */
    private static function run(EvaluatedJob $evaluated, int $index): array
    {
        $job = $evaluated->job();
        $id = $evaluated->layout()->ids()[$index];
        $report = (new RunReport($job->units))->write($evaluated->run($id), $evaluated->findings($id));
        $findings = self::list($report, 'findings');
        $pieces = self::list($report, 'pieces');
        $joints = self::list($report, 'joints');
        $next = $findings[0] ?? null;
        $of = static fn (string $severity): int => count(
            array_keys(array_column($findings, 'severity'), $severity, true),
        );
        $in = static fn (string ...$states): int => count(
            array_filter($joints, static fn (array $joint): bool => in_array($joint['state'] ?? '', $states, true)),
        );

        return [
            'id' => $id,
            'number' => $index + 1,
            'name' => $job->run($id)->name ?? '',
            'counts' => [
                'legs' => count(self::list($report, 'legs')),
                'stops' => $of('stop'),
                'warnings' => $of('warn'),
                'not_known' => $of('unknown'),
                'pieces' => count($pieces),
                'joints' => count($joints),
                'joints_open' => $in('unknown', 'none', 'refused'),
                'joints_refused' => $in('none', 'refused'),
            ],
            'next' => $next === null ? null : array_intersect_key($next, ['severity' => 1, 'why' => 1, 'remedy' => 1]),
            'drawing' => self::drawing($report),
        ];
    }

    /**
     * @param Report $report
     * @return array<string, mixed>|null what the fall line is drawn from; null where there is nothing to draw, or too
     *     much
     */
    private static function drawing(array $report): ?array
    {
        [$legs, $pieces, $fittings] = [
            self::list($report, 'legs'),
            self::list($report, 'pieces'),
            self::list($report, 'fittings'),
        ];
        $isLaid = in_array(true, array_column($legs, 'laid'), true);
        if (! $isLaid || count($pieces) + count($fittings) > self::MOST_DRAWN) {
            return null;
        }
        $system = is_array($report['system'] ?? null) ? $report['system'] : [];
        $totals = is_array($report['totals'] ?? null) ? $report['totals'] : [];

        return self::rounded([
            'legs' => self::only($legs, self::LEG),
            'pieces' => self::only($pieces, self::PIECE),
            'fittings' => array_map(self::fitting(...), $fittings),
            'joints' => [],
            'ends' => $report['ends'] ?? null,
            'system' => ['material' => $system['material'] ?? ''],
            'sequence' => $report['sequence'] ?? [],
            'pipes' => $report['pipes'] ?? [],
            'totals' => ['whole' => $totals['whole'] ?? false],
        ]);
    }

    /**
     * @param Report $fitting
     * @return Report
     */
    private static function fitting(array $fitting): array
    {
        $fitting = array_intersect_key($fitting, array_flip(self::FITTING));
        if (is_array($fitting['branch'] ?? null)) {
            $branch = array_intersect_key($fitting['branch'], array_flip(self::BRANCH));
            $branch['taps'] = self::only(self::list($branch, 'taps'), ['run', 'vent']);
            $fitting['branch'] = $branch;
        }

        return $fitting;
    }

    /**
     * @param list<Report> $rows
     * @param list<string> $fields
     * @return list<Report>
     */
    private static function only(array $rows, array $fields): array
    {
        $wanted = array_flip($fields);

        return array_map(static fn (array $row): array => array_intersect_key($row, $wanted), $rows);
    }

    /**
     * @param array<array-key, mixed> $report
     * @return list<Report>
     */
    private static function list(array $report, string $key): array
    {
        /** @var list<Report> $list the reports are made by this core */
        $list = $report[$key] ?? [];

        return $list;
    }

    /**
     * @param array<string, mixed> $drawing
     * @return array<string, mixed> with numbers of two places: a drawing of a hand's breadth shows no more
     */
    private static function rounded(array $drawing): array
    {
        array_walk_recursive($drawing, static function (mixed &$value): void {
            if (is_float($value)) {
                $value = round($value, 2);
            }
        });

        return $drawing;
    }
}
