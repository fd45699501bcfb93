<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\BranchAt;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\LegFile;
use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\Orientation;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Layout\TurnFinder;
use FallBend\Core\Measure\Tape;

/**
 * Making up inside a job, as the station asks for it: the ends come from the run, and every solution comes with the
 * legs that it makes of it.
 *
 * @phpstan-import-type WrittenLeg from LegFile
 * @phpstan-import-type WayLeg from SolutionReport
 * @phpstan-import-type WayBend from SolutionReport
 * @phpstan-import-type Reading from Tape
 *
 * @phpstan-type MadeUp array{
 *     turn_deg: float,
 *     apart: Reading,
 *     outside_mm: float,
 *     size: string,
 *     branch_at_mm: ?float,
 *     level_difference_mm: ?float,
 *     solutions: list<MadeUpWay>,
 *     searched: array{
 *         sequences: int,
 *         max_bends: int,
 *         exhaustive: bool,
 *     },
 *     relax: list<array{
 *         condition: string,
 *         what: string,
 *         from: float,
 *         to: float,
 *         solution: MadeUpWay,
 *     }>,
 * }
 * @phpstan-type MadeUpWay array{
 *     points_mm: list<list<float>>,
 *     bends: list<BendOnTape>,
 *     legs: list<LegOnTape>,
 *     cost: float,
 *     closes_within_mm: float,
 *     legs_said: list<WrittenLeg>,
 *     next_leg: int,
 *     refused: list<string>,
 * }
 * @phpstan-type BendOnTape array{
 *     row: string,
 *     pattern: string,
 *     street: bool,
 *     name: string,
 *     turn_deg: float,
 *     nominal_deg: float,
 *     roll_deg: float,
 *     mark_mm: float,
 *     dial_deg: float,
 *     strain_deg: float,
 *     doubt_mm: float,
 *     mark: Reading,
 * }
 * @phpstan-type LegOnTape array{
 *     length_mm: float,
 *     cut_mm: ?float,
 *     fall_mm_per_m: ?float,
 *     heading_deg: float,
 *     dip_deg: float,
 *     length: Reading,
 *     cut: Reading|null,
 * }
 */
