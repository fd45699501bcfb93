<?php

declare(strict_types=1);

namespace FallBend\Core\Report;

use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\OnSite;
use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Measure\Units;
use FallBend\Core\Site\Progress;
use FallBend\Core\Verdict\Severity;

/**
 * What a board shows of a job: the run with the heaviest finding, how far its stations are, what is next, and its fall
 * line as small as it can be drawn. It is made when a job is kept, and stored beside it.
 *
 * @phpstan-import-type PipeSizes from RunReport
 * @phpstan-import-type FittingReport from RunReport
 * @phpstan-import-type PieceReport from RunReport
 * @phpstan-import-type LegReport from RunReport
 * @phpstan-import-type WrittenRun from RunReport
 * @phpstan-import-type Point from Vec3
 * @phpstan-import-type StandingEnd from RunReport
 *
 * @phpstan-type JobSummary array{
 *     units: value-of<Units>,
 *     rulebook: string,
 *     runs: int,
 *     drawn_fill: float,
 *     run: RunSummary|null,
 *     station: value-of<self::STATIONS>,
 *     done: JobDone,
 * }
 * @phpstan-type JobDone array{
 *     pieces: int,
 *     pieces_cut: int,
 *     joints: int,
 *     joints_made: int,
 *     test_begun: bool,
 *     signed: bool,
 * }
 * @phpstan-type RunDrawing array{
 *     legs: list<array{
 *         id: string,
 *         laid: bool,
 *         size: string,
 *         from: Point|null,
 *         to: Point|null,
 *     }>,
 *     pieces: list<array{
 *         key: string,
 *         size: string,
 *         between: bool,
 *         joint_from: string,
 *         joint_to: string,
 *     }>,
 *     fittings: list<DrawnFitting>,
 *     joints: list<array{
 *         key: string,
 *         number: int,
 *         mark: string,
 *         fitting: ?string,
 *     }>,
 *     ends: array{
 *         outlet: StandingEnd|null,
 *         tie_in: StandingEnd|null,
 *     },
 *     system: array{material: string, hubs: 'start'|'end'|null},
 *     sequence: list<string>,
 *     pipes: array<string, PipeSizes>,
 *     totals: array{whole: bool},
 * }
 * @phpstan-type RunSummary array{
 *     id: string,
 *     number: int,
 *     name: string,
 *     counts: RunCounts,
 *     next: array{
 *         severity: value-of<Severity>,
 *         why: string,
 *         remedy: string,
 *     }|null,
 *     drawing: RunDrawing|null,
 * }
 * @phpstan-type RunCounts array{
 *     legs: int,
 *     stops: int,
 *     warnings: int,
 *     not_known: int,
 *     pieces: int,
 *     pieces_to_cut: int,
 *     joints: int,
 *     joints_open: int,
 *     joints_refused: int,
 * }
 * @phpstan-type DrawnFitting array{
 *     key: string,
 *     pattern: string,
 *     size: string,
 *     turn_deg: ?float,
 *     at: Point,
 *     in: Point,
 *     out: Point,
 *     into_mm: float,
 *     out_of_mm: float,
 *     stands: bool,
 *     branch: array{
 *         turn: bool,
 *         size: string,
 *         take_mm: float,
 *         reversed: bool,
 *         taps: list<array{run: string, vent: bool}>,
 *     }|null,
 * }
 * @phpstan-type LaidSummary array{
 *     units: value-of<Units>,
 *     rulebook: string,
 *     runs: int,
 *     drawn_fill: float,
 *     run: RunSummary|null,
 *     pieces: array<string, list<string>>,
 *     joints: array<string, list<int>>,
 *     beside: value-of<self::STATIONS>,
 * }
 */
final class BoardSummary
{
    /** Raised whenever a summary says something else than before, so that stored ones are made again. */
    public const VERSION = 3;

    /** Stations that a job can be at; `done`: it is signed. */
    public const STATIONS = ['route', 'make-up', 'joints', 'cut', 'glue-up', 'test', 'record', 'done'];

    /** Runs of more pieces and fittings are not drawn on a board. */
    private const MOST_DRAWN = 120;

    /**
     * Gives what does not change with what is done on site.
     *
     * @return LaidSummary
     */
    public static function laid(EvaluatedJob $job): array
    {
        $heaviest = self::heaviest($job);
        [$pieces, $joints] = [[], []];
        foreach ($job->layout()->runs as $id => $run) {
            $pieces[$id] = array_map(static fn (Piece $piece): string => $piece->key, $run->pieces);
            $joints[$id] = array_map(static fn (Joint $joint): int => $joint->number, $run->joints);
        }
        $plan = $job->job();

        return [
            'units' => $plan->units->value,
            'rulebook' => $job->book->name,
            'runs' => count($job->layout()->runs),
            'drawn_fill' => $job->catalogue->assumption('drawn-fill')->value,
            'run' => $heaviest === null ? null : self::run($job, $heaviest),
            'pieces' => $pieces,
            'joints' => $joints,
            'beside' => match (true) {
                $plan->singles !== [] => 'joints',
                $plan->moves !== [] => 'make-up',
                default => 'route',
            },
        ];
    }

