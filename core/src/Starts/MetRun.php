<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\BranchAt;
use FallBend\Core\Job\End;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Run;
use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\Units;

/**
 * Gives a run that leaves one run and enters another, as a vent does, the lengths of its last two legs and the place
 * where it enters, so that the two meet: what was measured fixes them.
 */
final class MetRun
{
    /** Two directions count as one below this, and one as square to a plane: no length along it helps there. */
    private const ALONG = 1e-3;

    /** Gives the job with the run so; as it is where nothing makes them meet, which a finding then says. */
    public static function met(Job $job, string $id, Catalogue $catalogue): Job
    {
        $run = $job->run($id);
        $into = $run?->tieIn->branch;
        if ($run === null || $into === null || $run->legs === []) {
            return $job;
        }
        $layout = (new JobEvaluator($catalogue))->evaluate($job)->layout();
        $moves = self::moves($layout, $run, $into);
        $atMm = ($into->atMm ?? 0.0) + ($moves['at'] ?? 0.0);
        $legs = array_map(static fn (Leg $leg): Leg => self::longer($leg, $moves[$leg->id] ?? 0.0, $job), $run->legs);
        if ($moves === [] || $atMm <= 0.0) {
            return $job;
        }
        $branch = new BranchAt($into->run, $into->leg, $atMm, $into->pattern);
        $end = new End($run->tieIn->what, $run->tieIn->kind, branch: $branch);

        return $job->withRun($run->withLegs($legs, $run->nextLeg)->withEnds($run->outlet, $end));
    }

    /**
     * By how much each of the last two legs gets longer, by its id, and how much further along the other run it enters
     * (`at`), in mm.
     *
     * @return array<string, float> empty where nothing makes them meet
     */
    private static function moves(JobLayout $layout, Run $run, BranchAt $into): array
    {
        $mine = $layout->runs[$run->id] ?? null;
        $other = ($layout->runs[$into->run] ?? null)?->leg($into->leg);
        $legs = array_slice(array_reverse($mine->legs ?? []), 0, 2);
        if ($mine === null || $legs === [] || $other === null) {
            return [];
        }
        $gap = $layout->offsets[$into->run]
            ->plus($other->from)
            ->plus($other->line->direction->times($into->atMm ?? 0.0))
            ->minus($layout->offsets[$run->id]->plus($mine->end));

        return self::closing($legs, $other, $gap);
    }

    /**
     * With u, v, w the directions of the last leg, of the leg that it enters and of the leg before: what lies square to
     * u and v only w can take up; the rest is the least squares of x · u − y · v − gap.
     *
     * @param non-empty-list<LegLaid> $legs the last one, and the one before it
     * @param Vec3 $gap from where the run ends to where it should
     * @return array<string, float>
     */
    private static function closing(array $legs, LegLaid $other, Vec3 $gap): array
    {
        [$u, $v, $w] = [$legs[0]->line->direction, $other->line->direction, ($legs[1] ?? null)?->line->direction];
        $normal = $u->cross($v)->unit();
        $along = $u->dot($v);
        $square = 1.0 - $along ** 2;
        if ($normal === null || $square < self::ALONG) {
            return [];
        }
        $moves = [];
        if (isset($legs[1]) && $w !== null && abs($w->dot($normal)) > self::ALONG) {
            $up = $gap->dot($normal) / $w->dot($normal);
            $moves[$legs[1]->line->leg->id] = $up;
            $gap = $gap->minus($w->times($up));
        }

        return $moves + [
            $legs[0]->line->leg->id => ($gap->dot($u) - $along * $gap->dot($v)) / $square,
            'at' => ($along * $gap->dot($u) - $gap->dot($v)) / $square,
        ];
    }

    /** A leg that is longer by so much, to a mark of the tape: what that moves lies within what is measured. */
    private static function longer(Leg $leg, float $mm, Job $job): Leg
    {
        $mark = $job->units === Units::Inch ? 25.4 / 32 : 1.0;
        $long = round((($leg->length?->toMm() ?? 0.0) + $mm) / $mark) * $mark;

        return $mm === 0.0 ? $leg : $leg->found(Length::mm(max($mark, $long)), $leg->fallMmPerM);
    }
}