final readonly class RunMakeUp
{
    /** What a search may look at while somebody waits for it: about three seconds of it. */
    private const EFFORT = 500_000;

    private const FAR_MM = 100_000.0;

    /** An end that moves further than this beside the leg that it meets does not move along it. */
    private const BESIDE_MM = 1.0;

    /**
     * @param Catalogue $catalogue with the crew's numbers and the job's own over it
     * @param Rulebook $rulebook with the crew's thresholds and the job's own in it
     */
    public function __construct(private Catalogue $catalogue, private Rulebook $rulebook, private JobFile $file) {}

    /**
     * Takes a job that is laid out, and what is asked: the run, `from_leg`, and `to`: either `leg`, or what was
     * measured from the end of the run (`along_mm`, `over_mm`, `down_mm`, `turn_deg`, and
     * `fall_mm_per_m`, or `plumb`); optional `max_bends`, `clearance_mm`, `fall_least_mm_per_m`, `obstacles`. Gives
     * ranked solutions with their legs, or what to
     * relax; and where the end moves, what moves with it: the place on the run that it enters (`branch_at_mm`) and the
     * difference of the levels.
     *
     * @return MadeUp
     *
     * @throws BadInput
     */
    public function answer(JobLayout $job, Fields $asked, ?Effort $effort = null): array
    {
        $layout = $job->runs[$asked->choice('run', $job->ids())];
        $to = $asked->child('to');
        [$first, $last] = $this->legs($job->job, $layout, $asked, $to);
        $inRun = new InRun($layout, $first, $last);
        [$end, $moved] = $this->end($inRun, $job, $layout->legs[$last - 1], $to);
        $problem = $this->problem($inRun, $end, $asked);
        $found = (new Search($problem, self::EFFORT, $effort))->run();
        $relaxed = $found->solutions === [] ? (new Relaxing($problem, 40_000, $found, $effort))->all() : [];
        $way = fn (Solution $solution): array => $this->way($solution, $inRun, $layout);

        return [
            'turn_deg' => $problem->from->along->angleTo($problem->to->along),
            'apart' => (new Tape)->reading($problem->to->at->minus($problem->from->at)->length()),
            'outside_mm' => $layout->system->pipe($problem->from->size)->outsideMm,
            'size' => $problem->from->size,
            ...$moved,
            'solutions' => array_map($way, $found->solutions),
            'searched' => [
                'sequences' => $found->sequences,
                'max_bends' => $found->bends,
                'exhaustive' => $found->isExhaustive,
            ],
            'relax' => array_map(
                static fn (Relaxed $one): array => [
                    'condition' => $one->condition,
                    'what' => $one->what,
                    'from' => $one->from,
                    'to' => $one->to,
                    'solution' => $way($one->solution),
                ],
                $relaxed,
            ),
        ];
    }

    /**
     * @return array{OpenEnd, array{branch_at_mm: ?float, level_difference_mm: ?float}} the other end, and what moves
     *     with it where it is not that of a leg
     *
     * @throws BadInput
     */
    private function end(InRun $inRun, JobLayout $job, LegLaid $last, Fields $to): array
    {
        $layout = $inRun->layout;
        $branch = $layout->run->tieIn->branch;
        if ($to->has('leg')) {
            $to->end();

            return [$inRun->endOfLast(), ['branch_at_mm' => null, 'level_difference_mm' => null]];
        }
        $moved = [
            'branch_at_mm' => $branch === null
                ? null
                : self::meetsAt($branch, $job->runs[$branch->run] ?? null, $last, $to),
            'level_difference_mm' => $layout->run->levelDifference === null
                ? null
                : $layout->fallMm() + $to->number('down_mm', -self::FAR_MM, self::FAR_MM),
        ];
        $end = $this->measured($inRun, $to);
        $to->end();

        return [$end, $moved];
    }

    /** @throws BadInput */
    private function problem(InRun $inRun, OpenEnd $end, Fields $asked): Problem
    {
        $problem = $inRun->problem(
            $end,
            $this->catalogue,
            $this->rulebook,
            $asked->has('max_bends') ? $asked->int('max_bends', 1, 4) : 3,
            $asked->numberOrNull('fall_least_mm_per_m', -1000, 1000),
            $asked->numberOrNull('clearance_mm', 0, 10_000) ?? 0.0,
            array_map($this->box(...), $asked->children('obstacles', 50)),
        );
        $asked->end();

        return $problem;
    }

    /** @return MadeUpWay one solution with the legs that it makes of the run */
    private function way(Solution $solution, InRun $inRun, RunLayout $layout): array
    {
        [$legs, $next] = $inRun->legs($solution);
        [$way, $tape] = [SolutionReport::write($solution, $layout->system), new Tape];

        return [
            ...$way,
            'bends' => array_map(static fn (array $bend): array => self::bend($bend, $tape), $way['bends']),
            'legs' => array_map(static fn (array $leg): array => self::leg($leg, $tape), $way['legs']),
            'legs_said' => $this->file->legs($legs),
            'next_leg' => $next,
            'refused' => self::refused($solution, $layout, $this->rulebook),
        ];
    }

    /**
     * @return array{int, int} numbers of the first and the last leg
     *
     * @throws BadInput
     */
    private function legs(Job $job, RunLayout $layout, Fields $asked, Fields $to): array
    {
        $numbers = [];
        foreach ($layout->legs as $leg) {
            $numbers[$leg->line->leg->id] = $leg->line->number;
        }
        if ($numbers === []) {
            throw BadInput::at($asked->at('run'), 'has no leg yet', $layout->run->id);
        }
        $first = $asked->has('from_leg')
            ? $numbers[$asked->choice('from_leg', array_map(strval(...), array_keys($numbers)))]
            : count($numbers);
        $last = $to->has('leg')
            ? $numbers[$to->choice('leg', array_map(strval(...), array_keys($numbers)))]
            : count($numbers);
        if ($last < $first || ($to->has('leg') && $last === $first)) {
            throw BadInput::at($to->at('leg'), 'must be a later leg than the first', $last);
        }
        $taken = array_slice(array_keys($numbers), $first, $last - $first);
        foreach ($job->runs as $run) {
            foreach ([$run->outlet->branch, $run->tieIn->branch] as $branch) {
                if ($branch !== null && $branch->run === $layout->run->id && in_array($branch->leg, $taken, true)) {
                    throw BadInput::at(
                        $to->at('leg'),
                        "{$run->name} meets a leg that would be made anew; choose legs on one side of it",
                        $branch->leg,
                    );
                }
            }
        }

        return [$first, $last];
    }

    private function measured(InRun $inRun, Fields $to): OpenEnd
    {
        $far = self::FAR_MM;

        return $inRun->measured(
            $to->number('along_mm', -$far, $far),
            $to->number('over_mm', -$far, $far),
            $to->number('down_mm', -$far, $far),
            $to->numberOrNull('turn_deg', -180, 180) ?? 0.0,
            $to->bool('plumb', false) ? null : $to->numberOrNull('fall_mm_per_m', -1000, 10_000) ?? 0.0,
        );
    }

    /**
     * Gives where a run that ends in another one meets it once its end has moved by what was measured: as far along
     * that leg as before, and what it moved along it. Null where it
     * does not move along it, or the leg is not laid: then the two go on meeting where they met.
     */
    private static function meetsAt(BranchAt $branch, ?RunLayout $other, LegLaid $last, Fields $to): ?float
    {
        $leg = $other?->leg($branch->leg);
        if ($leg === null || $branch->atMm === null) {
            return null;
        }
        $heading = $last->line->headingDeg;
        $moved = Vec3::direction($heading, 0.0)
            ->times($to->number('along_mm', -self::FAR_MM, self::FAR_MM))
            ->plus(Vec3::direction($heading + 90.0, 0.0)->times($to->number('over_mm', -self::FAR_MM, self::FAR_MM)))
            ->plus(new Vec3(0.0, 0.0, -$to->number('down_mm', -self::FAR_MM, self::FAR_MM)));
        $along = $moved->dot($leg->line->direction);
        $at = $branch->atMm + $along;

        return $moved->minus($leg->line->direction->times($along))->length() > self::BESIDE_MM || $at <= 0.0
            ? null
            : $at;
    }

    /** A box said as the other end is: along, over and up, each from and to. */
    private function box(Fields $fields): Box
    {
        [$low, $high] = [[], []];
        foreach (['over', 'along', 'up'] as $way) {
            [$a, $b] = [
                $fields->number("{$way}_from_mm", -100_000, 100_000),
                $fields->number("{$way}_to_mm", -100_000, 100_000),
            ];
            $low[] = min($a, $b);
            $high[] = max($a, $b);
        }
        $box = new Box(new Vec3(...$low), new Vec3(...$high), $fields->stringOr('what', 'what stands there', 80));
        $fields->end();

        return $box;
    }

    /**
     * @param WayBend $bend
     * @return BendOnTape with what is read off as a tape says it
     */
    private static function bend(array $bend, Tape $tape): array
    {
        return [...$bend, 'mark' => $tape->reading(abs($bend['mark_mm']))];
    }

    /**
     * @param WayLeg $leg
     * @return LegOnTape the same
     */
    private static function leg(array $leg, Tape $tape): array
    {
        return [...$leg, 'length' => $tape->reading($leg['length_mm']), 'cut' => $tape->readingOrNull($leg['cut_mm'])];
    }

    /** @return list<string> patterns that the rulebook does not take for the way the water turns in them */
    private static function refused(Solution $solution, RunLayout $layout, Rulebook $rulebook): array
    {
        $refused = [];
        foreach ($solution->bends() as $i => $bend) {
            $orientation = Orientation::of($solution->directions[$i], $solution->directions[$i + 1]);
            if (
                TurnFinder::objection(
                    $rulebook,
                    $bend->pattern,
                    $orientation,
                    $layout->run->use,
                    $bend->size,
                    $layout->system,
                ) > 0
            ) {
                $refused[] = $bend->name;
            }
        }

        return array_values(array_unique($refused));
    }
}
