<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\Run;

/**
 * The compiler of a run: directions, turns, positions, pieces and joints. The time it takes grows in proportion to the number of legs and sticks.
 *
 * Invariants, held by tests: along every leg, take-offs, pieces and stops add up to its centre length; every piece and fitting begins where
 * the one before ends, in the direction that it ends in (but for the strain that is reported).
 */
final readonly class RunCompiler
{
    public function __construct(private Catalogue $catalogue) {}

    /**
     * @param PipeSystem $system of the run, with the user's measured numbers in it
     * @param Site $site how its ends meet what stands there
     * @param Rulebook $rulebook chooses between fittings that make the same turn, and the fall where none is said
     */
    public function compile(Run $run, PipeSystem $system, Rulebook $rulebook, Site $site = new Site): RunLayout
    {
        $fall = $run->fallMmPerM ?? $rulebook->forSize('fall.least', $run->size, $system->key)->value ?? 0.0;
        $finder = new TurnFinder($system, $rulebook, $this->catalogue->assumption('joint-play')->value, $run->use);
        $lines = Directions::of($run, $fall);
        $turns = [];
        for ($i = 1; $i < count($lines); $i++) {
            $turns[] = $finder->between($lines[$i - 1], $lines[$i]);
        }

        return Assembly::of($run, $system, $lines, $turns, $site);
    }
}