    /**
     * Takes what `laid` gave, what is cut, and how far the joints are; gives the summary.
     *
     * @param LaidSummary $laid
     * @return JobSummary
     */
    public static function counted(array $laid, OnSite $site, Progress $progress): array
    {
        $run = $laid['run'];
        if ($run !== null) {
            $run['counts']['pieces_to_cut'] = count(self::left($laid['pieces'][$run['id']] ?? [], $site, $run['id']));
        }
        $left = $unmade = 0;
        foreach ($laid['pieces'] as $id => $pieces) {
            $left += count(self::left($pieces, $site, $id));
        }
        foreach ($laid['joints'] as $id => $joints) {
            $unmade += count(array_diff($joints, $progress->made[$id] ?? []));
        }
        $pieces = array_sum(array_map(count(...), $laid['pieces']));
        $joints = array_sum(array_map(count(...), $laid['joints']));
        $done = [
            'pieces' => $pieces,
            'pieces_cut' => $pieces - $left,
            'joints' => $joints,
            'joints_made' => $joints - $unmade,
            'test_begun' => $progress->testBegun,
            'signed' => $progress->signed,
        ];

        return [
            'units' => $laid['units'],
            'rulebook' => $laid['rulebook'],
            'runs' => $laid['runs'],
            'drawn_fill' => $laid['drawn_fill'],
            'run' => $run,
            'station' => $run === null ? $laid['beside'] : self::station($run['counts'], $done),
            'done' => $done,
        ];
    }

    /**
     * @param list<string> $pieces
     * @return list<string> those that are still to be cut
     */
    private static function left(array $pieces, OnSite $site, string $run): array
    {
        $cut = $site->cut[$run] ?? [];

        return array_values(array_filter($pieces, static fn (string $piece): bool => ! isset($cut[$piece])));
    }

    /**
     * Gives the station that has the next thing to do: what keeps a job from being built comes first.
     *
     * @param RunCounts $counts of the run with the heaviest finding
     * @param JobDone $done
     * @return value-of<self::STATIONS>
     */
    private static function station(array $counts, array $done): string
    {
        return match (true) {
            $counts['stops'] > 0, $counts['legs'] === 0, $done['joints'] === 0 => 'route',
            $counts['joints_open'] > 0 => 'joints',
            $done['pieces_cut'] < $done['pieces'] => 'cut',
            $done['joints_made'] < $done['joints'] => 'glue-up',
            ! $done['test_begun'] => 'test',
            ! $done['signed'] => 'record',
            default => 'done',
        };
    }

