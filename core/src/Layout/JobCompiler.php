<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\End;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Run;
use FallBend\Core\Job\RunUse;
use FallBend\Core\Joining\EndKind;

/**
 * Compiles all runs of a job: finds where they meet, chooses the branch fittings, lays every run out with what meets
 * it, and places the frames.
 * The time grows in proportion to the number of legs and sticks.
 */
final class JobCompiler
{
    private readonly RunCompiler $compiler;

    private readonly EndJoiner $joiner;

    /** @var array<string, list<Junction>> by id of the run that they stand in */
    private array $junctions = [];

    /**
     * @var array<string, array<string, Junction>> by id of the run that meets another, and the side that it meets it
     *     with
     */
    private array $meets = [];

    /** @var array<string, Course> by id of run */
    private array $courses = [];

    /** @var array<string, Run> by id */
    private array $runs = [];

    /** @param Catalogue $catalogue with the job's own numbers over it */
    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly Rulebook $rulebook,
        private readonly Job $job,
    ) {
        $this->compiler = new RunCompiler($catalogue);
        $this->joiner = new EndJoiner($catalogue);
        foreach ($job->runs as $run) {
            $this->runs[$run->id] = $run;
        }
    }

    /** Lays out every run. */
    public function compile(): JobLayout
    {
        $this->meet();
        $layouts = array_map($this->layOut(...), $this->runs);
        $frames = (new Placement($layouts))->placed();
        $marked = array_values(array_map(static fn (RunLayout $layout): Run => $layout->run, $layouts));

        return new JobLayout(
            $this->job->withRuns($marked),
            $layouts,
            $frames->offsets,
            $frames->frames,
            $frames->missesMm,
            $frames->loops,
        );
    }

    /** Lays out one run of the job, or what would stand in its place: the same with another end. */
    public function one(Run $run): RunLayout
    {
        if ($this->courses === []) {
            $this->meet();
        }

        return $this->layOut($run);
    }

    /** Finds what meets what. */
    private function meet(): void
    {
        $tapped = [];
        foreach ($this->runs as $id => $run) {
            $this->courses[$id] = $this->courseOf($run);
            foreach ($this->tapsOf($run) as $tap) {
                $tapped[$tap->at->run][] = $tap;
            }
        }
        foreach ($tapped as $id => $taps) {
            $this->junctions[$id] = $this->junctionsOf($this->runs[$id], $taps);
            foreach ($this->junctions[$id] as $junction) {
                foreach ($junction->taps as $tap) {
                    $this->meets[$tap->run][$tap->side] = $junction;
                }
            }
        }
    }

    private function courseOf(Run $run): Course
    {
        return Course::of($run, $this->catalogue->system($run->system), $this->rulebook);
    }

    /** @return list<BranchEntry> */
    private function tapsOf(Run $run): array
    {
        $lines = $this->courses[$run->id]->lines;
        $taps = [];
        $isCloset = $run->outlet->fixture?->kind === FixtureKind::WaterCloset;
        if ($run->tieIn->branch !== null && count($lines) === count($run->legs) && $lines !== []) {
            $last = $lines[count($lines) - 1];
            $taps[] = new BranchEntry(
                $run->id,
                'tie-in',
                $run->tieIn->branch,
                $run->rises() ? $last->direction->times(-1.0) : $last->direction,
                $last->size,
                $run->system,
                $run->use === RunUse::Vent,
                $isCloset,
            );
        }
        if ($run->outlet->branch !== null && $lines !== []) {
            $taps[] = new BranchEntry(
                $run->id,
                'outlet',
                $run->outlet->branch,
                $lines[0]->direction->times(-1.0),
                $lines[0]->size,
                $run->system,
                true,
                false,
            );
        }

        return $taps;
    }

    /**
     * @param non-empty-list<BranchEntry> $taps of one run
     * @return list<Junction>
     */
    private function junctionsOf(Run $run, array $taps): array
    {
        $system = $this->catalogue->system($run->system);
        $finder = new JunctionFinder($system, $this->rulebook, $this->catalogue->jointPlay($system)->value);
        $places = [];
        foreach ($taps as $tap) {
            // Within a millimetre of each other two branches stand in one fitting.
            $places[$tap->at->leg.($tap->at->atMm === null ? '' : '@'.round($tap->at->atMm))][] = $tap;
        }
        $byLeg = [];
        $lines = $this->courses[$run->id]->lines;
        foreach ($lines as $i => $line) {
            $byLeg[$line->leg->id] = $i;
        }
        $junctions = [];
        foreach ($places as $at) {
            $i = $byLeg[$at[0]->at->leg] ?? null;
            if ($i === null) {
                continue;
            }
            $line = $lines[$i];
            $junction = $finder->find($at, $line, $lines[$i - 1] ?? null, $run);
            $length = $line->leg->length?->toMm();
            $junctions[] =
                $junction->atMm !== null &&
                $length !== null &&
                $junction->atMm > $length + ($line->leg->isToStop ? 500.0 : 0.0)
                    ? new Junction(
                        $junction->leg,
                        $junction->atMm,
                        $junction->taps,
                        null,
                        JunctionTrouble::OffLeg,
                        $junction->flow,
                        $junction->orientation,
                        $junction->angleDeg,
                        0.0,
                        $junction->isReversed,
                    )
                    : $junction;
        }

        return $junctions;
    }

    private function layOut(Run $run): RunLayout
    {
        $system = $this->catalogue->system($run->system);
        [$first, $last] = $run->endSizes();
        [$outletSeat, $outletJoint] = $this->seat($run, 'outlet', $run->outlet, $first);
        [$tieInSeat, $tieInJoint] = $this->seat($run, 'tie-in', $run->tieIn, $last);

        return $this->compiler->compile(
            $run,
            $system,
            $this->rulebook,
            new Surroundings(
                $outletJoint ??
                    $this->standing($run, $run->outlet, $first, ! $run->rises()),
                $tieInJoint ??
                    ($this->goesOn($run, $last) ??
                        $this->standing($run, $run->tieIn, $last, $run->rises())),
                $this->job->conditions,
                $outletSeat,
                $tieInSeat,
                $this->junctions[$run->id] ?? [],
                $run === $this->runs[$run->id] ? $this->courses[$run->id] : null,
            ),
        );
    }

    /**
     * @return array{?BranchSeat, ?EndJoint} where an end sits in a branch fitting, and how it is joined there where the
     *     fitting is of another system
     */
    private function seat(Run $run, string $side, End $end, string $size): array
    {
        if ($end->branch === null) {
            return [null, null];
        }
        $junction = $this->meets[$run->id][$side] ?? null;
        if ($junction === null) {
            return [new BranchSeat(0.0, false, $size, null), null];
        }
        $seat = $junction->seat();
        $other = $this->catalogue->system($this->runs[$end->branch->run]->system);
        $system = $this->catalogue->system($run->system);
        if (
            $other->key !== $system->key &&
            ($seat->branch === null || $seat->branch->branchSystems === []) &&
            isset($other->pipes[$seat->size])
        ) {
            $joint = $this->joiner->ofRun(
                $end,
                $seat->branch->name ?? 'branch',
                $other,
                $seat->size,
                EndJoiner::ownKind($other->ownJoint),
                $system,
                $size,
                $run->place,
                $this->rulebook,
            );
            $reach = $joint->reachMm();

            return [
                $seat->at($reach === null ? null : $seat->takeMm + $other->pipe($seat->size)->socketDepthMm - $reach),
                $joint,
            ];
        }
        $bushing = $seat->size === $size || $other->key !== $system->key ? null : $system->bushing($seat->size, $size);

        return [$bushing === null ? $seat : $seat->with($bushing), null];
    }

    private function standing(Run $run, End $end, string $size, bool $isUpper): ?EndJoint
    {
        $system = $this->catalogue->system($run->system);

        return $this->joiner->joint($end, $this->job, $system, $size, $run->place, $this->rulebook, $isUpper);
    }

    /** How a run is joined to the run that it goes on into: end to end, or the lower one's hub over the upper one. */
    private function goesOn(Run $run, string $size): ?EndJoint
    {
        $next = $run->tieIn->next === null ? null : $this->runs[$run->tieIn->next] ?? null;
        if ($next === null) {
            return null;
        }

        [$ours, $theirs] = [$this->catalogue->system($run->system), $this->catalogue->system($next->system)];

        return $this->joiner->ofRun(
            $run->tieIn,
            $next->name,
            $theirs,
            $next->endSizes()[0],
            $theirs->hasHubs() && ! $next->rises() ? EndKind::Hub : EndKind::Plain,
            $ours,
            $size,
            $run->place,
            $this->rulebook,
            $ours->hasHubs() && $run->rises() ? EndKind::Hub : EndKind::Plain,
        );
    }
}
