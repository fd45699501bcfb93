<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\BranchAt;
use FallBend\Core\Job\End;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Run;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\Way;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;

/** Lays a run that comes in at an angle which no branch fitting makes with the fitting and the rolled bend that do. */
final class RolledBranch
{
    /** Gives the job with the run so; as it is where a fitting makes the angle, or nothing reaches it. */
    public static function laid(Job $job, string $id, Catalogue $catalogue): Job
    {
        $evaluated = (new JobEvaluator($catalogue))->evaluate($job);
        foreach ($job->runs as $run) {
            foreach ($evaluated->findings($run->id) as $finding) {
                // The finding that no fitting makes this angle names, as its first way, a fitting and a rolled bend.
                $isIts = isset($finding->params['one_fitting']) && ($finding->params['branch_run'] ?? '') === $id;
                $entering = $job->run($id);
                if ($isIts && $entering !== null) {
                    return $job->withRun(self::rolled($entering, $finding, $job->units));
                }
            }
        }

        return $job;
    }

    private static function rolled(Run $run, Finding $finding, Units $units): Run
    {
        $of = static fn (string $name): float => (float) ($finding->params["one_{$name}"] ?? 0.0);
        $last = $run->legs[count($run->legs) - 1] ?? null;
        $at = $run->tieIn->branch;
        if ($last?->length === null || $at === null) {
            return $run;
        }
        $shorter = self::marked($last->length->toMm() - $of('shorter'), $units);
        $turn = $of('turn_deg');
        $added = new Leg(
            "l{$run->nextLeg}",
            $turn < 0.0 ? Way::Left : Way::Right,
            max(0.01, abs($turn)),
            self::marked($of('long'), $units),
            fallMmPerM: $of('fall'),
        );
        $legs = [...array_slice($run->legs, 0, -1), $last->found($shorter, $last->fallMmPerM), $added];
        $branch = new BranchAt($at->run, $at->leg, ($at->atMm ?? 0.0) + $of('further'), $at->pattern);

        return $run
            ->withLegs($legs, $run->nextLeg + 1)
            ->withEnds($run->outlet, new End($run->tieIn->what, RunEndKind::Branch, branch: $branch));
    }

    /** A length to a mark of the tape: what that moves in plan nobody sees. */
    private static function marked(float $mm, Units $units): Length
    {
        $mark = $units === Units::Inch ? 25.4 / 16 : 1.0;

        return Length::mm(max(1.0, ceil($mm / $mark) * $mark));
    }
}