    /**
     * Gives what the fall line of one run is drawn from; null where there is nothing to draw, or too much.
     *
     * @return RunDrawing|null
     */
    public static function drawingOf(EvaluatedJob $job, string $run): ?array
    {
        return self::drawing((new RunReport($job->job()->units))->write($job->run($run), $job->findings($run)));
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

    /** @return RunSummary with all pieces still to be cut */
    private static function run(EvaluatedJob $evaluated, int $index): array
    {
        $job = $evaluated->job();
        $id = $evaluated->layout()->ids()[$index];
        $report = (new RunReport($job->units))->write($evaluated->run($id), $evaluated->findings($id));
        $next = $report['findings'][0] ?? null;

        return [
            'id' => $id,
            'number' => $index + 1,
            'name' => $job->run($id)->name ?? '',
            'counts' => self::counts($report),
            'next' => $next === null
                ? null
                : ['severity' => $next['severity'], 'why' => $next['why'], 'remedy' => $next['remedy']],
            'drawing' => self::drawing($report),
        ];
    }

    /**
     * @param WrittenRun $report
     * @return RunCounts
     */
    private static function counts(array $report): array
    {
        $severities = array_count_values(array_column($report['findings'], 'severity'));
        $states = array_count_values(array_column($report['joints'], 'state'));
        $in = static fn (string ...$of): int => array_sum(array_intersect_key($states, array_flip($of)));

        return [
            'legs' => count($report['legs']),
            'stops' => $severities[Severity::Stop->value] ?? 0,
            'warnings' => $severities[Severity::Warn->value] ?? 0,
            'not_known' => $severities[Severity::Unknown->value] ?? 0,
            'pieces' => count($report['pieces']),
            'pieces_to_cut' => count($report['pieces']),
            'joints' => count($report['joints']),
            'joints_open' => $in('unknown', 'none', 'refused'),
            'joints_refused' => $in('none', 'refused'),
        ];
    }

    /**
     * @param WrittenRun $report
     * @return RunDrawing|null what the fall line is drawn from; null where there is nothing to draw, or too much
     */
    private static function drawing(array $report): ?array
    {
        $isLaid = in_array(true, array_column($report['legs'], 'laid'), true);
        if (! $isLaid || count($report['pieces']) + count($report['fittings']) > self::MOST_DRAWN) {
            return null;
        }

        return [
            'legs' => array_map(self::leg(...), $report['legs']),
            'pieces' => array_map(self::piece(...), $report['pieces']),
            'fittings' => array_map(self::fitting(...), $report['fittings']),
            'joints' => [],
            'ends' => [
                'outlet' => self::end($report['ends']['outlet']),
                'tie_in' => self::end($report['ends']['tie_in']),
            ],
            'system' => ['material' => $report['system']['material'], 'hubs' => $report['system']['hubs']],
            'sequence' => $report['sequence'],
            'pipes' => array_map(self::sizes(...), $report['pipes']),
            'totals' => ['whole' => $report['totals']['whole']],
        ];
    }

    /**
     * @param LegReport $leg
     * @return array{id: string, laid: bool, size: string, from: Point|null, to: Point|null}
     */
    private static function leg(array $leg): array
    {
        return [
            'id' => $leg['id'],
            'laid' => $leg['laid'],
            'from' => self::point($leg['from']),
            'to' => self::point($leg['to']),
            'size' => $leg['size'],
        ];
    }

    /**
     * @param PieceReport $piece
     * @return array{key: string, size: string, between: bool, joint_from: string, joint_to: string}
     */
    private static function piece(array $piece): array
    {
        return [
            'key' => $piece['key'],
            'size' => $piece['size'],
            'between' => $piece['between'],
            'joint_from' => $piece['joint_from'],
            'joint_to' => $piece['joint_to'],
        ];
    }

    /**
     * @param FittingReport $fitting
     * @return DrawnFitting
     */
    private static function fitting(array $fitting): array
    {
        $branch = $fitting['branch'];

        return [
            'key' => $fitting['key'],
            'pattern' => $fitting['pattern'],
            'size' => $fitting['size'],
            'turn_deg' => self::roundedOrNull($fitting['turn_deg']),
            'at' => self::point($fitting['at']),
            'in' => self::point($fitting['in']),
            'out' => self::point($fitting['out']),
            'into_mm' => self::rounded($fitting['into_mm']),
            'out_of_mm' => self::rounded($fitting['out_of_mm']),
            'stands' => $fitting['stands'],
            'branch' => $branch === null
                ? null
                : [
                    'turn' => $branch['turn'],
                    'size' => $branch['size'],
                    'take_mm' => self::rounded($branch['take_mm']),
                    'reversed' => $branch['reversed'],
                    'taps' => array_map(
                        static fn (array $tap): array => ['run' => $tap['run'], 'vent' => $tap['vent']],
                        $branch['taps'],
                    ),
                ],
        ];
    }

    /**
     * @param StandingEnd|null $end
     * @return StandingEnd|null
     */
    private static function end(?array $end): ?array
    {
        return $end === null
            ? null
            : [
                ...$end,
                'od_mm' => self::rounded($end['od_mm']),
                'bore_mm' => self::rounded($end['bore_mm']),
                'depth_mm' => self::rounded($end['depth_mm']),
                'reach_mm' => self::roundedOrNull($end['reach_mm']),
            ];
    }

    /**
     * @param PipeSizes $sizes
     * @return PipeSizes
     */
    private static function sizes(array $sizes): array
    {
        return [
            'od_mm' => self::rounded($sizes['od_mm']),
            'bore_mm' => self::rounded($sizes['bore_mm']),
            'socket_depth_mm' => self::rounded($sizes['socket_depth_mm']),
            'stick_mm' => self::roundedOrNull($sizes['stick_mm']),
        ];
    }

    /**
     * @param Point|null $point
     * @return ($point is null ? null : Point)
     */
    private static function point(?array $point): ?array
    {
        return $point === null ? null : array_map(self::rounded(...), $point);
    }

    /** A number of two places: a drawing of a hand's breadth shows no more. */
    private static function rounded(float $value): float
    {
        return round($value, 2);
    }

    private static function roundedOrNull(?float $value): ?float
    {
        return $value === null ? null : round($value, 2);
    }
}
