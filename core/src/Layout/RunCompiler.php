<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\Run;

/**
 * The compiler of a run: directions, turns, positions, pieces and joints. The time it takes grows in proportion to the
 * number of legs and sticks.
 *
 * Invariants, held by tests: along every leg, take-offs, pieces and stops add up to its centre length; every piece and
 * fitting begins where
 * the one before ends, in the direction that it ends in (but for the strain that is reported).
 */
final readonly class RunCompiler
{
    public function __construct(private Catalogue $catalogue) {}

    /**
     * @param PipeSystem $system of the run, with the user's measured numbers in it
     * @param Surroundings $site how its ends meet what stands there
     * @param Rulebook $rulebook chooses between fittings that make the same turn, and the fall where none is said
     */
    public function compile(
        Run $run,
        PipeSystem $system,
        Rulebook $rulebook,
        Surroundings $site = new Surroundings,
    ): RunLayout {
        $course = $site->course ?? Course::of($run, $system, $rulebook);
        $layout = $this->lay($run, $course, $system, $rulebook, $site);
        // A rolled pair has a drop of its own, which is known only once it is laid: what it took is given back, until
        // the level is met.
        $isFound = $course->run !== $run;
        for ($more = 0.0, $try = 0; $isFound && $try < 4 && abs($layout->remainingMm() ?? 0.0) > 0.01; $try++) {
            $more += $layout->remainingMm() ?? 0.0;
            $layout = $this->lay($run, Course::of($run, $system, $rulebook, $more), $system, $rulebook, $site);
        }

        return $layout;
    }

    private function lay(
        Run $said,
        Course $course,
        PipeSystem $system,
        Rulebook $rulebook,
        Surroundings $site,
    ): RunLayout {
        [$run, $lines] = [$course->run, $course->lines];
        $finder = new TurnFinder(
            $system,
            $rulebook,
            $this->catalogue->jointPlay($system)->value,
            $run->use,
            $run->rises(),
        );
        $turns = [];
        for ($i = 1; $i < count($lines); $i++) {
            $junction = $site->inTurns[$lines[$i]->leg->id] ?? null;
            $turns[] =
                $junction?->branch === null
                    ? $finder->between($lines[$i - 1], $lines[$i])
                    : Turn::at($junction, $lines[$i - 1], $lines[$i], $system);
        }

        return Assembly::assemble($said, $run, $system, $lines, $turns, $site);
    }
}
